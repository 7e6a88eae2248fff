import { z } from 'zod';
import type { ShelfBottle } from '#core/compound/shelf-bottle.ts';
import type { JobEvent } from '#core/job/acts.ts';
import type { DeviceClock } from '#core/job/command-time.ts';
import type { JobProgress } from '#core/job/job-progress.ts';
import type { Refusal } from '#core/job/refusal.ts';
import type { AnswerValue } from '#core/kit/condition.ts';
import { HELD_UP_BY } from '#core/kit/held-up-by.ts';
import type { HouseRules } from '#core/kit/house-rules.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { Ref } from './act/fields.ts';
import { JobCommandSchema } from './acts.ts';
import { AnswersSchema } from './condition.ts';
import { exactly } from './exactly.ts';
import { SignatureSchema } from './session.ts';

/** The last instant a date can be, ms. @see ECMA-262, 21.4.1.1 */
const LATEST_MS = 8.64e15;

const ClockSchema = exactly<DeviceClock>()(
  z.strictObject({ deviceMs: z.number().int().min(0).max(LATEST_MS), offsetMs: z.number().int() }),
);

/** What is said of a command, signed or not. */
const said = {
  id: z.uuid(),
  /** The device's best estimate of when, in the server's time. */
  atMs: z.number().int().positive().max(LATEST_MS),
  by: Ref,
  clock: ClockSchema.optional(),
  command: JobCommandSchema,
};

/**
 * What shows that a person gave one command with their PIN or passkey: made by the key that their PIN unlocks on that
 * device, by the passkey over the command's text, or by leave the server gave for it.
 */
const ProofSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('pin'), signature: SignatureSchema }),
  z.strictObject({ kind: z.literal('passkey'), response: z.looseObject({ id: z.string().max(400) }) }),
  z.strictObject({ kind: z.literal('leave'), leave: z.string().max(400) }),
]);
export type Proof = z.infer<typeof ProofSchema>;

/** A command without a signature: it can only be from the person whose session it comes in. */
const PlainCommandSchema = z.strictObject({ ...said, proof: ProofSchema.optional() });
/** The text that a device signs: what is said, and of which job. */
const CommandTextSchema = z.strictObject({ job: z.uuid(), ...said });
/** A command as it was signed: to the letter, because the signature is over these letters. */
const SignedCommandSchema = z.strictObject({
  id: z.uuid(),
  text: z.string().max(100_000),
  key: z.uuid(),
  signature: SignatureSchema,
  proof: ProofSchema.optional(),
});

export type CommandInput = z.infer<typeof PlainCommandSchema>;
/** A command with the text it was signed as. */
export type SignedCommand = z.infer<typeof SignedCommandSchema>;

/** Where in a command something is not as it must be. */
export interface InputFault {
  path: string;
  message: string;
}

/** A command as it arrived: read, or with why it could not be. One that cannot be read takes no other with it. */
export type SentCommand =
  | (CommandInput & { job?: string; signed?: Omit<SignedCommand, 'proof'> })
  | { id: string; unreadable: InputFault[] };

function readCommand(raw: { id: string }): SentCommand {
  if (!('text' in raw)) {
    const read = PlainCommandSchema.safeParse(raw);
    return read.success ? read.data : { id: raw.id, unreadable: inputFaults(read.error) };
  }
  const envelope = SignedCommandSchema.safeParse(raw);
  if (!envelope.success) return { id: raw.id, unreadable: inputFaults(envelope.error) };
  const { proof, ...signed } = envelope.data;
  const text = z
    .string()
    .transform((json, context) => {
      try {
        return JSON.parse(json) as unknown;
      } catch {
        context.addIssue('is not JSON');
        return z.NEVER;
      }
    })
    .pipe(CommandTextSchema)
    .safeParse(signed.text);
  if (!text.success) return { id: raw.id, unreadable: inputFaults(text.error) };
  if (text.data.id !== raw.id) return { id: raw.id, unreadable: [{ path: 'id', message: 'is not the signed one' }] };
  return { ...text.data, signed, proof };
}

/** Faults of an input, each with its path. */
export const inputFaults = (error: z.ZodError): InputFault[] =>
  error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message }));

/** Commands in the order they were given; each is read and decided by itself and each gets its own answer. */
export const CommandBatchSchema = z.strictObject({
  commands: z
    .array(z.looseObject({ id: z.string().min(1).max(64) }).transform(readCommand))
    .min(1)
    .max(200),
  /** What the device's clock shows as it sends, Unix ms: its drift since is seen by it. */
  sentMs: z.number().int().positive().max(LATEST_MS).optional(),
  /** How many commands of any job wait on the device beside these. */
  left: z.number().int().min(0).max(1_000_000).optional(),
});
export type CommandBatch = z.output<typeof CommandBatchSchema>;

/** Devices say of a job what waits on them for it. */
export const JobDeviceSchema = z.strictObject({ waiting: z.number().int().min(0).max(1_000_000), away: z.boolean() });
export type JobDeviceInput = z.infer<typeof JobDeviceSchema>;

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

