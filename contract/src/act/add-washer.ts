import { z } from 'zod';
import { WASHER_HV } from '#core/fastener/washer-hardness.ts';
import type { AddWasher, WasherAdded } from '#core/job/act/add-washer.ts';
import { exactly } from '../exactly.ts';
import { Figured, Reason, Ref } from './fields.ts';

const washer = {
  station: Ref,
  under: z.enum(['head', 'nut']),
  insideMm: Figured,
  outsideMm: Figured,
  thicknessMm: Figured,
  hardnessHv: z.literal(WASHER_HV),
  reason: Reason,
};

export const AddWasherSchema = exactly<AddWasher>()(z.strictObject({ type: z.literal('addWasher'), ...washer }));

export const WasherAddedSchema = exactly<WasherAdded>()(
  z.strictObject({ type: z.literal('washerAdded'), ...washer, noThreadShows: z.literal(true).optional() }),
);
