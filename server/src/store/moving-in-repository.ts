import { type DataSource, type EntityManager, In } from 'typeorm';
import type { Book } from '#contract/moving-in/book.ts';
import type { Person } from '#core/job/role.ts';
import { BottleEntity, ShelfEntity, ToolEntity, WrenchCheckEntity } from './crib-entities.ts';
import { inTransaction } from './data-source.ts';
import { KitEntity, MovedInEntity, ShopChangeEntity, UserEntity, VehicleEntity, WrenchEntity } from './entities.ts';

/** Rows to be inserted for an import, table by table. */
export interface NewRows {
  vehicles?: VehicleEntity[];
  wrenches?: WrenchEntity[];
  checks?: WrenchCheckEntity[];
  tools?: ToolEntity[];
  bottles?: BottleEntity[];
  drawers?: ShelfEntity[];
  people?: UserEntity[];
  kits?: KitEntity[];
}

/** A kit's place in an import's list: its id and revision. */
export const kitRef = ({ id, revision }: Pick<KitEntity, 'id' | 'revision'>): string => `${id} ${revision}`;

/** Something of an import is in use since. */
export class InUseSince extends Error {
  constructor(readonly names: string[]) {
    super(names.join(', '));
  }
}

/**
 * Of each book: what is in use since it was brought, by a name people know. `?` are the shop and the ids, of wrenches
 * also when they were brought. A vehicle that was saved again, a wrench that was checked, a person who signed in are in
 * use as much as what a job names.
 */
const IN_USE: Record<Exclude<Book, 'kits'>, string> = {
  vehicles: `SELECT JSON_VALUE(v.card, '$.plate') AS name FROM vehicle v WHERE v.shop_id = ? AND v.id IN (?) AND (v.version > 1
    OR EXISTS (SELECT 1 FROM job j WHERE j.shop_id = v.shop_id AND j.vehicle_id = v.id))`,
  wrenches: `SELECT w.label AS name FROM wrench w WHERE w.shop_id = ? AND w.id IN (?) AND (
    EXISTS (SELECT 1 FROM job_event e WHERE e.wrench_id = w.id)
    OR EXISTS (SELECT 1 FROM loan l WHERE l.thing = 'wrench' AND l.thing_id = w.id)
    OR EXISTS (SELECT 1 FROM wrench_check c WHERE c.wrench_id = w.id AND c.at_ms >= ?))`,
  tools: `SELECT JSON_VALUE(t.card, '$.name') AS name FROM tool t WHERE t.shop_id = ? AND t.id IN (?)
    AND EXISTS (SELECT 1 FROM loan l WHERE l.thing = 'tool' AND l.thing_id = t.id)`,
  compounds: `SELECT b.name AS name FROM bottle b WHERE b.shop_id = ? AND b.id IN (?) AND (
    EXISTS (SELECT 1 FROM bottle_use u WHERE u.bottle_id = b.id)
    OR EXISTS (SELECT 1 FROM bottle_note n WHERE n.bottle_id = b.id))`,
  fasteners: `SELECT s.id AS name FROM shelf s JOIN job j ON j.shop_id = s.shop_id
    JOIN job_event e ON e.job_id = j.id AND e.type = 'shopStockUsed' AND JSON_VALUE(e.body, '$.piece.piece.id') = s.id
    WHERE s.shop_id = ? AND s.id IN (?)`,
  people: `SELECT u.name AS name FROM user u WHERE u.shop_id = ? AND u.id IN (?) AND (
    EXISTS (SELECT 1 FROM session s WHERE s.user_id = u.id)
    OR EXISTS (SELECT 1 FROM loan l WHERE l.person_id = u.id)
    OR EXISTS (SELECT 1 FROM user m WHERE m.mentor_id = u.id))`,
};

/** What a shop brought along. */
export class MovingInRepository {
  constructor(private readonly source: DataSource) {}

  /** Imports, the newest first. */
  list(shopId: string, most: number): Promise<MovedInEntity[]> {
    return this.source
      .getRepository(MovedInEntity)
      .find({ where: { shopId }, order: { atMs: 'DESC', id: 'DESC' }, take: most });
  }

