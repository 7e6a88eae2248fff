import { z } from 'zod';
import type { Snug, SnugWithdrawn, StationSnugged } from '#core/job/act/snug.ts';
import { exactly } from '../exactly.ts';
import { Figured, Ref, SnugToolSchema } from './fields.ts';

export const SnugSchema = exactly<Snug>()(
  z.strictObject({ type: z.literal('snug'), station: Ref, tool: SnugToolSchema, runDownNm: Figured.optional() }),
);

export const SnugWithdrawnSchema = exactly<SnugWithdrawn>()(
  z.strictObject({ type: z.literal('snugWithdrawn'), station: Ref }),
);

export const StationSnuggedSchema = exactly<StationSnugged>()(
  z.strictObject({
    type: z.literal('stationSnugged'),
    station: Ref,
    tool: SnugToolSchema,
    runDownNm: z.number().optional(),
  }),
);
