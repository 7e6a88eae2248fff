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
import type {
  Baseline,
  Check,
  Choice,
  Irreversible,
  KitTool,
  Neighbour,
  Prerequisite,
  Temporary,
} from '#core/kit/kit-preparation.ts';
import type { Disconnect, RemovedThing, Step, StepAction } from '#core/kit/kit-step.ts';
import type { PrintedSpec } from '#core/kit/printed-spec.ts';
import type { SpecKind, SpecOf, TighteningSpec } from '#core/tightening/kinds.ts';
import { ConditionSchema } from './condition.ts';
import { exactly, membersOf } from './exactly.ts';

const Id = z
  .string()
  .regex(/^[A-Za-z0-9][A-Za-z0-9._-]{0,63}$/, 'letters, digits, dot, dash and underscore, at most 64');
const Text = z.string().trim().min(1).max(500);
const Positive = z.number().positive();
const Aliases = z.array(z.string().trim().min(1).max(120)).max(20);
/** A word the shop's kits share: the name of a spot on the vehicle, or of something it carries. */
const Place = z.string().trim().min(1).max(80);
const Side = z.enum(['left', 'right']);
/** Joints of this trade end far below; a larger figure is a lost decimal (M05). */
const TorqueNm = z.number().positive().max(1500);
const Tolerance = z.number().positive().max(0.5);

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
  contact: exactly<SpecOf<'contact'>>()(z.strictObject({ kind: z.literal('contact'), stop: Text })),
  snug: exactly<SpecOf<'snug'>>()(z.strictObject({ kind: z.literal('snug') })),
  missing: exactly<SpecOf<'missing'>>()(
    z.strictObject({
      kind: z.literal('missing'),
      why: z.enum(['notGiven', 'byFeel', 'otherSheet']),
      note: Text.optional(),
    }),
  ),
} satisfies Record<SpecKind, z.ZodType>;

export const TighteningSpecSchema: z.ZodType<TighteningSpec> = z.discriminatedUnion('kind', membersOf(SPEC_SCHEMAS));

const PrintedSpecSchema = exactly<PrintedSpec>()(
  z.strictObject({
    spec: TighteningSpecSchema,
    printed: Text,
    when: ConditionSchema.optional(),
  }),
);

const QuestionSchema = exactly<Question>()(
  z.strictObject({
    id: Id,
    text: Text,
    lookAt: Text.optional(),
    kind: z.enum(['choice', 'number', 'yesNo']),
    choices: z.array(z.strictObject({ value: z.string().min(1), label: Text })).optional(),
    min: z.number().optional(),
    max: z.number().optional(),
    from: z.enum(['modelYear', 'engine', 'drivenWheels', 'body', 'gearbox', 'trim']).optional(),
    fitted: Place.optional(),
  }),
);

const ItemSchema = exactly<Item>()(
  z.strictObject({
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
    locking: z.enum(['nylon', 'allMetal']).optional(),
    leftHand: z.boolean().optional(),
    side: z.enum(['left', 'right']).optional(),
    mark: z.string().trim().min(1).max(40).optional(),
    facing: Text.optional(),
    aliases: Aliases.optional(),
    place: Place.optional(),
    sitsOn: Id.optional(),
    leftover: z
      .array(z.strictObject({ quantity: z.number().int().min(0).max(10_000), when: ConditionSchema.optional() }))
      .optional(),
    tellTale: Text.optional(),
    singleUse: z.boolean().optional(),
    fittedWith: Id.optional(),
    when: ConditionSchema.optional(),
  }),
);

const DriveSizeSchema = exactly<DriveSize>()(
  z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('hex'), acrossFlatsMm: Positive, inch: z.literal(true).optional() }),
    z.strictObject({ kind: z.literal('hexKey'), acrossFlatsMm: Positive }),
    z.strictObject({ kind: z.literal('twelvePoint'), acrossFlatsMm: Positive }),
    z.strictObject({ kind: z.literal('sixLobe'), size: z.string().max(12) }),
    z.strictObject({ kind: z.literal('hand') }),
  ]),
);

const StackPieceSchema = exactly<StackPiece>()(
  z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('hardware'), item: Id, facing: Text.optional() }),
    z.strictObject({
      kind: z.literal('clamped'),
      name: Text,
      thicknessMm: Positive.max(1000),
      material: z.enum(['steel', 'castIron', 'aluminium', 'magnesium', 'plastic', 'rubber']).optional(),
      holeMm: Positive.max(500).optional(),
      slot: z.boolean().optional(),
      tapped: z.strictObject({ depthMm: Positive.max(500), blind: z.boolean().optional() }).optional(),
    }),
  ]),
);

