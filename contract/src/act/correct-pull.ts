import { z } from 'zod';
import type { CorrectPull, PullCorrected } from '#core/job/act/correct-pull.ts';
import { exactly } from '../exactly.ts';
import { Figured, Reason, Ref, VerdictSchema } from './fields.ts';

export const CorrectPullSchema = exactly<CorrectPull>()(
  z.strictObject({
    type: z.literal('correctPull'),
    station: Ref,
    pull: Ref,
    torqueNm: Figured,
    reason: Reason,
    pinFits: z.boolean().optional(),
  }),
);

export const PullCorrectedSchema = exactly<PullCorrected>()(
  z.strictObject({
    type: z.literal('pullCorrected'),
    station: Ref,
    pull: Ref,
    from: z.number(),
    to: z.number(),
    verdict: VerdictSchema,
    reason: Reason,
    pinFits: z.boolean().optional(),
  }),
);
