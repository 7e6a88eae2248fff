import { z } from 'zod';
import type { AnswerValue, Condition } from '#core/kit/condition.ts';

export const AnswerValueSchema: z.ZodType<AnswerValue> = z.union([z.string().max(200), z.number(), z.boolean()]);

export const AnswersSchema = z.record(z.string(), AnswerValueSchema);

export const ConditionSchema: z.ZodType<Condition> = z
  .lazy(() =>
    z.union([
      z.strictObject({ all: z.array(ConditionSchema).min(1) }),
      z.strictObject({ any: z.array(ConditionSchema).min(1) }),
      z.strictObject({ not: ConditionSchema }),
      z.strictObject({ question: z.string(), is: AnswerValueSchema }),
      z.strictObject({ question: z.string(), atLeast: z.number() }),
      z.strictObject({ question: z.string(), atMost: z.number() }),
    ]),
  )
  .meta({ id: 'Condition' });
