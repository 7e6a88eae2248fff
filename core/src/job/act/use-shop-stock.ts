import type { ItemId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { COUNTER_TOO } from '../role.ts';
import { act, blank, done, refuse, setLine, stampOf, wholeFromOne } from './act.ts';

export interface UseShopStock {
  type: 'useShopStock';
  item: ItemId;
  quantity: number;
  reason: string;
}

export interface ShopStockUsed {
  type: 'shopStockUsed';
  item: ItemId;
  quantity: number;
  reason: string;
}

export const useShopStock = act<UseShopStock, ShopStockUsed>({
  may: COUNTER_TOO,
  decide({ plan }, { item, quantity, reason }) {
    if (!indexOf(plan).items.has(item)) return refuse({ code: 'unknownItem', item });
    if (!wholeFromOne(quantity)) return refuse({ code: 'quantityInvalid', quantity });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    return done({ type: 'shopStockUsed', item, quantity, reason });
  },
  fold: {
    shopStockUsed(draft, fact) {
      const { item, quantity, reason } = fact;
      setLine(draft, item, (line) => ({
        ...line,
        shopStock: [...line.shopStock, { quantity, reason, ...stampOf(fact) }],
      }));
    },
  },
});
