import { expose } from 'comlink';
import type { DayDocument } from '#contract/day.ts';
import { bestChange, changed, type DayChange } from '#core/day/day-advice.ts';
import { type DayPlan, planDay } from '#core/day/day-plan.ts';

/** Plans of days, off the screen's thread. */
const worker = {
  /** At once, whatever was promised. */
  first: (day: DayDocument) => planDay(day, { looks: 1, promises: false }),
  plan: (day: DayDocument, looks: number) => planDay(day, { looks }),
  better: (day: DayDocument, plan: DayPlan) => bestChange(day, plan, day.bays, { looks: 1, promises: false }),
  /** The day with one change after the other. */
  tried: (day: DayDocument, changes: readonly DayChange[], looks: number) =>
    planDay(changes.reduce(changed, day), { looks }),
};
export type PlanWorker = typeof worker;
expose(worker);
