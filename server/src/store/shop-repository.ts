import type { DataSource } from 'typeorm';
import type { ShopChange, ShopChangeWhat } from '#contract/shop.ts';
import type { Person } from '#core/job/role.ts';
import { inTransaction } from './data-source.ts';
import { AlsoLeadEntity, ShopChangeEntity, ShopEntity, ShopOpeningEntity, UserEntity } from './entities.ts';

/** A shop's own settings, its people as its leads keep them, and the log of both. */
export class ShopRepository {
  constructor(private readonly source: DataSource) {}

  async shop(id: string): Promise<ShopEntity | undefined> {
    return (await this.source.getRepository(ShopEntity).findOneBy({ id })) ?? undefined;
  }

  async isOpened(): Promise<boolean> {
    return (await this.source.getRepository(ShopEntity).count()) > 0;
  }

  /** Keeps the hash of a one-time code, in place of one that was made before. */
  async setOpeningCode(codeHash: string, untilMs: number): Promise<void> {
    await this.source.getRepository(ShopOpeningEntity).save({ id: 1, codeHash, untilMs });
  }

  async openingCode(): Promise<ShopOpeningEntity | undefined> {
    return (await this.source.getRepository(ShopOpeningEntity).findOneBy({ id: 1 })) ?? undefined;
  }

  /** Makes the shop and its first lead, and uses the code up, all or nothing. */
  async open(shop: ShopEntity, lead: UserEntity, atMs: number): Promise<void> {
    await inTransaction(this.source, async (manager) => {
      await manager.insert(ShopEntity, shop as never);
      await manager.insert(UserEntity, lead as never);
      await manager.delete(ShopOpeningEntity, { id: 1 });
      await manager.insert(ShopChangeEntity, {
        shopId: shop.id,
        atMs,
        byId: lead.id,
        byName: lead.name,
        what: { what: 'opened', name: shop.name } as never,
      });
    });
  }

  /** Makes another shop of the same owner, led by a lead of one that is there. */
  async openAnother(shop: ShopEntity, lead: Pick<Person, 'id' | 'name'>, atMs: number): Promise<void> {
    await inTransaction(this.source, async (manager) => {
      await manager.insert(ShopEntity, shop as never);
      await manager.insert(AlsoLeadEntity, { userId: lead.id, shopId: shop.id, sinceMs: atMs });
      await manager.insert(ShopChangeEntity, {
        shopId: shop.id,
        atMs,
        byId: lead.id,
        byName: lead.name,
        what: { what: 'opened', name: shop.name } as never,
      });
    });
  }

  /** Names of other shops that nobody would lead without this person. */
  async ledOnlyBy(userId: string): Promise<string[]> {
    const rows: Array<{ name: string }> = await this.source.query(
      `SELECT s.name FROM also_lead a JOIN shop s ON s.id = a.shop_id
        WHERE a.user_id = ?
          AND NOT EXISTS (SELECT 1 FROM user u WHERE u.shop_id = s.id AND u.role = 'lead'
            AND u.left_at_ms IS NULL AND u.locked_at_ms IS NULL)
          AND NOT EXISTS (SELECT 1 FROM also_lead b JOIN user v ON v.id = b.user_id
            WHERE b.shop_id = s.id AND b.user_id <> a.user_id AND v.left_at_ms IS NULL AND v.locked_at_ms IS NULL)
        ORDER BY s.name`,
      [userId],
    );
    return rows.map(({ name }) => name);
  }

  people(shopId: string): Promise<UserEntity[]> {
    return this.source.getRepository(UserEntity).find({ where: { shopId }, order: { name: 'ASC' } });
  }

  /** Changes settings or people and logs it, in one transaction. */
  async change(
    shopId: string,
    by: Pick<Person, 'id' | 'name'>,
    atMs: number,
    changes: readonly ShopChangeWhat[],
    write: { shop?: Partial<ShopEntity>; insert?: UserEntity; person?: { id: string; set: Partial<UserEntity> } },
  ): Promise<void> {
    await inTransaction(this.source, async (manager) => {
      if (write.shop) await manager.update(ShopEntity, { id: shopId }, write.shop as never);
      if (write.insert) await manager.insert(UserEntity, write.insert as never);
      if (write.person) await manager.update(UserEntity, { shopId, id: write.person.id }, write.person.set as never);
      for (const what of changes)
        await manager.insert(ShopChangeEntity, { shopId, atMs, byId: by.id, byName: by.name, what: what as never });
    });
  }

  /** The log, the newest first. */
  async changes(shopId: string, most: number): Promise<ShopChange[]> {
    const rows = await this.source
      .getRepository(ShopChangeEntity)
      .find({ where: { shopId }, order: { id: 'DESC' }, take: most });
    return rows.map(({ id, atMs, byName, what }) => ({ id: Number(id), atMs, byName, change: what }));
  }
}
