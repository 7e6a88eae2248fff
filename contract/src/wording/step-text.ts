import { isJointAction } from '#core/kit/complete-steps.ts';
import { indexOf, type Plan, type PlanAction, type PlanStep } from '#core/kit/plan.ts';
import { kitCalled, stepReferred } from '#core/visit/cross-reference.ts';
import { COMPARE_TEXT, HOLD_TEXT, SLACKEN_TEXT, THREAD_END_TEXT } from './en/line.ts';
import { ACTION_TEXT } from './en/terms.ts';
import { minutesText } from './minutes-text.ts';
import { inLanguage, midSentence, say } from './say.ts';

const END: Record<string, string> = inLanguage({ front: ' at the front', rear: ' at the rear', whole: '' });

const by = <T extends { id: string }>(list: readonly T[], id: string): T | undefined =>
  list.find((entry) => entry.id === id);
const joined = (...parts: ReadonlyArray<string | undefined>): string => parts.filter(Boolean).join(', ');

/** A removed thing: counted, with its side, its length and where it sat. */
function thingText(plan: Plan, id: string, count?: number): string | undefined {
  const thing = by(plan.removed, id);
  if (!thing) return undefined;
  const pieces = count ?? thing.count;
  return joined(
    `${pieces > 1 ? `${pieces} × ` : ''}${thing.name}`,
    thing.side,
    thing.lengthMm === undefined ? undefined : say('{lengthMm} mm long', { lengthMm: thing.lengthMm }),
    thing.note,
  );
}

function plugText(plan: Plan, id: string): string | undefined {
  const plug = by(plan.disconnects, id);
  return plug && joined(`${(plug.count ?? 1) > 1 ? `${plug.count} × ` : ''}${plug.name}`, plug.side);
}

const itemText = (plan: Plan, id: string): string | undefined => {
  const item = indexOf(plan).items.get(id);
  return item && `${item.line} ${item.name}`;
};

/** What an action is done to, with all that matters for doing it; undefined where it names something not in the plan. */
function objectOf(plan: Plan, action: PlanAction): string | undefined {
  switch (action.type) {
    case 'slacken':
      return joined(thingText(plan, action.removed), SLACKEN_TEXT[action.to]);
    case 'remove':
    case 'swingAside':
    case 'swingBack':
      return thingText(plan, action.removed);
    case 'support':
      return joined(thingText(plan, action.removed), action.with && say('with {with}', { with: action.with }));
    case 'refit': {
      const thing = by(plan.removed, action.removed);
      return (
        thing &&
        joined(
          thingText(plan, action.removed, action.count),
          thing.movesTo && say('to {movesTo}', { movesTo: thing.movesTo }),
          // Where it is pulled as a joint, its figure stands with the pull.
          plan.groups.some(({ again }) => again?.thing === thing.id) ? undefined : thing.refitSpec?.printed,
        )
      );
    }
    case 'moveOver': {
      const thing = by(plan.removed, action.removed);
      return (
        thing &&
        joined(
          thingText(plan, action.removed),
          thing.movesTo && say('to {movesTo}', { movesTo: thing.movesTo }),
          action.facing,
        )
      );
    }
    case 'compare':
      return joined(
        say('{thingText} with {itemText}', {
          thingText: thingText(plan, action.removed) ?? action.removed,
          itemText: itemText(plan, action.item) ?? action.item,
        }),
        ...action.points.map((point) => midSentence(COMPARE_TEXT[point])),
      );
    case 'disconnect':
    case 'reconnect':
      return plugText(plan, action.disconnect);
    case 'windBack': {
      const plug = by(plan.disconnects, action.disconnect);
      return (
        plug &&
        `${plug.name}${plug.turns ? say(', {turns} turns against the way it screws in', { turns: plug.turns }) : ''}`
      );
    }
    case 'loosen':
    case 'retighten': {
      const neighbour = by(plan.neighbours, action.neighbour);
      const many = (neighbour?.count ?? 1) > 1 ? `${neighbour?.count} × ` : '';
      return (
        neighbour &&
        joined(`${many}${neighbour.name}`, action.type === 'retighten' ? neighbour.spec?.printed : undefined)
      );
    }
    case 'putOn':
    case 'refitForNow':
    case 'clear':
      return by(plan.temporary, action.temporary)?.name;
    case 'clean':
    case 'dry':
    case 'grease':
    case 'bleed':
      return joined(action.places.join(', '), action.with && say('with {with}', { with: action.with }));
    case 'chase':
      return `${action.places.join(', ')}, ${action.thread}`;
    case 'soak':
      return joined(
        action.places.join(', '),
        action.with && say('with {with}', { with: action.with }),
        minutesText(action.minutes),
      );
    case 'coolDown':
      return joined(
        action.what,
        action.minutes === undefined ? undefined : minutesText(action.minutes),
        action.belowC === undefined ? undefined : say('below {belowC} °C', { belowC: action.belowC }),
      );
    case 'warmUp':
      return joined(
        action.what,
        action.minutes === undefined ? undefined : minutesText(action.minutes),
        action.aboveC === undefined ? undefined : say('above {aboveC} °C', { aboveC: action.aboveC }),
      );
    case 'measure':
    case 'measureAgain':
      return by(plan.baselines, action.baseline)?.name;
    case 'check':
    case 'align':
    case 'test':
      return by(plan.checks, action.check)?.text;
    case 'prerequisite':
      return by(plan.prerequisites, action.prerequisite)?.text;
    case 'ream':
      return `${action.what}, ${action.diameterMm} mm`;
    case 'cut':
    case 'bend':
      return action.what;
    case 'decide':
      return by(plan.irreversible, action.irreversible)?.text;
    case 'choose':
      return by(plan.choices, action.choice)?.text;
    case 'apply':
      return (
        indexOf(plan).compounds.get(action.compound) &&
        joined(
          indexOf(plan).compounds.get(action.compound)?.name,
          action.end && THREAD_END_TEXT[action.end],
          action.zone,
        )
      );
    case 'fit':
      return itemText(plan, action.item);
    case 'press':
      return joined(itemText(plan, action.item), action.into && say('into {into}', { into: action.into }));
    case 'buildStack': {
      const station = indexOf(plan).stations.get(action.station);
      return station && say('station {label}, {name}', { label: station.label, name: station.name });
    }
    case 'shim':
      return action.what;
    case 'preset':
      return joined(action.what, action.lengthMm === undefined ? undefined : `${action.lengthMm} mm`);
    case 'start':
    case 'snug':
    case 'torque':
    case 'verify':
    case 'leaveDry':
      return indexOf(plan).groups.get(action.group)?.title;
    case 'hold':
      return joined(indexOf(plan).groups.get(action.group)?.title, HOLD_TEXT[action.by], action.with);
    case 'fill':
      return joined(
        action.what,
        action.with,
        action.amount === undefined ? undefined : `${action.amount} ${action.unit ?? 'L'}`,
      );
    case 'find':
      return by(plan.findings, action.question)?.text;
    case 'lift':
    case 'lower':
    case 'drill':
    case 'wait':
    case 'followKit':
    case 'do':
    case 'undo':
    case 'settle':
      return undefined;
  }
}

