import { z } from 'zod';
import { LOCKERS } from '#core/compound/compound.ts';
import type { CompoundNamed, NameCompound } from '#core/job/act/name-compound.ts';
import { exactly } from '../exactly.ts';
import { Name, Ref } from './fields.ts';

export const NameCompoundSchema = exactly<NameCompound>()(
  z.strictObject({ type: z.literal('nameCompound'), compound: Ref, grade: z.enum(LOCKERS), product: Name }),
);

export const CompoundNamedSchema = exactly<CompoundNamed>()(
  z.strictObject({ type: z.literal('compoundNamed'), compound: Ref, grade: z.enum(LOCKERS), product: Name }),
);
