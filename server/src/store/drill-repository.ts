import { type DataSource, IsNull } from 'typeorm';
import { DrillAssignmentEntity, DrillAttemptEntity, DrillEntity } from './drill-entities.ts';

/** Practice, shop by shop and learner by learner. */
export class DrillRepository {
  constructor(private readonly source: DataSource) {}

  drills(shopId: string): Promise<DrillEntity[]> {
    return this.source
      .getRepository(DrillEntity)
      .find({ where: { shopId, retiredAtMs: IsNull() }, order: { madeAtMs: 'ASC', id: 'ASC' } });
  }

  async drill(shopId: string, id: string): Promise<DrillEntity | undefined> {
    return (await this.source.getRepository(DrillEntity).findOneBy({ shopId, id })) ?? undefined;
  }

  async add(row: DrillEntity): Promise<void> {
    await this.source.getRepository(DrillEntity).insert(row as never);
  }

  /** Takes a drill off the shelf; false where there is none of this id. */
  async retire(shopId: string, id: string, atMs: number): Promise<boolean> {
    const { affected } = await this.source
      .getRepository(DrillEntity)
      .update({ shopId, id, retiredAtMs: IsNull() }, { retiredAtMs: atMs });
    return affected === 1;
  }

  async keep(row: DrillAttemptEntity): Promise<void> {
    await this.source.getRepository(DrillAttemptEntity).insert(row as never);
  }

  /** A learner's attempts, the newest first. */
  attempts(shopId: string, userId: string): Promise<DrillAttemptEntity[]> {
    return this.source
      .getRepository(DrillAttemptEntity)
      .find({ where: { shopId, userId }, order: { endedAtMs: 'DESC', id: 'ASC' } });
  }

  /** Everybody's, without what they did in them. */
  verdicts(
    shopId: string,
  ): Promise<Array<Pick<DrillAttemptEntity, 'userId' | 'drillId' | 'endedAtMs' | 'verdict' | 'id'>>> {
    return this.source.getRepository(DrillAttemptEntity).find({
      select: { id: true, userId: true, drillId: true, endedAtMs: true, verdict: true },
      where: { shopId },
      order: { endedAtMs: 'ASC' },
    });
  }

  async attempt(shopId: string, userId: string, id: string): Promise<DrillAttemptEntity | undefined> {
    return (await this.source.getRepository(DrillAttemptEntity).findOneBy({ shopId, userId, id })) ?? undefined;
  }

  /** Deletes all that a learner did. @returns how many there were */
  async forget(shopId: string, userId: string): Promise<number> {
    const { affected } = await this.source.getRepository(DrillAttemptEntity).delete({ shopId, userId });
    return affected ?? 0;
  }

  assignments(shopId: string): Promise<DrillAssignmentEntity[]> {
    return this.source
      .getRepository(DrillAssignmentEntity)
      .find({ where: { shopId }, order: { atMs: 'DESC', id: 'ASC' } });
  }

  async assign(row: DrillAssignmentEntity): Promise<void> {
    await this.source.getRepository(DrillAssignmentEntity).insert(row as never);
  }

  /** Signs one off that is not; false where there is none. */
  async signOff(shopId: string, id: string, by: { name: string; atMs: number; comment: string }): Promise<boolean> {
    const { affected } = await this.source
      .getRepository(DrillAssignmentEntity)
      .update(
        { shopId, id, signedAtMs: IsNull() },
        { signedBy: by.name, signedAtMs: by.atMs, signComment: by.comment },
      );
    return affected === 1;
  }
}
