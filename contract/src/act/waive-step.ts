import { z } from 'zod';
import type { StepWaived, WaiverTakenBack, WaiveStep } from '#core/job/act/waive-step.ts';
import { exactly } from '../exactly.ts';
import { Reason, Ref } from './fields.ts';

export const WaiveStepSchema = exactly<WaiveStep>()(
  z.strictObject({ type: z.literal('waiveStep'), step: Ref, reason: Reason }),
);
export const StepWaivedSchema = exactly<StepWaived>()(
  z.strictObject({ type: z.literal('stepWaived'), step: Ref, reason: Reason }),
);
export const WaiverTakenBackSchema = exactly<WaiverTakenBack>()(
  z.strictObject({ type: z.literal('waiverTakenBack'), step: Ref }),
);
