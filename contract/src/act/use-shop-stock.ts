import { z } from 'zod';
import type { ShopStockUsed, UseShopStock } from '#core/job/act/use-shop-stock.ts';
import { exactly } from '../exactly.ts';
import { StockPieceSchema, StockUsedSchema } from '../stock-piece.ts';
import { Figured, Reason, Ref } from './fields.ts';

export const UseShopStockSchema = exactly<UseShopStock>()(
  z.strictObject({
    type: z.literal('useShopStock'),
    item: Ref,
    quantity: Figured,
    reason: Reason,
    piece: StockPieceSchema.optional(),
  }),
);

export const ShopStockUsedSchema = exactly<ShopStockUsed>()(
  z.strictObject({
    type: z.literal('shopStockUsed'),
    item: Ref,
    quantity: z.number(),
    reason: Reason,
    piece: StockUsedSchema.optional(),
  }),
);
