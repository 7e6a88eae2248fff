import { z } from 'zod';
import type { Close, JobClosed } from '#core/job/act/close.ts';
import type { ClockRelease } from '#core/job/job-state.ts';
import { exactly } from '../exactly.ts';
import { LONGEST, textUpTo } from '../text.ts';
import { Figured, Key, Reason } from './fields.ts';

/** A clock that still runs, with what the driver is told in writing. */
const ClockReleaseSchema = exactly<ClockRelease>()(
  z.strictObject({ clock: Key, endsAtMs: Figured, condition: Reason }),
);

export const CloseSchema = exactly<Close>()(
  z.strictObject({
    type: z.literal('close'),
    signature: textUpTo(LONGEST.signature),
    note: textUpTo(LONGEST.note).optional(),
    releases: z.array(ClockReleaseSchema).max(40).optional(),
  }),
);

export const JobClosedSchema = exactly<JobClosed>()(
  z.strictObject({
    type: z.literal('jobClosed'),
    signature: z.string(),
    note: z.string().optional(),
    releases: z.array(ClockReleaseSchema).optional(),
  }),
);
