import type { Plan, PlanItem } from '../kit/plan.ts';
import { actsOfItem } from './hardware-ledger.ts';
import { type JobState, lineState } from './job-state.ts';

/**
 * How many of a line's pieces go on the vehicle with their number unread. Where an act puts the piece on, the number may
 * be read there; it is asked once.
 */
export function serialsOpen(plan: Plan, state: JobState, item: PlanItem): number {
  if (!item.serial) return 0;
  const { serials = [], count } = lineState(state, item.id);
  const here = count === undefined ? item.needed : Math.min(item.needed, count.found);
  const read = Math.max(
    serials.length,
    actsOfItem(plan, item.id).filter((act) => state.visit.acts[act]?.tries.at(-1)?.answers.serial !== undefined).length,
  );
  return Math.max(0, here - read);
}
