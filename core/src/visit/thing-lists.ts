import type { Plan } from '../kit/plan.ts';
import type { ThingLists } from './same-thing.ts';

const byId = <T extends { id: string }>(list: readonly T[]): ReadonlyMap<string, T> =>
  new Map(list.map((entry) => [entry.id, entry]));

/** The lists of a plan that its steps' actions name things from. */
export const thingListsOf = (plan: Plan): ThingLists => ({
  removed: byId(plan.removed),
  disconnects: byId(plan.disconnects),
  neighbours: byId(plan.neighbours),
  baselines: byId(plan.baselines),
  checks: byId(plan.checks),
});
