import { type DataSource, IsNull } from 'typeorm';
import type { VehicleCard } from '#contract/job.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { upgradeKit } from '#core/kit/upgrade-kit.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { KitEntity, ShopEntity, VehicleEntity, WrenchEntity } from './entities.ts';

/** A released document as it was stored, lifted to this version of the format. */
export const currentKit = (stored: KitDocument): KitDocument => upgradeKit(stored) as KitDocument;

/** What a shop owns and works from: vehicles, kits, wrenches. */
export class CatalogRepository {
  constructor(private readonly source: DataSource) {}

  shop(shopId: string): Promise<ShopEntity> {
    return this.source.getRepository(ShopEntity).findOneByOrFail({ id: shopId });
  }

  async vehicles(shopId: string): Promise<VehicleCard[]> {
    const rows = await this.source.getRepository(VehicleEntity).findBy({ shopId });
    return rows.map((row) => row.card).sort((a, b) => a.model.localeCompare(b.model, 'en'));
  }

  async vehicle(shopId: string, id: string): Promise<VehicleCard | undefined> {
    return (await this.source.getRepository(VehicleEntity).findOneBy({ shopId, id }))?.card;
  }

  /** The newest revision of every kit, by title. */
  async kits(shopId: string): Promise<KitDocument[]> {
    const rows = await this.source
      .getRepository(KitEntity)
      .find({ where: { shopId }, order: { id: 'ASC', revision: 'ASC' } });
    const newest = new Map(rows.map((row) => [row.id, currentKit(row.document)]));
    return [...newest.values()].sort((a, b) => a.title.localeCompare(b.title, 'en'));
  }

  /** One revision of a kit; the newest when none is named. */
  async kit(shopId: string, id: string, revision?: number): Promise<KitDocument | undefined> {
    const where = revision === undefined ? { shopId, id } : { shopId, id, revision };
    const row = await this.source.getRepository(KitEntity).findOne({ where, order: { revision: 'DESC' } });
    return row ? currentKit(row.document) : undefined;
  }

  async addKit(shopId: string, document: KitDocument, addedAtMs: number): Promise<void> {
    await this.source
      .getRepository(KitEntity)
      .insert({ shopId, id: document.id, revision: document.revision, document: document as object, addedAtMs });
  }

  /** Wrenches on the wall, with their lock. Pulls since calibration are counted elsewhere. */
  async wrenches(shopId: string): Promise<Wrench[]> {
    const rows = await this.source
      .getRepository(WrenchEntity)
      .find({ where: { shopId, retiredAtMs: IsNull() }, order: { label: 'ASC' } });
    return rows.map(({ shopId: _, retiredAtMs: _r, lockedAtMs, lockedBecause, ...row }) => ({
      ...row,
      lowestNm: row.lowestNm ?? undefined,
      serial: row.serial ?? undefined,
      divisionNm: row.divisionNm ?? undefined,
      lengthMm: row.lengthMm ?? undefined,
      live: Boolean(row.live),
      ...(lockedAtMs ? { locked: { atMs: lockedAtMs, because: lockedBecause ?? '' } } : {}),
    }));
  }
}
