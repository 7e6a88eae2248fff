import { type DataSource, In, IsNull } from 'typeorm';
import type { BottleInput, Recheck } from '#contract/crib.ts';
import type { CompoundKind } from '#core/compound/compound.ts';
import type { StoreReading } from '#core/compound/shelf-life.ts';
import type { Bottle } from '#core/crib/bottle.ts';
import type { WrenchCheck } from '#core/crib/check-pull.ts';
import type { CribTool, Loan } from '#core/crib/crib-tool.ts';
import type { VisitKit } from '#core/visit/visit.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { CatalogRepository } from './catalog-repository.ts';
import {
  BottleEntity,
  BottleNoteEntity,
  BottleUseEntity,
  LoanEntity,
  RecheckSettledEntity,
  StoreReadingEntity,
  ToolEntity,
  WrenchCheckEntity,
} from './crib-entities.ts';
import { inTransaction } from './data-source.ts';
import { JobEntity, WrenchEntity } from './entities.ts';

/** A thing is lent already. */
export class AlreadyOut extends Error {}
/** Another wrench of the shop has this label. */
export class LabelTaken extends Error {}

/** A bead on a job that no bottle has been charged with yet. */
export interface UncountedBead {
  jobId: string;
  seq: number;
  station: string;
  compound: string;
  bottle?: string | null;
}

/** A job's facts that naming a station or working out a bead needs. */
export type JobWithKit = Pick<JobEntity, 'id' | 'number' | 'vehicle' | 'answers' | 'closedAtMs'> & { kits: VisitKit[] };

const isDuplicate = (error: unknown): boolean =>
  (error as { driverError?: { code?: string } }).driverError?.code === 'ER_DUP_ENTRY';

const toCheck = (row: WrenchCheckEntity): WrenchCheck => {
  const { shopId: _, ...check } = row;
  return { ...check, within: Boolean(row.within), certificate: row.certificate ?? undefined };
};

const toLoan = ({ shopId: _, ...row }: LoanEntity): Loan => ({
  ...row,
  jobId: row.jobId ?? undefined,
  backAtMs: row.backAtMs ?? undefined,
  setToLow: row.setToLow === null || row.setToLow === undefined ? undefined : Boolean(row.setToLow),
});

/** Wrenches with their checks, tools, loans, bottles: all that hangs in the crib. */
export class CribRepository {
  constructor(private readonly source: DataSource) {}

  async checks(shopId: string): Promise<WrenchCheck[]> {
    const rows = await this.source.getRepository(WrenchCheckEntity).find({ where: { shopId }, order: { atMs: 'ASC' } });
    return rows.map(toCheck);
  }

  async addWrench(shopId: string, wrench: Wrench): Promise<void> {
    try {
      const { locked: _, pullsSinceCalibration: _p, ...row } = wrench;
      await this.source.getRepository(WrenchEntity).insert({ ...row, shopId });
    } catch (error) {
      if (isDuplicate(error)) throw new LabelTaken();
      throw error;
    }
  }

  async changeWrench(shopId: string, id: string, change: Partial<WrenchEntity>): Promise<boolean> {
    try {
      const { affected } = await this.source.getRepository(WrenchEntity).update({ shopId, id }, change);
      return affected === 1;
    } catch (error) {
      if (isDuplicate(error)) throw new LabelTaken();
      throw error;
    }
  }

  /** Records a check once, and what it does to its wrench, in one transaction. False when it was recorded before. */
  async addCheck(shopId: string, check: WrenchCheck, change: Partial<WrenchEntity>): Promise<boolean> {
    return inTransaction(this.source, async (manager) => {
      if (await manager.findOneBy(WrenchCheckEntity, { id: check.id })) return false;
      await manager.insert(WrenchCheckEntity, { ...check, shopId, readings: check.readings as object[] as never });
      if (Object.keys(change).length > 0) await manager.update(WrenchEntity, { shopId, id: check.wrenchId }, change);
      return true;
    });
  }

