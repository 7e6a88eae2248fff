import type { InputFault } from '#contract/job.ts';
import type { CommandEnvelope } from '#core/job/command-envelope.ts';
import type { Refusal } from '#core/job/refusal.ts';

/**
 * A command given on this device. `refused` holds why it was not taken after all; such a command is shown until it is
 * put away.
 */
export interface OutboxEntry {
  /** The command's own id. */
  id: string;
  jobId: string;
  /** Order in which commands were given on this device. */
  order: number;
  envelope: CommandEnvelope;
  refused?: Refusal;
}

/** An entry that is set aside because nobody can read it, with where it fails. */
export const unreadable = (entry: OutboxEntry, faults: InputFault[]): OutboxEntry => ({
  ...entry,
  refused: { code: 'commandUnreadable', faults },
});
