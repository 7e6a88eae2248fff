import type { Plan, PlanItem } from '../kit/plan.ts';
import { inTheBox } from '../kit/put-on.ts';
import { type JobState, lineState } from './job-state.ts';

/** A line of a kit whose box does not hold what its sheet says. */
export interface Discrepancy {
  item: PlanItem;
  found: number;
  missing: number;
  over: number;
  /** Not fit for use: damaged when they were counted, or taken aside later. */
  damaged: number;
  /** What is wrong with those that were taken aside. */
  reasons: string[];
  /** Photos of them. */
  photos: string[];
}

/** What the makers are told: every counted line of their boxes that does not agree with their sheets. */
export const discrepancies = (plan: Plan, state: JobState): Discrepancy[] =>
  plan.items.flatMap((item) => {
    const { count, apart = [], apartEnded = [] } = lineState(state, item.id);
    if (!count || !inTheBox(item)) return [];
    const { found } = count;
    const missing = Math.max(0, item.quantity - found);
    const over = Math.max(0, found - item.quantity);
    // What was good after all is no fault of the box; what was scrapped of it is.
    const back = apartEnded.filter(({ to }) => to === 'tray').reduce((sum, { quantity }) => sum + quantity, 0);
    const aside = Math.max(0, apart.reduce((sum, { quantity }) => sum + quantity, 0) - back);
    const damaged = count.damaged + aside;
    const reasons = aside > 0 ? [...new Set(apart.map(({ reason }) => reason))] : [];
    const photos = aside > 0 ? apart.flatMap(({ photo }) => photo ?? []) : [];
    return missing + over + damaged > 0 ? [{ item, found, missing, over, damaged, reasons, photos }] : [];
  });
