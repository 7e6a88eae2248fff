import { type DataSource, In, IsNull } from 'typeorm';
import type { JobKit } from '#contract/job.ts';
import type { StoredVehicle } from '#contract/vehicle.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { upgradeKit } from '#core/kit/upgrade-kit.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { type KitSide, kitOnSide } from '#core/visit/kit-on-side.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { inTransaction } from './data-source.ts';
import { KitEntity, type PinnedKit, ShopEntity, UserEntity, VehicleEntity, WrenchEntity } from './entities.ts';

/** A released document as it was stored, lifted to this version of the format. */
export const currentKit = (stored: KitDocument): KitDocument => upgradeKit(stored) as KitDocument;

/** A stored document as a job works it: the whole kit, or the one on its side. */
const documentOf = (stored: KitDocument, side: KitSide | undefined): KitDocument =>
  side ? kitOnSide(currentKit(stored), side) : currentKit(stored);

/** A kit as a job pins it, with its document to the letter as it was stored. */
export interface PinnedDocument extends JobKit {
  id: string;
  revision: number;
  stored: KitDocument;
  side?: KitSide;
}

/** What a shop owns and works from: vehicles, kits, wrenches. */
export class CatalogRepository {
  constructor(private readonly source: DataSource) {}

  /** Ids of the people of a shop. */
  async peopleIds(shopId: string): Promise<string[]> {
    const people = await this.source.getRepository(UserEntity).find({ where: { shopId }, select: { id: true } });
    return people.map(({ id }) => id);
  }

  shop(shopId: string): Promise<ShopEntity> {
    return this.source.getRepository(ShopEntity).findOneByOrFail({ id: shopId });
  }

  async vehicles(shopId: string): Promise<Vehicle[]> {
    const rows = await this.source.getRepository(VehicleEntity).findBy({ shopId });
    return rows.map((row) => row.card).sort((a, b) => a.model.localeCompare(b.model, 'en'));
  }

  async vehicle(shopId: string, id: string): Promise<StoredVehicle | undefined> {
    const row = await this.source.getRepository(VehicleEntity).findOneBy({ shopId, id });
    return row ? { vehicle: row.card, version: row.version } : undefined;
  }

  async addVehicle(shopId: string, card: Vehicle): Promise<void> {
    await this.source.getRepository(VehicleEntity).insert({ id: card.id, shopId, card: card as object, version: 1 });
  }

  /** Takes a vehicle out again that was added a moment ago for a visit that was refused. */
  async dropUntouched(shopId: string, id: string): Promise<void> {
    await this.source.getRepository(VehicleEntity).delete({ shopId, id, version: 1 });
  }

  /** Gives vehicles an owner, all or none. @returns who each was before; undefined where one is not of this shop */
  async changeOwners(
    shopId: string,
    changes: ReadonlyArray<{ id: string; owner: string; contact?: string }>,
  ): Promise<Array<{ id: string; owner: string; contact?: string }> | undefined> {
    return inTransaction(this.source, async (manager) => {
      const rows = await manager.find(VehicleEntity, {
        where: { shopId, id: In(changes.map(({ id }) => id)) },
        lock: { mode: 'pessimistic_write' },
      });
      const byId = new Map(rows.map((row) => [row.id, row]));
      if (changes.some(({ id }) => !byId.has(id))) return undefined;
      const before: Array<{ id: string; owner: string; contact?: string }> = [];
      for (const { id, owner, contact } of changes) {
        const { card, version } = byId.get(id) as VehicleEntity;
        before.push({ id, owner: card.owner, ...(card.contact ? { contact: card.contact } : {}) });
        const { contact: _, ...rest } = card;
        const next = { ...rest, owner, ...(contact ? { contact } : {}) };
        await manager.update(VehicleEntity, { shopId, id }, { card: next as object, version: version + 1 });
      }
      return before;
    });
  }

  /** Saves over exactly the version named. @returns false when another save came between */
  async saveVehicle(shopId: string, card: Vehicle, from: number): Promise<boolean> {
    const result = await this.source
      .getRepository(VehicleEntity)
      .update({ shopId, id: card.id, version: from }, { card: card as object, version: from + 1 });
    return result.affected === 1;
  }

  /** The newest revision of every kit that was not taken back, by title; none that was made for one vehicle's re-torque. */
  async kits(shopId: string): Promise<KitDocument[]> {
    const rows = await this.source
      .getRepository(KitEntity)
      .find({ where: { shopId, withdrawnAtMs: IsNull() }, order: { id: 'ASC', revision: 'ASC' } });
    const offered = rows.map((row) => currentKit(row.document)).filter(({ again }) => again === undefined);
    const newest = new Map(offered.map((kit) => [kit.id, kit]));
    return [...newest.values()].sort((a, b) => a.title.localeCompare(b.title, 'en'));
  }

  /** The newest revision of every kit, taken back or not. */
  async newestRevisions(shopId: string): Promise<Map<string, number>> {
    const rows: Array<{ id: string; revision: number }> = await this.source.query(
      'SELECT id, MAX(revision) AS revision FROM kit WHERE shop_id = ? GROUP BY id',
      [shopId],
    );
    return new Map(rows.map(({ id, revision }) => [id, Number(revision)]));
  }

  /** One revision of a kit; the newest when none is named. */
  async kit(shopId: string, id: string, revision?: number): Promise<KitDocument | undefined> {
    const where = revision === undefined ? { shopId, id } : { shopId, id, revision };
    const row = await this.source.getRepository(KitEntity).findOne({ where, order: { revision: 'DESC' } });
    return row ? currentKit(row.document) : undefined;
  }

