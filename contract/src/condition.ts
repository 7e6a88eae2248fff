import { z } from 'zod';
import type { AnswerValue, Condition } from '#core/kit/condition.ts';

export const AnswerValueSchema: z.ZodType<AnswerValue> = z.union([z.string().max(200), z.number(), z.boolean()]);

export const AnswersSchema = z.record(z.string(), AnswerValueSchema);

/** A question or a choice, and the place where it is asked at several. */
const asked = { question: z.string(), at: z.string().min(1).max(120).optional() };

export const ConditionSchema: z.ZodType<Condition> = z
  .lazy(() =>
    z.union([
      z.strictObject({ all: z.array(ConditionSchema).min(1) }),
      z.strictObject({ any: z.array(ConditionSchema).min(1) }),
      z.strictObject({ not: ConditionSchema }),
      z.strictObject({ ...asked, is: AnswerValueSchema }),
      z.strictObject({ ...asked, atLeast: z.number() }),
      z.strictObject({ ...asked, atMost: z.number() }),
    ]),
  )
  .meta({ id: 'Condition' });
