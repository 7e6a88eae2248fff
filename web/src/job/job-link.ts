import type { CommandBatchAnswer, JobDocument, StoredEvent } from '#contract/job.ts';
import { api, call } from '../shop/api.ts';
import type { OutboxEntry } from './outbox-entry.ts';

/** What the server sends on its own while a job is open. */
export interface EventLine {
  onEvent(stored: StoredEvent): void;
  onOpen(): void;
  /** `ended`: the browser does not try again by itself. */
  onLost(ended: boolean): void;
}

/** The server as a job's tablet needs it. Stood in for in tests. */
export interface JobLink {
  document(jobId: string): Promise<JobDocument>;
  /** Sends commands in order; each gets its own answer. */
  send(jobId: string, entries: readonly OutboxEntry[]): Promise<CommandBatchAnswer>;
  /** Opens the line of events after a sequence number; returns how to close it. */
  listen(jobId: string, fromSeq: number, line: EventLine): () => void;
}

/** The real server, over HTTP and server-sent events. */
export const jobLink: JobLink = {
  document: async (jobId) => (await call(api.jobs[':jobId'].$get({ param: { jobId } }))) as JobDocument,
  async send(jobId, entries) {
    // The server reads each command by itself, so one that it does not know takes no other with it.
    const commands = entries.map(({ envelope: { id, atMs, by, command } }) => ({ id, atMs, by: by.id, command }));
    return call(api.jobs[':jobId'].commands.$post({ param: { jobId }, json: { commands } }));
  },
  listen(jobId, fromSeq, line) {
    const source = new EventSource(`/api/jobs/${jobId}/events?from=${fromSeq}`);
    source.addEventListener('event', (message) =>
      line.onEvent(JSON.parse((message as MessageEvent<string>).data) as StoredEvent),
    );
    source.onopen = () => line.onOpen();
    source.onerror = () => line.onLost(source.readyState === EventSource.CLOSED);
    return () => source.close();
  },
};
