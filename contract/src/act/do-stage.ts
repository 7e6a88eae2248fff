import { z } from 'zod';
import type { DoStage, StageDone } from '#core/job/act/do-stage.ts';
import { exactly } from '../exactly.ts';
import { EnteredSchema, Figured, Ref, VerdictSchema } from './fields.ts';

const Stage = z.number().int().min(0).max(99);

export const DoStageSchema = exactly<DoStage>()(
  z.strictObject({
    type: z.literal('doStage'),
    station: Ref,
    stage: Stage,
    torqueNm: Figured.optional(),
    wrench: Ref.optional(),
    entered: EnteredSchema.optional(),
    confirmed: z.boolean().optional(),
  }),
);

export const StageDoneSchema = exactly<StageDone>()(
  z.strictObject({
    type: z.literal('stageDone'),
    station: Ref,
    stage: Stage,
    torqueNm: z.number().optional(),
    wrench: z.string().optional(),
    entered: EnteredSchema.optional(),
    verdict: VerdictSchema.optional(),
  }),
);
