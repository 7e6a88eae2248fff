import type { ThingId } from '../../kit/ids.ts';
import { findDebt, isOwed } from '../debt.ts';
import type { DebtEnd } from '../debt-kind.ts';
import { refitRefusal } from '../gate/refit-gate.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, blank, done, refuse, stampOf, wholeFromOne } from './act.ts';
import { changeDebts } from './change-debts.ts';

interface Ending {
  count: number;
  end: DebtEnd;
  note?: string;
  newPieces?: boolean;
}

export interface CloseDebt extends Ending {
  type: 'closeDebt';
  debt: ThingId;
}

export interface DebtClosed extends Ending {
  type: 'debtClosed';
  debts: ThingId[];
}

export const closeDebt = act<CloseDebt, DebtClosed>({
  may: ON_THE_FLOOR,
  decide({ plan, job, by }, { debt: id, count, end, note, newPieces }) {
    const debt = findDebt(plan, job, id);
    if (!debt) return refuse({ code: 'unknownDebt', debt: id });
    if (!isOwed(debt)) return refuse({ code: 'debtNotOpen', debt: debt.id });
    const left = debt.count - debt.ended;
    if (!wholeFromOne(count) || count > left) return refuse({ code: 'debtCount', debt: debt.id, count, left });
    if (end !== debt.end) {
      // What was scrapped or given away must not turn up on the vehicle again on anybody's word but a lead's.
      const returns = (debt.end === 'scrap' || debt.end === 'keep') && (end === 'refit' || end === 'transfer');
      if (returns && by.role !== 'lead')
        return refuse({ code: 'fateContradicts', debt: debt.id, planned: debt.end, end });
      if (blank(note)) return refuse({ code: 'reasonMissing' });
    }
    const goesBack = end === 'refit' || end === 'transfer' || end === 'cleared';
    const needs = goesBack ? refitRefusal(debt, newPieces) : undefined;
    if (needs) return refuse(needs);
    return done({
      type: 'debtClosed',
      debts: debt.ids,
      count,
      end,
      ...(blank(note) ? {} : { note }),
      ...(newPieces ? { newPieces: true } : {}),
    });
  },
  fold: {
    debtClosed(draft, fact) {
      const { count, end, note, newPieces } = fact;
      const ending = { count, end, note, newPieces, ...stampOf(fact) };
      changeDebts(draft, fact.debts, (debt) => ({ ...debt, ends: [...debt.ends, ending] }));
    },
  },
});
