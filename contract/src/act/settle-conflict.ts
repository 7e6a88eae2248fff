import { z } from 'zod';
import type { ConflictSettled, SettleConflict } from '#core/job/act/settle-conflict.ts';
import type { Settlement } from '#core/kit/plan-conflict.ts';
import { exactly } from '../exactly.ts';
import { FigureSchema, Key, Reason, Ref, StoredFigureSchema } from './fields.ts';

const SettlementSchema = exactly<Settlement>()(
  z.strictObject({ choice: Ref, figure: StoredFigureSchema.optional(), question: Ref.optional() }),
);

export const SettleConflictSchema = exactly<SettleConflict>()(
  z.strictObject({
    type: z.literal('settleConflict'),
    conflict: Key,
    choice: Ref,
    figure: FigureSchema.optional(),
    reason: Reason,
  }),
);

export const ConflictSettledSchema = exactly<ConflictSettled>()(
  z.strictObject({ type: z.literal('conflictSettled'), conflict: Key, settlement: SettlementSchema, reason: Reason }),
);
