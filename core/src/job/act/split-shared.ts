import { ANSWERABLE } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** Two things of one name are two. */
export interface SplitShared {
  type: 'splitShared';
  key: string;
  reason: string;
}

export interface SharedSplit {
  type: 'sharedSplit';
  key: string;
  reason: string;
}

export const splitShared = act<SplitShared, SharedSplit>({
  may: ANSWERABLE,
  replans: true,
  decide({ plan }, { key, reason }) {
    if (!plan.shared.some((shared) => shared.key === key && shared.by === 'name'))
      return refuse({ code: 'notShared', key });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    return done({ type: 'sharedSplit', key, reason });
  },
  fold: {
    sharedSplit(draft, fact) {
      const split = { reason: fact.reason, ...stampOf(fact) };
      draft.visit = { ...draft.visit, split: { ...draft.visit.split, [fact.key]: split } };
    },
  },
});
