import { z } from 'zod';
import type { JobParked, Park } from '#core/job/act/park.ts';
import { exactly } from '../exactly.ts';
import { MayDoSchema, Reason, Ref } from './fields.ts';

export const ParkSchema = exactly<Park>()(
  z.strictObject({ type: z.literal('park'), reason: Reason, may: MayDoSchema }),
);
export const JobParkedSchema = exactly<JobParked>()(
  z.strictObject({ type: z.literal('jobParked'), reason: Reason, may: MayDoSchema, open: z.array(Ref) }),
);
