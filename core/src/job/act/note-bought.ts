import { wantedOf } from '../../visit/wanted.ts';
import { EVERYBODY } from '../role.ts';
import { act, done, refuse, stampOf } from './act.ts';

/** What no box brings and the plan needs is there now. */
export interface NoteBought {
  type: 'noteBought';
  /** As the shopping list names it. */
  wanted: string;
  quantity: number;
  /** Last day it is good, ISO; for what spoils. */
  expiresOn?: string;
}

export interface Bought extends Omit<NoteBought, 'type'> {
  type: 'bought';
}

const MOST = 10_000;

export const noteBought = act<NoteBought, Bought>({
  may: EVERYBODY,
  decide({ plan }, { wanted, quantity, expiresOn }) {
    if (!wantedOf(plan).some(({ id }) => id === wanted)) return refuse({ code: 'unknownWanted', wanted });
    if (!(quantity >= 0 && quantity <= MOST)) return refuse({ code: 'quantityInvalid', quantity });
    return done({ type: 'bought', wanted, quantity, ...(expiresOn === undefined ? {} : { expiresOn }) });
  },
  fold: {
    bought(draft, fact) {
      const { wanted, quantity, expiresOn } = fact;
      const got = { quantity, expiresOn, ...stampOf(fact) };
      draft.visit = { ...draft.visit, bought: { ...draft.visit.bought, [wanted]: got } };
    },
  },
});
