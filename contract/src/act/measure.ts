import { z } from 'zod';
import type { Measure, Measured } from '#core/job/act/measure.ts';
import { exactly } from '../exactly.ts';
import { Figured, Name, Ref } from './fields.ts';

const measurement = {
  baseline: Ref,
  place: Name,
  when: z.enum(['before', 'after']),
  value: Figured,
  photo: Ref.optional(),
};

export const MeasureSchema = exactly<Measure>()(z.strictObject({ type: z.literal('measure'), ...measurement }));

export const MeasuredSchema = exactly<Measured>()(z.strictObject({ type: z.literal('measured'), ...measurement }));
