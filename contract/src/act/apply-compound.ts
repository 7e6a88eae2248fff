import { z } from 'zod';
import type { ApplyCompound, CompoundApplied } from '#core/job/act/apply-compound.ts';
import { exactly } from '../exactly.ts';
import { Ref } from './fields.ts';

export const ApplyCompoundSchema = exactly<ApplyCompound>()(
  z.strictObject({ type: z.literal('applyCompound'), station: Ref, cleaned: z.boolean() }),
);

export const CompoundAppliedSchema = exactly<CompoundApplied>()(
  z.strictObject({ type: z.literal('compoundApplied'), station: Ref, compound: Ref, cleaned: z.boolean() }),
);
