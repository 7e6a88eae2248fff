import { type DataSource, In, IsNull, MoreThan } from 'typeorm';
import type { OwnSettings } from '#contract/own-settings.ts';
import {
  AlsoLeadEntity,
  DeviceEntity,
  DeviceKeyEntity,
  PasskeyEntity,
  SessionEntity,
  ShopEntity,
  UserEntity,
} from './entities.ts';

/** People, their sessions, and the devices and keys they have them on. */
export class PersonRepository {
  constructor(private readonly source: DataSource) {}

  /** The shops of this installation, by name. */
  shops(): Promise<ShopEntity[]> {
    return this.source.getRepository(ShopEntity).find({ order: { name: 'ASC', id: 'ASC' } });
  }

  async shop(id: string): Promise<ShopEntity | undefined> {
    return (await this.source.getRepository(ShopEntity).findOneBy({ id })) ?? undefined;
  }

  /** Ids of the shops a person may work in, their own first. */
  async placesOf({ id, shopId }: Pick<UserEntity, 'id' | 'shopId'>): Promise<string[]> {
    const also = await this.source.getRepository(AlsoLeadEntity).findBy({ userId: id });
    return [shopId, ...also.map((row) => row.shopId)];
  }

  /** People of other shops who lead this one too. */
  async alsoLeads(shopId: string): Promise<UserEntity[]> {
    const also = await this.source.getRepository(AlsoLeadEntity).findBy({ shopId });
    if (also.length === 0) return [];
    const ids = also.map(({ userId }) => userId);
    return this.source.getRepository(UserEntity).find({ where: { id: In(ids) }, order: { name: 'ASC' } });
  }

  async addAlsoLead(userId: string, shopId: string, sinceMs: number): Promise<void> {
    await this.source.getRepository(AlsoLeadEntity).upsert({ userId, shopId, sinceMs }, ['userId', 'shopId']);
  }

  /** Lets a person lead a shop no more, and ends what they have open there. */
  async dropAlsoLead(userId: string, shopId: string, nowMs: number): Promise<void> {
    await this.source.getRepository(AlsoLeadEntity).delete({ userId, shopId });
    await this.source
      .getRepository(SessionEntity)
      .update({ userId, shopId, endedAtMs: IsNull() }, { endedAtMs: nowMs });
  }

  /** A session goes on in another shop. */
  async moveSession(tokenHash: string, shopId: string | null): Promise<void> {
    await this.source.getRepository(SessionEntity).update({ tokenHash }, { shopId });
  }

  async setSecretDigits(shopId: string, secretDigits: number): Promise<void> {
    await this.source.getRepository(ShopEntity).update({ id: shopId }, { secretDigits });
  }

  people(shopId: string): Promise<UserEntity[]> {
    return this.source.getRepository(UserEntity).find({ where: { shopId }, order: { name: 'ASC' } });
  }

  async person(id: string): Promise<UserEntity | undefined> {
    return (await this.source.getRepository(UserEntity).findOneBy({ id })) ?? undefined;
  }

  async setSecret(id: string, secretHash: string): Promise<void> {
    await this.source.getRepository(UserEntity).update({ id }, { secretHash });
  }

  async setOwn(id: string, ownSettings: OwnSettings): Promise<void> {
    await this.source.getRepository(UserEntity).update({ id }, { ownSettings });
  }

  /**
   * Counts a try at a secret before it is looked at, in one statement, so that tries at the same instant are counted
   * one after another. After `free` of them each makes the next wait twice as long, up to `longestMs`.
   *
   * @returns undefined where the try may be made, otherwise until when none is looked at, Unix ms
   */
  async countTry(
    userId: string,
    deviceId: string,
    { nowMs, free, firstMs, longestMs }: { nowMs: number; free: number; firstMs: number; longestMs: number },
  ): Promise<number | undefined> {
    await this.source.query('INSERT IGNORE INTO secret_attempt VALUES (?, ?, 0, 0)', [userId, deviceId]);
    const { affectedRows } = await this.source.query(
      `UPDATE secret_attempt SET failed = failed + 1,
          until_ms = IF(failed <= ?, 0, ? + LEAST(?, ? * POW(2, LEAST(30, failed - ? - 1))))
        WHERE user_id = ? AND device_id = ? AND until_ms <= ?`,
      [free, nowMs, longestMs, firstMs, free, userId, deviceId, nowMs],
    );
    if (affectedRows === 1) return undefined;
    const [row] = await this.source.query(
      'SELECT until_ms AS untilMs FROM secret_attempt WHERE user_id = ? AND device_id = ?',
      [userId, deviceId],
    );
    return Number(row?.untilMs ?? nowMs);
  }

