import { z } from 'zod';
import type { OverrideStep, StepOverrideGranted } from '#core/job/act/override-step.ts';
import { exactly } from '../exactly.ts';
import { Reason, Ref } from './fields.ts';

export const OverrideStepSchema = exactly<OverrideStep>()(
  z.strictObject({ type: z.literal('overrideStep'), refusal: Ref, step: Ref, reason: Reason }),
);

export const StepOverrideGrantedSchema = exactly<StepOverrideGranted>()(
  z.strictObject({ type: z.literal('stepOverrideGranted'), refusal: Ref, step: Ref, reason: Reason }),
);
