import { z } from 'zod';
import type { HandBack, JobHandedBack } from '#core/job/act/hand-back.ts';
import { exactly } from '../exactly.ts';
import { LONGEST, textUpTo } from '../text.ts';
import { MayDoSchema, Reason, Ref } from './fields.ts';

const KindSchema = z.enum(['handedBack', 'oldParts']);

export const HandBackSchema = exactly<HandBack>()(
  z.strictObject({
    type: z.literal('handBack'),
    kind: KindSchema,
    signature: textUpTo(LONGEST.signature),
    reason: Reason,
    may: MayDoSchema,
  }),
);
export const JobHandedBackSchema = exactly<JobHandedBack>()(
  z.strictObject({
    type: z.literal('jobHandedBack'),
    kind: KindSchema,
    signature: z.string(),
    reason: Reason,
    may: MayDoSchema,
    open: z.array(Ref),
  }),
);
