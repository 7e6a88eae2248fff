import type { DataSource } from 'typeorm';
import { BookJobEntity, BookPullEntity, BookTroubleEntity } from './book-entities.ts';
import { inTransaction } from './data-source.ts';

/** What a word of a search may stand for: ids of each kind it was found in. */
export interface Meant {
  vehicle_id: string[];
  kit_id: string[];
  station: string[];
  wrench_id: string[];
  person_id: string[];
}
export const MEANT_BY = ['vehicle_id', 'kit_id', 'station', 'wrench_id', 'person_id'] as const;

/** What a search is narrowed to beside its words. */
export interface Narrowed {
  verdict?: string;
  kit?: string;
  revision?: number;
  fromMs?: number;
  toMs?: number;
  before?: { atMs: number; id: string };
  /** Pulls of nobody else are shown by person. */
  onlyPerson?: string;
}

/** With more ids than this for one word, its pulls are many: the newest of all are read through. */
const MOST_RANGES = 40;
const INSERTED_AT_ONCE = 500;

/** Everything ever pulled, as it is searched. */
export class BookRepository {
  constructor(private readonly source: DataSource) {}

  /** Jobs with entries that are not in the book yet, the oldest first. */
  async behind(shopId: string, most: number): Promise<Array<{ id: string; seq: number }>> {
    const rows: Array<{ id: string; seq: number }> = await this.source.query(
      `SELECT j.id, j.seq FROM job j LEFT JOIN book_job b ON b.job_id = j.id
        WHERE j.shop_id = ? AND j.seq > COALESCE(b.seq, 0) ORDER BY j.opened_at_ms LIMIT ?`,
      [shopId, most],
    );
    return rows.map(({ id, seq }) => ({ id, seq: Number(seq) }));
  }

  async countBehind(shopId: string): Promise<number> {
    const [row] = await this.source.query(
      `SELECT COUNT(*) AS count FROM job j LEFT JOIN book_job b ON b.job_id = j.id
        WHERE j.shop_id = ? AND j.seq > COALESCE(b.seq, 0)`,
      [shopId],
    );
    return Number(row.count);
  }

  /** Writes a job anew: all of it or nothing. */
  async write(
    job: BookJobEntity,
    pulls: BookPullEntity[],
    troubles: Array<Omit<BookTroubleEntity, 'id'>>,
  ): Promise<void> {
    await inTransaction(this.source, async (manager) => {
      await manager.delete(BookPullEntity, { jobId: job.jobId });
      await manager.delete(BookTroubleEntity, { jobId: job.jobId });
      for (let at = 0; at < pulls.length; at += INSERTED_AT_ONCE)
        await manager.insert(BookPullEntity, pulls.slice(at, at + INSERTED_AT_ONCE));
      for (let at = 0; at < troubles.length; at += INSERTED_AT_ONCE)
        await manager.insert(BookTroubleEntity, troubles.slice(at, at + INSERTED_AT_ONCE));
      await manager.upsert(BookJobEntity, job, ['jobId']);
    });
  }

  /** Names that words are looked for in: few against the pulls. */
  async names(shopId: string): Promise<Array<{ by: keyof Meant; id: string; text: string }>> {
    const read = async (by: keyof Meant, sql: string) => {
      const rows: Array<{ id: string; text: string }> = await this.source.query(sql, [shopId]);
      return rows.map(({ id, text }) => ({ by, id, text }));
    };
    return (
      await Promise.all([
        read(
          'vehicle_id',
          "SELECT id, CONCAT_WS(' ', JSON_VALUE(card, '$.plate'), JSON_VALUE(card, '$.make'), JSON_VALUE(card, '$.model'), JSON_VALUE(card, '$.owner')) AS text FROM vehicle WHERE shop_id = ?",
        ),
        read('kit_id', 'SELECT kit_id AS id, MAX(kit_title) AS text FROM book_pull WHERE shop_id = ? GROUP BY kit_id'),
        read('station', 'SELECT station AS id, station AS text FROM book_pull WHERE shop_id = ? GROUP BY station'),
        read(
          'wrench_id',
          'SELECT wrench_id AS id, MAX(wrench) AS text FROM book_pull WHERE shop_id = ? GROUP BY wrench_id',
        ),
        read('person_id', 'SELECT id, name AS text FROM user WHERE shop_id = ?'),
      ])
    ).flat();
  }

