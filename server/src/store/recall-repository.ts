import { type DataSource, In } from 'typeorm';
import { JobEntity, KitEntity } from './entities.ts';

/** Jobs with what answers to a recall in each. */
export type Found = Map<string, string>;

/** What was fitted to which vehicle, looked up by what went into it. Scans what it must: a recall is rare. */
export class RecallRepository {
  constructor(private readonly source: DataSource) {}

  /** Jobs that pinned one of these revisions. */
  async byKits(shopId: string, kits: ReadonlyArray<{ id: string; revision: number; what: string }>): Promise<Found> {
    const found: Found = new Map();
    for (const { id, revision, what } of kits) {
      const rows: Array<{ id: string }> = await this.source.query(
        'SELECT id FROM job WHERE shop_id = ? AND JSON_CONTAINS(kits, ?)',
        [shopId, JSON.stringify({ id, revision })],
      );
      for (const row of rows) found.set(row.id, [found.get(row.id), what].filter(Boolean).join('; '));
    }
    return found;
  }

  /** Every released revision of a shop's kits. */
  revisions(shopId: string): Promise<KitEntity[]> {
    return this.source.getRepository(KitEntity).find({ where: { shopId }, order: { id: 'ASC', revision: 'ASC' } });
  }

  /** Jobs in which a wrench pulled between two instants, with how often. */
  async byWrench(shopId: string, wrench: string, fromMs: number, toMs: number): Promise<Map<string, number>> {
    const rows: Array<{ id: string; pulls: string }> = await this.source.query(
      `SELECT j.id, COUNT(*) AS pulls FROM job j JOIN job_event e ON e.job_id = j.id
        WHERE j.shop_id = ? AND e.type = 'pullRecorded' AND e.happened_at_ms BETWEEN ? AND ?
          AND JSON_VALUE(e.body, '$.wrench.id') = ? GROUP BY j.id`,
      [shopId, fromMs, toMs, wrench],
    );
    return new Map(rows.map(({ id, pulls }) => [id, Number(pulls)]));
  }

  /** Jobs that used a bottle of a lot, with the bottles' names. */
  async byLot(shopId: string, lot: string): Promise<Found> {
    const rows: Array<{ id: string; name: string }> = await this.source.query(
      `SELECT DISTINCT u.job_id AS id, b.name FROM bottle_use u JOIN bottle b ON b.id = u.bottle_id
        WHERE b.shop_id = ? AND b.lot = ?`,
      [shopId, lot],
    );
    const found: Found = new Map();
    for (const { id, name } of rows) found.set(id, [found.get(id), name].filter(Boolean).join('; '));
    return found;
  }

  jobs(shopId: string, ids: readonly string[]): Promise<JobEntity[]> {
    return ids.length === 0
      ? Promise.resolve([])
      : this.source
          .getRepository(JobEntity)
          .find({ where: { shopId, id: In([...ids]) }, order: { openedAtMs: 'DESC' } });
  }
}
