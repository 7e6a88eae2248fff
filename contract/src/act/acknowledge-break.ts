import { z } from 'zod';
import type { AcknowledgeBreak, BreakAcknowledged } from '#core/job/act/acknowledge-break.ts';
import { exactly } from '../exactly.ts';
import { Reason } from './fields.ts';

export const AcknowledgeBreakSchema = exactly<AcknowledgeBreak>()(
  z.strictObject({ type: z.literal('acknowledgeBreak'), reason: Reason }),
);

export const BreakAcknowledgedSchema = exactly<BreakAcknowledged>()(
  z.strictObject({ type: z.literal('breakAcknowledged'), breaks: z.array(z.number().int().min(0)), reason: Reason }),
);
