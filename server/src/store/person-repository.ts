import { type DataSource, IsNull, LessThanOrEqual, MoreThan } from 'typeorm';
import { SessionEntity, ShopEntity, UserEntity } from './entities.ts';

/** People and their sessions. */
export class PersonRepository {
  constructor(private readonly source: DataSource) {}

  /** The one shop of this installation, if it has been set up. */
  async shop(): Promise<ShopEntity | undefined> {
    return (await this.source.getRepository(ShopEntity).find({ take: 1, order: { id: 'ASC' } }))[0];
  }

  people(shopId: string): Promise<UserEntity[]> {
    return this.source.getRepository(UserEntity).find({ where: { shopId }, order: { name: 'ASC' } });
  }

  async person(id: string): Promise<UserEntity | undefined> {
    return (await this.source.getRepository(UserEntity).findOneBy({ id })) ?? undefined;
  }

  async noteFailure(id: string, lockedUntilMs: number | null): Promise<void> {
    const people = this.source.getRepository(UserEntity);
    await people.increment({ id }, 'failedAttempts', 1);
    if (lockedUntilMs !== null) await people.update({ id }, { lockedUntilMs });
  }

  async clearFailures(id: string): Promise<void> {
    await this.source.getRepository(UserEntity).update({ id }, { failedAttempts: 0, lockedUntilMs: null });
  }

  async startSession(
    session: Pick<SessionEntity, 'tokenHash' | 'userId' | 'deviceId' | 'startedAtMs' | 'expiresAtMs'>,
  ): Promise<void> {
    await this.source.getRepository(SessionEntity).insert(session);
  }

  async endSession(tokenHash: string, endedAtMs: number): Promise<void> {
    await this.source.getRepository(SessionEntity).update({ tokenHash, endedAtMs: IsNull() }, { endedAtMs });
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

  /** Whether a person was signed in on a device at an instant. */
  async wasSignedIn(userId: string, deviceId: string, atMs: number): Promise<boolean> {
    const sessions = this.source.getRepository(SessionEntity);
    const when = { userId, deviceId, startedAtMs: LessThanOrEqual(atMs), expiresAtMs: MoreThan(atMs) };
    const count = await sessions.count({
      where: [
        { ...when, endedAtMs: MoreThan(atMs) },
        { ...when, endedAtMs: IsNull() },
      ],
    });
    return count > 0;
  }
}
