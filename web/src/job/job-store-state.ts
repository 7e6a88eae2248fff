import type { InputFault, JobDocument } from '#contract/job.ts';
import type { JobCommand } from '#core/job/acts.ts';
import type { DeviceClock } from '#core/job/command-time.ts';
import type { JobLog } from '#core/job/job-log.ts';
import type { Refusal } from '#core/job/refusal.ts';
import type { Person } from '#core/job/role.ts';
import type { Prove } from '../shop/prove.ts';
import type { JobLink } from './job-link.ts';
import type * as deviceOutbox from './outbox.ts';
import type { OutboxEntry } from './outbox-entry.ts';

/** How the device stands with the server. */
export type Link = 'connecting' | 'live' | 'offline';

/** `outdated`: the server records what this version of the application does not know; a reload brings the new one. */
export type JobFailure = 'unknownJob' | 'unreachable' | 'broken' | 'outdated';

export interface RefusedHere {
  refusal: Refusal;
  command: JobCommand;
}

/** The job on screen, as everything below its shell reads it. */
export interface JobStoreState {
  jobId?: string;
  document?: JobDocument;
  /** Why the job cannot be shown. */
  failure?: JobFailure;
  /** What the server has confirmed. */
  confirmed?: JobLog;
  confirmedSeq: number;
  /** Confirmed plus what this device has given and not yet heard back about. */
  log?: JobLog;
  pending: OutboxEntry[];
  /** Commands that were accepted here and not taken by the server, or that nobody can read. */
  refusedLater: OutboxEntry[];
  /** The last refusal on this screen. */
  refused?: RefusedHere;
  /** The last thing given on this screen that was not a taking back: it can be put again. */
  lastGiven?: JobCommand;
  link: Link;
  open(jobId: string): Promise<void>;
  close(): void;
  /**
   * Gives a command: read and decided here at once, then kept, shown as done, and sent. True when it was accepted here; it
   * shows once it is written on this device.
   */
  give(command: JobCommand): boolean;
  /**
   * Gives a command that needs its person's proof. Resolves when it is kept; false where it was not accepted.
   * @throws what the proof throws, and then nothing is given
   */
  giveProven(command: JobCommand, prove: Prove): Promise<boolean>;
  /** Gives a refused command of the person at work once more, as a new one. */
  giveAgain(id: string): void;
  dismissRefusal(): void;
  putAway(id: string): void;
}

/** What the store stands on; a test gives its own. */
export interface JobStoreParts {
  link: JobLink;
  outbox: typeof deviceOutbox;
  /** Where a command is not one the server can read. Fetched with the job, so that it is there when a command is given. */
  check(): Promise<{ commandFaults(command: unknown): InputFault[] }>;
  session: {
    person(): Person | undefined;
    device(): string | undefined;
    /** Signs a text as this person, where their key is open here. */
    sign(person: string, text: string): Promise<{ key: string; signature: string } | undefined>;
    expire(): void;
    /** Calls back when somebody has signed in again after the session had run out. */
    onRenewed(then: () => void): void;
  };
  clock(): DeviceClock;
  /** Told that what waits on this device has changed. */
  changed(): void;
  /** Told of an entry that could not be written. */
  unkept(entry: OutboxEntry): void;
  /** Calls back when such entries were written after all. */
  onRekept(then: () => void): void;
  /** How many commands wait here for other jobs. */
  elsewhere(jobId: string): number;
}
