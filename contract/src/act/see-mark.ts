import { z } from 'zod';
import type { MarkSeen, SeeMark } from '#core/job/act/see-mark.ts';
import { exactly } from '../exactly.ts';
import { Ref } from './fields.ts';

export const SeeMarkSchema = exactly<SeeMark>()(z.strictObject({ type: z.literal('seeMark'), station: Ref }));

export const MarkSeenSchema = exactly<MarkSeen>()(
  z.strictObject({ type: z.literal('markSeen'), station: Ref, pass: z.number().int().min(0) }),
);
