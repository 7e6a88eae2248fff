import { z } from 'zod';
import type { Compound } from '#core/compound/compound.ts';
import type { DriveSize } from '#core/fastener/drive.ts';
import {
  type Aftercare,
  type Caution,
  type Item,
  type JointGroup,
  KIT_FORMAT,
  KIT_VERSION,
  type KitDocument,
  type MapShape,
  type OrderRule,
  type Question,
  type StackPiece,
  type Station,
} from '#core/kit/kit-document.ts';
import type { TighteningSpec } from '#core/tightening/tightening-spec.ts';
import { ConditionSchema } from './condition.ts';

const Id = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/, 'letters, digits, dot, dash and underscore, at most 64');
const Text = z.string().trim().min(1).max(500);
const Positive = z.number().positive();
/** Joints of this trade end far below; a larger figure is a lost decimal (M05). */
const TorqueNm = z.number().positive().max(1500);

export const TighteningSpecSchema: z.ZodType<TighteningSpec> = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('torque'),
    targetNm: TorqueNm,
    toleranceFraction: z.number().positive().max(0.5).optional(),
  }),
  z.strictObject({ kind: z.literal('range'), minNm: TorqueNm, maxNm: TorqueNm }),
  z.strictObject({
    kind: z.literal('targetWithMaximum'),
    targetNm: TorqueNm,
    maximumNm: TorqueNm,
    toleranceFraction: z.number().positive().max(0.5).optional(),
  }),
  z.strictObject({
    kind: z.literal('torqueAngle'),
    thresholdNm: TorqueNm,
    angleDeg: z.number().positive().max(720),
    angleToleranceDeg: z.number().positive().max(45),
    maximumNm: TorqueNm.optional(),
  }),
  z.strictObject({
    kind: z.literal('slot'),
    startNm: TorqueNm,
    ceilingNm: TorqueNm,
    slots: z.number().int().min(3).max(12),
  }),
  z.strictObject({
    kind: z.literal('bearing'),
    seatNm: TorqueNm,
    backOffDeg: z.number().positive().max(720),
    finalMinNm: TorqueNm,
    finalMaxNm: TorqueNm,
  }),
  z.strictObject({ kind: z.literal('contact'), stop: Text }),
  z.strictObject({ kind: z.literal('snug') }),
]);

const QuestionSchema: z.ZodType<Question> = z.strictObject({
  id: Id,
  text: Text,
  lookAt: Text.optional(),
  kind: z.enum(['choice', 'number', 'yesNo']),
  choices: z.array(z.strictObject({ value: z.string().min(1), label: Text })).optional(),
  min: z.number().optional(),
  max: z.number().optional(),
  from: z.enum(['modelYear', 'engine', 'drivenWheels', 'body']).optional(),
});

const ItemSchema: z.ZodType<Item> = z.strictObject({
  id: Id,
  line: z.string().trim().min(1).max(12),
  bag: z.string().trim().min(1).max(80),
  kind: z.enum(['bolt', 'nut', 'washer', 'pin', 'clip', 'insert', 'part', 'compound']),
  name: Text,
  quantity: z.number().int().positive().max(10_000),
  source: z.enum(['kit', 'factory', 'shop']),
  thread: z.string().max(40).optional(),
  lengthMm: Positive.max(5000).optional(),
  head: z.enum(['hex', 'hexFlange', 'socketCap', 'button', 'countersunk', 'castle', 'none']).optional(),
  acrossFlatsMm: Positive.max(120).optional(),
  propertyClass: z.string().max(20).optional(),
  finish: z.string().max(60).optional(),
  outsideMm: Positive.max(2000).optional(),
  insideMm: Positive.max(2000).optional(),
  thicknessMm: Positive.max(500).optional(),
  tellTale: Text.optional(),
  singleUse: z.boolean().optional(),
  fittedWith: Id.optional(),
  when: ConditionSchema.optional(),
});

const DriveSizeSchema: z.ZodType<DriveSize> = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('hex'), acrossFlatsMm: Positive, inch: z.literal(true).optional() }),
  z.strictObject({ kind: z.literal('hexKey'), acrossFlatsMm: Positive }),
  z.strictObject({ kind: z.literal('twelvePoint'), acrossFlatsMm: Positive }),
  z.strictObject({ kind: z.literal('sixLobe'), size: z.string().max(12) }),
  z.strictObject({ kind: z.literal('hand') }),
]);

