import { z } from 'zod';
import type { SharedSplit, SplitShared } from '#core/job/act/split-shared.ts';
import { exactly } from '../exactly.ts';
import { Key, Reason } from './fields.ts';

export const SplitSharedSchema = exactly<SplitShared>()(
  z.strictObject({ type: z.literal('splitShared'), key: Key, reason: Reason }),
);

export const SharedSplitSchema = exactly<SharedSplit>()(
  z.strictObject({ type: z.literal('sharedSplit'), key: Key, reason: Reason }),
);
