import type { JobDocument } from '#contract/job.ts';
import { deviceStore } from '../shop/device-store.ts';
import { liftedJob } from './lifted-job.ts';
import type { OutboxEntry } from './outbox-entry.ts';

/** Jobs kept for working without the network; the longest unseen makes room. */
const KEPT_JOBS = 40;

/** Commands of a job in the order they were given. */
export const outboxOf = async (jobId: string): Promise<OutboxEntry[]> =>
  (await deviceStore()).getAllFromIndex(
    'outbox',
    'byJob',
    IDBKeyRange.bound([jobId, 0], [jobId, Number.POSITIVE_INFINITY]),
  );

/** Every command this device holds, of all jobs. */
export const wholeOutbox = async (): Promise<OutboxEntry[]> => {
  const entries = await (await deviceStore()).getAll('outbox');
  return entries.sort((a, b) => a.order - b.order);
};

/** Keeps commands; a command kept before is replaced. Resolves when they are written. */
export async function keepCommands(entries: readonly OutboxEntry[]): Promise<void> {
  const write = (await deviceStore()).transaction('outbox', 'readwrite', { durability: 'strict' });
  await Promise.all([...entries.map((entry) => write.store.put(entry)), write.done]);
}

/** Lets commands go: the server has them, or a person has put them away. */
export async function dropCommands(ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return;
  const write = (await deviceStore()).transaction('outbox', 'readwrite');
  await Promise.all([...ids.map((id) => write.store.delete(id)), write.done]);
}

export async function keptJob(id: string): Promise<JobDocument | undefined> {
  const kept = await (await deviceStore()).get('jobs', id);
  return kept && liftedJob(kept.document);
}

/** Keeps a job as last seen, and lets the longest unseen ones go when there are many. */
export async function keepJob(document: JobDocument): Promise<void> {
  const database = await deviceStore();
  await database.put('jobs', { id: document.id, document, seenAtMs: Date.now() });
  if ((await database.count('jobs')) <= KEPT_JOBS) return;
  const all = await database.getAll('jobs');
  const oldest = all.sort((a, b) => b.seenAtMs - a.seenAtMs).slice(KEPT_JOBS);
  for (const { id } of oldest) if ((await outboxOf(id)).length === 0) await database.delete('jobs', id);
}
