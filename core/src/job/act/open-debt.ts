import type { ThingId } from '../../kit/ids.ts';
import { findDebt } from '../debt.ts';
import { stripGate } from '../gate/strip-gate.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, done, refuse, stampOf } from './act.ts';
import { changeDebts } from './change-debts.ts';

/** Taken off, opened or put on outside the steps. */
export interface OpenDebt {
  type: 'openDebt';
  debt: ThingId;
}

/** Debts are named by every id they have, since kits that share one come and go. */
export interface DebtOpened {
  type: 'debtOpened';
  debts: ThingId[];
}

export const openDebt = act<OpenDebt, DebtOpened>({
  may: ON_THE_FLOOR,
  decide({ plan, job }, { debt: id }) {
    const debt = findDebt(plan, job, id);
    if (!debt) return refuse({ code: 'unknownDebt', debt: id });
    if (debt.opened) return refuse({ code: 'debtOpenAlready', debt: debt.id });
    const gate = debt.kind === 'removed' ? stripGate(plan, job) : undefined;
    return gate ? refuse(gate) : done({ type: 'debtOpened', debts: debt.ids });
  },
  fold: {
    debtOpened(draft, fact) {
      const opened = stampOf(fact);
      changeDebts(draft, fact.debts, (debt) => ({ ...debt, opened }));
    },
  },
});