const StackPieceSchema: z.ZodType<StackPiece> = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('hardware'), item: Id, facing: Text.optional() }),
  z.strictObject({ kind: z.literal('clamped'), name: Text, thicknessMm: Positive.max(1000) }),
]);

const StationSchema: z.ZodType<Station> = z.strictObject({
  id: Id,
  label: z.string().trim().min(1).max(6),
  name: Text,
  side: z.enum(['left', 'right']).optional(),
  xMm: z.number(),
  yMm: z.number(),
  stack: z.array(StackPieceSchema).min(1),
  compound: Id.optional(),
  specs: z
    .array(z.strictObject({ spec: TighteningSpecSchema, printed: Text, when: ConditionSchema.optional() }))
    .min(1),
  drive: DriveSizeSchema,
  holding: z.strictObject({ drive: DriveSizeSchema, note: Text.optional() }).optional(),
  note: Text.optional(),
  when: ConditionSchema.optional(),
});

const OrderRuleSchema: z.ZodType<OrderRule> = z.union([
  z.strictObject({ pattern: z.enum(['asListed', 'star', 'cross', 'middleOut', 'outsideIn', 'rowZigZag', 'circular']) }),
  z.strictObject({ list: z.array(Id).min(1) }),
]);

const Tone = z.enum(['vehicle', 'part']);
const MapShapeSchema: z.ZodType<MapShape> = z.discriminatedUnion('kind', [
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
]);

const JointGroupSchema: z.ZodType<JointGroup> = z.strictObject({
  id: Id,
  title: Text,
  map: z.strictObject({
    title: Text,
    note: z.string().max(200),
    widthMm: Positive,
    heightMm: Positive,
    shapes: z.array(MapShapeSchema),
  }),
  stations: z.array(Id).min(1),
  startOrder: OrderRuleSchema.optional(),
  snugOrder: OrderRuleSchema.optional(),
  torqueOrder: OrderRuleSchema.optional(),
  stages: z.array(z.number()).min(1).max(5).optional(),
  verify: z.boolean().optional(),
  atRideHeight: z.boolean().optional(),
  after: z.array(Id).optional(),
  when: ConditionSchema.optional(),
});

const CompoundSchema: z.ZodType<Compound> = z.strictObject({
  id: Id,
  name: Text,
  kind: z.enum(['threadlockerMedium', 'threadlockerHigh', 'antiSeize', 'grease', 'sealant', 'retaining']),
  workingWindowMin: Positive.max(600).optional(),
  fixtureMin: Positive.max(2880).optional(),
  fullCureH: Positive.max(336).optional(),
});

const CautionSchema: z.ZodType<Caution> = z.strictObject({
  id: Id,
  text: Text,
  group: Id.optional(),
  safetyCritical: z.boolean().optional(),
  when: ConditionSchema.optional(),
});

const AftercareSchema: z.ZodType<Aftercare> = z.strictObject({
  id: Id,
  text: Text,
  afterKm: Positive.optional(),
  afterDays: Positive.optional(),
  when: ConditionSchema.optional(),
});

/** The kit file, `wrenchman-kit` version 1. See docs/formats/kit.md. */
export const KitDocumentSchema: z.ZodType<KitDocument> = z.strictObject({
  format: z.literal(KIT_FORMAT),
  version: z.literal(KIT_VERSION),
  id: Id,
  revision: z.number().int().positive(),
  title: Text,
  maker: Text,
  statedMinutes: z.number().positive().max(10_000).optional(),
  powerTools: z.enum(['runDownOnly', 'never', 'free']).optional(),
  fits: z.array(z.strictObject({ text: Text, when: ConditionSchema })),
  questions: z.array(QuestionSchema),
  items: z.array(ItemSchema).min(1),
  compounds: z.array(CompoundSchema),
  stations: z.array(StationSchema).min(1),
  groups: z.array(JointGroupSchema).min(1),
  cautions: z.array(CautionSchema),
  aftercare: z.array(AftercareSchema),
});