  /**
   * The newest pulls that answer to every word. Driven by the word with the fewest ids: for each of them its newest pulls
   * are read off the end of its index, the rest is checked row by row.
   *
   * @param words - what each word of the search stands for; none: everything
   */
  async search(shopId: string, words: readonly Meant[], narrowed: Narrowed, most: number): Promise<BookPullEntity[]> {
    const { sql: rest, values } = conditions(words, narrowed);
    const drivers = words
      .map((meant) => MEANT_BY.flatMap((by) => meant[by].map((id) => ({ by, id }))))
      .sort((a, b) => a.length - b.length)[0];
    const read = (where: string, given: unknown[]): Promise<BookPullEntity[]> =>
      this.source
        .query(`SELECT * FROM book_pull WHERE shop_id = ?${where}${rest} ORDER BY at_ms DESC, pull_id DESC LIMIT ?`, [
          shopId,
          ...given,
          ...values,
          most,
        ])
        .then((rows: Array<Record<string, unknown>>) => rows.map(pullOf));
    const ranges = drivers === undefined || drivers.length > MOST_RANGES ? undefined : drivers;
    const found = ranges
      ? (await Promise.all(ranges.map(({ by, id }) => read(` AND ${by} = ?`, [id])))).flat()
      : await read('', []);
    const once = new Map(found.map((pull) => [`${pull.jobId} ${pull.pullId}`, pull]));
    return [...once.values()].sort((a, b) => b.atMs - a.atMs || (a.pullId < b.pullId ? 1 : -1)).slice(0, most);
  }

  /** Final pulls of a kit that stand, by station, with how they lie. */
  async finals(shopId: string, kit: string, revision?: number) {
    const rows: Array<Record<string, string | number | null>> = await this.source.query(
      `SELECT station, COUNT(*) AS pulls, AVG(torque_nm) AS mean, STDDEV_SAMP(torque_nm) AS sd, MIN(min_nm) AS min, MAX(max_nm) AS max,
          AVG(target_nm) AS target, MIN(torque_nm) AS low, MAX(torque_nm) AS high, SUM(verdict <> 'accepted') AS missed
        FROM book_pull WHERE shop_id = ? AND kit_id = ? AND final = 1 AND stands = 1 ${revision === undefined ? '' : 'AND kit_revision = ?'}
        GROUP BY station`,
      revision === undefined ? [shopId, kit] : [shopId, kit, revision],
    );
    return rows;
  }

  /** How many final pulls of a kit lie in each of so many parts of each station's scale. */
  async bins(
    shopId: string,
    kit: string,
    revision: number | undefined,
    scales: ReadonlyMap<string, { lowNm: number; highNm: number }>,
    parts: number,
  ) {
    const found = new Map<string, number[]>();
    await Promise.all(
      [...scales].map(async ([station, { lowNm, highNm }]) => {
        const wide = Math.max(1e-9, (highNm - lowNm) / parts);
        const rows: Array<{ bin: string; count: string }> = await this.source.query(
          `SELECT LEAST(?, GREATEST(0, FLOOR((torque_nm - ?) / ?))) AS bin, COUNT(*) AS count FROM book_pull
            WHERE shop_id = ? AND kit_id = ? AND station = ? AND final = 1 AND stands = 1 ${revision === undefined ? '' : 'AND kit_revision = ?'}
            GROUP BY bin`,
          [parts - 1, lowNm, wide, shopId, kit, station, ...(revision === undefined ? [] : [revision])],
        );
        const counts = new Array<number>(parts).fill(0);
        for (const { bin, count } of rows) counts[Number(bin)] = Number(count);
        found.set(station, counts);
      }),
    );
    return found;
  }

