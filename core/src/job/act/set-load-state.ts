import { raisedBy } from '../line-standing.ts';
import type { LoadState } from '../load-state.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, done, refuse, stampOf } from './act.ts';

export interface SetLoadState {
  type: 'setLoadState';
  state: LoadState;
  measuredMm?: number;
  /** Ride heights by place, mm. */
  heights?: Record<string, number>;
}

export interface LoadStateSet {
  type: 'loadStateSet';
  state: LoadState;
  measuredMm?: number;
  /** Ride heights by place, mm. */
  heights?: Record<string, number>;
}

/** Nothing of a car or truck stands higher (chosen by us), mm. */
export const HIGHEST_MM = 3000;

export const setLoadState = act<SetLoadState, LoadStateSet>({
  may: ON_THE_FLOOR,
  decide({ plan, job }, { state, measuredMm, heights }) {
    const absurd = Object.values(heights ?? {}).find((height) => !(height > 0 && height <= HIGHEST_MM));
    if (absurd !== undefined) return refuse({ code: 'valueInvalid', value: absurd });
    // A vehicle that the line raised stands on its wheels when it was let down, and not on anybody's word.
    const raised = state === 'onWheels' ? raisedBy(plan, job) : undefined;
    return raised === undefined
      ? done({ type: 'loadStateSet', state, measuredMm, ...(heights === undefined ? {} : { heights }) })
      : refuse({ code: 'stillRaised', step: raised });
  },
  fold: {
    loadStateSet(draft, fact) {
      // What was measured while it stands so is measured; once it hangs again, nothing is.
      const before = draft.load?.state === fact.state && fact.state !== 'hanging' ? draft.load.heights : undefined;
      const heights = before || fact.heights ? { heights: { ...before, ...fact.heights } } : {};
      draft.load = { state: fact.state, measuredMm: fact.measuredMm, ...heights, ...stampOf(fact) };
    },
  },
});
