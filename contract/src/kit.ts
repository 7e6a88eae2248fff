import { z } from 'zod';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { KIT_FORMAT, KIT_VERSION, LONGEST_JOB_MINUTES } from '#core/kit/kit-document.ts';
import { ConditionSchema } from './condition.ts';
import { exactly } from './exactly.ts';
import { Id, Place, Text } from './kit/field.ts';
import { KitFigureSchema } from './kit/figure.ts';
import { AftercareSchema, CautionSchema, CompoundSchema, JointGroupSchema } from './kit/group.ts';
import { ItemSchema, QuestionSchema, StationSchema } from './kit/hardware.ts';
import { KitLoadsSchema } from './kit/loads.ts';
import {
  BaselineSchema,
  CheckSchema,
  ChoiceSchema,
  IrreversibleSchema,
  KitToolSchema,
  NeighbourSchema,
  PrerequisiteSchema,
  TemporarySchema,
} from './kit/preparation.ts';
import { DisconnectSchema, RemovedThingSchema, StepSchema } from './kit/step.ts';

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
    again: z.strictObject({ job: z.uuid(), number: Text, care: Text.optional() }).optional(),
    scope: z.enum(['wholeKit', 'pair', 'singlePart', 'finish']).optional(),
    statedMinutes: z.number().positive().max(LONGEST_JOB_MINUTES).optional(),
    powerTools: z.enum(['runDownOnly', 'never', 'free']).optional(),
    runDownShare: z.number().gt(0).max(1).optional(),
    oneSideAtATime: z.boolean().optional(),
    adds: z.array(Place).max(20).optional(),
    loads: KitLoadsSchema.optional(),
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
    figures: z.array(KitFigureSchema).max(200).optional(),
    steps: z.array(StepSchema),
  }),
);
