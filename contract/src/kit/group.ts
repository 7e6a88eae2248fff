import { z } from 'zod';
import { COMPOUND_KINDS } from '#core/compound/compound.ts';
import {
  type Aftercare,
  type Caution,
  type JointGroup,
  type KitCompound,
  LIMIT_KINDS,
  type MapShape,
  type OrderRule,
} from '#core/kit/kit-document.ts';
import { ConditionSchema } from '../condition.ts';
import { exactly } from '../exactly.ts';
import { Id, Positive, Text } from './field.ts';

const OrderRuleSchema = exactly<OrderRule>()(
  z.union([
    z.strictObject({
      pattern: z.enum(['asListed', 'star', 'cross', 'middleOut', 'outsideIn', 'rowZigZag', 'circular']),
    }),
    z.strictObject({ list: z.array(Id).min(1) }),
  ]),
);

const Tone = z.enum(['vehicle', 'part']);
const MapShapeSchema = exactly<MapShape>()(
  z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('rect'),
      xMm: z.number(),
      yMm: z.number(),
      widthMm: Positive,
      heightMm: Positive,
      tone: Tone,
      label: Text.optional(),
    }),
    z.strictObject({
      kind: z.literal('polygon'),
      points: z.array(z.tuple([z.number(), z.number()])).min(3),
      tone: Tone,
      label: Text.optional(),
    }),
    z.strictObject({
      kind: z.literal('circle'),
      xMm: z.number(),
      yMm: z.number(),
      radiusMm: Positive,
      tone: Tone,
      label: Text.optional(),
    }),
  ]),
);

export const JointGroupSchema = exactly<JointGroup>()(
  z.strictObject({
    id: Id,
    title: Text,
    map: z.strictObject({
      title: Text,
      note: z.string().max(200),
      widthMm: Positive,
      heightMm: Positive,
      shapes: z.array(MapShapeSchema),
    }),
    stations: z.array(Id),
    startOrder: OrderRuleSchema.optional(),
    snugOrder: OrderRuleSchema.optional(),
    torqueOrder: OrderRuleSchema.optional(),
    stages: z.array(z.number()).min(1).max(5).optional(),
    verify: z.boolean().optional(),
    verifyOnly: z.array(Id).min(1).optional(),
    verifyBy: z.literal('another').optional(),
    spot: z.strictObject({ along: z.number().min(0).max(1), across: z.number().min(-1).max(1) }).optional(),
    atRideHeight: z.boolean().optional(),
    rideHeight: z
      .strictObject({
        places: z.array(Text).min(1).max(4),
        min: Positive.max(3000).optional(),
        max: Positive.max(3000).optional(),
      })
      .optional(),
    after: z.array(z.strictObject({ group: Id, holds: z.enum(['start', 'snug', 'torque']) })).optional(),
    looseWith: z.array(Id).optional(),
    recheck: z.literal(true).optional(),
    when: ConditionSchema.optional(),
  }),
);

export const CompoundSchema = exactly<KitCompound>()(
  z.strictObject({
    id: Id,
    name: Text,
    kind: z.enum(COMPOUND_KINDS),
    gradeUnknown: z.literal(true).optional(),
    workingWindowMin: Positive.max(600).optional(),
    fixtureMin: Positive.max(2880).optional(),
    fullCureH: Positive.max(336).optional(),
    oilTolerant: z.boolean().optional(),
    when: ConditionSchema.optional(),
  }),
);

export const CautionSchema = exactly<Caution>()(
  z.strictObject({
    id: Id,
    text: Text,
    group: Id.optional(),
    safetyCritical: z.boolean().optional(),
    limits: z.enum(LIMIT_KINDS).optional(),
    when: ConditionSchema.optional(),
  }),
);

export const AftercareSchema = exactly<Aftercare>()(
  z.strictObject({
    id: Id,
    text: Text,
    about: z.enum(['wheels', 'joints', 'alignment', 'grease', 'other']).optional(),
    afterKm: Positive.optional(),
    afterDays: Positive.optional(),
    afterHours: Positive.optional(),
    afterHeatCycles: Positive.optional(),
    event: Text.optional(),
    repeats: z.boolean().optional(),
    when: ConditionSchema.optional(),
  }),
);
