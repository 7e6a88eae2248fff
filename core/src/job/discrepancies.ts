import type { Plan, PlanItem } from '../kit/plan.ts';
import { inTheBox } from '../kit/put-on.ts';
import { type JobState, lineState } from './job-state.ts';

/** A line of a kit whose box does not hold what its sheet says. */
export interface Discrepancy {
  item: PlanItem;
  found: number;
  missing: number;
  over: number;
  damaged: number;
}

/** What the makers are told: every counted line of their boxes that does not agree with their sheets. */
export const discrepancies = (plan: Plan, state: JobState): Discrepancy[] =>
  plan.items.flatMap((item) => {
    const { count } = lineState(state, item.id);
    if (!count || !inTheBox(item)) return [];
    const { found, damaged } = count;
    const missing = Math.max(0, item.quantity - found);
    const over = Math.max(0, found - item.quantity);
    return missing + over + damaged > 0 ? [{ item, found, missing, over, damaged }] : [];
  });
