import { z } from 'zod';
import type { CountLine, CountUndone, LineCounted } from '#core/job/act/count-line.ts';
import { exactly } from '../exactly.ts';
import { CountSchema, Figured, Ref } from './fields.ts';

export const CountLineSchema = exactly<CountLine>()(
  z.strictObject({ type: z.literal('countLine'), item: Ref, found: Figured, damaged: Figured, read: Ref.optional() }),
);

export const LineCountedSchema = exactly<LineCounted>()(
  z.strictObject({
    type: z.literal('lineCounted'),
    item: Ref,
    found: z.number(),
    damaged: z.number(),
    read: Ref.optional(),
    previous: CountSchema.optional(),
  }),
);

export const CountUndoneSchema = exactly<CountUndone>()(
  z.strictObject({ type: z.literal('countUndone'), item: Ref, previous: CountSchema.optional() }),
);
