import { z } from 'zod';
import type { Loosen, StationLoosened } from '#core/job/act/loosen.ts';
import { exactly } from '../exactly.ts';
import { LoosenToSchema, Reason, Ref } from './fields.ts';

export const LoosenSchema = exactly<Loosen>()(
  z.strictObject({ type: z.literal('loosen'), station: Ref, to: LoosenToSchema, reason: Reason }),
);

export const StationLoosenedSchema = exactly<StationLoosened>()(
  z.strictObject({
    type: z.literal('stationLoosened'),
    station: Ref,
    to: LoosenToSchema,
    reason: Reason,
    spent: z.array(Ref),
  }),
);
