import { z } from 'zod';
import type { LoadStateSet, SetLoadState } from '#core/job/act/set-load-state.ts';
import { exactly } from '../exactly.ts';
import { Figured, LoadStateSchema } from './fields.ts';

export const SetLoadStateSchema = exactly<SetLoadState>()(
  z.strictObject({ type: z.literal('setLoadState'), state: LoadStateSchema, measuredMm: Figured.optional() }),
);

export const LoadStateSetSchema = exactly<LoadStateSet>()(
  z.strictObject({ type: z.literal('loadStateSet'), state: LoadStateSchema, measuredMm: z.number().optional() }),
);
