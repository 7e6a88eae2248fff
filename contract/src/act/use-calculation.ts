import { z } from 'zod';
import type { CalculationUsed, UseCalculation } from '#core/job/act/use-calculation.ts';
import { exactly } from '../exactly.ts';
import { textUpTo } from '../text.ts';
import { Reason, Ref } from './fields.ts';

/** Only an address inside the application: it becomes a link in the record. */
const calculation = {
  station: Ref.optional(),
  tool: Ref,
  summary: textUpTo(500).min(1),
  link: z.string().max(1000).startsWith('/bench/'),
  reason: Reason,
};

export const UseCalculationSchema = exactly<UseCalculation>()(
  z.strictObject({ type: z.literal('useCalculation'), ...calculation }),
);

export const CalculationUsedSchema = exactly<CalculationUsed>()(
  z.strictObject({ type: z.literal('calculationUsed'), ...calculation }),
);
