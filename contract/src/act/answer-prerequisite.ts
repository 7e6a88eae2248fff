import { z } from 'zod';
import type { AnswerPrerequisite, PrerequisiteAnswered } from '#core/job/act/answer-prerequisite.ts';
import { exactly } from '../exactly.ts';
import { Figured, Reason, Ref } from './fields.ts';

const answer = { prerequisite: Ref, met: z.boolean(), value: Figured.optional(), note: Reason.optional() };

export const AnswerPrerequisiteSchema = exactly<AnswerPrerequisite>()(
  z.strictObject({ type: z.literal('answerPrerequisite'), ...answer }),
);

export const PrerequisiteAnsweredSchema = exactly<PrerequisiteAnswered>()(
  z.strictObject({ type: z.literal('prerequisiteAnswered'), ...answer }),
);
