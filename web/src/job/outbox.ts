import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { JobDocument } from '#contract/job.ts';
import { liftedJob } from './lifted-job.ts';
import type { OutboxEntry } from './outbox-entry.ts';

/** A job as last seen, for working without the network. */
interface KeptJob {
  id: string;
  document: JobDocument;
  seenAtMs: number;
}

interface DeviceSchema extends DBSchema {
  outbox: { key: string; value: OutboxEntry; indexes: { byJob: [string, number] } };
  jobs: { key: string; value: KeptJob };
}

/** Jobs kept for working without the network; the longest unseen makes room. */
const KEPT_JOBS = 40;

let opened: Promise<IDBPDatabase<DeviceSchema>> | undefined;

/** What this device must not lose: survives reload, crash and a day without the network. */
function store(): Promise<IDBPDatabase<DeviceSchema>> {
  opened ??= openDB<DeviceSchema>('wrenchman', 1, {
    upgrade(database) {
      database.createObjectStore('outbox', { keyPath: 'id' }).createIndex('byJob', ['jobId', 'order']);
      database.createObjectStore('jobs', { keyPath: 'id' });
    },
  });
  return opened;
}

/** Commands of a job in the order they were given. */
export const outboxOf = async (jobId: string): Promise<OutboxEntry[]> =>
  (await store()).getAllFromIndex('outbox', 'byJob', IDBKeyRange.bound([jobId, 0], [jobId, Number.POSITIVE_INFINITY]));

/** Keeps commands; a command kept before is replaced. */
export async function keepCommands(entries: readonly OutboxEntry[]): Promise<void> {
  const write = (await store()).transaction('outbox', 'readwrite');
  await Promise.all([...entries.map((entry) => write.store.put(entry)), write.done]);
}

/** Lets commands go: the server has them, or a person has put them away. */
export async function dropCommands(ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  const write = (await store()).transaction('outbox', 'readwrite');
  await Promise.all([...ids.map((id) => write.store.delete(id)), write.done]);
}

export async function keptJob(id: string): Promise<JobDocument | undefined> {
  const kept = await (await store()).get('jobs', id);
  return kept && liftedJob(kept.document);
}

/** Keeps a job as last seen, and lets the longest unseen ones go when there are many. */
export async function keepJob(document: JobDocument): Promise<void> {
  const database = await store();
  await database.put('jobs', { id: document.id, document, seenAtMs: Date.now() });
  if ((await database.count('jobs')) <= KEPT_JOBS) return;
  const all = await database.getAll('jobs');
  const oldest = all.sort((a, b) => b.seenAtMs - a.seenAtMs).slice(KEPT_JOBS);
  for (const { id } of oldest) if ((await outboxOf(id)).length === 0) await database.delete('jobs', id);
}