/** Nobody plans a visit outside this century: what lies beyond is a slip, and no calendar shows it. */
const EARLIEST_PLAN_MS = Date.UTC(2000, 0, 1);
const LATEST_PLAN_MS = Date.UTC(2100, 0, 1);

/** Where the vehicle stands while it is worked on. */
export const JOB_PLACES = ['bay', 'yard', 'customer'] as const;
export type JobPlace = (typeof JOB_PLACES)[number];

const PlannedMs = z.number().int().min(EARLIEST_PLAN_MS).max(LATEST_PLAN_MS);
const slot = {
  place: z.enum(JOB_PLACES).optional(),
  /** Ids of those who are to work on it. */
  fitters: z.array(Ref).max(12).optional(),
  /** When the owner was told it is ready, ms. */
  promisedMs: PlannedMs.optional(),
};
/** What of a slot is not its bay and its start. */
export const JobSlotSchema = z.strictObject(slot);
export type JobSlot = z.infer<typeof JobSlotSchema>;

/** A job moved to another time, bay, place, or to other hands: nothing that was done is lost by it. */
export const MoveJobSchema = z.strictObject({
  bay: z.number().int().min(1).max(99),
  plannedStartMs: PlannedMs,
  ...slot,
});
export type MoveJob = z.infer<typeof MoveJobSchema>;

/** Why a vehicle that was planned does not come. */
export const CALLED_OFF = ['cancelled', 'noShow'] as const;
export const CallOffSchema = z.strictObject({
  as: z.enum(CALLED_OFF),
  note: z.string().trim().min(1).max(300).optional(),
});
export type CallOff = z.infer<typeof CallOffSchema>;
/** A job whose vehicle does not come: its bay and its people are free, and it can be put back. */
export interface CalledOff extends CallOff {
  by: string;
  atMs: number;
}

export const OpenJobSchema = z.strictObject({
  vehicle: Ref,
  /** Kits of the visit, in order, each with its side where one is fitted on both; answers stand under scoped ids. */
  kits: z
    .array(z.union([Ref, z.strictObject({ kit: Ref, side: z.enum(['left', 'right']) })]))
    .min(1)
    .max(12),
  answers: AnswersSchema,
  bay: z.number().int().min(1).max(99),
  plannedStartMs: PlannedMs,
  ...slot,
  odometerKm: z.number().min(0).max(5_000_000).optional(),
  /** How the vehicle will be held up; left out, the line asks at the first lift. */
  heldUpBy: z.enum(HELD_UP_BY).optional(),
});
export type OpenJob = z.infer<typeof OpenJobSchema>;

/** A kit that comes into a visit under way; answers by the kit's own question ids. */
export const AddKitSchema = z.strictObject({ id: z.uuid(), kit: Ref, answers: AnswersSchema });
export type AddKit = z.infer<typeof AddKitSchema>;

/** A kit as a job pins it. */
export interface JobKit {
  /** As it is worked: where the visit has it once for each side, the one on its side. */
  document: KitDocument;
  prefix: string;
  side?: 'left' | 'right';
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
  slot?: JobSlot;
  calledOff?: CalledOff;
  /** The record was altered behind the application's back. */
  broken?: true;
}

/** Everything a device needs to work a job, also without the network. */
export interface JobDocument {
  id: string;
  number: string;
  bay: number;
  plannedStartMs: number;
  slot?: JobSlot;
  calledOff?: CalledOff;
  odometerKm?: number;
  vehicle: Vehicle;
  /** Every kit that is or was in the visit. */
  kits: JobKit[];
  /** Prefixes of those it was opened with. */
  openedWith: string[];
  answers: Record<string, AnswerValue>;
  shop: Partial<HouseRules> & { name: string };
  wrenches: Wrench[];
  /** Bottles of the shop's shelf; left out in documents of before they were asked for. */
  bottles?: ShelfBottle[];
  /** Apprentices who have yet to practise a pull, by id, where the job's rules ask for that. */
  unpractised?: string[];
  events: StoredEvent[];
  integrity: Integrity;
  /** Devices that were last heard with this job open, or with something waiting: what they hold is not here yet. */
  unheard: UnheardDevice[];
}

/** Whether the record is what was recorded. */
export interface Integrity {
  /** Sequence numbers at which it is not; 0 is what the job was opened with. */
  breaks: number[];
  /** Those that no lead has looked at: until then nothing is added. */
  open: number[];
  /** What it was opened with is sealed too: jobs of earlier versions are not. */
  sealed: boolean;
}

/** What is known of a record beside itself. */
export interface RecordCheck extends Integrity {
  unheard: UnheardDevice[];
  /** What is wrong with the shop's daily anchors. */
  anchorFaults: string[];
  /** The shop's key, SPKI in base64: closed records are signed with it. */
  publicKey: string;
  lastHash: string | null;
}

/** A device that may hold entries of a job. */
export interface UnheardDevice {
  device: string;
  name: string;
  person: string;
  heardAtMs: number;
  /** As it last said. */
  waiting: number;
}
