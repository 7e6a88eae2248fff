import type { Plan } from '../../kit/plan.ts';

/**
 * The open conflict that a station or step stands in, if any. With what figure a thing goes back on need not be known for
 * it to come off.
 */
export const openConflict = (plan: Plan, ids: readonly string[], opens = false): string | undefined =>
  plan.conflicts.find(
    ({ settled, sides, kind }) =>
      settled === undefined &&
      kind !== 'order' &&
      !(opens && kind === 'refitFigure') &&
      sides.some((side) => side.ids.some((id) => ids.includes(id))),
  )?.id;
