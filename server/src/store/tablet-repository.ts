import { type DataSource, IsNull, MoreThan } from 'typeorm';
import type { ShopChangeWhat } from '#contract/shop.ts';
import type { Tablet } from '#contract/tablet.ts';
import type { Person } from '#core/job/role.ts';
import { inTransaction } from './data-source.ts';
import {
  DeviceEntity,
  DeviceKeyEntity,
  PairingEntity,
  SessionEntity,
  ShopChangeEntity,
  ShopEntity,
} from './entities.ts';

/** Who did something to a tablet, and when. */
export interface Done {
  shopId: string;
  by: Pick<Person, 'id' | 'name'>;
  atMs: number;
  change: ShopChangeWhat;
}

/** A shop's tablets as its leads keep them. */
export class TabletRepository {
  constructor(private readonly source: DataSource) {}

  /** Every device, the last seen first, with who signed in on it last. */
  async tablets(shopId: string): Promise<Tablet[]> {
    const rows: Array<Record<string, string | null>> = await this.source.query(
      `SELECT d.id, d.name, d.made_at_ms AS madeAtMs, d.seen_at_ms AS seenAtMs, d.paired_at_ms AS pairedAtMs,
          d.revoked_at_ms AS revokedAtMs,
          (SELECT u.name FROM session s JOIN user u ON u.id = s.user_id WHERE s.device_id = d.id
            ORDER BY s.started_at_ms DESC LIMIT 1) AS last
        FROM device d WHERE d.shop_id = ? ORDER BY d.revoked_at_ms IS NOT NULL, d.seen_at_ms DESC LIMIT 500`,
      [shopId],
    );
    return rows.map(({ id, name, madeAtMs, seenAtMs, pairedAtMs, revokedAtMs, last }) => ({
      id: id ?? '',
      name: name ?? '',
      madeAtMs: Number(madeAtMs),
      seenAtMs: Number(seenAtMs),
      ...(pairedAtMs ? { pairedAtMs: Number(pairedAtMs) } : {}),
      ...(revokedAtMs ? { revokedAtMs: Number(revokedAtMs) } : {}),
      ...(last ? { last } : {}),
    }));
  }

  async tablet(shopId: string, id: string): Promise<DeviceEntity | undefined> {
    return (await this.source.getRepository(DeviceEntity).findOneBy({ shopId, id })) ?? undefined;
  }

  async pairedOnly(shopId: string): Promise<boolean> {
    return Boolean((await this.source.getRepository(ShopEntity).findOneBy({ id: shopId }))?.pairedOnly);
  }

  /** Keeps the hash of a code; those that ran out go. */
  async invite(pairing: PairingEntity, done: Done): Promise<void> {
    await inTransaction(this.source, async (manager) => {
      await manager
        .createQueryBuilder()
        .delete()
        .from(PairingEntity)
        .where('untilMs < :atMs', { atMs: done.atMs })
        .execute();
      await manager.insert(PairingEntity, pairing);
      await manager.insert(ShopChangeEntity, logged(done));
    });
  }

  /** Uses a code up, once. */
  async takePairing(codeHash: string, nowMs: number): Promise<PairingEntity | undefined> {
    const pairings = this.source.getRepository(PairingEntity);
    const found = await pairings.findOneBy({ codeHash, untilMs: MoreThan(nowMs) });
    const { affected } = await pairings.delete({ codeHash });
    return found && affected === 1 ? found : undefined;
  }

  /** A device by its cookie gets the pairing's name, or a new one is made. */
  async pair(device: DeviceEntity, isNew: boolean, done: Done): Promise<void> {
    await inTransaction(this.source, async (manager) => {
      const { id, name, pairedAtMs, seenAtMs } = device;
      if (isNew) await manager.insert(DeviceEntity, device);
      else await manager.update(DeviceEntity, { id }, { name, pairedAtMs, seenAtMs });
      await manager.insert(ShopChangeEntity, logged(done));
    });
  }

  async name(id: string, name: string, done: Done): Promise<void> {
    await inTransaction(this.source, async (manager) => {
      await manager.update(DeviceEntity, { shopId: done.shopId, id }, { name });
      await manager.insert(ShopChangeEntity, logged(done));
    });
  }

  /** Ends what is open on a device, and makes its keys and its cookie count no more. */
  async putOut(id: string, done: Done): Promise<void> {
    const { shopId, atMs } = done;
    await inTransaction(this.source, async (manager) => {
      await manager.update(DeviceEntity, { shopId, id }, { revokedAtMs: atMs });
      await manager.update(SessionEntity, { deviceId: id, endedAtMs: IsNull() }, { endedAtMs: atMs });
      await manager.update(DeviceKeyEntity, { deviceId: id, revokedAtMs: IsNull() }, { revokedAtMs: atMs });
      await manager.insert(ShopChangeEntity, logged(done));
    });
  }

  /** Whether others are let in; `own` is paired with it, so that nobody shuts themselves out. */
  async setPairedOnly(on: boolean, own: string, done: Done): Promise<void> {
    const { shopId, atMs } = done;
    await inTransaction(this.source, async (manager) => {
      await manager.update(ShopEntity, { id: shopId }, { pairedOnly: on });
      if (on) await manager.update(DeviceEntity, { shopId, id: own, pairedAtMs: IsNull() }, { pairedAtMs: atMs });
      await manager.insert(ShopChangeEntity, logged(done));
    });
  }
}

/** A change as a row of the log. */
export const logged = ({ shopId, by, atMs, change }: Done) => ({
  shopId,
  atMs,
  byId: by.id,
  byName: by.name,
  what: change as never,
});