  /** The newest revision that was not taken back, to be pinned. */
  async currentPinned(shopId: string, id: string, side?: KitSide): Promise<PinnedDocument | undefined> {
    const row = await this.source
      .getRepository(KitEntity)
      .findOne({ where: { shopId, id, withdrawnAtMs: IsNull() }, order: { revision: 'DESC' } });
    if (!row) return undefined;
    const { document: stored, revision } = row;
    return { document: documentOf(stored, side), stored, prefix: '', id, revision, ...(side ? { side } : {}) };
  }

  async withdraw(shopId: string, id: string, revision: number, because: string, atMs: number): Promise<boolean> {
    const result = await this.source
      .getRepository(KitEntity)
      .update({ shopId, id, revision }, { withdrawnAtMs: atMs, withdrawnBecause: because });
    return result.affected === 1;
  }

  /** The kits of a job, in their pinned revisions. */
  async pinned(shopId: string, pins: readonly PinnedKit[]): Promise<PinnedDocument[]> {
    const kits = this.source.getRepository(KitEntity);
    return Promise.all(
      pins.map(async ({ prefix, id, revision, side }) => {
        const row = await kits.findOneBy({ shopId, id, revision });
        if (!row) throw new Error(`Kit ${id}, revision ${revision}, is pinned by a job and not stored`);
        const { document: stored, withdrawnAtMs, withdrawnBecause } = row;
        const withdrawn = withdrawnAtMs ? { atMs: withdrawnAtMs, because: withdrawnBecause ?? '' } : undefined;
        const pinned = { document: documentOf(stored, side), stored, prefix, id, revision };
        return { ...pinned, ...(side ? { side } : {}), ...(withdrawn ? { withdrawn } : {}) };
      }),
    );
  }

  /** How many revisions of a kit there are. */
  revisionsOf(shopId: string, id: string): Promise<number> {
    return this.source.getRepository(KitEntity).countBy({ shopId, id });
  }

  async addKit(shopId: string, document: KitDocument, addedAtMs: number): Promise<void> {
    await this.source
      .getRepository(KitEntity)
      .insert({ shopId, id: document.id, revision: document.revision, document: document as object, addedAtMs });
  }

  /** Labels of every wrench there ever was: a label is given once. */
  allWrenchLabels(shopId: string): Promise<Array<Pick<WrenchEntity, 'label'>>> {
    return this.source.getRepository(WrenchEntity).find({ where: { shopId }, select: { label: true } });
  }

  /** Wrenches on the wall, with their lock. Pulls since calibration are counted elsewhere. */
  async wrenches(shopId: string): Promise<Wrench[]> {
    const rows = await this.source
      .getRepository(WrenchEntity)
      .find({ where: { shopId, retiredAtMs: IsNull() }, order: { label: 'ASC' } });
    return rows.map(wrenchOf);
  }

  /**
   * Wrenches of other shops that concern this one: those in the pool, where both are in it, and those that pulled here
   * once and were found out since, pool or not.
   */
  async othersWrenches(shopId: string): Promise<OthersWrench[]> {
    const found: Array<{ id: string; shop: string; pooled: number }> = await this.source.query(
      `SELECT w.id, s.name AS shop, own.wrench_pool AND s.wrench_pool AND w.retired_at_ms IS NULL AS pooled
        FROM shop own JOIN shop s ON s.id <> own.id JOIN wrench w ON w.shop_id = s.id
        WHERE own.id = ? AND ((own.wrench_pool AND s.wrench_pool AND w.retired_at_ms IS NULL)
          OR (EXISTS (SELECT 1 FROM wrench_check c WHERE c.wrench_id = w.id AND NOT c.within)
            AND EXISTS (SELECT 1 FROM job_event e JOIN job j ON j.id = e.job_id
              WHERE e.wrench_id = w.id AND j.shop_id = own.id)))
        ORDER BY s.name, w.label`,
      [shopId],
    );
    if (found.length === 0) return [];
    const rows = await this.source.getRepository(WrenchEntity).findBy({ id: In(found.map(({ id }) => id)) });
    const byId = new Map(rows.map((row) => [row.id, row]));
    return found.flatMap(({ id, shop, pooled }) => {
      const row = byId.get(id);
      // By its shop too: both have a first wrench.
      const wrench = row && { ...wrenchOf(row), label: `${row.label}, ${shop}`.slice(0, MOST_LABEL) };
      return wrench ? [{ wrench, shopId: row.shopId, shop, pooled: Boolean(Number(pooled)) }] : [];
    });
  }
}

/** The longest a wrench is called on a record. */
const MOST_LABEL = 80;

/** A wrench of another shop of the same owner. */
export interface OthersWrench {
  wrench: Wrench;
  shopId: string;
  shop: string;
  /** May be pulled with here. */
  pooled: boolean;
}

const wrenchOf = ({ shopId: _, retiredAtMs: _r, lockedAtMs, lockedBecause, ...row }: WrenchEntity): Wrench => ({
  ...row,
  lowestNm: row.lowestNm ?? undefined,
  serial: row.serial ?? undefined,
  divisionNm: row.divisionNm ?? undefined,
  lengthMm: row.lengthMm ?? undefined,
  live: Boolean(row.live),
  ...(lockedAtMs ? { locked: { atMs: lockedAtMs, because: lockedBecause ?? '' } } : {}),
});
