import type { CloseBlock } from '#core/job/close-block.ts';
import { debtsOf } from '#core/job/debt.ts';
import { appendEvents, type JobLog, openLog } from '#core/job/job-log.ts';
import { keysOf } from '#core/job/keys.ts';
import { askedBy } from '#core/kit/asked.ts';
import type { Answers } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { indexOf } from '#core/kit/plan.ts';
import { lineOf } from '#core/line/line.ts';
import type { Move } from '#core/rehearse/careful-fitter.ts';
import { type DeadEnd, type Rehearsal, rehearse } from '#core/rehearse/rehearsal.ts';
import type { RehearsalVerdict } from '#core/rehearse/rehearse-all.ts';
import { answersText } from './finding-text.ts';
import { lookTargetText } from './look-text.ts';
import { refusalText } from './refusal-text.ts';
import { say } from './say.ts';
import { stageText } from './stage-text.ts';
import { planActionText, stepTitle } from './step-text.ts';

/** Where a dry run stands still, and why. */
export interface DeadEndText {
  /** The step or station it happens at. */
  at: string;
  why: string;
}

/** A dead end as a kit's maker reads it, with the combinations that run into it. */
export interface DeadEndTold extends DeadEndText {
  /** The first combination, to play it. */
  answers: Answers;
  /** How many run into it. */
  combinations: number;
}

/** What keeps the job open, named. */
function blockText({ plan, state }: JobLog, block: CloseBlock): string {
  const { items, stations, groups } = indexOf(plan);
  switch (block.code) {
    case 'linesUncounted':
      return say('not counted: {items}', { items: block.items.map((id) => items.get(id)?.line ?? id).join(', ') });
    case 'stationsOpen':
      return say('{title}: stations {stations} are open', {
        title: groups.get(block.group)?.title ?? block.group,
        stations: block.stations.map((id) => stations.get(id)?.label ?? id).join(', '),
      });
    case 'piecesUnaccounted':
      return say('{name}: the pieces do not add up', { name: items.get(block.item)?.name ?? block.item });
    case 'countsDisagree':
      return say('two counts differ: {items}', {
        items: block.items.map((id) => items.get(id)?.line ?? id).join(', '),
      });
    case 'serialsMissing':
      return say('no number read off {items}', {
        items: block.items.map((id) => items.get(id)?.name ?? id).join(', '),
      });
    case 'keysOut':
      return say('not handed over: {keysOf}', {
        keysOf: keysOf(plan, state)
          .filter(({ id }) => block.keys.includes(id))
          .map(({ name }) => name)
          .join(', '),
      });
    case 'debtsOpen':
      return say('not back where it must be: {debtsOf}', {
        debtsOf: debtsOf(plan, state)
          .filter(({ id }) => block.debts.includes(id))
          .map(({ name }) => name)
          .join(', '),
      });
    case 'stepsOpen':
      return say('steps open: {flatMap}', {
        flatMap: block.steps
          .flatMap((id) => lineOf(plan).stepById.get(id) ?? [])
          .map(({ step }) => stepTitle(plan, step))
          .join('; '),
      });
    case 'secondLookDue':
      return say('second looks due: {targets}', {
        targets: block.targets.map((target) => lookTargetText(plan, target)).join('; '),
      });
    case 'clocksRunning':
      return say('a clock still runs and nobody is told of it');
    case 'conflictsUnsettled':
      return say('two figures are at odds');
    case 'problemOpen':
      return say('a check that was missed is not cleared');
    case 'toolsOut':
      return say('a tool is lent');
  }
}

const NO_PLAN: Record<string, (kit: KitDocument, id: string) => DeadEndText> = {
  specMissing: (kit, id) => {
    const station = kit.stations.find((entry) => entry.id === id);
    return {
      at: station ? say('Station {label}, {name}', { label: station.label, name: station.name }) : id,
      why: say('None of its figures is for this vehicle.'),
    };
  },
  answerOutOfRange: (kit, id) => ({
    at: askedBy(kit).find((question) => question.id === id)?.text ?? id,
    why: say('The answer is outside what the question allows.'),
  }),
};