  /** A right secret: the count begins afresh. */
  async clearTries(userId: string, deviceId: string): Promise<void> {
    await this.source.query('UPDATE secret_attempt SET failed = 0, until_ms = 0 WHERE user_id = ? AND device_id = ?', [
      userId,
      deviceId,
    ]);
  }

  async device(tokenHash: string): Promise<DeviceEntity | undefined> {
    return (await this.source.getRepository(DeviceEntity).findOneBy({ tokenHash })) ?? undefined;
  }

  async addDevice(device: DeviceEntity): Promise<void> {
    await this.source.getRepository(DeviceEntity).insert(device);
  }

  async sawDevice(id: string, seenAtMs: number): Promise<void> {
    await this.source.getRepository(DeviceEntity).update({ id }, { seenAtMs });
  }

  async addKey(key: DeviceKeyEntity): Promise<void> {
    await this.source.getRepository(DeviceKeyEntity).insert(key);
  }

  async key(id: string): Promise<DeviceKeyEntity | undefined> {
    return (await this.source.getRepository(DeviceKeyEntity).findOneBy({ id })) ?? undefined;
  }

  /** A person's keys count no more from now on, on every device. */
  async revokeKeys(userId: string, revokedAtMs: number): Promise<void> {
    await this.source.getRepository(DeviceKeyEntity).update({ userId, revokedAtMs: IsNull() }, { revokedAtMs });
  }

  passkeys(userId: string): Promise<PasskeyEntity[]> {
    return this.source.getRepository(PasskeyEntity).findBy({ userId });
  }

  async passkey(id: string): Promise<PasskeyEntity | undefined> {
    return (await this.source.getRepository(PasskeyEntity).findOneBy({ id })) ?? undefined;
  }

  async addPasskey(passkey: PasskeyEntity): Promise<void> {
    await this.source.getRepository(PasskeyEntity).insert(passkey);
  }

  async removePasskey(userId: string, id: string): Promise<boolean> {
    return (await this.source.getRepository(PasskeyEntity).delete({ userId, id })).affected === 1;
  }

  async usedPasskey(id: string, counter: number): Promise<void> {
    await this.source.getRepository(PasskeyEntity).update({ id }, { counter });
  }

  async startSession(
    session: Pick<SessionEntity, 'tokenHash' | 'userId' | 'deviceId' | 'startedAtMs' | 'expiresAtMs' | 'shopId'>,
  ): Promise<void> {
    await this.source.getRepository(SessionEntity).insert(session);
  }

  async endSession(tokenHash: string, endedAtMs: number): Promise<void> {
    await this.source.getRepository(SessionEntity).update({ tokenHash, endedAtMs: IsNull() }, { endedAtMs });
  }

  /** Ends every session of a person but one. */
  async endOtherSessions(userId: string, but: string, endedAtMs: number): Promise<void> {
    await this.source
      .getRepository(SessionEntity)
      .createQueryBuilder()
      .update()
      .set({ endedAtMs })
      .where('userId = :userId AND tokenHash <> :but AND endedAtMs IS NULL', { userId, but })
      .execute();
  }

  async openSession(
    tokenHash: string,
    nowMs: number,
  ): Promise<{ session: SessionEntity; user: UserEntity } | undefined> {
    const session = await this.source
      .getRepository(SessionEntity)
      .findOneBy({ tokenHash, endedAtMs: IsNull(), expiresAtMs: MoreThan(nowMs) });
    const user = session && (await this.person(session.userId));
    return session && user ? { session, user } : undefined;
  }

  /** Which of these sessions are open. */
  async openOnes(tokenHashes: readonly string[], nowMs: number): Promise<Set<string>> {
    if (tokenHashes.length === 0) return new Set();
    const rows: Array<{ tokenHash: string }> = await this.source.query(
      `SELECT s.token_hash AS tokenHash FROM session s JOIN user u ON u.id = s.user_id
        WHERE s.token_hash IN (?) AND s.ended_at_ms IS NULL AND s.expires_at_ms > ?
          AND u.left_at_ms IS NULL AND u.locked_at_ms IS NULL`,
      [tokenHashes, nowMs],
    );
    return new Set(rows.map(({ tokenHash }) => tokenHash));
  }

  /** Whether a person has ended a session on a device since an instant. */
  async signedOutSince(userId: string, deviceId: string, atMs: number): Promise<boolean> {
    return (
      (await this.source.getRepository(SessionEntity).countBy({ userId, deviceId, endedAtMs: MoreThan(atMs) })) > 0
    );
  }
}
