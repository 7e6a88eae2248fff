import { z } from 'zod';
import type { CareAskedAgain, CareWaived, WaiveCare } from '#core/job/act/waive-care.ts';
import { exactly } from '../exactly.ts';
import { Reason, Ref } from './fields.ts';

export const WaiveCareSchema = exactly<WaiveCare>()(
  z.strictObject({ type: z.literal('waiveCare'), care: Ref, reason: Reason }),
);
export const CareWaivedSchema = exactly<CareWaived>()(
  z.strictObject({ type: z.literal('careWaived'), care: Ref, reason: Reason }),
);
export const CareAskedAgainSchema = exactly<CareAskedAgain>()(
  z.strictObject({ type: z.literal('careAskedAgain'), care: Ref }),
);
