import { type DataSource, In } from 'typeorm';
import { inTransaction } from './data-source.ts';
import { OwnerMessageEntity, OwnerRefusalEntity } from './owner-entities.ts';

const isDuplicate = (error: unknown): boolean =>
  (error as { driverError?: { code?: string } }).driverError?.code === 'ER_DUP_ENTRY';

/** Messages to owners, and who wants none. */
export class OwnerMessageRepository {
  constructor(private readonly source: DataSource) {}

  since(shopId: string, fromMs: number): Promise<OwnerMessageEntity[]> {
    return this.source
      .getRepository(OwnerMessageEntity)
      .createQueryBuilder('message')
      .where('message.shopId = :shopId AND message.madeAtMs >= :fromMs', { shopId, fromMs })
      .orderBy('message.id', 'DESC')
      .getMany();
  }

  async byOnce(shopId: string, once: string): Promise<OwnerMessageEntity | undefined> {
    return (await this.source.getRepository(OwnerMessageEntity).findOneBy({ shopId, once })) ?? undefined;
  }

  async find(shopId: string, id: string): Promise<OwnerMessageEntity | undefined> {
    return (await this.source.getRepository(OwnerMessageEntity).findOneBy({ shopId, id })) ?? undefined;
  }

  /** @returns false where there is one of the same already */
  async add(message: Omit<OwnerMessageEntity, 'id' | 'tries'>): Promise<boolean> {
    try {
      await this.source.getRepository(OwnerMessageEntity).insert({ ...message, tries: 0 });
      return true;
    } catch (error) {
      if (isDuplicate(error)) return false;
      throw error;
    }
  }

  /** Changes one that is still in one of these states. @returns whether it was */
  async change(
    id: string,
    from: readonly OwnerMessageEntity['state'][],
    to: Partial<OwnerMessageEntity>,
  ): Promise<boolean> {
    const { affected } = await this.source
      .getRepository(OwnerMessageEntity)
      .update({ id, state: In([...from]) }, to as never);
    return (affected ?? 0) > 0;
  }

  async update(id: string, to: Partial<OwnerMessageEntity>): Promise<void> {
    await this.source.getRepository(OwnerMessageEntity).update({ id }, to as never);
  }

  /** Takes what is due: until it is answered nobody else has it, and a server that dies leaves it to the next look. */
  claim(nowMs: number, untilMs: number, most: number): Promise<OwnerMessageEntity[]> {
    return inTransaction(this.source, async (manager) => {
      const due: Array<{ id: string }> = await manager.query(
        `SELECT id FROM owner_message WHERE state IN ('waiting', 'sent') AND next_at_ms <= ?
          ORDER BY next_at_ms LIMIT ? FOR UPDATE SKIP LOCKED`,
        [nowMs, most],
      );
      const ids = due.map(({ id }) => String(id));
      if (ids.length === 0) return [];
      await manager.update(OwnerMessageEntity, { id: In(ids) }, { nextAtMs: untilMs });
      return manager.find(OwnerMessageEntity, { where: { id: In(ids) } });
    });
  }

  async refuses(shopId: string, address: string): Promise<boolean> {
    return (await this.source.getRepository(OwnerRefusalEntity).countBy({ shopId, address })) > 0;
  }

  async refuse(shopId: string, address: string, atMs: number, byName: string): Promise<void> {
    await this.source
      .getRepository(OwnerRefusalEntity)
      .upsert({ shopId, address, atMs, byName }, ['shopId', 'address']);
    await this.source.query(
      `UPDATE owner_message SET state = 'stopped', ended_at_ms = ? WHERE shop_id = ? AND state = 'waiting' AND sent_to = ?`,
      [atMs, shopId, address],
    );
  }

  async wantsAgain(shopId: string, address: string): Promise<void> {
    await this.source.getRepository(OwnerRefusalEntity).delete({ shopId, address });
  }
}
