import { z } from 'zod';
import type { DoStep, StepDone, StepUndone } from '#core/job/act/do-step.ts';
import { exactly } from '../exactly.ts';
import { ChocksSchema, Name, Ref } from './fields.ts';

export const DoStepSchema = exactly<DoStep>()(
  z.strictObject({
    type: z.literal('doStep'),
    step: Ref,
    helper: Name.optional(),
  }),
);

export const StepDoneSchema = exactly<StepDone>()(
  z.strictObject({
    type: z.literal('stepDone'),
    step: Ref,
    covers: z.array(Ref),
    helper: Name.optional(),
    chocks: ChocksSchema.optional(),
  }),
);

export const StepUndoneSchema = exactly<StepUndone>()(
  z.strictObject({
    type: z.literal('stepUndone'),
    step: Ref,
    covers: z.array(Ref),
    reopened: z.array(Ref),
    closedAgain: z.array(Ref),
  }),
);
