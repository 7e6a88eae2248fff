import { z } from 'zod';
import type { AddDebt, DebtAdded } from '#core/job/act/add-debt.ts';
import { exactly } from '../exactly.ts';
import { DebtEndSchema, DebtKindSchema, Figured, Name, Reason, Ref } from './fields.ts';

const added = { name: Name, kind: DebtKindSchema, count: Figured, end: DebtEndSchema, note: Reason.optional() };

export const AddDebtSchema = exactly<AddDebt>()(z.strictObject({ type: z.literal('addDebt'), ...added }));

export const DebtAddedSchema = exactly<DebtAdded>()(
  z.strictObject({ type: z.literal('debtAdded'), debt: Ref, ...added }),
);
