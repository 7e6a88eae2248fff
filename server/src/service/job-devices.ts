import { LRUCache } from 'lru-cache';
import type { JobDeviceInput, UnheardDevice } from '#contract/job.ts';
import type { JobRepository } from '../store/job-repository.ts';
import type { Caller } from './caller.ts';

/** What a device says again is written no more often than this. */
const WRITE_MS = 60_000;
/** A command may be under way, or wait behind a hiccup of the line, this long after its device said that nothing waits. */
const SLACK_MS = 10 * 60_000;

/** A line counts as open this long after its server last said so: a server that dies takes its lines with it. */
const LINE_MS = 45_000;

interface Heard {
  writtenAtMs: number;
  waiting: number;
}

/**
 * Which devices work on which job, and what waits on them: what a device has not sent is not on the record, and the record
 * says so.
 */
export class JobDevices {
  private readonly written = new LRUCache<string, Heard>({ max: 20_000 });
  /** When each device last said that it had sent all it had. */
  private readonly emptied = new LRUCache<string, number>({ max: 20_000 });
  /** Lines open at this server, with how many tabs each has. */
  private readonly lines = new Map<string, { job: string; device: string; open: number }>();
  private readonly keeping: NodeJS.Timeout;

  constructor(
    private readonly jobs: JobRepository,
    private readonly failedLater: (error: unknown) => void,
    private readonly now: () => number = Date.now,
  ) {
    this.keeping = setInterval(() => this.keep([...this.lines.values()], this.now() + LINE_MS), LINE_MS / 3);
    this.keeping.unref();
  }

  /** Other servers go by it; nobody waits for it. */
  private keep(lines: ReadonlyArray<{ job: string; device: string }>, untilMs: number): void {
    this.jobs.keepLines(lines, untilMs).catch(this.failedLater);
  }

  stop(): void {
    clearInterval(this.keeping);
  }

  /** Nothing a device brings in now was done on it before this, Unix ms. */
  emptyAtMs(device: string): number {
    const atMs = this.emptied.get(device);
    return atMs === undefined ? 0 : atMs - SLACK_MS;
  }

  /** Notes what a device said with its commands; in the background, for nobody waits for it. */
  heard(job: string, caller: Caller, said: JobDeviceInput): void {
    const nowMs = this.now();
    if (said.waiting === 0) this.emptied.set(caller.deviceId, nowMs);
    const key = `${job} ${caller.deviceId}`;
    const known = this.written.get(key);
    const same = known !== undefined && nowMs - known.writtenAtMs < WRITE_MS && known.waiting > 0 === said.waiting > 0;
    if (same && !said.away) return;
    this.said(job, caller, said).catch(this.failedLater);
  }

  async said(job: string, caller: Caller, { waiting, away }: JobDeviceInput): Promise<void> {
    const heardAtMs = this.now();
    this.written.set(`${job} ${caller.deviceId}`, { writtenAtMs: heardAtMs, waiting });
    const left = away && waiting === 0;
    const row = { jobId: job, deviceId: caller.deviceId, userId: caller.person.id, heardAtMs, waiting, away: left };
    await this.jobs.heardDevice(row);
  }

  /** A device's line to a job is open; returns how to say that it is not any more. */
  line(job: string, device: string): () => void {
    const key = `${job} ${device}`;
    const line = this.lines.get(key) ?? { job, device, open: 0 };
    line.open += 1;
    this.lines.set(key, line);
    if (line.open === 1) this.keep([line], this.now() + LINE_MS);
    return () => {
      line.open -= 1;
      if (line.open > 0) return;
      this.lines.delete(key);
      this.keep([line], 0);
    };
  }

  /** Devices other than the one that asks which may hold entries of a job. */
  async unheard(job: string, asking: string): Promise<UnheardDevice[]> {
    const devices = await this.jobs.devicesOn(job);
    const unheard = devices.filter(
      ({ device, waiting, lineUntilMs }) =>
        device !== asking && (waiting > 0 || !(this.lines.has(`${job} ${device}`) || lineUntilMs > this.now())),
    );
    return unheard.map(({ lineUntilMs: _, ...device }) => device);
  }
}
