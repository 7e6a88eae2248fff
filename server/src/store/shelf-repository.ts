import { type DataSource, IsNull } from 'typeorm';
import type { ShelfLine } from '#core/crib/shelf.ts';
import type { StockPiece } from '#core/job/stock-used.ts';
import { ShelfEntity } from './crib-entities.ts';
import { inTransaction } from './data-source.ts';

/** The drawers of a shop's own fasteners. */
export class ShelfRepository {
  constructor(private readonly source: DataSource) {}

  /** Every drawer, with what jobs took since it was counted. */
  async shelf(shopId: string): Promise<ShelfLine[]> {
    const [rows, taken] = await Promise.all([
      this.source.getRepository(ShelfEntity).findBy({ shopId, retiredAtMs: IsNull() }),
      this.source.query(
        `SELECT s.id AS id, SUM(JSON_VALUE(e.body, '$.quantity')) AS taken
          FROM job_event e JOIN job j ON j.id = e.job_id
          JOIN shelf s ON s.id = JSON_VALUE(e.body, '$.piece.piece.id') AND s.shop_id = j.shop_id
          WHERE e.type = 'shopStockUsed' AND j.shop_id = ? AND e.happened_at_ms > s.counted_at_ms
          GROUP BY s.id`,
        [shopId],
      ) as Promise<Array<{ id: string; taken: string | number }>>,
    ]);
    const byId = new Map(taken.map((row) => [row.id, Number(row.taken)]));
    return rows
      .map(({ id, card, counted, countedAtMs, lowAt }) => ({
        ...card,
        id,
        counted,
        countedAtMs,
        taken: byId.get(id) ?? 0,
        ...(lowAt === null || lowAt === undefined ? {} : { lowAt }),
      }))
      .sort((a, b) => a.bin.localeCompare(b.bin, 'en', { numeric: true }) || a.name.localeCompare(b.name, 'en'));
  }

  async addDrawers(
    shopId: string,
    drawers: ReadonlyArray<{ id: string; card: Omit<StockPiece, 'id'>; counted: number; lowAt?: number }>,
    countedAtMs: number,
  ): Promise<void> {
    await inTransaction(this.source, async (manager) => {
      for (const { id, card, counted, lowAt } of drawers)
        await manager.insert(ShelfEntity, { id, shopId, card: card as never, counted, countedAtMs, lowAt });
    });
  }

  /** Changes a drawer; false where the shop has none of this id. */
  async changeDrawer(shopId: string, id: string, change: Partial<ShelfEntity>): Promise<boolean> {
    const { affected } = await this.source
      .getRepository(ShelfEntity)
      .update({ shopId, id, retiredAtMs: IsNull() }, change as never);
    return affected === 1;
  }
}
