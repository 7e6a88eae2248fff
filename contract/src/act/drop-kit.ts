import { z } from 'zod';
import type { DropKit, KitDropped } from '#core/job/act/drop-kit.ts';
import { exactly } from '../exactly.ts';
import { Prefix, Reason } from './fields.ts';

export const DropKitSchema = exactly<DropKit>()(
  z.strictObject({ type: z.literal('dropKit'), prefix: Prefix, reason: Reason }),
);

export const KitDroppedSchema = exactly<KitDropped>()(
  z.strictObject({ type: z.literal('kitDropped'), prefix: Prefix, reason: Reason }),
);
