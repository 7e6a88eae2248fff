import { z } from 'zod';
import type { JobEvent } from '#core/job/acts.ts';
import type { JobProgress } from '#core/job/job-progress.ts';
import type { Refusal } from '#core/job/refusal.ts';
import type { AnswerValue } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { PassRule } from '#core/tightening/pass-plan.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { Ref } from './act/fields.ts';
import { JobCommandSchema } from './acts.ts';
import { AnswersSchema } from './condition.ts';

/** One command as a device sends it. The person is checked against who was signed in on that device. */
const CommandInputSchema = z.strictObject({
  id: z.uuid(),
  atMs: z.number().int().positive(),
  by: Ref,
  command: JobCommandSchema,
});
export type CommandInput = z.infer<typeof CommandInputSchema>;

/** Where in a command something is not as it must be. */
export interface InputFault {
  path: string;
  message: string;
}

/** A command as it arrived: read, or with why it could not be. One that cannot be read takes no other with it. */
export type SentCommand = CommandInput | { id: string; unreadable: InputFault[] };

const readCommand = (raw: { id: string }): SentCommand => {
  const read = CommandInputSchema.safeParse(raw);
  return read.success ? read.data : { id: raw.id, unreadable: inputFaults(read.error) };
};

/** Faults of an input, each with its path. */
export const inputFaults = (error: z.ZodError): InputFault[] =>
  error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message }));

/** Commands in the order they were given; each is read and decided by itself and each gets its own answer. */
export const CommandBatchSchema = z.strictObject({
  commands: z
    .array(z.looseObject({ id: z.string().min(1).max(64) }).transform(readCommand))
    .min(1)
    .max(200),
});

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
