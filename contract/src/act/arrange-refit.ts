import { z } from 'zod';
import type { ArrangeRefit, RefitArranged } from '#core/job/act/arrange-refit.ts';
import { exactly } from '../exactly.ts';
import { Ref } from './fields.ts';

export const ArrangeRefitSchema = exactly<ArrangeRefit>()(
  z.strictObject({ type: z.literal('arrangeRefit'), order: z.array(Ref).max(2000) }),
);

export const RefitArrangedSchema = exactly<RefitArranged>()(
  z.strictObject({ type: z.literal('refitArranged'), order: z.array(Ref) }),
);