  /** Every row of an import and its line in the log, or none of it. */
  async take(import_: MovedInEntity, rows: NewRows, by: Pick<Person, 'id' | 'name'>): Promise<void> {
    await inTransaction(this.source, async (manager) => {
      const insert = async <Row extends object>(entity: new () => Row, list: Row[] = []) => {
        // In parts: one statement of thousands of cards is larger than the database takes.
        for (let at = 0; at < list.length; at += 100) await manager.insert(entity, list.slice(at, at + 100) as never);
      };
      await insert(VehicleEntity, rows.vehicles);
      await insert(WrenchEntity, rows.wrenches);
      await insert(WrenchCheckEntity, rows.checks);
      await insert(ToolEntity, rows.tools);
      await insert(BottleEntity, rows.bottles);
      await insert(ShelfEntity, rows.drawers);
      await insert(UserEntity, rows.people);
      await insert(KitEntity, rows.kits);
      await manager.insert(MovedInEntity, import_ as never);
      await this.log(manager, import_, 'taken', import_.atMs, by);
    });
  }

  private async log(
    manager: EntityManager,
    { shopId, book, file, made }: MovedInEntity,
    did: 'taken' | 'undone',
    atMs: number,
    by: Pick<Person, 'id' | 'name'>,
  ): Promise<void> {
    const what = { what: 'movedIn', book, file, rows: made.length, did } as const;
    await manager.insert(ShopChangeEntity, { shopId, atMs, byId: by.id, byName: by.name, what: what as never });
  }

  /** Takes an import out again, all of it or, where something of it is in use since, nothing. @throws {InUseSince} */
  async undo(import_: MovedInEntity, atMs: number, by: Pick<Person, 'id' | 'name'>): Promise<void> {
    const { shopId, book, made, id } = import_;
    await inTransaction(this.source, async (manager) => {
      const inUse =
        book === 'kits' ? await kitsInUse(manager, shopId, made) : await rowsInUse(manager, { ...import_, book });
      if (inUse.length > 0) throw new InUseSince(inUse);
      await remove(manager, book, shopId, made);
      await manager.update(MovedInEntity, { id, shopId }, { undoneAtMs: atMs, undoneBy: by.name });
      await this.log(manager, import_, 'undone', atMs, by);
    });
  }
}

async function rowsInUse(
  manager: EntityManager,
  { book, shopId, made, atMs }: MovedInEntity & { book: Exclude<Book, 'kits'> },
): Promise<string[]> {
  const of = book === 'wrenches' ? [shopId, made, Number(atMs)] : [shopId, made];
  const rows: Array<{ name: string | null }> = await manager.query(IN_USE[book], of);
  return [...new Set(rows.map(({ name }) => name || 'one without a plate'))];
}

async function kitsInUse(manager: EntityManager, shopId: string, made: string[]): Promise<string[]> {
  const pinned: Array<{ ref: string }> = await manager.query(
    `SELECT DISTINCT CONCAT(k.id, ' ', k.revision) AS ref FROM job j,
      JSON_TABLE(j.kits, '$[*]' COLUMNS (id VARCHAR(64) PATH '$.id', revision INT PATH '$.revision')) k
      WHERE j.shop_id = ?`,
    [shopId],
  );
  const refs = new Set(pinned.map(({ ref }) => ref));
  return made.filter((ref) => refs.has(ref));
}

async function remove(manager: EntityManager, book: Book, shopId: string, made: string[]): Promise<void> {
  const ids = { shopId, id: In(made) };
  switch (book) {
    case 'vehicles':
      return void (await manager.delete(VehicleEntity, ids));
    case 'wrenches':
      await manager.delete(WrenchCheckEntity, { shopId, wrenchId: In(made) });
      return void (await manager.delete(WrenchEntity, ids));
    case 'tools':
      return void (await manager.delete(ToolEntity, ids));
    case 'compounds':
      return void (await manager.delete(BottleEntity, ids));
    case 'fasteners':
      return void (await manager.delete(ShelfEntity, ids));
    case 'people':
      return void (await manager.delete(UserEntity, ids));
    case 'kits':
      for (const ref of made) {
        const [id = '', revision] = ref.split(' ');
        await manager.delete(KitEntity, { shopId, id, revision: Number(revision) });
      }
  }
}
