import type { ItemId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { ANSWERABLE } from '../role.ts';
import { act, done, refuse, setLine, stampOf, wholeFromZero } from './act.ts';

/** Pieces counted on the tray at the end. */
export interface DeclareSpare {
  type: 'declareSpare';
  item: ItemId;
  quantity: number;
}

export interface SpareDeclared {
  type: 'spareDeclared';
  item: ItemId;
  quantity: number;
}

export const declareSpare = act<DeclareSpare, SpareDeclared>({
  may: ANSWERABLE,
  decide({ plan }, { item, quantity }) {
    if (!indexOf(plan).items.has(item)) return refuse({ code: 'unknownItem', item });
    if (!wholeFromZero(quantity)) return refuse({ code: 'quantityInvalid', quantity });
    return done({ type: 'spareDeclared', item, quantity });
  },
  fold: {
    spareDeclared(draft, fact) {
      const { quantity } = fact;
      setLine(draft, fact.item, (line) => ({ ...line, spare: { quantity, ...stampOf(fact) } }));
    },
  },
});