/** Where another kit's sheet goes on: by that kit's title and its step on this line, where it is in the visit. */
function followText(plan: Plan, name: string, part: string | undefined): string {
  const kit = kitCalled(plan, name);
  const step = stepReferred(plan, name, part);
  const at = step ? plan.steps.indexOf(step) + 1 : 0;
  const where = step
    ? say(', step {at}{which}', { at, which: step.number ? say(' (sheet {number})', { number: step.number }) : '' })
    : part
      ? `, ${part}`
      : '';
  return say('Go on with {title}{where}{which}', {
    title: kit?.title ?? name,
    where,
    which: kit ? '' : say(', which is not in this visit'),
  });
}

/** One action of a plan's step in words: `Refit: 4 × tray bolt, left, 46 lbf·ft`. */
export function planActionText(plan: Plan, action: PlanAction): string {
  switch (action.type) {
    case 'do':
      return action.text;
    case 'undo':
      return say('{undo} what was: {text}', { undo: ACTION_TEXT.undo, text: action.text });
    case 'drill':
      return `${ACTION_TEXT.drill} ${action.size ?? `${action.diameterMm} mm`}`;
    case 'wait':
      return `${ACTION_TEXT.wait} ${minutesText(action.minutes)}`;
    case 'lift':
    case 'lower':
      return `${ACTION_TEXT[action.type]}${END[action.end ?? 'whole']}`;
    case 'settle': {
      const fate = plan.removed.find(({ id }) => id === action.removed)?.fate;
      const thing = thingText(plan, action.removed) ?? say('not in this plan');
      return `${fate === 'scrap' ? say('Scrap') : say('Keep for the owner')}: ${thing}`;
    }
    case 'followKit':
      return followText(plan, action.kit, action.part);
    default:
      return `${ACTION_TEXT[action.type]}: ${objectOf(plan, action) ?? say('not in this plan')}`;
  }
}

/** `Snug, torque: Guard`: a made step that only works the joints of one group. */
function jointTitle(plan: Plan, { made, actions }: PlanStep): string | undefined {
  const [first] = actions;
  if (made !== 'line' || !first || !isJointAction(first)) return undefined;
  const same = actions.every((action) => isJointAction(action) && action.group === first.group);
  if (!same || actions.length < 2) return undefined;
  const [verb = '', ...others] = actions.map(({ type }) => ACTION_TEXT[type]);
  return `${[verb, ...others.map((other) => midSentence(other))].join(', ')}: ${objectOf(plan, first) ?? ''}`;
}

/** What a step is called: the sheet's own words; a made one by what it does. */
export function stepTitle(plan: Plan, step: PlanStep): string {
  if (step.made === 'added') return step.text;
  if (step.made === undefined) return `${step.number ? `${step.number} ` : ''}${step.text}`;
  const joint = jointTitle(plan, step);
  if (joint) return joint;
  if (step.made === 'refit' || step.made === 'line')
    return step.actions.map((action) => planActionText(plan, action)).join('; ');
  return step.made === 'lift' ? say('Lift the vehicle again') : say('Lower the vehicle');
}
