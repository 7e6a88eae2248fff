import { z } from 'zod';
import type { FindOut, FoundOut } from '#core/job/act/find-out.ts';
import { AnswerValueSchema } from '../condition.ts';
import { exactly } from '../exactly.ts';
import { Key } from './fields.ts';

export const FindOutSchema = exactly<FindOut>()(
  z.strictObject({ type: z.literal('findOut'), finding: Key, value: AnswerValueSchema }),
);

export const FoundOutSchema = exactly<FoundOut>()(
  z.strictObject({ type: z.literal('foundOut'), finding: Key, value: AnswerValueSchema.optional() }),
);
