import { z } from 'zod';
import { HELD_UP_BY } from '#core/kit/held-up-by.ts';
import type { HouseRules } from '#core/kit/house-rules.ts';
import { exactly } from './exactly.ts';

/** The rules a shop sets; those it leaves out are as usual. */
export const HouseRulesSchema = exactly<Partial<HouseRules>>()(
  z.strictObject({
    stages: z.array(z.number()).readonly().optional(),
    verify: z.boolean().optional(),
    driveAfter: z.enum(['handlingStrength', 'fullCure']).optional(),
    heldUpBy: z.enum(HELD_UP_BY).optional(),
    byFeel: z.boolean().optional(),
    boltUses: z.number().int().min(1).max(99).optional(),
    proof: z.enum(['measured', 'told']).optional(),
  }),
);
