import type { CommandBatchAnswer, JobDocument, StoredEvent } from '#contract/job.ts';
import { isPractice } from '../practice/practice.ts';
import { listenToPractice } from '../practice/practice-line.ts';
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
  /** Sends commands in order; each gets its own answer. `left`: how many more wait on this device. */
  send(jobId: string, entries: readonly OutboxEntry[], left: number): Promise<CommandBatchAnswer>;
  /** Opens the line of events after a sequence number; returns how to close it. */
  listen(jobId: string, fromSeq: number, line: EventLine): () => void;
  /** Says what waits here for a job, and whether it is left. `leaving`: the page is going, and must not be waited for. */
  tell(jobId: string, said: { waiting: number; away: boolean }, leaving?: boolean): Promise<void>;
}

/** A command as it goes out: in the letters that were signed, or plain in its person's own session. */
const sent = ({ envelope: { id, atMs, by, command }, clock, signed, proof }: OutboxEntry) =>
  signed ? { ...signed, proof } : { id, atMs, by: by.id, clock, command, proof };

/** The real server, over HTTP and server-sent events. */
export const jobLink: JobLink = {
  document: async (jobId) => (await call(api.jobs[':jobId'].$get({ param: { jobId } }))) as JobDocument,
  async send(jobId, entries, left) {
    // The server reads each command by itself, so one that it does not know takes no other with it.
    const json = { commands: entries.map(sent), sentMs: Date.now(), left };
    return call(api.jobs[':jobId'].commands.$post({ param: { jobId }, json }));
  },
  listen(jobId, fromSeq, line) {
    if (isPractice(jobId)) {
      // Nothing comes from elsewhere, but of a job that is watched: the line stands with the next turn.
      const opened = setTimeout(() => line.onOpen());
      const quiet = listenToPractice(line);
      return () => {
        clearTimeout(opened);
        quiet();
      };
    }
    const source = new EventSource(`/api/jobs/${jobId}/events?from=${fromSeq}`);
    source.addEventListener('event', (message) =>
      line.onEvent(JSON.parse((message as MessageEvent<string>).data) as StoredEvent),
    );
    source.onopen = () => line.onOpen();
    source.onerror = () => line.onLost(source.readyState === EventSource.CLOSED);
    return () => source.close();
  },
  async tell(jobId, json, leaving = false) {
    await call(api.jobs[':jobId'].device.$put({ param: { jobId }, json }, { init: { keepalive: leaving } }));
  },
};
