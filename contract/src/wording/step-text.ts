import { indexOf, type Plan, type PlanAction, type PlanStep } from '#core/kit/plan.ts';
import { ACTION_TEXT } from './en/terms.ts';

const END: Record<string, string> = { front: ' at the front', rear: ' at the rear', whole: '' };

/** The name of what an action is done to, counted, with its side and where it sat. */
function objectOf(plan: Plan, action: PlanAction): string | undefined {
  const by = <T extends { id: string }>(list: readonly T[], id: string) => list.find((entry) => entry.id === id);
  switch (action.type) {
    case 'remove':
    case 'refit': {
      const thing = by(plan.removed, action.removed);
      if (!thing) return undefined;
      const count = action.type === 'refit' ? (action.count ?? thing.count) : thing.count;
      return [
        `${count > 1 ? `${count} × ` : ''}${thing.name}`,
        thing.side,
        thing.lengthMm === undefined ? '' : `${thing.lengthMm} mm long`,
        thing.note,
        action.type === 'refit' && thing.movesTo ? `to ${thing.movesTo}` : '',
        action.type === 'refit' && thing.refitSpec ? thing.refitSpec.printed : '',
      ]
        .filter(Boolean)
        .join(', ');
    }
    case 'disconnect':
    case 'reconnect': {
      const thing = by(plan.disconnects, action.disconnect);
      const twist =
        action.type === 'reconnect' && thing?.turns ? `, wind the wire back ${thing.turns} turns first` : '';
      return thing && `${thing.name}${thing.side ? `, ${thing.side}` : ''}${twist}`;
    }
    case 'fit': {
      const item = indexOf(plan).items.get(action.item);
      return item && `${item.line} ${item.name}`;
    }
    case 'start':
    case 'snug':
    case 'torque':
    case 'verify':
      return indexOf(plan).groups.get(action.group)?.title;
    case 'apply':
      return indexOf(plan).compounds.get(action.compound)?.name;
    case 'measure':
      return by(plan.baselines, action.baseline)?.name;
    case 'check':
      return by(plan.checks, action.check)?.text;
    case 'loosen':
    case 'retighten':
      return by(plan.neighbours, action.neighbour)?.name;
    case 'clear':
      return by(plan.temporary, action.temporary)?.name;
    case 'decide':
      return by(plan.irreversible, action.irreversible)?.text;
    default:
      return undefined;
  }
}

/** One action of a plan's step in words: `Refit: 4 × tray bolt, left, 46 lbf·ft`. */
export function planActionText(plan: Plan, action: PlanAction): string {
  switch (action.type) {
    case 'do':
      return action.text;
    case 'undo':
      return `Undo: ${action.text}`;
    case 'drill':
      return `Drill ${action.diameterMm} mm`;
    case 'wait':
      return `Wait ${action.minutes} min`;
    case 'lift':
    case 'lower':
      return `${ACTION_TEXT[action.type]}${END[action.end ?? 'whole']}`;
    case 'followKit':
      return `Go on with ${action.kit}`;
    default:
      return `${ACTION_TEXT[action.type]}: ${objectOf(plan, action) ?? 'not in this plan'}`;
  }
}

/** What a step is called: the sheet's own words; a made one by what it does. */
export function stepTitle(plan: Plan, step: PlanStep): string {
  if (step.made === undefined) return `${step.number ? `${step.number} ` : ''}${step.text}`;
  if (step.made === 'refit') return step.actions.map((action) => planActionText(plan, action)).join('; ');
  return step.made === 'lift' ? 'Lift the vehicle again' : 'Lower the vehicle';
}