const StationSchema = exactly<Station>()(
  z.strictObject({
    id: Id,
    label: z.string().trim().min(1).max(6),
    name: Text,
    side: Side.optional(),
    place: Place.optional(),
    xMm: z.number(),
    yMm: z.number(),
    stack: z.array(StackPieceSchema).min(1),
    compound: Id.optional(),
    specs: z.array(PrintedSpecSchema).min(1),
    turned: z.enum(['head', 'nut']).optional(),
    tags: z
      .array(z.enum(['safetyCritical', 'changesGeometry', 'rubberBonded', 'frictionFace', 'benchFinal', 'wheel']))
      .optional(),
    aliases: Aliases.optional(),
    drillMm: Positive.max(200).optional(),
    drive: DriveSizeSchema,
    holding: z.strictObject({ drive: DriveSizeSchema, note: Text.optional() }).optional(),
    note: Text.optional(),
    when: ConditionSchema.optional(),
  }),
);

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

const JointGroupSchema = exactly<JointGroup>()(
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
    spot: z.strictObject({ along: z.number().min(0).max(1), across: z.number().min(-1).max(1) }).optional(),
    atRideHeight: z.boolean().optional(),
    after: z.array(Id).optional(),
    when: ConditionSchema.optional(),
  }),
);

const CompoundSchema = exactly<Compound>()(
  z.strictObject({
    id: Id,
    name: Text,
    kind: z.enum(['threadlockerMedium', 'threadlockerHigh', 'antiSeize', 'grease', 'sealant', 'retaining']),
    workingWindowMin: Positive.max(600).optional(),
    fixtureMin: Positive.max(2880).optional(),
    fullCureH: Positive.max(336).optional(),
  }),
);

const CautionSchema = exactly<Caution>()(
  z.strictObject({
    id: Id,
    text: Text,
    group: Id.optional(),
    safetyCritical: z.boolean().optional(),
    when: ConditionSchema.optional(),
  }),
);

const AftercareSchema = exactly<Aftercare>()(
  z.strictObject({
    id: Id,
    text: Text,
    about: z.enum(['wheels', 'joints', 'alignment', 'grease', 'other']).optional(),
    afterKm: Positive.optional(),
    afterDays: Positive.optional(),
    afterHours: Positive.optional(),
    event: Text.optional(),
    repeats: z.boolean().optional(),
    when: ConditionSchema.optional(),
  }),
);

const conditional = { id: Id, when: ConditionSchema.optional() };
const Count = z.number().int().positive().max(1000);

const PrerequisiteSchema = exactly<Prerequisite>()(
  z.strictObject({
    ...conditional,
    text: Text,
    kind: z.enum(['bore', 'tyre', 'companionPart', 'fluid', 'alignmentSlot', 'cooled', 'machining', 'other']),
    unit: z.enum(['mm', '°C', 'L']).optional(),
    min: z.number().optional(),
    max: z.number().optional(),
    daysBefore: z.number().int().min(0).max(90).optional(),
  }),
);

const BaselineSchema = exactly<Baseline>()(
  z.strictObject({
    ...conditional,
    name: Text,
    quantity: z.enum(['rideHeight', 'camber', 'caster', 'toe', 'length', 'gap', 'play']),
    places: z.array(Text).min(1).max(12),
    instrument: Text.optional(),
    photo: z.boolean().optional(),
    change: z.strictObject({ min: z.number(), max: z.number() }).optional(),
  }),
);

const ChoiceSchema = exactly<Choice>()(
  z.strictObject({
    ...conditional,
    text: Text,
    by: z.enum(['owner', 'fitter']),
    options: z.array(z.strictObject({ value: Id, label: Text, consequence: Text })).min(2),
  }),
);

const IrreversibleSchema = exactly<Irreversible>()(
  z.strictObject({
    ...conditional,
    text: Text,
    reversibleWay: Text.optional(),
  }),
);

const TemporarySchema = exactly<Temporary>()(z.strictObject({ ...conditional, name: Text, clearBy: Id }));

const NeighbourSchema = exactly<Neighbour>()(
  z.strictObject({
    ...conditional,
    name: Text,
    spec: PrintedSpecSchema.optional(),
  }),
);

const RemovedThingSchema = exactly<RemovedThing>()(
  z.strictObject({
    ...conditional,
    name: Text,
    count: Count,
    fate: z.enum(['refit', 'transfer', 'keep', 'scrap']),
    note: Text.optional(),
    kind: z.enum(['bolt', 'nut', 'clip', 'part']).optional(),
    thread: z.string().max(40).optional(),
    lengthMm: Positive.max(5000).optional(),
    side: Side.optional(),
    place: Place.optional(),
    singleUse: z.boolean().optional(),
    replacedBy: Id.optional(),
    movesTo: Text.optional(),
    specs: z.array(PrintedSpecSchema).min(1).optional(),
  }),
);

