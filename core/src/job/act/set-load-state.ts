import type { LoadState } from '../load-state.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, done, stampOf } from './act.ts';

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
  decide: (_, { state, measuredMm }) => done({ type: 'loadStateSet', state, measuredMm }),
  fold: {
    loadStateSet(draft, fact) {
      draft.load = { state: fact.state, measuredMm: fact.measuredMm, ...stampOf(fact) };
    },
  },
});
