import { z } from 'zod';
import type { StepTaken, TakeStep } from '#core/job/act/take-step.ts';
import { exactly } from '../exactly.ts';
import { Name, Ref } from './fields.ts';

export const TakeStepSchema = exactly<TakeStep>()(z.strictObject({ type: z.literal('takeStep'), step: Ref }));
export const StepTakenSchema = exactly<StepTaken>()(
  z.strictObject({ type: z.literal('stepTaken'), step: Ref, from: Name.optional() }),
);
