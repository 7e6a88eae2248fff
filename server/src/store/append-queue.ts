import type { DataSource } from 'typeorm';
import type { StoredEvent } from '#contract/job.ts';
import type { JobProgress } from '#core/job/job-progress.ts';
import { gaveWay } from './data-source.ts';

/** The job changed under us since it was read. */
export class JobMoved extends Error {}

/** What `append` writes beside each event. */
export interface EventRow extends StoredEvent {
  /** Place of the event among those of one command. */
  commandIndex: number;
  /** The signed command behind it, as text. */
  proof?: string;
}

/** Events to add to one job, and what the job's row becomes with them. */
export interface JobAppend {
  jobId: string;
  fromSeq: number;
  rows: readonly EventRow[];
  received: { atMs: number; deviceId?: string };
  progress: JobProgress;
  closedAtMs?: number;
}

interface Waiting {
  append: JobAppend;
  done(): void;
  failed(error: unknown): void;
}

/** How often a transaction is tried that gives way to another server's. */
const MOST_TRIES = 5;
/** Most jobs in one transaction: a bound on its size, far above what comes while one flush lasts. */
const TOGETHER = 64;

/**
 * Writes appends in the order they come. While one transaction is flushed to disk the next ones gather, and go
 * together: the flush, which all of them wait for, is shared. A lone append waits for nobody.
 */
export class AppendQueue {
  private waiting: Waiting[] = [];
  private writing = false;

  /** @param appended - told how many events are on disk, for the monitor */
  constructor(
    private readonly source: DataSource,
    private readonly appended: (events: number) => void = () => undefined,
  ) {}

  /** Resolves when the events are on disk. @throws JobMoved when another writer was here first */
  append(append: JobAppend): Promise<void> {
    return new Promise((done, failed) => {
      this.waiting.push({ append, done, failed });
      if (!this.writing) void this.write();
    });
  }

  private async write(): Promise<void> {
    this.writing = true;
    while (this.waiting.length > 0) await this.together(this.take());
    this.writing = false;
  }

  /** The next ones to go together: of each job one, because the second builds on the first. */
  private take(): Waiting[] {
    const jobs = new Set<string>();
    const now: Waiting[] = [];
    const later: Waiting[] = [];
    for (const entry of this.waiting) {
      const { jobId } = entry.append;
      const fits = now.length < TOGETHER && !jobs.has(jobId);
      jobs.add(jobId);
      (fits ? now : later).push(entry);
    }
    this.waiting = later;
    return now;
  }

  private async together(entries: readonly Waiting[]): Promise<void> {
    try {
      await this.call(entries.map(({ append }) => append));
      for (const { done, append } of entries) {
        this.appended(append.rows.length);
        done();
      }
    } catch (error) {
      // One job's fault must not fail the others: each by itself.
      const [only, ...more] = entries;
      if (!only) return;
      if (more.length === 0) only.failed(error);
      else for (const entry of entries) await this.together([entry]);
    }
  }

  private async call(appends: readonly JobAppend[], tries = 1): Promise<void> {
    const jobs = [...appends]
      .sort((a, b) => (a.jobId < b.jobId ? -1 : 1))
      .map(({ jobId, fromSeq, rows, progress, closedAtMs }) => ({
        id: jobId,
        from: fromSeq,
        to: rows.at(-1)?.seq,
        hash: rows.at(-1)?.hash,
        progress: JSON.stringify(progress),
        closedAtMs,
      }));
    const events = appends.flatMap(({ jobId, rows, received }) =>
      rows.map(({ seq, hash, event, commandIndex, proof }) => ({
        jobId,
        seq,
        hash,
        commandId: event.commandId,
        commandIndex,
        type: event.type,
        // As text: the stored JSON is to the letter what was hashed over.
        body: JSON.stringify(event),
        actorId: event.by.id,
        deviceId: received.deviceId,
        happenedAtMs: event.atMs,
        receivedAtMs: received.atMs,
        proof,
      })),
    );
    const [job] = jobs;
    const [event, ...more] = events;
    try {
      if (job && event && more.length === 0) {
        await this.source.query('CALL append_one(?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)', [
          job.id,
          job.from,
          event.seq,
          event.hash,
          job.progress,
          job.closedAtMs ?? null,
          event.commandId,
          event.commandIndex,
          event.type,
          event.body,
          event.actorId,
          event.deviceId ?? null,
          event.happenedAtMs,
          event.receivedAtMs,
          event.proof ?? null,
        ]);
      } else
        await this.source.query('CALL append_all(?, ?, ?)', [
          JSON.stringify(jobs),
          JSON.stringify(events),
          jobs.length,
        ]);
    } catch (error) {
      if (String((error as Error).message).includes('jobMoved')) throw new JobMoved(appends[0]?.jobId);
      // Nothing was stored: tried again it is stored, or has been overtaken.
      if (gaveWay(error) && tries < MOST_TRIES) return this.call(appends, tries + 1);
      throw error;
    }
  }
}
