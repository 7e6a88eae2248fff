import { z } from 'zod';
import type { AnswerChanged, ChangeAnswer } from '#core/job/act/change-answer.ts';
import { AnswerValueSchema } from '../condition.ts';
import { exactly } from '../exactly.ts';
import { Ref } from './fields.ts';

export const ChangeAnswerSchema = exactly<ChangeAnswer>()(
  z.strictObject({
    type: z.literal('changeAnswer'),
    question: Ref,
    value: AnswerValueSchema,
    seen: AnswerValueSchema.nullable().optional(),
  }),
);

export const AnswerChangedSchema = exactly<AnswerChanged>()(
  z.strictObject({
    type: z.literal('answerChanged'),
    question: Ref,
    from: AnswerValueSchema.optional(),
    to: AnswerValueSchema,
  }),
);
