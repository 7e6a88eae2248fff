import { z } from 'zod';
import type { AddStep, StepAdded } from '#core/job/act/add-step.ts';
import { exactly } from '../exactly.ts';
import { Figured, Reason, Ref } from './fields.ts';

const what = { text: Reason, before: Ref, problem: Ref.optional(), minutes: Figured.optional() };

export const AddStepSchema = exactly<AddStep>()(z.strictObject({ type: z.literal('addStep'), ...what }));

export const StepAddedSchema = exactly<StepAdded>()(
  z.strictObject({ type: z.literal('stepAdded'), step: Ref, ...what }),
);
