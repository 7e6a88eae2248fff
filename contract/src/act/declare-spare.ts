import { z } from 'zod';
import type { DeclareSpare, SpareDeclared } from '#core/job/act/declare-spare.ts';
import { exactly } from '../exactly.ts';
import { Figured, Ref } from './fields.ts';

export const DeclareSpareSchema = exactly<DeclareSpare>()(
  z.strictObject({ type: z.literal('declareSpare'), item: Ref, quantity: Figured }),
);

export const SpareDeclaredSchema = exactly<SpareDeclared>()(
  z.strictObject({ type: z.literal('spareDeclared'), item: Ref, quantity: z.number() }),
);
