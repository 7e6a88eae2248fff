import { z } from 'zod';
import { HELD_UP_BY } from '#core/kit/held-up-by.ts';
import { BENDABLE, BENDERS, type HouseRules } from '#core/kit/house-rules.ts';
import { GEAR_KG, GEAR_KINDS } from '#core/shop/lifting-gear.ts';
import { exactly } from './exactly.ts';

/** Whether a name is one the time zone database knows. */
function isTimeZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en-GB', { timeZone: name });
    return true;
  } catch {
    return false;
  }
}

const AgainKm = z.number().min(1).max(20_000).optional();

/** The rules a shop sets; those it leaves out are as usual. */
export const HouseRulesSchema = exactly<Partial<HouseRules>>()(
  z.strictObject({
    stages: z.array(z.number()).readonly().optional(),
    verify: z.boolean().optional(),
    leastStageNm: z.number().min(0).max(50).optional(),
    driveAfter: z.enum(['handlingStrength', 'fullCure']).optional(),
    heldUpBy: z.enum(HELD_UP_BY).optional(),
    gasketStages: z.array(z.number()).readonly().optional(),
    byFeel: z.boolean().optional(),
    estimates: z.boolean().optional(),
    otherKits: z.boolean().optional(),
    figuresBy: z.enum(['fitter', 'lead']).optional(),
    powerFromMm: z.number().min(0).max(30).optional(),
    powerSeats: z.boolean().optional(),
    bentBy: z.partialRecord(z.enum(BENDABLE), z.enum(BENDERS)).optional(),
    againAfterKm: z.strictObject({ wheels: AgainKm, exhaust: AgainKm, clamps: AgainKm, bushes: AgainKm }).optional(),
    aligner: z.enum(['ownRack', 'sentOut']).optional(),
    untilAlignedKm: z.number().min(1).max(5000).optional(),
    bareTolerance: z.number().min(0.02).max(0.2).optional(),
    antiSeizeShare: z.number().min(0.5).max(1).optional(),
    runDownShare: z.number().gt(0).max(1).optional(),
    boltUses: z.number().int().min(1).max(99).optional(),
    timeZone: z.string().max(64).refine(isTimeZone, 'is no time zone; Europe/Berlin is one').optional(),
    dates: z.enum(['monthFirst', 'yearFirst']).optional(),
    units: z.enum(['metric', 'inch']).optional(),
    hours: z
      .strictObject({
        week: z
          .array(
            z
              .strictObject({
                fromMin: z.number().int().min(0).max(1439),
                toMin: z.number().int().min(1).max(1440),
              })
              .refine(({ fromMin, toMin }) => fromMin < toMin, 'closes before it opens')
              .nullable(),
          )
          .length(7)
          .readonly(),
        holidays: z
          .array(z.strictObject({ day: z.iso.date(), name: z.string().trim().max(60).optional() }))
          .max(200)
          .readonly(),
      })
      .optional(),
    lifting: z
      .array(
        z.strictObject({
          name: z.string().trim().min(1).max(60),
          kind: z.enum(GEAR_KINDS),
          ratedKg: z.number().min(GEAR_KG.least).max(GEAR_KG.most),
        }),
      )
      .max(60)
      .readonly()
      .optional(),
    trays: z
      .array(
        z.strictObject({
          name: z.string().trim().min(1).max(40),
          rows: z.number().int().min(1).max(12),
          columns: z.number().int().min(1).max(16),
        }),
      )
      .min(1)
      .max(20)
      .readonly()
      .optional(),
    secondLook: z.enum(['none', 'critical', 'all']).optional(),
    apprenticePulls: z.literal('practised').optional(),
    secondLookBy: z.enum(['another', 'afterBreak']).optional(),
    batteryOff: z.enum(['watched', 'anyPlug', 'asKit']).optional(),
    functionTests: z.enum(['touched', 'asKit']).optional(),
    proof: z.enum(['measured', 'told']).optional(),
  }),
);
