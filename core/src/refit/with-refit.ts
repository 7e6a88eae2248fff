import type { Fate } from '../kit/kit-step.ts';
import type { PlanAction, PlanStep } from '../kit/plan.ts';
import { needsPuttingBack } from './needs-putting-back.ts';
import { reverseSteps } from './reverse-strip.ts';

/** What the steps remove, by id, with how many and where it must end. */
export type Removals = ReadonlyMap<string, { count: number; fate: Fate }>;

/** Whether a removed thing comes back to the vehicle, to its old place or to the new part. */
export const comesBack = (fate: Fate): boolean => fate === 'refit' || fate === 'transfer';

/** What the sheet's own steps put back: pieces by removed id, and the things closed or tightened again. */
function putBack(steps: readonly PlanStep[], removals: Removals): { counts: Map<string, number>; closed: Set<string> } {
  const counts = new Map<string, number>();
  const closed = new Set<string>();
  for (const action of steps.flatMap((step) => step.actions)) {
    if (action.type === 'refit') {
      const all = removals.get(action.removed)?.count ?? 0;
      counts.set(action.removed, (counts.get(action.removed) ?? 0) + (action.count ?? all));
    } else if (action.type === 'moveOver') counts.set(action.removed, removals.get(action.removed)?.count ?? 0);
    else if (action.type === 'swingBack') closed.add(`swing ${action.removed}`);
    else if (action.type === 'reconnect') closed.add(`disconnect ${action.disconnect}`);
    else if (action.type === 'retighten') closed.add(`neighbour ${action.neighbour}`);
    else if (action.type === 'lower') closed.add('lower');
    else if (action.type === 'undo') closed.add(`do ${action.text}`);
  }
  return { counts, closed };
}

/** What the steps open, and what of it stays open for good. */
interface Owing {
  removals: Removals;
  retired: ReadonlySet<string>;
}

/** Whether an action opens something that no step of the sheet closes. */
function isOwed(
  action: PlanAction,
  step: PlanStep,
  { removals, retired }: Owing,
  back: ReturnType<typeof putBack>,
): boolean {
  switch (action.type) {
    case 'remove': {
      const thing = removals.get(action.removed);
      return thing !== undefined && comesBack(thing.fate) && (back.counts.get(action.removed) ?? 0) < thing.count;
    }
    case 'swingAside':
      return !back.closed.has(`swing ${action.removed}`);
    case 'disconnect':
      return !retired.has(action.disconnect) && !back.closed.has(`disconnect ${action.disconnect}`);
    case 'loosen':
      return !back.closed.has(`neighbour ${action.neighbour}`);
    case 'lift':
      return !back.closed.has('lower');
    case 'do':
      return step.phase === 'strip' && needsPuttingBack(action.text) && !back.closed.has(`do ${action.text}`);
    default:
      return false;
  }
}

const isFit = (action: PlanAction): boolean => action.type === 'fit' || action.type === 'start';
const OPENS: ReadonlySet<PlanAction['type']> = new Set(['remove', 'swingAside', 'disconnect', 'loosen', 'lift', 'do']);

/** Where the refit belongs: after the last thing fitted or opened, before the vehicle stands on its wheels again. */
function refitPlace(steps: readonly PlanStep[], owed: ReadonlySet<string>): number {
  let last = -1;
  steps.forEach((step, index) => {
    if (owed.has(step.id) || step.actions.some(isFit)) last = index;
  });
  const down = steps.findIndex(
    (step, index) =>
      index > last &&
      (step.actions.some((action) => action.type === 'lower') ||
        step.needs.includes('rideHeight') ||
        step.phase === 'hold' ||
        step.phase === 'refit' ||
        step.phase === 'prove'),
  );
  return down < 0 ? steps.length : down;
}

/**
 * The steps of one kit with the reverse of its removals written out, so that "refit is the reverse of removal" hides
 * nothing. What the sheet puts back itself, to the last piece, is left to the sheet.
 *
 * @param steps - of one kit, in the sheet's order
 * @param removals - the kit's removed things
 * @param retired - connections that are not closed again
 */
export function withRefit(
  steps: readonly PlanStep[],
  removals: Removals,
  retired: ReadonlySet<string> = new Set(),
): PlanStep[] {
  const back = putBack(steps, removals);
  const owing = steps.flatMap((step): PlanStep[] => {
    const actions = step.actions.filter(
      (action) => OPENS.has(action.type) && isOwed(action, step, { removals, retired }, back),
    );
    return actions.length > 0 ? [{ ...step, actions }] : [];
  });
  if (owing.length === 0) return [...steps];
  const owed = new Set(owing.map((step) => step.id));
  const refits = reverseSteps(owing).map((step): PlanStep => {
    const actions = step.actions.map((action): PlanAction => {
      if (action.type !== 'refit') return action;
      const thing = removals.get(action.removed);
      const already = back.counts.get(action.removed) ?? 0;
      return thing && already > 0 ? { ...action, count: thing.count - already } : action;
    });
    return { ...step, actions, phase: 'refit' };
  });
  const place = refitPlace(steps, owed);
  const before = steps[place - 1];
  const after = steps[place];
  // One after another, since each may stand in the way of the next.
  const chained = refits.map((step, index) => {
    const earlier = index > 0 ? refits[index - 1] : before;
    return { ...step, after: earlier ? [earlier.id] : [] };
  });
  const last = chained.at(-1);
  return [
    ...steps.slice(0, place),
    ...chained,
    ...(after && last ? [{ ...after, after: [...new Set([...after.after, last.id])] }] : []),
    ...steps.slice(place + 1),
  ];
}
