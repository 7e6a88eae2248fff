import { z } from 'zod';
import type { DebtEnd, DebtKind, Figure, FigureSource } from '#core/job/visit-command.ts';
import { specFromPrinted } from '#core/kit/spec-from-printed.ts';
import type { Settlement } from '#core/visit/conflict.ts';
import { AnswersSchema } from './condition.ts';
import { TighteningSpecSchema } from './kit.ts';

const Ref = z.string().min(1).max(200);
/** Things that several kits share are named by what they are, and names may be long. */
const Key = z.string().min(1).max(600);
const Reason = z.string().max(500);
const Name = z.string().max(200);
/** Numbers that only `decide` may judge: any finite one gets as far as a refusal with a reason. */
const Value = z.number();

const EndSchema: z.ZodType<DebtEnd> = z.enum(['refit', 'transfer', 'keep', 'scrap', 'cleared']);
const KindSchema: z.ZodType<DebtKind> = z.enum(['removed', 'disconnect', 'neighbour', 'temporary', 'other']);
const SourceSchema: z.ZodType<FigureSource> = z.enum(['kitSheet', 'vehicleMaker', 'otherKit', 'estimate', 'byFeel']);
const Chocks = z.enum(['front', 'rear', 'none']);

const storedFigure = { spec: TighteningSpecSchema, printed: z.string().min(1).max(200) };
/** A typed torque must be what its own words say, whichever device read them. */
const FigureSchema: z.ZodType<Figure> = z.strictObject(storedFigure).refine(({ spec, printed }) => {
  const read = specFromPrinted(printed);
  return read.ok && JSON.stringify(read.value) === JSON.stringify(spec);
}, 'the figure is not what its words say');

const SettlementSchema: z.ZodType<Settlement> = z.strictObject({
  choice: Ref,
  figure: z.strictObject(storedFigure).optional(),
  question: Ref.optional(),
});

/** Fields a command and the fact it becomes have in common. */
const prerequisite = {
  prerequisite: Ref,
  met: z.boolean(),
  value: Value.optional(),
  note: Reason.optional(),
};
const measurement = {
  baseline: Ref,
  place: Name,
  when: z.enum(['before', 'after']),
  value: Value,
  photo: Ref.optional(),
};
const addedDebt = {
  name: Name,
  kind: KindSchema,
  count: Value,
  end: EndSchema,
  note: Reason.optional(),
};
const debtEnd = {
  count: Value,
  end: EndSchema,
  note: Reason.optional(),
  newPieces: z.boolean().optional(),
};

/** Commands about the visit as a whole. */
export const VISIT_COMMAND_SCHEMAS = [
  z.strictObject({
    type: z.literal('answerPrerequisite'),
    ...prerequisite,
  }),
  z.strictObject({
    type: z.literal('measure'),
    ...measurement,
  }),
  z.strictObject({ type: z.literal('makeChoice'), choice: Ref, option: Ref, chosenBy: Name }),
  z.strictObject({
    type: z.literal('doStep'),
    step: Ref,
    helper: Name.optional(),
    chocks: Chocks.optional(),
    newPieces: z.boolean().optional(),
  }),
  z.strictObject({ type: z.literal('openDebt'), debt: Ref }),
  z.strictObject({
    type: z.literal('addDebt'),
    ...addedDebt,
  }),
  z.strictObject({
    type: z.literal('closeDebt'),
    debt: Ref,
    ...debtEnd,
  }),
  z.strictObject({ type: z.literal('arrangeRefit'), order: z.array(Ref).max(2000) }),
  z.strictObject({
    type: z.literal('giveFigure'),
    target: Ref,
    figure: FigureSchema.optional(),
    source: SourceSchema,
    note: Reason,
  }),
  z.strictObject({
    type: z.literal('settleConflict'),
    conflict: Key,
    choice: Ref,
    figure: FigureSchema.optional(),
    reason: Reason,
  }),
  z.strictObject({ type: z.literal('splitShared'), key: Key, reason: Reason }),
  z.strictObject({
    type: z.literal('addKit'),
    prefix: Ref,
    kit: Ref,
    revision: z.number().int().positive(),
    answers: AnswersSchema,
  }),
  z.strictObject({ type: z.literal('dropKit'), prefix: z.string().max(200), reason: Reason }),
  z.strictObject({ type: z.literal('overrideStep'), refusal: Ref, step: Ref, reason: Reason }),
] as const;

/** Facts about the visit as a whole, as they are stored. */
export const VISIT_FACT_SCHEMAS = [
  z.strictObject({
    type: z.literal('prerequisiteAnswered'),
    ...prerequisite,
  }),
  z.strictObject({
    type: z.literal('measured'),
    ...measurement,
  }),
  z.strictObject({ type: z.literal('choiceMade'), choice: Ref, option: Ref, chosenBy: Name }),
  z.strictObject({
    type: z.literal('stepDone'),
    step: Ref,
    covers: z.array(Ref),
    helper: Name.optional(),
    chocks: z.string().optional(),
  }),
  z.strictObject({
    type: z.literal('stepUndone'),
    step: Ref,
    covers: z.array(Ref),
    reopened: z.array(Ref),
    closedAgain: z.array(Ref),
  }),
  z.strictObject({ type: z.literal('debtOpened'), debts: z.array(Ref) }),
  z.strictObject({
    type: z.literal('debtAdded'),
    debt: Ref,
    ...addedDebt,
  }),
  z.strictObject({
    type: z.literal('debtClosed'),
    debts: z.array(Ref),
    ...debtEnd,
  }),
  z.strictObject({ type: z.literal('refitArranged'), order: z.array(Ref) }),
  z.strictObject({
    type: z.literal('figureGiven'),
    target: Ref,
    source: SourceSchema,
    note: Reason,
    figure: z.strictObject(storedFigure).optional(),
  }),
  z.strictObject({ type: z.literal('conflictSettled'), conflict: Key, settlement: SettlementSchema, reason: Reason }),
  z.strictObject({ type: z.literal('sharedSplit'), key: Key, reason: Reason }),
  z.strictObject({
    type: z.literal('kitAdded'),
    prefix: Ref,
    kit: Ref,
    revision: z.number().int(),
    answers: AnswersSchema,
  }),
  z.strictObject({ type: z.literal('kitDropped'), prefix: z.string(), reason: Reason }),
  z.strictObject({ type: z.literal('stepOverrideGranted'), refusal: Ref, step: Ref, reason: Reason }),
] as const;
