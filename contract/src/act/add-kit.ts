import { z } from 'zod';
import type { KitAdded } from '#core/job/act/add-kit.ts';
import { AnswersSchema } from '../condition.ts';
import { exactly } from '../exactly.ts';
import { Ref } from './fields.ts';

export const KitAddedSchema = exactly<KitAdded>()(
  z.strictObject({
    type: z.literal('kitAdded'),
    prefix: Ref,
    kit: Ref,
    revision: z.number().int(),
    answers: AnswersSchema,
    sha256: z.string().optional(),
  }),
);
