import type { Plan } from '../../kit/plan.ts';

/** The open conflict that a station or step stands in, if any. */
export const openConflict = (plan: Plan, ids: readonly string[]): string | undefined =>
  plan.conflicts.find(
    ({ settled, sides, kind }) =>
      settled === undefined && kind !== 'order' && sides.some((side) => side.ids.some((id) => ids.includes(id))),
  )?.id;
