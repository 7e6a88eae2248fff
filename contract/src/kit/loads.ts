import { z } from 'zod';
import type { KitLoads } from '#core/kit/kit-loads.ts';
import { exactly } from '../exactly.ts';

const Kg = z.number().positive().max(100_000);

/** What a kit weighs and carries; of a vehicle's list, too. */
export const KitLoadsSchema = exactly<KitLoads>()(
  z.strictObject({
    massKg: z.number().min(-1000).max(5000).optional(),
    aheadOfRearAxleMm: z.number().min(-5000).max(10_000).optional(),
    hitch: z
      .array(
        z.strictObject({
          name: z.string().trim().min(1).max(80),
          trailerKg: Kg.optional(),
          tongueKg: Kg.optional(),
        }),
      )
      .min(1)
      .max(12)
      .optional(),
    carrierKg: Kg.optional(),
  }),
);
