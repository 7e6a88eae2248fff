import { z } from 'zod';
import {
  type Baseline,
  type Bound,
  type Check,
  type Choice,
  type Irreversible,
  type KitTool,
  MISSES,
  type Neighbour,
  type Prerequisite,
  SYMMETRIES,
  type Temporary,
} from '#core/kit/kit-preparation.ts';
import { PHASES } from '#core/kit/phase.ts';
import { MEASURED } from '#core/quantity/doubtful-measure.ts';
import { exactly } from '../exactly.ts';
import { Count, conditional, Id, Positive, Text } from './field.ts';
import { DriveSizeSchema } from './hardware.ts';
import { PrintedSpecSchema } from './spec.ts';

const Places = z.array(z.string().trim().min(1).max(120)).min(1).max(40);

export const PrerequisiteSchema = exactly<Prerequisite>()(
  z.strictObject({
    ...conditional,
    text: Text,
    kind: z.enum(['bore', 'tyre', 'companionPart', 'fluid', 'alignmentSlot', 'cooled', 'machining', 'other']),
    unit: z.enum(['mm', 'in', '°C', 'L']).optional(),
    min: z.number().optional(),
    max: z.number().optional(),
    places: Places.optional(),
    daysBefore: z.number().int().min(0).max(90).optional(),
  }),
);

export const BaselineSchema = exactly<Baseline>()(
  z.strictObject({
    ...conditional,
    name: Text,
    quantity: z.enum(['rideHeight', 'camber', 'caster', 'toe', 'length', 'gap', 'play']),
    places: z.array(Text).min(1).max(12),
    instrument: Text.optional(),
    photo: z.boolean().optional(),
    change: z.strictObject({ min: z.number(), max: z.number() }).optional(),
    after: z.strictObject({ min: z.number().optional(), max: z.number().optional() }).optional(),
    sides: Positive.optional(),
    miss: z.enum(MISSES).optional(),
  }),
);

export const ChoiceSchema = exactly<Choice>()(
  z.strictObject({
    ...conditional,
    text: Text,
    by: z.enum(['owner', 'fitter']),
    options: z.array(z.strictObject({ value: Id, label: Text, consequence: Text })).min(2),
  }),
);

export const IrreversibleSchema = exactly<Irreversible>()(
  z.strictObject({
    ...conditional,
    text: Text,
    reversibleWay: Text.optional(),
  }),
);

const BoundSchema = exactly<Bound>()(
  z.union([
    z.strictObject({ step: Id }),
    z.strictObject({ group: Id }),
    z.strictObject({ phase: z.enum(PHASES) }),
    z.strictObject({ close: z.literal(true) }),
  ]),
);

export const TemporarySchema = exactly<Temporary>()(
  z.strictObject({ ...conditional, name: Text, goneBefore: BoundSchema, keptUntil: BoundSchema.optional() }),
);

export const NeighbourSchema = exactly<Neighbour>()(
  z.strictObject({
    ...conditional,
    name: Text,
    count: Count.optional(),
    spec: PrintedSpecSchema.optional(),
  }),
);

export const CheckSchema = exactly<Check>()(
  z.strictObject({
    ...conditional,
    text: Text,
    quantity: z.enum(MEASURED).optional(),
    unit: z.enum(['mm', 'in', '°', 'N·m', 'kPa', 'V', '°C', 'km']).optional(),
    min: z.number().optional(),
    max: z.number().optional(),
    target: z.number().optional(),
    tolerance: Positive.optional(),
    symmetry: z.enum(SYMMETRIES).optional(),
    sides: Positive.optional(),
    travel: z.strictObject({ from: Text, to: Text }).optional(),
    photo: z.literal(true).optional(),
    remarks: Text.optional(),
    holds: z.enum(PHASES).optional(),
    miss: z.enum(MISSES).optional(),
    usually: Text.optional(),
    places: Places.optional(),
    spread: Positive.optional(),
    instrument: Text.optional(),
    failsTo: Id.optional(),
    gates: z.array(Id).min(1).optional(),
  }),
);

export const KitToolSchema = exactly<KitTool>()(
  z.strictObject({
    ...conditional,
    name: Text,
    drive: DriveSizeSchema.optional(),
    special: z.boolean().optional(),
    note: Text.optional(),
    use: Text.optional(),
    misuse: Text.optional(),
  }),
);
