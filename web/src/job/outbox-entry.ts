import type { InputFault, Proof, SignedCommand } from '#contract/job.ts';
import type { CommandEnvelope } from '#core/job/command-envelope.ts';
import type { DeviceClock } from '#core/job/command-time.ts';
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
  /** What the device's clock said then. */
  clock?: DeviceClock;
  /** As its person's key signed it. Without it, only that person's own session can bring it in. */
  signed?: Omit<SignedCommand, 'proof'>;
  proof?: Proof;
  refused?: Refusal;
}

/** An entry that is set aside because nobody can read it, with where it fails. */
export const unreadable = (entry: OutboxEntry, faults: InputFault[]): OutboxEntry => ({
  ...entry,
  refused: { code: 'commandUnreadable', faults },
});

/** Whether an entry can be sent in this person's session: a signed one in anybody's, another only in its own person's. */
export const isSendable = ({ signed, envelope, refused }: OutboxEntry, person: string | undefined): boolean =>
  refused === undefined && (signed !== undefined || envelope.by.id === person);
