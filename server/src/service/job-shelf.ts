import type { Integrity, StoredEvent } from '#contract/job.ts';
import { appendEvents } from '#core/job/job-log.ts';
import { replay } from '../report/replay.ts';
import type { RecordSeal } from '../seal/record-seal.ts';
import type { CatalogRepository, PinnedDocument } from '../store/catalog-repository.ts';
import type { JobEntity } from '../store/entities.ts';
import { chainHash } from '../store/hash-chain.ts';
import type { JobRepository } from '../store/job-repository.ts';
import { type LiveJob, liveJobs, openedWith } from './live-job.ts';

/** Jobs as the server has them in memory: folded, held against their seals, and let go when room is wanted. */
export class JobShelf {
  private readonly live = liveJobs();

  constructor(
    private readonly jobs: JobRepository,
    private readonly catalog: CatalogRepository,
    private readonly seal: RecordSeal,
  ) {}

  /** A job of this shop, read where it is not here. @throws where its kits no longer resolve, or an event cannot be read */
  async get(shopId: string, id: string): Promise<LiveJob | undefined> {
    const known = this.live.get(id);
    if (known) return known.row.shopId === shopId ? known : undefined;
    const row = await this.jobs.find(shopId, id);
    if (!row) return undefined;
    const [kits, events] = await Promise.all([this.catalog.pinned(row.shopId, row.kits), this.jobs.eventsAfter(id, 0)]);
    const { vehicle, answers, passRule: shop } = row;
    const last = events.at(-1);
    const live: LiveJob = {
      row,
      log: replay({ kits, openedWith: openedWith(row), vehicle, answers, shop, events }),
      seq: last?.seq ?? 0,
      // After a break the chain goes on from what stands.
      hash: last?.hash ?? this.seal.firstHash(row),
      lastEventAtMs: last?.event.atMs,
      integrity: await this.check(row, kits, events),
    };
    this.live.set(id, live);
    await this.signClosed(live);
    return live;
  }

  /** Whether a job of this shop is here; it is not read for it. */
  has(shopId: string, id: string): boolean {
    return this.live.peek(id)?.row.shopId === shopId;
  }

  put(live: LiveJob): void {
    this.live.set(live.row.id, live);
  }

  /**
   * Brings a job that is here up to what is stored: another server has taken commands for it. Only what came since is
   * read and folded, where it follows on what is here; otherwise the job is read anew when it is next wanted.
   */
  async catchUp(id: string): Promise<void> {
    const live = this.live.peek(id);
    if (!live) return;
    const events = await this.jobs.eventsAfter(id, live.seq);
    const last = events.at(-1);
    if (!last || !this.follows(live, events)) return this.drop(id);
    const log = appendEvents(
      live.log,
      events.map(({ event }) => event),
    );
    const row = { ...live.row, seq: last.seq, hash: last.hash };
    this.put({ ...live, row, log, seq: last.seq, hash: last.hash, lastEventAtMs: last.event.atMs });
  }

  /** Whether events go on from a job as it is here, with nothing beside them that is not here yet. */
  private follows({ seq, hash }: LiveJob, events: readonly StoredEvent[]): boolean {
    let before = { seq, hash };
    for (const stored of events) {
      if (stored.event.type === 'kitAdded' || stored.event.type === 'breakAcknowledged') return false;
      if (stored.seq !== before.seq + 1 || stored.hash !== chainHash(before.hash, stored.seq, stored.event))
        return false;
      before = stored;
    }
    return true;
  }

  /** What is here may be ahead of the store, or behind it: it is read anew. */
  drop(id: string): void {
    this.live.delete(id);
  }

  /** Holds what is stored of a job against its seal, and notes whether a lead has to look at it. */
  async check(row: JobEntity, kits: readonly PinnedDocument[], events: readonly StoredEvent[]): Promise<Integrity> {
    const anyPhoto = events.some(({ event }) => event.type === 'photoKept');
    const photos = anyPhoto ? await this.jobs.photoHashes(row.id) : new Map<string, string>();
    const integrity = this.seal.check(row, kits, events, photos);
    await this.note(row, integrity);
    return integrity;
  }

  /** Whether a lead has to look at a job's record stands with the job: every server lists it. */
  async note(row: JobEntity, { open }: Integrity): Promise<void> {
    const altered = open.length > 0;
    if (row.altered === altered) return;
    row.altered = altered;
    await this.jobs.setAltered(row.id, altered);
  }

  /** Lets go of every job: another server has changed what no event tells of. */
  clear(): void {
    this.live.clear();
  }

  /** A job that was closed is signed; where the server ended in between, when it is next read. */
  async signClosed({ row, log, seq, hash, integrity }: LiveJob): Promise<void> {
    if (!log.state.closed || row.closing || integrity.breaks.length > 0) return;
    row.closing = this.seal.close(row, seq, hash, log.state.closed.atMs);
    await this.jobs.setClosing(row.id, row.closing);
  }

  /** Holds every job of the installation against its seal, one after another, and names the altered ones. */
  async checkAll(pause: () => Promise<void>, failed: (error: unknown) => void): Promise<string[]> {
    for (const { job, shopId } of await this.jobs.heads()) {
      try {
        const row = await this.jobs.find(shopId, job);
        if (row)
          await this.check(row, await this.catalog.pinned(shopId, row.kits), await this.jobs.eventsAfter(job, 0));
      } catch (error) {
        failed(error);
      }
      await pause();
    }
    return this.jobs.altered();
  }
}
