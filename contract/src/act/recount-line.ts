import { z } from 'zod';
import type { LineRecounted, RecountLine } from '#core/job/act/recount-line.ts';
import { exactly } from '../exactly.ts';
import { Figured, Ref } from './fields.ts';

export const RecountLineSchema = exactly<RecountLine>()(
  z.strictObject({ type: z.literal('recountLine'), item: Ref, found: Figured, damaged: Figured }),
);

export const LineRecountedSchema = exactly<LineRecounted>()(
  z.strictObject({
    type: z.literal('lineRecounted'),
    item: Ref,
    found: z.number(),
    damaged: z.number(),
    agrees: z.boolean(),
  }),
);
