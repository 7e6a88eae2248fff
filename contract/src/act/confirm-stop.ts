import { z } from 'zod';
import type { ConfirmStop, StopConfirmed } from '#core/job/act/confirm-stop.ts';
import { exactly } from '../exactly.ts';
import { Reason, Ref } from './fields.ts';

export const ConfirmStopSchema = exactly<ConfirmStop>()(
  z.strictObject({ type: z.literal('confirmStop'), station: Ref, reason: Reason.optional() }),
);

export const StopConfirmedSchema = exactly<StopConfirmed>()(
  z.strictObject({ type: z.literal('stopConfirmed'), station: Ref, reason: Reason.optional() }),
);
