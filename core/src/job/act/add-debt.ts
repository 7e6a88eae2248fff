import type { ThingId } from '../../kit/ids.ts';
import type { AddedDebt } from '../debt-kind.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, blank, done, refuse, stampOf, wholeFromOne } from './act.ts';
import { changeDebts } from './change-debts.ts';

/** Something no sheet speaks of. */
export interface AddDebt extends AddedDebt {
  type: 'addDebt';
}

export interface DebtAdded extends AddedDebt {
  type: 'debtAdded';
  debt: ThingId;
}

export const addDebt = act<AddDebt, DebtAdded>({
  may: ON_THE_FLOOR,
  decide({ commandId }, { name, kind, count, end, note }) {
    if (blank(name)) return refuse({ code: 'nameMissing' });
    if (!wholeFromOne(count)) return refuse({ code: 'quantityInvalid', quantity: count });
    return done({
      type: 'debtAdded',
      debt: commandId,
      name,
      kind,
      count,
      end,
      ...(note === undefined ? {} : { note }),
    });
  },
  fold: {
    debtAdded(draft, fact) {
      const { name, kind, count, end, note } = fact;
      const added = { name, kind, count, end, ...(note === undefined ? {} : { note }) };
      const opened = stampOf(fact);
      changeDebts(draft, [fact.debt], (debt) => ({ ...debt, added, opened }));
    },
  },
});
