import { z } from 'zod';
import type { JobCommand } from '#core/job/job-command.ts';
import type { JobEvent } from '#core/job/job-event.ts';
import type { JobProgress } from '#core/job/job-progress.ts';
import type { Refusal } from '#core/job/refusal.ts';
import type { Person, Role } from '#core/job/role.ts';
import type { AnswerValue } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { PullVerdict } from '#core/tightening/judge-pull.ts';
import type { PassRule } from '#core/tightening/pass-plan.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { AnswersSchema, AnswerValueSchema } from './condition.ts';
import { VISIT_COMMAND_SCHEMAS, VISIT_FACT_SCHEMAS } from './visit.ts';

/** Ids of a visit's second kit carry its prefix: two ids of a kit and a stroke. */
const Ref = z.string().min(1).max(200);
const Reason = z.string().max(500);
/** Only an address inside the application: it becomes a link in the record. */
const calculationUsed = {
  station: Ref.optional(),
  tool: Ref,
  summary: z.string().min(1).max(500),
  link: z.string().max(1000).startsWith('/bench/'),
  reason: Reason,
};
const LoadStateSchema = z.enum(['hanging', 'rideHeight', 'onWheels']);
const TorqueUnitSchema = z.enum(['N·m', 'lbf·ft', 'lbf·in', 'kgf·m', 'kgf·cm']);
/** Numbers that only `decide` may judge: any finite one gets as far as a refusal with a reason. */
const Figure = z.number();

export const JobCommandSchema: z.ZodType<JobCommand> = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('changeAnswer'),
    question: Ref,
    value: AnswerValueSchema,
    seen: AnswerValueSchema.nullable().optional(),
  }),
  z.strictObject({ type: z.literal('countLine'), item: Ref, found: Figure, damaged: Figure }),
  z.strictObject({ type: z.literal('useShopStock'), item: Ref, quantity: Figure, reason: Reason }),
  z.strictObject({ type: z.literal('scrapPiece'), item: Ref, quantity: Figure, reason: Reason }),
  z.strictObject({ type: z.literal('declareSpare'), item: Ref, quantity: Figure }),
  z.strictObject({ type: z.literal('startByHand'), station: Ref }),
  z.strictObject({ type: z.literal('applyCompound'), station: Ref, cleaned: z.boolean() }),
  z.strictObject({ type: z.literal('snug'), station: Ref, tool: z.enum(['hand', 'power']) }),
  z.strictObject({
    type: z.literal('pull'),
    station: Ref,
    torqueNm: Figure,
    angleDeg: Figure.optional(),
    wrench: Ref,
    source: z.enum(['typed', 'live']),
    entered: z.strictObject({ value: Figure, unit: TorqueUnitSchema }).optional(),
    movementDeg: Figure.optional(),
    confirmed: z.boolean().optional(),
    pinFits: z.boolean().optional(),
    seatedAndBackedOff: z.boolean().optional(),
  }),
  z.strictObject({ type: z.literal('confirmStop'), station: Ref, reason: Reason.optional() }),
  z.strictObject({ type: z.literal('loosen'), station: Ref, to: z.enum(['started', 'out']), reason: Reason }),
  z.strictObject({ type: z.literal('setLoadState'), state: LoadStateSchema, measuredMm: Figure.optional() }),
  z.strictObject({ type: z.literal('correctPull'), station: Ref, pull: Ref, torqueNm: Figure, reason: Reason }),
  z.strictObject({ type: z.literal('raiseProblem'), station: Ref.optional(), text: Reason }),
  z.strictObject({ type: z.literal('clearProblem'), problem: Ref, how: Reason }),
  z.strictObject({ type: z.literal('useCalculation'), ...calculationUsed }),
  z.strictObject({ type: z.literal('override'), refusal: Ref, station: Ref, reason: Reason }),
  z.strictObject({ type: z.literal('undo') }),
  z.strictObject({ type: z.literal('close'), signature: z.string().max(120), note: z.string().max(2000).optional() }),
  ...VISIT_COMMAND_SCHEMAS,
]);

export const RoleSchema: z.ZodType<Role> = z.enum(['fitter', 'lead', 'counter', 'apprentice']);
export const PersonSchema: z.ZodType<Person> = z.strictObject({ id: Ref, name: z.string(), role: RoleSchema });

const stamped = { commandId: Ref, atMs: z.number(), by: PersonSchema };
const Count = z.strictObject({ found: z.number(), damaged: z.number() });
const VerdictSchema: z.ZodType<PullVerdict> = z.enum(['accepted', 'under', 'over', 'overMaximum', 'noMovement']);

