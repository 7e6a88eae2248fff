import { z } from 'zod';
import type { DebtOpened, OpenDebt } from '#core/job/act/open-debt.ts';
import { exactly } from '../exactly.ts';
import { Ref } from './fields.ts';

export const OpenDebtSchema = exactly<OpenDebt>()(z.strictObject({ type: z.literal('openDebt'), debt: Ref }));

export const DebtOpenedSchema = exactly<DebtOpened>()(
  z.strictObject({ type: z.literal('debtOpened'), debts: z.array(Ref) }),
);
