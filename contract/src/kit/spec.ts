import { z } from 'zod';
import { FIGURE_BASES, type PrintedSpec } from '#core/kit/printed-spec.ts';
import type { ProcedureStage } from '#core/tightening/kind/procedure.ts';
import type { SpecKind, SpecOf, TighteningSpec } from '#core/tightening/kinds.ts';
import { ConditionSchema } from '../condition.ts';
import { exactly, membersOf } from '../exactly.ts';
import { Text, Tolerance, TorqueNm } from './field.ts';

const TurnDeg = z.number().positive().max(7200);
const ProcedureStageSchema: z.ZodType<ProcedureStage> = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('tighten'), torqueNm: TorqueNm, toleranceFraction: Tolerance.optional() }),
  z.strictObject({ do: z.literal('backOff'), deg: TurnDeg }),
  z.strictObject({ do: z.literal('turn'), deg: TurnDeg }),
  z.strictObject({ do: z.literal('tap') }),
  z.strictObject({ do: z.literal('settle'), minutes: z.number().positive().max(1440).optional() }),
]);

/** A schema per kind of tightening. */
const SPEC_SCHEMAS = {
  torque: exactly<SpecOf<'torque'>>()(
    z.strictObject({
      kind: z.literal('torque'),
      targetNm: TorqueNm,
      toleranceFraction: Tolerance.optional(),
    }),
  ),
  range: exactly<SpecOf<'range'>>()(z.strictObject({ kind: z.literal('range'), minNm: TorqueNm, maxNm: TorqueNm })),
  targetWithMaximum: exactly<SpecOf<'targetWithMaximum'>>()(
    z.strictObject({
      kind: z.literal('targetWithMaximum'),
      targetNm: TorqueNm,
      maximumNm: TorqueNm,
      toleranceFraction: Tolerance.optional(),
    }),
  ),
  torqueAngle: exactly<SpecOf<'torqueAngle'>>()(
    z.strictObject({
      kind: z.literal('torqueAngle'),
      thresholdNm: TorqueNm,
      angleDeg: z.number().positive().max(720),
      angleToleranceDeg: z.number().positive().max(45),
      maximumNm: TorqueNm.optional(),
    }),
  ),
  yieldControlled: exactly<SpecOf<'yieldControlled'>>()(
    z.strictObject({ kind: z.literal('yieldControlled'), thresholdNm: TorqueNm, maximumNm: TorqueNm }),
  ),
  slot: exactly<SpecOf<'slot'>>()(
    z.strictObject({
      kind: z.literal('slot'),
      startNm: TorqueNm,
      ceilingNm: TorqueNm,
      slots: z.number().int().min(3).max(12),
    }),
  ),
  bearing: exactly<SpecOf<'bearing'>>()(
    z.strictObject({
      kind: z.literal('bearing'),
      seatNm: TorqueNm,
      backOffDeg: z.number().positive().max(720),
      finalMinNm: TorqueNm,
      finalMaxNm: TorqueNm,
    }),
  ),
  procedure: exactly<SpecOf<'procedure'>>()(
    z.strictObject({
      kind: z.literal('procedure'),
      stages: z.array(ProcedureStageSchema).min(2).max(20),
    }),
  ),
  contact: exactly<SpecOf<'contact'>>()(z.strictObject({ kind: z.literal('contact'), stop: Text })),
  snug: exactly<SpecOf<'snug'>>()(z.strictObject({ kind: z.literal('snug') })),
  missing: exactly<SpecOf<'missing'>>()(
    z.strictObject({
      kind: z.literal('missing'),
      why: z.enum(['notGiven', 'byFeel', 'otherSheet', 'later']),
      note: Text.optional(),
      see: z.strictObject({ kit: z.string().trim().min(1).max(120), place: Text.optional() }).optional(),
    }),
  ),
} satisfies Record<SpecKind, z.ZodType>;

export const TighteningSpecSchema: z.ZodType<TighteningSpec> = z.discriminatedUnion('kind', membersOf(SPEC_SCHEMAS));

export const PrintedSpecSchema = exactly<PrintedSpec>()(
  z.strictObject({
    spec: TighteningSpecSchema,
    printed: Text,
    basis: z.enum(FIGURE_BASES).optional(),
    when: ConditionSchema.optional(),
  }),
);
