import type { Integrity, StoredEvent } from '#contract/job.ts';
import { replay } from '../report/replay.ts';
import type { RecordSeal } from '../seal/record-seal.ts';
import type { CatalogRepository, PinnedDocument } from '../store/catalog-repository.ts';
import type { JobEntity } from '../store/entities.ts';
import type { JobRepository } from '../store/job-repository.ts';
import { type LiveJob, liveJobs, openedWith } from './live-job.ts';

/** Jobs as the server has them in memory: folded, held against their seals, and let go when room is wanted. */
export class JobShelf {
  private readonly live = liveJobs();
  /** Jobs whose record was altered and that no lead has looked at. */
  private readonly altered = new Set<string>();

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
    this.note(live.row.id, live.integrity);
  }

  /** What is here may be ahead of the store, or behind it: it is read anew. */
  drop(id: string): void {
    this.live.delete(id);
  }

  /** Holds what is stored of a job against its seal, and remembers whether a lead has to look at it. */
  async check(row: JobEntity, kits: readonly PinnedDocument[], events: readonly StoredEvent[]): Promise<Integrity> {
    const anyPhoto = events.some(({ event }) => event.type === 'photoKept');
    const photos = anyPhoto ? await this.jobs.photoHashes(row.id) : new Map<string, string>();
    const integrity = this.seal.check(row, kits, events, photos);
    this.note(row.id, integrity);
    return integrity;
  }

  private note(id: string, { open }: Integrity): void {
    if (open.length > 0) this.altered.add(id);
    else this.altered.delete(id);
  }

  isAltered(id: string): boolean {
    return this.altered.has(id);
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
    return [...this.altered];
  }
}
