import { z } from 'zod';
import type { BeginClock, ClockBegun } from '#core/job/act/begin-clock.ts';
import { exactly } from '../exactly.ts';
import { Figured, Key } from './fields.ts';

export const BeginClockSchema = exactly<BeginClock>()(
  z.strictObject({ type: z.literal('beginClock'), act: Key, sinceMs: Figured.optional() }),
);
export const ClockBegunSchema = exactly<ClockBegun>()(
  z.strictObject({ type: z.literal('clockBegun'), act: Key, sinceMs: Figured }),
);
