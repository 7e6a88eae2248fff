import type { JobState, Undoable } from '#core/job/job-state.ts';
import { stationState } from '#core/job/job-state.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { lineOf } from '#core/line/line.ts';
import { careName } from './care-text.ts';
import { lookTargetText } from './look-text.ts';
import { say } from './say.ts';
import { planActionText, stepTitle } from './step-text.ts';

/** What would be taken back, short for a key and whole for a sentence. */
export interface UndoText {
  /** `bead, 3` */
  short: string;
  /** `bead on station 3, Lower bolt` */
  whole: string;
}

/** Names what a person would take back. */
export function undoText(plan: Plan, state: JobState, last: Undoable): UndoText {
  const { stations, items, steps } = indexOf(plan);
  const at = (what: string, id: string): UndoText => {
    const station = stations.get(id);
    return {
      short: `${what}, ${station?.label ?? id}`,
      whole: say('{what} on station {label}{which}', {
        what,
        label: station?.label ?? id,
        which: station ? `, ${station.name}` : '',
      }),
    };
  };
  switch (last.act) {
    case 'startByHand':
      return at('start', last.station);
    case 'applyCompound':
      return at('bead', last.station);
    case 'snug':
      return at('snug', last.station);
    case 'pull': {
      const pull = stationState(state, last.station).pulls.find(({ id }) => id === last.pull);
      const { short, whole } = at('pull', last.station);
      return { short, whole: pull ? `${whole}, ${pull.torqueNm.toFixed(1)} N·m` : whole };
    }
    case 'countLine': {
      const item = items.get(last.item);
      return {
        short: `count, ${item?.line ?? ''}`,
        whole: say('count of {line} {name}', { line: item?.line ?? '', name: item?.name ?? last.item }),
      };
    }
    case 'doStep':
    case 'waiveStep': {
      const step = steps.get(last.step);
      const title = step ? stepTitle(plan, step) : last.step;
      return {
        short: last.act === 'waiveStep' ? say('let go') : 'step',
        whole: last.act === 'waiveStep' ? say('that it was let go: {title}', { title }) : title,
      };
    }
    case 'lookAgain':
      return {
        short: say('second look'),
        whole: say('second look at {lookTargetText}', { lookTargetText: lookTargetText(plan, last.target) }),
      };
    case 'waiveCare':
      return {
        short: say('not asked'),
        whole: say('that it is not asked: {careName}', { careName: careName(plan, last.care) }),
      };
    case 'doAct': {
      const acts = last.acts.flatMap((id) => lineOf(plan).actById.get(id) ?? []);
      const [first] = acts;
      const more = acts.length > 1 ? say(' and {count} more', { count: acts.length - 1 }) : '';
      return {
        short: say('last act'),
        whole: first ? `${planActionText(plan, first.action)}${more}` : say('last act'),
      };
    }
  }
}

/** How long ago something was, as one says it. */
export function agoText(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / 1000));
  if (seconds < 90) return say('{seconds} s ago', { seconds });
  const minutes = Math.round(seconds / 60);
  return minutes < 90
    ? say('{minutes} min ago', { minutes })
    : say('{minutes} h ago', { minutes: Math.round(minutes / 60) });
}
