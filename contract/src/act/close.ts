import { z } from 'zod';
import type { Close, JobClosed } from '#core/job/act/close.ts';
import { exactly } from '../exactly.ts';
import { LONGEST, textUpTo } from '../text.ts';

export const CloseSchema = exactly<Close>()(
  z.strictObject({
    type: z.literal('close'),
    signature: textUpTo(LONGEST.signature),
    note: textUpTo(LONGEST.note).optional(),
  }),
);

export const JobClosedSchema = exactly<JobClosed>()(
  z.strictObject({ type: z.literal('jobClosed'), signature: z.string(), note: z.string().optional() }),
);
