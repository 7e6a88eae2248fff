import { z } from 'zod';
import type { Override, OverrideGranted } from '#core/job/act/override.ts';
import { exactly } from '../exactly.ts';
import { Reason, Ref } from './fields.ts';

export const OverrideSchema = exactly<Override>()(
  z.strictObject({ type: z.literal('override'), refusal: Ref, station: Ref, reason: Reason }),
);

export const OverrideGrantedSchema = exactly<OverrideGranted>()(
  z.strictObject({ type: z.literal('overrideGranted'), refusal: Ref, station: Ref, reason: Reason }),
);
