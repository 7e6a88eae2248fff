import type { ItemId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { judgeSubstitute } from '../../kit/substitute.ts';
import { COUNTER_TOO } from '../role.ts';
import type { StockPiece, StockUsed } from '../stock-used.ts';
import { act, blank, done, refuse, setLine, stampOf, wholeFromOne } from './act.ts';

export interface UseShopStock {
  type: 'useShopStock';
  item: ItemId;
  quantity: number;
  reason: string;
  /** What was taken off the shelf, where the shop keeps one: judged against the sheet's. */
  piece?: StockPiece;
}

export interface ShopStockUsed {
  type: 'shopStockUsed';
  item: ItemId;
  quantity: number;
  reason: string;
  piece?: StockUsed;
}

export const useShopStock = act<UseShopStock, ShopStockUsed>({
  may: COUNTER_TOO,
  decide({ plan, by }, { item, quantity, reason, piece }) {
    const wanted = indexOf(plan).items.get(item);
    if (!wanted) return refuse({ code: 'unknownItem', item });
    if (!wholeFromOne(quantity)) return refuse({ code: 'quantityInvalid', quantity });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    if (!piece) return done({ type: 'shopStockUsed', item, quantity, reason });
    const { verdict, differences } = judgeSubstitute(wanted, piece);
    if (verdict === 'refused') return refuse({ code: 'substituteWeaker', item, differences });
    if (verdict === 'lead' && by.role !== 'lead') return refuse({ code: 'substituteForLead', item, differences });
    return done({ type: 'shopStockUsed', item, quantity, reason, piece: { piece, differences } });
  },
  fold: {
    shopStockUsed(draft, fact) {
      const { item, quantity, reason, piece } = fact;
      setLine(draft, item, (line) => ({
        ...line,
        shopStock: [...line.shopStock, { quantity, reason, ...(piece ? { piece } : {}), ...stampOf(fact) }],
      }));
    },
  },
});
