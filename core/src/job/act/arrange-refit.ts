import type { StepId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { ANSWERABLE } from '../role.ts';
import { act, done, refuse } from './act.ts';

/** The order in which a person puts things back, by step. */
export interface ArrangeRefit {
  type: 'arrangeRefit';
  order: StepId[];
}

export interface RefitArranged {
  type: 'refitArranged';
  order: StepId[];
}

export const arrangeRefit = act<ArrangeRefit, RefitArranged>({
  may: ANSWERABLE,
  decide({ plan }, { order }) {
    const { steps } = indexOf(plan);
    const unknown = order.find((step) => !steps.has(step));
    if (unknown !== undefined) return refuse({ code: 'unknownStep', step: unknown });
    return done({ type: 'refitArranged', order: [...new Set(order)] });
  },
  fold: {
    refitArranged(draft, fact) {
      draft.visit = { ...draft.visit, refitOrder: fact.order };
    },
  },
});
