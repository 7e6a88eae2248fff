import { z } from 'zod';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { AnswersSchema } from './condition.ts';
import { JobEventSchema } from './job.ts';
import { KitDocumentSchema } from './kit.ts';

export const RECORD_FORMAT = 'wrenchman-record';

/** The torque record of a job as an open file: enough to work the whole job out again. See docs/formats/record.md. */
export const RecordFileSchema = z.strictObject({
  format: z.literal(RECORD_FORMAT),
  version: z.literal(1),
  job: z.strictObject({
    id: z.string(),
    number: z.string(),
    bay: z.number(),
    plannedStartMs: z.number(),
    odometerKm: z.number().optional(),
  }),
  shop: z.strictObject({ name: z.string(), stages: z.array(z.number()).optional(), verify: z.boolean().optional() }),
  vehicle: z.strictObject({
    id: z.string(),
    make: z.string(),
    model: z.string(),
    plate: z.string(),
    owner: z.string(),
    odometerKm: z.number(),
    modelYear: z.number().optional(),
    engine: z.string().optional(),
    drivenWheels: z.string().optional(),
    body: z.string().optional(),
  }),
  kit: KitDocumentSchema as z.ZodType<KitDocument>,
  answers: AnswersSchema,
  events: z.array(
    z.strictObject({
      seq: z.number().int().positive(),
      hash: z.string().regex(/^[0-9a-f]{64}$/),
      event: JobEventSchema,
    }),
  ),
});
export type RecordFile = z.infer<typeof RecordFileSchema>;
