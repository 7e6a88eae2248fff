import { z } from 'zod';
import type { LookAgain, LookedAgain, LookTakenBack } from '#core/job/act/look-again.ts';
import { LOOK_WAYS, type LookTarget } from '#core/job/look.ts';
import { exactly } from '../exactly.ts';
import { EnteredSchema, Figured, Reason, Ref } from './fields.ts';

const TargetSchema = exactly<LookTarget>()(z.union([z.strictObject({ station: Ref }), z.strictObject({ debt: Ref })]));

export const LookAgainSchema = exactly<LookAgain>()(
  z.strictObject({
    type: z.literal('lookAgain'),
    target: TargetSchema,
    way: z.enum(LOOK_WAYS),
    holds: z.boolean(),
    torqueNm: Figured.optional(),
    entered: EnteredSchema.optional(),
    wrench: Ref.optional(),
    note: Reason.optional(),
  }),
);
export const LookedAgainSchema = exactly<LookedAgain>()(
  z.strictObject({
    type: z.literal('lookedAgain'),
    target: TargetSchema,
    way: z.enum(LOOK_WAYS),
    holds: z.boolean(),
    torqueNm: z.number().optional(),
    entered: EnteredSchema.optional(),
    wrench: z.strictObject({ id: Ref, label: z.string() }).optional(),
    note: Reason.optional(),
    own: z.literal(true).optional(),
  }),
);
export const LookTakenBackSchema = exactly<LookTakenBack>()(
  z.strictObject({ type: z.literal('lookTakenBack'), target: TargetSchema }),
);
