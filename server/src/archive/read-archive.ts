import { createHash, randomBytes } from 'node:crypto';
import { createInterface } from 'node:readline';
import type { Readable } from 'node:stream';
import type { DataSource, EntityManager } from 'typeorm';
import { type Entry, openPromise, type ZipFile } from 'yauzl';
import { MANIFEST, type Manifest, ManifestSchema } from '#contract/archive.ts';
import { trustFormerKey } from '../seal/shop-key.ts';
import { hashSecret } from '../service/session-service.ts';
import { newPin } from '../service/shop-service.ts';
import { storedValue } from './row-text.ts';
import { ARCHIVED, type TablePlan } from './table-plan.ts';

/** Why an archive was not read; nothing was changed then. */
class ArchiveRefused extends Error {}

/** Where an archive has the key its records are signed with. */
const PUBLIC_KEY = 'open/public-key.txt';

/** Rows that go in with one statement. */
const AT_ONCE = 200;

/** Files of a ZIP by their names. */
class Zip {
  private constructor(
    private readonly file: ZipFile,
    private readonly entries: ReadonlyMap<string, Entry>,
  ) {}

  static async open(path: string): Promise<Zip> {
    let file: ZipFile;
    try {
      file = await openPromise(path, { lazyEntries: true, autoClose: false });
    } catch (error) {
      throw new ArchiveRefused(`${path} is no ZIP, or was cut off: ${(error as Error).message}`);
    }
    const entries = new Map<string, Entry>();
    for await (const entry of file.eachEntry()) entries.set(entry.fileName, entry);
    return new Zip(file, entries);
  }

  async stream(name: string): Promise<Readable> {
    const entry = this.entries.get(name);
    if (!entry) throw new ArchiveRefused(`The archive lacks ${name}.`);
    return this.file.openReadStreamPromise(entry);
  }

  async bytes(name: string): Promise<Buffer> {
    const parts: Buffer[] = [];
    for await (const part of await this.stream(name)) parts.push(part as Buffer);
    return Buffer.concat(parts);
  }

  close(): void {
    this.file.close();
  }
}

async function manifestOf(zip: Zip): Promise<Manifest> {
  let document: unknown;
  try {
    document = JSON.parse((await zip.bytes(MANIFEST)).toString('utf8'));
  } catch (error) {
    if (error instanceof ArchiveRefused) throw error;
    throw new ArchiveRefused(`${MANIFEST} cannot be read: ${(error as Error).message}`);
  }
  const read = ManifestSchema.safeParse(document);
  if (read.success) return read.data;
  const [issue] = read.error.issues;
  throw new ArchiveRefused(`${MANIFEST} is not one of ours: ${issue?.path.join('.')}: ${issue?.message}`);
}

/** Holds every file against its length and hash before anything is taken. */
async function check(zip: Zip, { files }: Manifest): Promise<void> {
  for (const { name, bytes, sha256 } of files) {
    const hash = createHash('sha256');
    let length = 0;
    for await (const part of await zip.stream(name)) {
      hash.update(part as Buffer);
      length += (part as Buffer).length;
    }
    if (length !== bytes || hash.digest('hex') !== sha256) throw new ArchiveRefused(`${name} was altered or cut off.`);
  }
}

/** What stands in for what stays behind: a secret nobody knows, a token no cookie has. */
async function filled(plan: TablePlan, row: Record<string, unknown>): Promise<Record<string, unknown>> {
  const given: Record<string, unknown> = {};
  for (const column of plan.without ?? [])
    given[column] =
      column === 'secret_hash' ? await hashSecret(randomBytes(24).toString('hex')) : randomBytes(32).toString('hex');
  return { ...row, ...given };
}

async function insert(manager: EntityManager, table: string, rows: Array<Record<string, unknown>>): Promise<void> {
  const [first] = rows;
  if (!first) return;
  const columns = Object.keys(first);
  const marks = `(${columns.map(() => '?').join(', ')})`;
  await manager.query(
    `INSERT INTO \`${table}\` (${columns.map((column) => `\`${column}\``).join(', ')}) VALUES ${rows.map(() => marks).join(', ')}`,
    rows.flatMap((row) => columns.map((column) => row[column])),
  );
}

async function readTable(manager: EntityManager, zip: Zip, plan: TablePlan): Promise<number> {
  let rows: Array<Record<string, unknown>> = [];
  let count = 0;
  const flush = async () => {
    await insert(manager, plan.name, rows);
    count += rows.length;
    rows = [];
  };
  for await (const line of createInterface({ input: await zip.stream(`tables/${plan.name}.ndjson`) })) {
    const open = JSON.parse(line) as Record<string, unknown>;
    const row = Object.fromEntries(Object.entries(open).map(([column, value]) => [column, storedValue(value)]));
    if (plan.bytes) row[plan.bytes] = await zip.bytes(String(row[plan.bytes]));
    rows.push(await filled(plan, row));
    if (rows.length >= AT_ONCE) await flush();
  }
  await flush();
  return count;
}

/**
 * Reads an archive into an installation without a shop: whole or not at all. Nobody's PIN comes along; the first lead
 * gets a new one.
 *
 * @param source - as the schema's owner: the server's own account may not write all of it
 * @param sealDir - where the shop's key lies: records signed with the key of before stay the shop's own
 * @throws {ArchiveRefused}
 */
export async function readArchive(
  source: DataSource,
  path: string,
  sealDir: string,
): Promise<{ shop: string; rows: number; lead: { name: string; pin: string } }> {
  const zip = await Zip.open(path);
  try {
    const manifest = await manifestOf(zip);
    const [{ shops }] = await source.query('SELECT COUNT(*) AS shops FROM shop');
    if (Number(shops) > 0)
      throw new ArchiveRefused('There is a shop here already: an archive is read into an empty installation.');
    const [newest] = await source.query('SELECT name FROM migrations ORDER BY id DESC LIMIT 1');
    if (newest?.name !== manifest.schema)
      throw new ArchiveRefused(
        `The archive is of another version (${manifest.schema}; here ${newest?.name}): read it with that version, then update.`,
      );
    await check(zip, manifest);
    return await source.transaction(async (manager) => {
      let rows = 0;
      for (const plan of ARCHIVED) {
        const count = await readTable(manager, zip, plan);
        const told = manifest.files.find(({ name }) => name === `tables/${plan.name}.ndjson`)?.rows;
        if (told !== count)
          throw new ArchiveRefused(`tables/${plan.name}.ndjson has ${count} rows, the manifest says ${told}.`);
        rows += count;
      }
      const [lead] = await manager.query(
        "SELECT id, name FROM user WHERE role = 'lead' AND left_at_ms IS NULL AND locked_at_ms IS NULL ORDER BY name LIMIT 1",
      );
      if (!lead) throw new ArchiveRefused('Nobody of the shop in the archive is a lead who could sign in.');
      const [shop] = await manager.query('SELECT secret_digits AS digits FROM shop');
      trustFormerKey(sealDir, (await zip.bytes(PUBLIC_KEY)).toString('utf8').trim());
      const pin = newPin(Number(shop?.digits));
      await manager.query('UPDATE user SET secret_hash = ? WHERE id = ?', [await hashSecret(pin), lead.id]);
      return { shop: manifest.shop, rows, lead: { name: String(lead.name), pin } };
    });
  } finally {
    zip.close();
  }
}
