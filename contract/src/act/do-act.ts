import { z } from 'zod';
import type { ActsReopened } from '#core/job/act/after-check.ts';
import type { ActDone, ActUndone, DoAct } from '#core/job/act/do-act.ts';
import type { Answer, Answers } from '#core/line/ask.ts';
import { exactly } from '../exactly.ts';
import { LONGEST, textUpTo } from '../text.ts';
import { Key, Ref } from './fields.ts';

const AnswerSchema = exactly<Answer>()(
  z.union([z.boolean(), z.number(), textUpTo(LONGEST.reason), z.array(textUpTo(LONGEST.reason)).max(40)]),
);
/** Answers by what asked them: a place's name stands in the key, and names may be long. */
const AnswersSchema: z.ZodType<Answers> = z
  .record(Key, AnswerSchema)
  .refine((answers) => Object.keys(answers).length <= 60, 'more answers than any act asks for');

export const DoActSchema = exactly<DoAct>()(
  z.strictObject({ type: z.literal('doAct'), act: Key, answers: AnswersSchema.optional() }),
);

export const ActDoneSchema = exactly<ActDone>()(
  z.strictObject({
    type: z.literal('actDone'),
    act: Key,
    step: Ref,
    answers: AnswersSchema,
    failed: z.array(Key),
    wrong: z.array(Key),
  }),
);

export const ActUndoneSchema = exactly<ActUndone>()(
  z.strictObject({
    type: z.literal('actUndone'),
    acts: z.array(Key),
    reopened: z.array(Ref),
    closedAgain: z.array(Ref),
  }),
);

export const ActsReopenedSchema = exactly<ActsReopened>()(
  z.strictObject({ type: z.literal('actsReopened'), acts: z.array(Key), check: Key }),
);
