import { z } from 'zod';
import type { StockPiece, StockUsed } from '#core/job/stock-used.ts';
import { SUBSTITUTE_TRAITS, type SubstituteDifference } from '#core/kit/substitute.ts';
import { exactly } from './exactly.ts';
import { fastenerFields } from './kit/hardware.ts';

/** A piece of the shop's shelf, as it is when it is taken. */
export const StockPieceSchema = exactly<StockPiece>()(
  z.strictObject({ ...fastenerFields, id: z.string().min(1).max(200), bin: z.string().max(40) }),
);

export const SubstituteDifferenceSchema = exactly<SubstituteDifference>()(
  z.strictObject({
    trait: z.enum(SUBSTITUTE_TRAITS),
    how: z.enum(['weaker', 'other']),
    wanted: z.string().optional(),
    is: z.string().optional(),
  }),
);

export const StockUsedSchema = exactly<StockUsed>()(
  z.strictObject({ piece: StockPieceSchema, differences: z.array(SubstituteDifferenceSchema) }),
);
