import { z } from 'zod';
import type { DriveSize } from '#core/fastener/drive.ts';
import type { Item, Question, StackPiece, Station } from '#core/kit/kit-document.ts';
import { ALL_FORMS, BESIDE, HEAD_SHAPES, ITEM_KINDS, type PartOutline, type PieceForm } from '#core/kit/piece-kind.ts';
import { ConditionSchema } from '../condition.ts';
import { exactly } from '../exactly.ts';
import { Aliases, Id, Place, Positive, Side, Text } from './field.ts';
import { PrintedSpecSchema } from './spec.ts';

export const QuestionSchema = exactly<Question>()(
  z.strictObject({
    id: Id,
    text: Text,
    lookAt: Text.optional(),
    spacer: z
      .strictObject({
        thread: Text,
        studMm: Positive.max(300),
        wheelMm: z.number().min(0).max(200),
        closedNutMm: Positive.max(100).optional(),
      })
      .optional(),
    kind: z.enum(['choice', 'number', 'yesNo']),
    choices: z.array(z.strictObject({ value: z.string().min(1), label: Text })).optional(),
    min: z.number().optional(),
    max: z.number().optional(),
    from: z.enum(['modelYear', 'buildMonth', 'engine', 'drivenWheels', 'body', 'gearbox', 'trim']).optional(),
    fitted: Place.optional(),
    askedAt: Id.optional(),
    places: z.array(z.string().trim().min(1).max(120)).min(1).max(40).optional(),
    bought: z.enum(['side', 'part']).optional(),
  }),
);

/** Most corners and holes of an outline; a scan of a part has more than a fitter can tell apart. */
const MOST_CORNERS = 400;
const OutlinePoint = z.number().min(-5000).max(5000);

const PartOutlineSchema = exactly<PartOutline>()(
  z.strictObject({
    points: z
      .array(z.tuple([OutlinePoint, OutlinePoint]))
      .min(3)
      .max(MOST_CORNERS),
    holes: z
      .array(z.strictObject({ xMm: OutlinePoint, yMm: OutlinePoint, acrossMm: Positive.max(2000) }))
      .max(MOST_CORNERS)
      .optional(),
  }),
);

/** What of a fastener decides whether it may stand in for another. */
export const fastenerFields = {
  kind: z.enum(ITEM_KINDS),
  form: z.enum(ALL_FORMS as [PieceForm, ...PieceForm[]]).optional(),
  name: Text,
  thread: z.string().max(40).optional(),
  lengthMm: Positive.max(5000).optional(),
  head: z.enum(HEAD_SHAPES).optional(),
  acrossFlatsMm: Positive.max(120).optional(),
  propertyClass: z.string().max(20).optional(),
  finish: z.string().max(60).optional(),
  outsideMm: Positive.max(2000).optional(),
  insideMm: Positive.max(2000).optional(),
  thicknessMm: Positive.max(500).optional(),
  locking: z.enum(['nylon', 'allMetal']).optional(),
  leftHand: z.boolean().optional(),
};

export const ItemSchema = exactly<Item>()(
  z.strictObject({
    id: Id,
    line: z.string().trim().min(1).max(12),
    bag: z.string().trim().min(1).max(80),
    ...fastenerFields,
    outline: PartOutlineSchema.optional(),
    quantity: z.number().int().positive().max(10_000),
    quantities: z
      .array(z.strictObject({ quantity: z.number().int().min(0).max(10_000), when: ConditionSchema.optional() }))
      .min(1)
      .optional(),
    source: z.enum(['kit', 'factory', 'shop']),
    side: z.enum(['left', 'right']).optional(),
    mark: z.string().trim().min(1).max(40).optional(),
    facing: Text.optional(),
    facings: z
      .array(z.strictObject({ facing: Text, when: ConditionSchema.optional() }))
      .min(1)
      .optional(),
    beside: z
      .array(
        z.strictObject({
          what: z.enum(BESIDE),
          min: z.number().min(-2000).max(2000).optional(),
          max: z.number().min(-2000).max(2000).optional(),
        }),
      )
      .min(1)
      .max(BESIDE.length)
      .optional(),
    codes: z
      .array(z.strictObject({ code: z.string().trim().min(1).max(60), pieces: z.number().int().min(1).max(10_000) }))
      .min(1)
      .max(20)
      .optional(),
    serial: z.boolean().optional(),
    treatment: Text.optional(),
    insert: Text.optional(),
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

export const DriveSizeSchema = exactly<DriveSize>()(
  z.discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('hex'), acrossFlatsMm: Positive, inch: z.literal(true).optional() }),
    z.strictObject({ kind: z.literal('hexKey'), acrossFlatsMm: Positive, inch: z.literal(true).optional() }),
    z.strictObject({ kind: z.literal('twelvePoint'), acrossFlatsMm: Positive }),
    z.strictObject({ kind: z.literal('sixLobe'), size: z.string().max(12) }),
    z.strictObject({ kind: z.literal('hand') }),
    z.strictObject({ kind: z.literal('unknown') }),
  ]),
);

const StackPieceSchema = exactly<StackPiece>()(
  z.discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('hardware'),
      item: Id,
      facing: Text.optional(),
      when: ConditionSchema.optional(),
    }),
    z.strictObject({
      kind: z.literal('clamped'),
      name: Text,
      thicknessMm: Positive.max(1000),
      material: z.enum(['steel', 'castIron', 'aluminium', 'magnesium', 'plastic', 'rubber']).optional(),
      holeMm: Positive.max(500).optional(),
      slot: z.boolean().optional(),
      tapped: z.strictObject({ depthMm: Positive.max(500), blind: z.boolean().optional() }).optional(),
      when: ConditionSchema.optional(),
    }),
  ]),
);

export const StationSchema = exactly<Station>()(
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
    rounds: z.number().int().min(1).max(5).optional(),
    drillMm: Positive.max(200).optional(),
    drive: DriveSizeSchema,
    holding: z.strictObject({ drive: DriveSizeSchema, note: Text.optional() }).optional(),
    note: Text.optional(),
    when: ConditionSchema.optional(),
  }),
);
