import Dexie, { type EntityTable } from 'dexie';
import type { JobDocument } from '#contract/job.ts';
import type { CommandEnvelope } from '#core/job/job-command.ts';
import type { Refusal } from '#core/job/refusal.ts';

/** A command given on this device. `refused` holds what the server said later; such a command is shown until it is put away. */
export interface OutboxEntry {
  /** The command's own id. */
  id: string;
  jobId: string;
  /** Order in which commands were given on this device. */
  order: number;
  envelope: CommandEnvelope;
  refused?: Refusal;
}

/** A job as last seen, for working without the network. */
interface KeptJob {
  id: string;
  document: JobDocument;
  seenAtMs: number;
}

class DeviceStore extends Dexie {
  outbox!: EntityTable<OutboxEntry, 'id'>;
  jobs!: EntityTable<KeptJob, 'id'>;

  constructor() {
    super('wrenchman');
    this.version(1).stores({ outbox: 'id, jobId, order', jobs: 'id' });
  }
}

/** What this device must not lose: survives reload, crash and a day without the network. */
export const deviceStore = new DeviceStore();

export const outboxOf = (jobId: string): Promise<OutboxEntry[]> => deviceStore.outbox.where({ jobId }).sortBy('order');
