import { setsOnTheThread } from '../compound/compound.ts';
import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import { lineOf } from './line.ts';

/** Acts that leave oil on or near a thread. */
const LEAVES_OIL = new Set(['soak', 'chase']);

/**
 * The number of the last step of its kit that left oil before a locked joint is worked. A trace keeps a locker from
 * setting unless its own sheet says otherwise (common practice, no source).
 *
 * @returns undefined where no oil came near, something was degreased since, nothing sets on the thread, or the locker
 *   stands oil by its own sheet
 */
export function oilBefore(plan: Plan, station: PlanStation): number | undefined {
  const compound = indexOf(plan).compounds.get(station.compound ?? '');
  if (!compound || !setsOnTheThread(compound.kind) || compound.oilTolerant) return undefined;
  const { steps } = lineOf(plan);
  const worked = steps.findIndex(({ acts }) =>
    acts.some(({ action }) => action.type === 'start' && action.group === station.groupId),
  );
  const before = steps.slice(0, worked + 1).filter(({ step }) => step.kit === station.kit);
  const acts = before.flatMap((step) => step.acts.map(({ action }) => ({ number: step.number, type: action.type })));
  const oiled = acts.findLastIndex(({ type }) => LEAVES_OIL.has(type));
  const cleaned = acts.findLastIndex(({ type }) => type === 'clean' || type === 'dry');
  return oiled > cleaned ? acts[oiled]?.number : undefined;
}