  async tools(shopId: string): Promise<CribTool[]> {
    const rows = await this.source.getRepository(ToolEntity).findBy({ shopId, retiredAtMs: IsNull() });
    return rows.map((row) => row.card).sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }));
  }

  async tool(shopId: string, id: string): Promise<CribTool | undefined> {
    return (await this.source.getRepository(ToolEntity).findOneBy({ shopId, id, retiredAtMs: IsNull() }))?.card;
  }

  async saveTool(shopId: string, card: CribTool): Promise<void> {
    await this.source.getRepository(ToolEntity).save({ id: card.id, shopId, card });
  }

  async retireTool(shopId: string, id: string, atMs: number): Promise<boolean> {
    const { affected } = await this.source.getRepository(ToolEntity).update({ shopId, id }, { retiredAtMs: atMs });
    return affected === 1;
  }

  /** Loans that are out, and those of the last while. */
  async loans(shopId: string, sinceMs: number): Promise<Loan[]> {
    const rows = await this.source
      .getRepository(LoanEntity)
      .createQueryBuilder('loan')
      .where('loan.shopId = :shopId AND (loan.backAtMs IS NULL OR loan.outAtMs >= :sinceMs)', { shopId, sinceMs })
      .orderBy('loan.outAtMs', 'DESC')
      .getMany();
    return rows.map(toLoan);
  }

  async loan(shopId: string, id: string): Promise<Loan | undefined> {
    const row = await this.source.getRepository(LoanEntity).findOneBy({ shopId, id });
    return row ? toLoan(row) : undefined;
  }

  /** Things out for one job. */
  async loansOfJob(jobId: string): Promise<Loan[]> {
    const rows = await this.source.getRepository(LoanEntity).findBy({ jobId, backAtMs: IsNull() });
    return rows.map(toLoan);
  }

  /** Lends a thing; the store lets each thing be out once. Throws {@link AlreadyOut}. */
  async lend(shopId: string, loan: Loan): Promise<void> {
    try {
      await this.source.getRepository(LoanEntity).insert({ ...loan, shopId });
    } catch (error) {
      if (isDuplicate(error)) throw new AlreadyOut();
      throw error;
    }
  }

  async takeBack(shopId: string, id: string, backAtMs: number, setToLow?: boolean): Promise<void> {
    await this.source.getRepository(LoanEntity).update({ shopId, id, backAtMs: IsNull() }, { backAtMs, setToLow });
  }

  async bottles(shopId: string): Promise<Bottle[]> {
    const [rows, used] = await Promise.all([
      this.source.getRepository(BottleEntity).find({ where: { shopId }, order: { name: 'ASC', expiresOn: 'ASC' } }),
      this.source
        .getRepository(BottleUseEntity)
        .createQueryBuilder('use')
        .select('use.bottleId', 'id')
        .addSelect('SUM(use.ml)', 'ml')
        .where('use.bottleId IS NOT NULL')
        .groupBy('use.bottleId')
        .getRawMany<{ id: string; ml: number }>(),
    ]);
    const usedMl = new Map(used.map((row) => [row.id, Number(row.ml)]));
    return rows.map(({ shopId: _, ...row }) => ({
      ...row,
      openedOn: row.openedOn ?? undefined,
      openMonths: row.openMonths ?? undefined,
      emptiedOn: row.emptiedOn ?? undefined,
      gelledOn: row.gelledOn ?? undefined,
      usedMl: usedMl.get(row.id) ?? 0,
    }));
  }

  async addBottle(shopId: string, id: string, input: BottleInput, receivedAtMs: number): Promise<void> {
    await this.source.getRepository(BottleEntity).insert({ id, shopId, ...input, receivedAtMs, adjustedMl: 0 });
  }

  /** Changes a bottle and keeps what was done, by whom, beside it. */
  async changeBottle(
    shopId: string,
    id: string,
    change: Partial<BottleEntity>,
    note: { id: string; atMs: number; byName: string; change: object },
  ): Promise<void> {
    await inTransaction(this.source, async (manager) => {
      await manager.update(BottleEntity, { shopId, id }, change);
      await manager.insert(BottleNoteEntity, { ...note, bottleId: id });
    });
  }

  /** Beads of the shop's jobs that have not been counted off a bottle. */
  async uncountedBeads(shopId: string): Promise<UncountedBead[]> {
    const rows: UncountedBead[] = await this.source.query(
      `SELECT e.job_id AS jobId, e.seq AS seq, JSON_VALUE(e.body, '$.station') AS station,
          JSON_VALUE(e.body, '$.compound') AS compound, JSON_VALUE(e.body, '$.bottle.id') AS bottle
        FROM job_event e JOIN job j ON j.id = e.job_id
        LEFT JOIN bottle_use u ON u.job_id = e.job_id AND u.seq = e.seq
        WHERE e.type = 'compoundApplied' AND j.shop_id = ? AND u.job_id IS NULL
        ORDER BY e.happened_at_ms, e.job_id, e.seq`,
      [shopId],
    );
    return rows;
  }

  /** Counts beads off; one counted meanwhile by somebody else stays as it is. */
  async countBeads(
    uses: ReadonlyArray<{ jobId: string; seq: number; bottleId?: string; kind: CompoundKind; ml: number }>,
  ): Promise<void> {
    if (uses.length === 0) return;
    await this.source
      .getRepository(BottleUseEntity)
      .createQueryBuilder()
      .insert()
      .values([...uses])
      .orIgnore()
      .execute();
  }

  async jobsWithKits(shopId: string, ids: readonly string[]): Promise<JobWithKit[]> {
    if (ids.length === 0) return [];
    const rows = await this.source.getRepository(JobEntity).findBy({ shopId, id: In([...ids]) });
    const catalog = new CatalogRepository(this.source);
    return Promise.all(
      rows.map(async ({ id, number, vehicle, answers, closedAtMs, kits }) => ({
        id,
        number,
        vehicle,
        answers,
        closedAtMs: closedAtMs ?? undefined,
        kits: await catalog.pinned(shopId, kits),
      })),
    );
  }

  /** Accepted pulls since a wrench's last calibration, by wrench. */
  async pullsSinceCalibration(shopId: string): Promise<Map<string, number>> {
    const rows: Array<{ wrench: string; pulls: string | number }> = await this.source.query(
      `SELECT w.id AS wrench, COUNT(e.seq) AS pulls
        FROM wrench w LEFT JOIN job_event e ON e.wrench_id = w.id AND e.type = 'pullRecorded'
          AND e.happened_at_ms > COALESCE((SELECT MAX(c.at_ms) FROM wrench_check c
            WHERE c.wrench_id = w.id AND c.kind = 'calibration' AND c.within = 1), 0)
        WHERE w.shop_id = ? GROUP BY w.id`,
      [shopId],
    );
    return new Map(rows.map((row) => [row.wrench, Number(row.pulls)]));
  }

  /**
   * Stations whose last standing word is a pull of this wrench made between two instants: later pulls by another
   * wrench and those settled by a person are left out.
   */
  async doubtfulPulls(
    wrenchId: string,
    fromMs: number,
    untilMs: number,
  ): Promise<Array<{ jobId: string; station: string; atMs: number; torqueNm: number }>> {
    const rows: Array<{ jobId: string; station: string; atMs: string | number; torqueNm: string | number }> =
      await this.source.query(
        `SELECT e.job_id AS jobId, JSON_VALUE(e.body, '$.station') AS station, MAX(e.happened_at_ms) AS atMs,
            MAX(JSON_VALUE(e.body, '$.torqueNm')) AS torqueNm
          FROM job_event e
          WHERE e.wrench_id = ? AND e.type = 'pullRecorded' AND e.happened_at_ms > ? AND e.happened_at_ms <= ?
            AND NOT EXISTS (SELECT 1 FROM job_event l WHERE l.job_id = e.job_id AND l.type = 'pullRecorded'
              AND l.wrench_id <> e.wrench_id AND l.happened_at_ms > e.happened_at_ms
              AND JSON_VALUE(l.body, '$.verdict') = 'accepted'
              AND JSON_VALUE(l.body, '$.station') = JSON_VALUE(e.body, '$.station'))
            AND NOT EXISTS (SELECT 1 FROM recheck_settled s WHERE s.wrench_id = e.wrench_id AND s.job_id = e.job_id
              AND s.station = JSON_VALUE(e.body, '$.station') AND s.at_ms > e.happened_at_ms)
          GROUP BY e.job_id, JSON_VALUE(e.body, '$.station')
          ORDER BY atMs DESC`,
        [wrenchId, fromMs, untilMs],
      );
    return rows.map((row) => ({ ...row, atMs: Number(row.atMs), torqueNm: Number(row.torqueNm) }));
  }

  async settleRecheck(
    recheck: Pick<Recheck, 'wrenchId' | 'jobId' | 'stationId'>,
    atMs: number,
    byName: string,
    how: string,
  ): Promise<void> {
    await this.source
      .getRepository(RecheckSettledEntity)
      .save({ wrenchId: recheck.wrenchId, jobId: recheck.jobId, station: recheck.stationId, atMs, byName, how });
  }

  async temperatures(shopId: string, sinceMs: number): Promise<StoreReading[]> {
    const rows = await this.source
      .getRepository(StoreReadingEntity)
      .createQueryBuilder('reading')
      .where('reading.shopId = :shopId AND reading.atMs >= :sinceMs', { shopId, sinceMs })
      .orderBy('reading.atMs')
      .getMany();
    return rows.map(({ atMs, temperatureC }) => ({ atMs, temperatureC }));
  }

  async addTemperature(shopId: string, atMs: number, temperatureC: number, byName: string): Promise<void> {
    await this.source.getRepository(StoreReadingEntity).save({ shopId, atMs, temperatureC, byName });
  }
}
