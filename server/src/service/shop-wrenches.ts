import { LRUCache } from 'lru-cache';
import type { StoredEvent } from '#contract/job.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import type { CribRepository } from '../store/crib-repository.ts';

/** Pulls that another server counted are seen within this: a few of five thousand. */
const READ_AGAIN_MS = 60_000;

/** The wrenches each shop may pull with, its own and those of the pool, with their pulls since calibration; kept for a while, or until the crib changes one. */
export class ShopWrenches {
  private readonly known = new LRUCache<string, Wrench[]>({ max: 1000, ttl: READ_AGAIN_MS });

  constructor(
    private readonly catalog: CatalogRepository,
    private readonly crib: CribRepository,
  ) {}

  async of(shopId: string): Promise<Wrench[]> {
    const known = this.known.get(shopId);
    if (known) return known;
    const [own, others] = await Promise.all([this.catalog.wrenches(shopId), this.catalog.othersWrenches(shopId)]);
    const pool = others.filter(({ pooled }) => pooled);
    const shops = [shopId, ...new Set(pool.map((other) => other.shopId))];
    const pulls = new Map(
      (await Promise.all(shops.map((shop) => this.crib.pullsSinceCalibration(shop)))).flatMap((one) => [...one]),
    );
    const wrenches = [...own, ...pool.map(({ wrench }) => wrench)].map((wrench) => ({
      ...wrench,
      pullsSinceCalibration: pulls.get(wrench.id) ?? 0,
    }));
    this.known.set(shopId, wrenches);
    return wrenches;
  }

  /** One was changed, locked or calibrated, here or at another server: all are read anew, for others may use it too. */
  forget(): void {
    this.known.clear();
  }

  /** Adds pulls just stored to their wrenches' counts, so that 5 000 is not passed unseen between two readings. */
  countPulls(shopId: string, events: readonly StoredEvent[]): void {
    const wrenches = this.known.get(shopId);
    if (!wrenches) return;
    for (const { event } of events) {
      if (event.type !== 'pullRecorded') continue;
      const at = wrenches.findIndex((wrench) => wrench.id === event.wrench.id);
      const wrench = wrenches[at];
      if (wrench) wrenches[at] = { ...wrench, pullsSinceCalibration: (wrench.pullsSinceCalibration ?? 0) + 1 };
    }
  }
}
