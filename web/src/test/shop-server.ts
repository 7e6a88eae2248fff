import type { CommandBatchAnswer, JobDocument, StoredEvent } from '#contract/job.ts';
import { appendEvents, type JobLog, oneKit, openLog, takeCommand } from '#core/job/job-log.ts';
import { OPENED_NOW } from '#core/kit/house-rules.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { NOON, WRENCHES } from '#demo/try-job.ts';
import type { EventLine, JobLink } from '../job/job-link.ts';
import type { OutboxEntry } from '../job/outbox-entry.ts';
import { ProblemError, UnreachableError } from '../shop/api.ts';

const VEHICLE = { modelYear: 2021, drivenWheels: 'four', body: 'dual-cab' };

/** How the server answers the next sendings: as it should, not at all, or with a problem. */
export type Mood = 'well' | 'unreachable' | 'lostAnswer' | { problem: string; status: number };

const problemOf = (code: string, status: number): ProblemError =>
  new ProblemError({ type: `/problems/${code}`, title: code, status, code: code as never });

/** A server of one job, in memory, that decides with the same functions as the real one. For the tests of the tablet. */
export class ShopServer implements JobLink {
  log: JobLog;
  events: StoredEvent[] = [];
  lines: EventLine[] = [];
  /** Every batch that arrived, by command ids. */
  readonly sent: string[][] = [];
  mood: Mood = 'well';
  /** Refuses whole any batch that this holds of: an application older or newer than the tablet's. */
  cannotRead: (entry: OutboxEntry) => boolean = () => false;
  /** Most commands it takes at once. */
  most = 1000;

  constructor(private readonly kit: KitDocument = TRANSFER_CASE_GUARD) {
    const opened = openLog({ ...oneKit(kit), vehicle: VEHICLE, answers: {}, shop: OPENED_NOW });
    if (!opened.ok) throw new Error(JSON.stringify(opened.error));
    this.log = opened.value;
  }

  private answer(): void {
    if (this.mood === 'unreachable') throw new UnreachableError('no route');
    if (typeof this.mood === 'object') throw problemOf(this.mood.problem, this.mood.status);
  }

  async document(jobId: string): Promise<JobDocument> {
    this.answer();
    return {
      id: jobId,
      number: '261127-1',
      bay: 1,
      plannedStartMs: NOON,
      vehicle: { ...VEHICLE, id: 'v', make: 'Aldren', model: 'Tussock', plate: 'US 1', year: 2021 } as never,
      kits: [{ document: this.kit, prefix: '' }],
      openedWith: [''],
      answers: {},
      shop: { name: 'Harrow Lane' },
      wrenches: WRENCHES,
      integrity: { breaks: [], open: [], sealed: true },
      unheard: [],
      events: [...this.events],
    };
  }

  async send(_jobId: string, entries: readonly OutboxEntry[]): Promise<CommandBatchAnswer> {
    this.sent.push(entries.map(({ id }) => id));
    this.answer();
    if (entries.length > this.most) throw problemOf('tooLarge', 413);
    if (entries.some((entry) => this.cannotRead(entry))) throw problemOf('badRequest', 422);
    const before = this.events.length;
    const results = entries.map((entry): CommandBatchAnswer['results'][number] => {
      const outcome = takeCommand(this.log, WRENCHES, entry.envelope);
      if (!outcome.ok) return { id: entry.id, ok: false, refusal: outcome.refusal };
      this.log = outcome.log;
      for (const event of outcome.events) this.events.push({ seq: this.events.length + 1, hash: 'h', event });
      return { id: entry.id, ok: true, repeated: outcome.repeated };
    });
    const events = this.events.slice(before);
    // The others hear of it; the one that sent gets it with the answer.
    for (const line of this.lines) for (const stored of events) line.onEvent(stored);
    if (this.mood === 'lostAnswer') throw new UnreachableError('line cut after it was stored');
    return { results, events, seq: this.events.length };
  }

  listen(_jobId: string, fromSeq: number, line: EventLine): () => void {
    this.lines.push(line);
    queueMicrotask(() => {
      if (!this.lines.includes(line)) return;
      line.onOpen();
      for (const stored of this.events.slice(fromSeq)) line.onEvent(stored);
    });
    return () => {
      this.lines = this.lines.filter((entry) => entry !== line);
    };
  }

  /** What this device said of the job. */
  readonly told: Array<{ waiting: number; away: boolean }> = [];
  async tell(_jobId: string, said: { waiting: number; away: boolean }): Promise<void> {
    this.answer();
    this.told.push(said);
  }

  /** Somebody else's event arrives. */
  arrive(...events: StoredEvent[]): void {
    this.events.push(...events);
    this.log = appendEvents(
      this.log,
      events.map(({ event }) => event),
    );
    for (const line of this.lines) for (const stored of events) line.onEvent(stored);
  }
}
