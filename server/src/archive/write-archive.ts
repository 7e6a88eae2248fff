import { createHash } from 'node:crypto';
import { Readable } from 'node:stream';
import { ZipArchive } from 'archiver';
import type { DataSource, QueryRunner } from 'typeorm';
import { ARCHIVE_FORMAT, ARCHIVE_VERSION, MANIFEST, type Manifest } from '#contract/archive.ts';
import { openValue } from './row-text.ts';
import { ARCHIVED, type TablePlan } from './table-plan.ts';

/** A file of an archive that is made while it is read. */
export interface ArchiveFile {
  name: string;
  parts: () => AsyncIterable<string | Buffer>;
}

/** What stands in an archive beside the tables: for people and other programs. */
export type OpenFiles = () => AsyncIterable<ArchiveFile>;

type Row = Record<string, unknown>;

/** What is known of a table: its columns that are stored, and those it is sorted by. */
interface Shape {
  columns: string[];
  key: string[];
}

async function shapeOf(runner: QueryRunner, { name, without = [] }: TablePlan): Promise<Shape> {
  const rows: Array<{ name: string; extra: string; keyed: string }> = await runner.query(
    `SELECT COLUMN_NAME AS name, EXTRA AS extra, COLUMN_KEY AS keyed FROM information_schema.COLUMNS
      WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = ? ORDER BY ORDINAL_POSITION`,
    [name],
  );
  return {
    // What the database works out of others is not carried about.
    columns: rows
      .filter(({ name: column, extra }) => !/GENERATED/i.test(extra) && !without.includes(column))
      .map((row) => row.name),
    key: rows.filter(({ keyed }) => keyed === 'PRI').map((row) => row.name),
  };
}

const quoted = (names: readonly string[]): string => names.map((name) => `\`${name}\``).join(', ');

/** The name of the file that a row's bytes are kept in: by the row's own key. */
const bytesFile = (table: string, key: readonly unknown[]): string =>
  `files/${table}/${key.map((part) => encodeURIComponent(String(part))).join('_')}`;

/** Rows of a table, one JSON object a line, sorted by their key. Bytes stand in files of their own, and here by name. */
async function* lines(
  runner: QueryRunner,
  plan: TablePlan,
  shape: Shape,
  shopId: string,
  counted: (rows: number) => void,
) {
  const { name, where, bytes } = plan;
  const columns = shape.columns.filter((column) => column !== bytes);
  const stream = await runner.stream(
    `SELECT ${quoted(columns)} FROM \`${name}\` WHERE ${where} ORDER BY ${quoted(shape.key)}`,
    [shopId],
  );
  let rows = 0;
  for await (const row of stream as AsyncIterable<Row>) {
    const open: Row = Object.fromEntries(columns.map((column) => [column, openValue(row[column])]));
    if (bytes)
      open[bytes] = bytesFile(
        name,
        shape.key.map((column) => row[column]),
      );
    rows += 1;
    yield `${JSON.stringify(open)}\n`;
  }
  counted(rows);
}

/** Keys of the rows of a table that hold bytes. */
async function keysOf(runner: QueryRunner, { name, where }: TablePlan, { key }: Shape, shopId: string): Promise<Row[]> {
  return runner.query(`SELECT ${quoted(key)} FROM \`${name}\` WHERE ${where} ORDER BY ${quoted(key)}`, [shopId]);
}

/**
 * The whole shop as one ZIP: every row of every table of it as the database has it (`tables/`), bytes (`files/`), and the
 * same again as people and other programs read it (`open/`). All of one instant; nothing is held in memory but what is
 * being written.
 *
 * @see docs/formats/archive.md
 */
export function writeArchive(
  source: DataSource,
  { shopId, shop, nowMs, open }: { shopId: string; shop: string; nowMs: number; open: OpenFiles },
): Readable {
  const zip = new ZipArchive({ zlib: { level: 6 } });
  const files: Manifest['files'] = [];
  const date = new Date(nowMs);
  // Who fetches it may go away in the middle: then nothing waits for them.
  const gone = new Promise<never>((_, reject) => {
    zip.once('close', () => reject(new Error('nobody fetches the archive any more')));
  });
  gone.catch(() => undefined);
  /** Waits until a file has gone through before the next is begun: they are read on one connection. */
  const add = (name: string, parts: AsyncIterable<string | Buffer>) => Promise.race([gone, through(name, parts)]);
  const through = (name: string, parts: AsyncIterable<string | Buffer>) =>
    new Promise<Manifest['files'][number]>((resolve, reject) => {
      const hash = createHash('sha256');
      let bytes = 0;
      async function* measured() {
        for await (const part of parts) {
          hash.update(part);
          bytes += Buffer.byteLength(part);
          yield typeof part === 'string' ? Buffer.from(part) : part;
        }
        const file = { name, bytes, sha256: hash.digest('hex') };
        files.push(file);
        resolve(file);
      }
      const stream = Readable.from(measured(), { objectMode: false });
      stream.once('error', reject);
      zip.append(stream, { name, date });
    });
  const write = async () => {
    const runner = source.createQueryRunner();
    try {
      await runner.query('START TRANSACTION WITH CONSISTENT SNAPSHOT');
      for (const plan of ARCHIVED) {
        const shape = await shapeOf(runner, plan);
        let counted = 0;
        const file = await add(
          `tables/${plan.name}.ndjson`,
          lines(runner, plan, shape, shopId, (rows) => {
            counted = rows;
          }),
        );
        file.rows = counted;
        if (!plan.bytes) continue;
        for (const key of await keysOf(runner, plan, shape, shopId)) {
          const values = shape.key.map((column) => key[column]);
          const [row] = await runner.query(
            `SELECT \`${plan.bytes}\` AS bytes FROM \`${plan.name}\` WHERE ${shape.key.map((column) => `\`${column}\` = ?`).join(' AND ')}`,
            values,
          );
          await add(bytesFile(plan.name, values), one(row.bytes));
        }
      }
      for await (const { name, parts } of open()) await add(`open/${name}`, parts());
      const [newest] = await runner.query('SELECT name FROM migrations ORDER BY id DESC LIMIT 1');
      const manifest: Manifest = {
        format: ARCHIVE_FORMAT,
        version: ARCHIVE_VERSION,
        shop,
        madeAtMs: nowMs,
        schema: newest.name,
        files: [...files],
      };
      await add(MANIFEST, one(`${JSON.stringify(manifest, null, 2)}\n`));
      await zip.finalize();
    } finally {
      await runner.query('ROLLBACK').catch(() => undefined);
      await runner.release();
    }
  };
  // Whoever reads the ZIP sees it break off, and not end as if it were whole.
  write().catch((error: unknown) => zip.destroy(error instanceof Error ? error : new Error(String(error))));
  return zip as unknown as Readable;
}

async function* one(part: string | Buffer) {
  yield part;
}