export const JobEventSchema: z.ZodType<JobEvent> = z.discriminatedUnion('type', [
  z.strictObject({
    ...stamped,
    type: z.literal('answerChanged'),
    question: Ref,
    from: AnswerValueSchema.optional(),
    to: AnswerValueSchema,
  }),
  z.strictObject({
    ...stamped,
    type: z.literal('lineCounted'),
    item: Ref,
    found: z.number(),
    damaged: z.number(),
    previous: Count.optional(),
  }),
  z.strictObject({ ...stamped, type: z.literal('countUndone'), item: Ref, previous: Count.optional() }),
  z.strictObject({ ...stamped, type: z.literal('shopStockUsed'), item: Ref, quantity: z.number(), reason: Reason }),
  z.strictObject({ ...stamped, type: z.literal('pieceScrapped'), item: Ref, quantity: z.number(), reason: Reason }),
  z.strictObject({ ...stamped, type: z.literal('spareDeclared'), item: Ref, quantity: z.number() }),
  z.strictObject({ ...stamped, type: z.literal('stationStarted'), station: Ref }),
  z.strictObject({ ...stamped, type: z.literal('startUndone'), station: Ref }),
  z.strictObject({ ...stamped, type: z.literal('compoundApplied'), station: Ref, compound: Ref, cleaned: z.boolean() }),
  z.strictObject({ ...stamped, type: z.literal('stationSnugged'), station: Ref, tool: z.enum(['hand', 'power']) }),
  z.strictObject({
    ...stamped,
    type: z.literal('pullRecorded'),
    station: Ref,
    pass: z.number().int().min(0),
    torqueNm: z.number(),
    angleDeg: z.number().optional(),
    movementDeg: z.number().optional(),
    wrench: z.strictObject({ id: Ref, label: z.string(), calibrationDueOn: z.string() }),
    source: z.enum(['typed', 'live']),
    entered: z.strictObject({ value: z.number(), unit: TorqueUnitSchema }).optional(),
    verdict: VerdictSchema,
    targetNm: z.number(),
    minNm: z.number(),
    maxNm: z.number().optional(),
    pinFits: z.boolean().optional(),
    seatedAndBackedOff: z.boolean().optional(),
  }),
  z.strictObject({ ...stamped, type: z.literal('pullWithdrawn'), station: Ref, pull: Ref }),
  z.strictObject({ ...stamped, type: z.literal('stopConfirmed'), station: Ref, reason: Reason.optional() }),
  z.strictObject({
    ...stamped,
    type: z.literal('stationLoosened'),
    station: Ref,
    to: z.enum(['started', 'out']),
    reason: Reason,
    spent: z.array(Ref),
  }),
  z.strictObject({
    ...stamped,
    type: z.literal('loadStateSet'),
    state: LoadStateSchema,
    measuredMm: z.number().optional(),
  }),
  z.strictObject({
    ...stamped,
    type: z.literal('pullCorrected'),
    station: Ref,
    pull: Ref,
    from: z.number(),
    to: z.number(),
    verdict: VerdictSchema,
    reason: Reason,
  }),
  z.strictObject({ ...stamped, type: z.literal('problemRaised'), problem: Ref, station: Ref.optional(), text: Reason }),
  z.strictObject({ ...stamped, type: z.literal('problemCleared'), problem: Ref, how: Reason }),
  z.strictObject({ ...stamped, type: z.literal('calculationUsed'), ...calculationUsed }),
  z.strictObject({ ...stamped, type: z.literal('overrideGranted'), refusal: Ref, station: Ref, reason: Reason }),
  z.strictObject({ ...stamped, type: z.literal('jobClosed'), signature: z.string(), note: z.string().optional() }),
  ...VISIT_FACT_SCHEMAS.map((schema) => schema.extend(stamped)),
]);

/** One command as a device sends it. The person is checked against who was signed in on that device. */
export const CommandInputSchema = z.strictObject({
  id: z.uuid(),
  atMs: z.number().int().positive(),
  by: Ref,
  command: JobCommandSchema,
});
export type CommandInput = z.infer<typeof CommandInputSchema>;

/** Commands in the order they were given; each is decided by itself and each gets its own answer. */
export const CommandBatchSchema = z.strictObject({ commands: z.array(CommandInputSchema).min(1).max(200) });

/** An event as it is stored: numbered and chained to the one before. */
export interface StoredEvent {
  seq: number;
  hash: string;
  event: JobEvent;
}

export type CommandResult = { id: string; ok: true; repeated: boolean } | { id: string; ok: false; refusal: Refusal };

export interface CommandBatchAnswer {
  results: CommandResult[];
  /** Events the batch added. */
  events: StoredEvent[];
  seq: number;
}

export const OpenJobSchema = z.strictObject({
  vehicle: Ref,
  /** Kits of the visit, in order; answers stand under scoped ids. */
  kits: z.array(Ref).min(1).max(12),
  answers: AnswersSchema,
  bay: z.number().int().min(1).max(99),
  plannedStartMs: z.number().int().positive(),
  odometerKm: z.number().min(0).max(5_000_000).optional(),
});
export type OpenJob = z.infer<typeof OpenJobSchema>;

/** A kit that comes into a visit under way; answers by the kit's own question ids. */
export const AddKitSchema = z.strictObject({ id: z.uuid(), kit: Ref, answers: AnswersSchema });
export type AddKit = z.infer<typeof AddKitSchema>;

/** A kit as a job pins it. */
export interface JobKit {
  document: KitDocument;
  prefix: string;
  /** Withdrawn by a lead since: the job goes on only with open eyes. */
  withdrawn?: { atMs: number; because: string };
}

/** A job in a list. */
export interface JobCard {
  id: string;
  number: string;
  bay: number;
  plannedStartMs: number;
  estimatedMinutes: number;
  kitTitle: string;
  vehicle: { make: string; model: string; plate: string };
  progress: JobProgress;
  closedAtMs?: number;
}

/** Everything a device needs to work a job, also without the network. */
export interface JobDocument {
  id: string;
  number: string;
  bay: number;
  plannedStartMs: number;
  odometerKm?: number;
  vehicle: Vehicle;
  /** Every kit that is or was in the visit. */
  kits: JobKit[];
  /** Prefixes of those it was opened with. */
  openedWith: string[];
  answers: Record<string, AnswerValue>;
  shop: PassRule & { name: string };
  wrenches: Wrench[];
  events: StoredEvent[];
}