const DisconnectSchema = exactly<Disconnect>()(
  z.strictObject({
    ...conditional,
    name: Text,
    kind: z.enum(['connector', 'hose', 'cable', 'sensor', 'clip', 'line', 'cover', 'plug', 'other']),
    side: Side.optional(),
    place: Place.optional(),
    turns: z.number().positive().max(40).optional(),
  }),
);

const CheckSchema = exactly<Check>()(
  z.strictObject({
    ...conditional,
    text: Text,
    unit: z.enum(['mm', '°', 'N·m', 'kPa', 'V']).optional(),
    min: z.number().optional(),
    max: z.number().optional(),
  }),
);

const KitToolSchema = exactly<KitTool>()(
  z.strictObject({
    ...conditional,
    name: Text,
    drive: DriveSizeSchema.optional(),
    special: z.boolean().optional(),
    note: Text.optional(),
  }),
);

const StepActionSchema = exactly<StepAction>()(
  z.discriminatedUnion('type', [
    z.strictObject({ type: z.literal('remove'), removed: Id }),
    z.strictObject({ type: z.literal('refit'), removed: Id, count: Count.optional() }),
    z.strictObject({ type: z.enum(['disconnect', 'reconnect']), disconnect: Id }),
    z.strictObject({ type: z.literal('fit'), item: Id }),
    z.strictObject({ type: z.enum(['start', 'snug', 'torque', 'verify']), group: Id }),
    z.strictObject({ type: z.literal('apply'), compound: Id }),
    z.strictObject({ type: z.literal('drill'), diameterMm: Positive.max(200), station: Id.optional() }),
    z.strictObject({ type: z.literal('measure'), baseline: Id }),
    z.strictObject({ type: z.literal('check'), check: Id }),
    z.strictObject({ type: z.enum(['lift', 'lower']), end: z.enum(['front', 'rear', 'whole']).optional() }),
    z.strictObject({ type: z.literal('wait'), minutes: Positive.max(20_160) }),
    z.strictObject({ type: z.enum(['loosen', 'retighten']), neighbour: Id }),
    z.strictObject({ type: z.literal('clear'), temporary: Id }),
    z.strictObject({ type: z.literal('decide'), irreversible: Id }),
    z.strictObject({ type: z.literal('followKit'), kit: Id, part: Text.optional() }),
    z.strictObject({ type: z.literal('do'), text: Text }),
  ]),
);

const StepSchema = exactly<Step>()(
  z.strictObject({
    ...conditional,
    number: z.string().trim().min(1).max(12).optional(),
    text: z.string().trim().min(1).max(2000),
    phase: z.enum(['prepare', 'strip', 'fitLoose', 'align', 'torque', 'cure', 'closeOut']),
    actions: z.array(StepActionSchema).max(40),
    minutes: Positive.max(10_000).optional(),
    people: z.number().int().min(1).max(20).optional(),
    needs: z.array(z.enum(['lift', 'stands', 'jack', 'helper', 'rideHeight', 'wheelsOff'])).optional(),
    after: z.array(Id).optional(),
  }),
);

/** The kit file, `wrenchman-kit` version 3. See docs/formats/kit.md. */
export const KitDocumentSchema = exactly<KitDocument>()(
  z.strictObject({
    format: z.literal(KIT_FORMAT),
    version: z.literal(KIT_VERSION),
    id: Id,
    revision: z.number().int().positive(),
    title: Text,
    maker: Text,
    difficulty: Text.optional(),
    scope: z.enum(['wholeKit', 'pair', 'singlePart', 'finish']).optional(),
    statedMinutes: z.number().positive().max(10_000).optional(),
    powerTools: z.enum(['runDownOnly', 'never', 'free']).optional(),
    adds: z.array(Place).max(20).optional(),
    fits: z.array(z.strictObject({ text: Text, when: ConditionSchema })),
    questions: z.array(QuestionSchema),
    items: z.array(ItemSchema),
    compounds: z.array(CompoundSchema),
    stations: z.array(StationSchema),
    groups: z.array(JointGroupSchema),
    cautions: z.array(CautionSchema),
    aftercare: z.array(AftercareSchema),
    prerequisites: z.array(PrerequisiteSchema),
    baselines: z.array(BaselineSchema),
    choices: z.array(ChoiceSchema),
    irreversible: z.array(IrreversibleSchema),
    temporary: z.array(TemporarySchema),
    neighbours: z.array(NeighbourSchema),
    removed: z.array(RemovedThingSchema),
    disconnects: z.array(DisconnectSchema),
    checks: z.array(CheckSchema),
    tools: z.array(KitToolSchema),
    steps: z.array(StepSchema),
  }),
);
