import { z } from 'zod';
import type { CloseDebt, DebtClosed } from '#core/job/act/close-debt.ts';
import { exactly } from '../exactly.ts';
import { DebtEndSchema, Figured, Reason, Ref } from './fields.ts';

const ending = { count: Figured, end: DebtEndSchema, note: Reason.optional(), newPieces: z.boolean().optional() };

export const CloseDebtSchema = exactly<CloseDebt>()(
  z.strictObject({ type: z.literal('closeDebt'), debt: Ref, ...ending }),
);

export const DebtClosedSchema = exactly<DebtClosed>()(
  z.strictObject({ type: z.literal('debtClosed'), debts: z.array(Ref), ...ending }),
);