/** A dead end in words. */
export function deadEndText(kit: KitDocument, deadEnd: DeadEnd, log?: JobLog): DeadEndText {
  if (deadEnd.code === 'noPlan') {
    const { error } = deadEnd;
    const id = error.code === 'specMissing' ? error.station : error.code === 'answerOutOfRange' ? error.question : '';
    return (
      NO_PLAN[error.code]?.(kit, id) ?? {
        at: say('The plan'),
        why: say('A question stays open that no answer settles.'),
      }
    );
  }
  if (!log) return { at: say('The line'), why: say('It cannot go on.') };
  const { plan } = log;
  if (deadEnd.code === 'doesNotClose')
    return {
      at: say('Closing the job'),
      why: say('The line is done, and the job cannot be closed: {blocks}.', {
        blocks: deadEnd.blocks.map((block) => blockText(log, block)).join('; '),
      }),
    };
  const line = lineOf(plan);
  const act = deadEnd.act === undefined ? undefined : line.actById.get(deadEnd.act);
  const step = act && line.stepById.get(act.step);
  const station =
    deadEnd.code === 'refused' && deadEnd.station ? indexOf(plan).stations.get(deadEnd.station) : undefined;
  const at = [
    step && stepTitle(plan, step.step).replace(/[.;]$/, ''),
    station
      ? say('station {label}', { label: station.label })
      : act && step?.step.made === undefined && planActionText(plan, act.action),
  ]
    .filter(Boolean)
    .join(', ');
  if (deadEnd.code === 'circle') return { at, why: say('The same things come again and again.') };
  const refusal = deadEnd.code === 'refused' ? deadEnd.refusal : deadEnd.waits;
  if (!refusal) return { at, why: say('Nothing leads to it.') };
  const { title, why } = refusalText(refusal, plan);
  return { at, why: `${title}. ${why}` };
}

/** The job at the end of a dry run; undefined where there was none. */
export function rehearsedLog({ setup, events }: Rehearsal): JobLog | undefined {
  const opened = openLog(setup);
  return opened.ok ? appendEvents(opened.value, events) : undefined;
}

/** Every dead end of a verdict in words; each is played once more, to say it by its names. */
export const deadEndsTold = (kit: KitDocument, { deadEnds }: RehearsalVerdict): DeadEndTold[] =>
  deadEnds.map(({ deadEnd, answers }) => {
    const [first = {}] = answers;
    return {
      ...deadEndText(kit, deadEnd, rehearsedLog(rehearse(kit, first))),
      answers: first,
      combinations: answers.length,
    };
  });

/** A dead end as a fault of the kit: `Step 4 …, with shield: yes`. */
export const deadEndFault = (kit: KitDocument, { at, why, answers, combinations }: DeadEndTold) => ({
  path: 'steps',
  message: [
    say('Dead end at {at}: {why}', { at, why }),
    Object.keys(answers).length > 0 && say('With {answersText}', { answersText: answersText(kit, answers) }),
    combinations > 1 && say('and {combinations} more combinations', { combinations: combinations - 1 }),
  ]
    .filter(Boolean)
    .join(' '),
});

/** What a move of the dry run is: `Station 3: pull to 54.9 N·m`. */
export function moveText({ plan }: JobLog, { command, act }: Move): string {
  const { stations, items, compounds } = indexOf(plan);
  const at = (id: string) => say('Station {label}', { label: stations.get(id)?.label ?? id });
  switch (command.type) {
    case 'countLine': {
      const item = items.get(command.item);
      return say('Count: {found} × {which}', {
        found: command.found,
        which: item ? `${item.line} ${item.name}` : command.item,
      });
    }
    case 'startByHand':
      return say('{station}: start by hand', { station: at(command.station) });
    case 'applyCompound': {
      const compound = compounds.get(stations.get(command.station)?.compound ?? '');
      return say('{station}: {name} on a clean thread', {
        station: at(command.station),
        name: compound?.name ?? 'compound',
      });
    }
    case 'snug':
      return say('{station}: snug', { station: at(command.station) });
    case 'doStage': {
      const spec = stations.get(command.station)?.spec;
      const stage = spec?.kind === 'procedure' ? spec.stages[command.stage] : undefined;
      return `${at(command.station)}: ${stage ? stageText(stage) : 'stage'}`;
    }
    case 'pull':
      return say('{station}: pull to {torqueNm} N·m{which}', {
        station: at(command.station),
        torqueNm: command.torqueNm,
        which: command.angleDeg ? `, ${command.angleDeg}°` : '',
      });
    case 'seeMark':
      return say('{station}: look at the mark', { station: at(command.station) });
    case 'confirmStop':
      return say('{station}: to its stop', { station: at(command.station) });
    case 'loosen':
      return say('{station}: loosen', { station: at(command.station) });
    case 'giveFigure':
      return say('{which}: look its figure up in the vehicle maker’s manual', {
        which: stations.has(command.target) ? at(command.target) : say('Refit'),
      });
    case 'settleBasis':
      return say('{station}: somebody settles its figure, made for another thread', { station: at(command.station) });
    case 'nameCompound':
      return say('A lead names the product: {product}', { product: command.product });
    case 'setLoadState':
      return command.state === 'tyreTouches'
        ? say('Let the tyre touch the ground')
        : say('Bring the vehicle to ride height');
    case 'noteBought':
      return say('Buy what the line needs');
    case 'declareSpare': {
      const item = items.get(command.item);
      return say('Left over: {quantity} × {which}', {
        quantity: command.quantity,
        which: item ? `${item.line} ${item.name}` : command.item,
      });
    }
    case 'close':
      return say('Sign and close');
    default: {
      const found = act === undefined ? undefined : lineOf(plan).actById.get(act);
      return found ? planActionText(plan, found.action) : command.type;
    }
  }
}
