import { z } from 'zod';
import { upgradeKit } from '#core/kit/upgrade-kit.ts';
import { JobEventSchema } from './acts.ts';
import { AnswersSchema } from './condition.ts';
import { HouseRulesSchema } from './house-rules.ts';
import { KitDocumentSchema } from './kit.ts';
import { VehicleSchema } from './vehicle.ts';

export const RECORD_FORMAT = 'wrenchman-record';

/** The torque record of a job as an open file: enough to work the whole job out again. See docs/formats/record.md. */
export const RecordFileSchema = z.strictObject({
  format: z.literal(RECORD_FORMAT),
  version: z.literal([2, 3]),
  job: z.strictObject({
    id: z.string(),
    number: z.string(),
    bay: z.number(),
    plannedStartMs: z.number(),
    odometerKm: z.number().optional(),
  }),
  /** The shop's name, and of its rules those that the job was opened with. */
  shop: z.strictObject({ name: z.string(), ...HouseRulesSchema.shape }),
  vehicle: VehicleSchema,
  /** Every kit that is or was in the visit, with the prefix of its ids in the events. */
  // As they were stored; a kit of an older version is read lifted.
  kits: z
    .array(
      z.strictObject({
        document: z.preprocess(upgradeKit, KitDocumentSchema),
        prefix: z.string(),
        side: z.enum(['left', 'right']).optional(),
      }),
    )
    .min(1),
  openedWith: z.array(z.string()).min(1),
  answers: AnswersSchema,
  /** From version 3: the text whose hash the first event follows on. */
  seal: z.string().optional(),
  /** What the personal facts are hashed with; absent where they were erased. */
  personalSalt: z.string().optional(),
  /** The head of a closed job, signed by the shop's key. */
  closing: z.strictObject({ text: z.string(), key: z.string(), signature: z.string() }).optional(),
  /** Public keys that commands were signed with. */
  keys: z
    .array(
      z.strictObject({
        id: z.string(),
        person: z.string(),
        device: z.string(),
        session: z.string(),
        proof: z.string(),
      }),
    )
    .optional(),
  events: z.array(
    z.strictObject({
      seq: z.number().int().positive(),
      hash: z.string().regex(/^[0-9a-f]{64}$/),
      event: JobEventSchema,
      /** The signed command behind it, as it came. */
      signed: z.string().optional(),
    }),
  ),
  /** The record laid out in lines as on the screen and in the CSV: to be read, not to be worked out from. */
  lines: z.array(z.record(z.string(), z.union([z.string(), z.number()]))).optional(),
});
export type RecordFile = z.infer<typeof RecordFileSchema>;
