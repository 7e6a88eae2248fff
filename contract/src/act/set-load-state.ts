import { z } from 'zod';
import type { LoadStateSet, SetLoadState } from '#core/job/act/set-load-state.ts';
import { exactly } from '../exactly.ts';
import { Figured, Key, LoadStateSchema } from './fields.ts';

const Heights = z.record(Key, Figured);

export const SetLoadStateSchema = exactly<SetLoadState>()(
  z.strictObject({
    type: z.literal('setLoadState'),
    state: LoadStateSchema,
    measuredMm: Figured.optional(),
    heights: Heights.optional(),
  }),
);

export const LoadStateSetSchema = exactly<LoadStateSet>()(
  z.strictObject({
    type: z.literal('loadStateSet'),
    state: LoadStateSchema,
    measuredMm: z.number().optional(),
    heights: Heights.optional(),
  }),
);
