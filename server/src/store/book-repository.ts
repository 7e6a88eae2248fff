import type { DataSource } from 'typeorm';
import type { StepHistory } from '#core/day/estimate.ts';
import type { FinalPull } from '#core/record/station-spread.ts';
import type { StepTime } from '#core/record/step-times.ts';
import type { TraceKind } from '#core/trace/pull-trace.ts';
import { BookJobEntity, BookPullEntity, BookStepEntity, BookTroubleEntity } from './book-entities.ts';
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
  before?: { atMs: number; job: string; id: string };
  /** Pulls of nobody else are shown by person. */
  onlyPerson?: string;
}

/** With more ids than this for one word, its pulls are many: the newest of all are read through. */
const MOST_RANGES = 40;
const INSERTED_AT_ONCE = 500;

/** A pull's curve as it is kept. */
export interface PackedCurve {
  job: string;
  number: string;
  atMs: number;
  revision: number;
  trace: string;
  kind?: TraceKind;
}

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
    steps: BookStepEntity[],
  ): Promise<void> {
    await inTransaction(this.source, async (manager) => {
      await manager.delete(BookPullEntity, { jobId: job.jobId });
      await manager.delete(BookTroubleEntity, { jobId: job.jobId });
      await manager.delete(BookStepEntity, { jobId: job.jobId });
      for (let at = 0; at < pulls.length; at += INSERTED_AT_ONCE)
        await manager.insert(BookPullEntity, pulls.slice(at, at + INSERTED_AT_ONCE));
      for (let at = 0; at < troubles.length; at += INSERTED_AT_ONCE)
        await manager.insert(BookTroubleEntity, troubles.slice(at, at + INSERTED_AT_ONCE));
      for (let at = 0; at < steps.length; at += INSERTED_AT_ONCE)
        await manager.insert(BookStepEntity, steps.slice(at, at + INSERTED_AT_ONCE));
      await manager.upsert(BookJobEntity, job, ['jobId']);
    });
  }

  /** Names that words are looked for in: few against the pulls. Of the pulls only ends of indexes are read. */
  async names(shopId: string): Promise<Array<{ by: keyof Meant; id: string; text: string }>> {
    const read = async (by: keyof Meant, sql: string, values: unknown[] = [shopId]) => {
      const rows: Array<{ id: string; text: string | null }> = await this.source.query(sql, values);
      return rows.map(({ id, text }) => ({ by, id, text: text ?? '' }));
    };
    return (
      await Promise.all([
        read(
          'vehicle_id',
          `SELECT id, CONCAT_WS(' ', JSON_VALUE(card, '$.plate'), JSON_VALUE(card, '$.make'), JSON_VALUE(card, '$.model'),
            JSON_VALUE(card, '$.owner')) AS text FROM vehicle WHERE shop_id = ?`,
        ),
        read(
          'kit_id',
          `SELECT k.id, JSON_VALUE(k.document, '$.title') AS text FROM kit k JOIN (SELECT id, MAX(revision) AS revision
            FROM kit WHERE shop_id = ? GROUP BY id) n ON n.id = k.id AND n.revision = k.revision WHERE k.shop_id = ?`,
          [shopId, shopId],
        ),
        read('station', 'SELECT station AS id, station AS text FROM book_pull WHERE shop_id = ? GROUP BY station'),
        // A wrench of another shop's pool pulls here too.
        read(
          'wrench_id',
          'SELECT id, label AS text FROM wrench WHERE id IN (SELECT wrench_id FROM book_pull WHERE shop_id = ? GROUP BY wrench_id)',
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
        .query(
          `SELECT * FROM book_pull WHERE shop_id = ?${where}${rest} ORDER BY at_ms DESC, job_id DESC, pull_id DESC LIMIT ?`,
          [shopId, ...given, ...values, most],
        )
        .then((rows: Array<Record<string, unknown>>) => rows.map(pullOf));
    const ranges = drivers === undefined || drivers.length > MOST_RANGES ? undefined : drivers;
    const found = ranges
      ? (await Promise.all(ranges.map(({ by, id }) => read(` AND ${by} = ?`, [id])))).flat()
      : await read('', []);
    const once = new Map(found.map((pull) => [`${pull.jobId} ${pull.pullId}`, pull]));
    return [...once.values()]
      .sort((a, b) => b.atMs - a.atMs || compare(b.jobId, a.jobId) || compare(b.pullId, a.pullId))
      .slice(0, most);
  }

  /** Final pulls of a kit that stand, the newest of them. */
  async finals(shopId: string, kit: string, revision: number | undefined, most: number): Promise<FinalPull[]> {
    const rows: Array<Record<string, string | number | null>> = await this.source.query(
      `SELECT station, torque_nm, target_nm, min_nm, max_nm, verdict FROM book_pull
        WHERE shop_id = ? AND kit_id = ? AND final = 1 AND stands = 1 ${revision === undefined ? '' : 'AND kit_revision = ?'}
        ORDER BY at_ms DESC LIMIT ?`,
      revision === undefined ? [shopId, kit, most] : [shopId, kit, revision, most],
    );
    return rows.map(({ station, torque_nm, target_nm, min_nm, max_nm, verdict }) => ({
      station: String(station),
      torqueNm: Number(torque_nm),
      targetNm: Number(target_nm),
      minNm: Number(min_nm),
      ...(max_nm === null ? {} : { maxNm: Number(max_nm) }),
      accepted: verdict === 'accepted',
    }));
  }

  /** The packed curves of a station's final pulls that stand, the newest first, over all revisions of a kit. */
  async curves(shopId: string, kit: string, station: string, most: number): Promise<PackedCurve[]> {
    const rows: Array<Record<string, string | number | null>> = await this.source.query(
      `SELECT p.job_id, p.number, p.at_ms, p.kit_revision,
              JSON_VALUE(e.body, '$.trace') AS trace, JSON_VALUE(e.body, '$.curve.kind') AS kind
         FROM book_pull p
         JOIN job_event e ON e.job_id = p.job_id AND e.command_id = p.pull_id AND e.type = 'pullRecorded'
        WHERE p.shop_id = ? AND p.kit_id = ? AND p.station = ? AND p.final = 1 AND p.stands = 1
          AND JSON_VALUE(e.body, '$.trace') IS NOT NULL
        ORDER BY p.at_ms DESC LIMIT ?`,
      [shopId, kit, station, most],
    );
    return rows.map(({ job_id, number, at_ms, kit_revision, trace, kind }) => ({
      job: String(job_id),
      number: String(number),
      atMs: Number(at_ms),
      revision: Number(kit_revision),
      trace: String(trace),
      ...(kind === null ? {} : { kind: String(kind) as TraceKind }),
    }));
  }

  /** What each step of a kit took, job by job, the newest first. */
  async steps(
    shopId: string,
    kit: string,
    revision: number | undefined,
    most: number,
  ): Promise<Array<StepTime & { text: string }>> {
    const rows: Array<Record<string, string | number | null>> = await this.source.query(
      `SELECT step, text, planned_min, took_min FROM book_step
        WHERE shop_id = ? AND kit_id = ? ${revision === undefined ? '' : 'AND kit_revision = ?'}
        ORDER BY at_ms DESC LIMIT ?`,
      revision === undefined ? [shopId, kit, most] : [shopId, kit, revision, most],
    );
    return rows.map(({ step, text, planned_min, took_min }) => ({
      step: String(step),
      text: String(text),
      ...(planned_min === null ? {} : { plannedMin: Number(planned_min) }),
      tookMin: Number(took_min),
    }));
  }

  /** What the steps of some kits took, with who did them and on what, the newest first. */
  async paces(shopId: string, kits: readonly string[], most: number): Promise<StepHistory[]> {
    const rows: Array<Record<string, string | number | null>> = await this.source.query(
      `SELECT kit_id, step, planned_min, took_min, person_id, model FROM book_step
        WHERE shop_id = ? AND kit_id IN (${kits.map(() => '?').join(', ')})
        ORDER BY at_ms DESC LIMIT ?`,
      [shopId, ...kits, most],
    );
    return rows.map(({ kit_id, step, planned_min, took_min, person_id, model }) => ({
      kit: String(kit_id),
      step: String(step),
      ...(planned_min === null ? {} : { plannedMin: Number(planned_min) }),
      tookMin: Number(took_min),
      ...(person_id === null ? {} : { fitter: String(person_id) }),
      ...(model === null ? {} : { vehicle: String(model) }),
    }));
  }

  /** Pulls a wrench made up to and after each of some moments in order: one count between every two of them. */
  async pullsBetween(shopId: string, wrench: string, moments: readonly number[]): Promise<number[]> {
    const bounds = [0, ...moments, Number.MAX_SAFE_INTEGER];
    const counts = await Promise.all(
      bounds
        .slice(1)
        .map((to, at) =>
          this.source.query(
            'SELECT COUNT(*) AS count FROM book_pull WHERE shop_id = ? AND wrench_id = ? AND at_ms >= ? AND at_ms < ?',
            [shopId, wrench, bounds[at], to],
          ),
        ),
    );
    return counts.map(([row]) => Number(row.count));
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
  if (before) {
    const { atMs, job, id } = before;
    // The bound by itself, so that the index is read from there.
    narrow(' AND at_ms <= ?', atMs);
    narrow(' AND (at_ms < ? OR job_id < ? OR (job_id = ? AND pull_id < ?))', atMs, job, job, id);
  }
  return { sql: parts.join(''), values };
}

const compare = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

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
