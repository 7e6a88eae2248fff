import { z } from 'zod';
import type { MendThread, ThreadMended } from '#core/job/act/mend-thread.ts';
import { THREAD_RUNGS } from '#core/job/thread-rung.ts';
import { exactly } from '../exactly.ts';
import { Reason, Ref } from './fields.ts';

const mended = { station: Ref, rung: z.enum(THREAD_RUNGS), runs: z.boolean(), note: Reason.optional() };

export const MendThreadSchema = exactly<MendThread>()(z.strictObject({ type: z.literal('mendThread'), ...mended }));

export const ThreadMendedSchema = exactly<ThreadMended>()(
  z.strictObject({ type: z.literal('threadMended'), ...mended }),
);
