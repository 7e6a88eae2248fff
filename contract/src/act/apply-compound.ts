import { z } from 'zod';
import type { ApplyCompound, CompoundApplied, CompoundWithdrawn } from '#core/job/act/apply-compound.ts';
import { exactly } from '../exactly.ts';
import { Ref } from './fields.ts';

export const ApplyCompoundSchema = exactly<ApplyCompound>()(
  z.strictObject({
    type: z.literal('applyCompound'),
    station: Ref,
    cleaned: z.boolean(),
    holeClean: z.boolean().optional(),
    bottle: Ref.optional(),
  }),
);

export const CompoundWithdrawnSchema = exactly<CompoundWithdrawn>()(
  z.strictObject({ type: z.literal('compoundWithdrawn'), station: Ref }),
);

export const CompoundAppliedSchema = exactly<CompoundApplied>()(
  z.strictObject({
    type: z.literal('compoundApplied'),
    station: Ref,
    compound: Ref,
    cleaned: z.boolean(),
    holeClean: z.boolean().optional(),
    bottle: z.strictObject({ id: Ref, name: z.string(), lot: z.string() }).optional(),
  }),
);