  async troubles(shopId: string, kit: string, revision?: number): Promise<Array<Record<string, string | number>>> {
    return this.source.query(
      `SELECT kind, place, COUNT(*) AS times, COUNT(DISTINCT job_id) AS jobs, MAX(at_ms) AS last,
          SUBSTRING_INDEX(GROUP_CONCAT(text ORDER BY at_ms DESC SEPARATOR '\\n'), '\\n', 1) AS text
        FROM book_trouble WHERE shop_id = ? AND kit_id = ? ${revision === undefined ? '' : 'AND kit_revision = ?'}
        GROUP BY kind, place ORDER BY jobs DESC, times DESC LIMIT 200`,
      revision === undefined ? [shopId, kit] : [shopId, kit, revision],
    );
  }

  async jobsOf(shopId: string, kit: string, revision?: number): Promise<{ jobs: number; retorques: number }> {
    const [row] = await this.source.query(
      `SELECT SUM(again = 0) AS jobs, SUM(again = 1) AS retorques FROM book_job
        WHERE shop_id = ? AND kit_id = ? ${revision === undefined ? '' : 'AND kit_revision = ?'}`,
      revision === undefined ? [shopId, kit] : [shopId, kit, revision],
    );
    return { jobs: Number(row.jobs ?? 0), retorques: Number(row.retorques ?? 0) };
  }
}

/** Every word must be answered by some of what it stands for, and the rest as it is narrowed. */
function conditions(words: readonly Meant[], { verdict, kit, revision, fromMs, toMs, before, onlyPerson }: Narrowed) {
  const values: unknown[] = [];
  const parts: string[] = [];
  for (const meant of words) {
    const some = MEANT_BY.filter((by) => meant[by].length > 0);
    parts.push(some.length === 0 ? ' AND FALSE' : ` AND (${some.map((by) => `${by} IN (?)`).join(' OR ')})`);
    values.push(...some.map((by) => meant[by]));
  }
  const narrow = (sql: string, ...given: unknown[]) => {
    parts.push(sql);
    values.push(...given);
  };
  if (verdict !== undefined) narrow(' AND verdict = ?', verdict);
  if (kit !== undefined) narrow(' AND kit_id = ?', kit);
  if (revision !== undefined) narrow(' AND kit_revision = ?', revision);
  if (fromMs !== undefined) narrow(' AND at_ms >= ?', fromMs);
  if (toMs !== undefined) narrow(' AND at_ms <= ?', toMs);
  if (onlyPerson !== undefined) narrow(' AND person_id = ?', onlyPerson);
  if (before) narrow(' AND (at_ms < ? OR (at_ms = ? AND pull_id < ?))', before.atMs, before.atMs, before.id);
  return { sql: parts.join(''), values };
}

const pullOf = (row: Record<string, unknown>): BookPullEntity => ({
  jobId: String(row.job_id),
  pullId: String(row.pull_id),
  shopId: String(row.shop_id),
  atMs: Number(row.at_ms),
  number: String(row.number),
  vehicleId: String(row.vehicle_id),
  plate: String(row.plate),
  model: String(row.model),
  kitId: String(row.kit_id),
  kitRevision: Number(row.kit_revision),
  kitTitle: String(row.kit_title),
  station: String(row.station),
  wrenchId: String(row.wrench_id),
  wrench: String(row.wrench),
  personId: String(row.person_id),
  person: String(row.person),
  torqueNm: Number(row.torque_nm),
  targetNm: Number(row.target_nm),
  minNm: Number(row.min_nm),
  maxNm: row.max_nm === null ? null : Number(row.max_nm),
  verdict: String(row.verdict) as BookPullEntity['verdict'],
  stands: Boolean(row.stands),
  final: Boolean(row.final),
});
