import { z } from 'zod';
import { type BasisSettled, FACTOR_SOURCES, type SettleBasis } from '#core/job/act/settle-basis.ts';
import { exactly } from '../exactly.ts';
import { Figured, Reason, Ref } from './fields.ts';

const Use = z.enum(['asPrinted', 'sameLoad']);

export const SettleBasisSchema = exactly<SettleBasis>()(
  z.strictObject({
    type: z.literal('settleBasis'),
    station: Ref,
    use: Use,
    factorFrom: z.enum(FACTOR_SOURCES).optional(),
    factor: Figured.optional(),
    reason: Reason,
  }),
);

export const BasisSettledSchema = exactly<BasisSettled>()(
  z.strictObject({
    type: z.literal('basisSettled'),
    station: Ref,
    use: Use,
    factorFrom: z.enum(FACTOR_SOURCES).optional(),
    factor: z.number(),
    printedNm: z.number(),
    sameLoadNm: z.number(),
    reason: Reason,
  }),
);
