import { raisedBy } from '../line-standing.ts';
import type { LoadState } from '../load-state.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, done, refuse, stampOf } from './act.ts';

export interface SetLoadState {
  type: 'setLoadState';
  state: LoadState;
  measuredMm?: number;
}

export interface LoadStateSet {
  type: 'loadStateSet';
  state: LoadState;
  measuredMm?: number;
}

export const setLoadState = act<SetLoadState, LoadStateSet>({
  may: ON_THE_FLOOR,
  decide({ plan, job }, { state, measuredMm }) {
    // A vehicle that the line raised stands on its wheels when it was let down, and not on anybody's word.
    const raised = state === 'onWheels' ? raisedBy(plan, job) : undefined;
    return raised === undefined
      ? done({ type: 'loadStateSet', state, measuredMm })
      : refuse({ code: 'stillRaised', step: raised });
  },
  fold: {
    loadStateSet(draft, fact) {
      draft.load = { state: fact.state, measuredMm: fact.measuredMm, ...stampOf(fact) };
    },
  },
});
