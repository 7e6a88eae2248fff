import { type DataSource, IsNull } from 'typeorm';
import { OwnerLinkEntity, OwnerReportEntity } from './owner-entities.ts';

/** Links to owners' pages, and what came in by them. */
export class OwnerLinkRepository {
  constructor(private readonly source: DataSource) {}

  async add(link: Omit<OwnerLinkEntity, 'opened'>): Promise<void> {
    await this.source.getRepository(OwnerLinkEntity).insert({ ...link, opened: 0 });
  }

  links(shopId: string, jobId: string): Promise<OwnerLinkEntity[]> {
    return this.source.getRepository(OwnerLinkEntity).find({ where: { shopId, jobId }, order: { madeAtMs: 'DESC' } });
  }

  async link(id: string): Promise<OwnerLinkEntity | undefined> {
    return (await this.source.getRepository(OwnerLinkEntity).findOneBy({ id })) ?? undefined;
  }

  /** @returns false where the shop has no such link of that job that still counts */
  async revoke(shopId: string, jobId: string, id: string, revokedAtMs: number, revokedBy: string): Promise<boolean> {
    const { affected } = await this.source
      .getRepository(OwnerLinkEntity)
      .update({ id, shopId, jobId, revokedAtMs: IsNull() }, { revokedAtMs, revokedBy });
    return (affected ?? 0) > 0;
  }

  async opened(id: string, atMs: number): Promise<void> {
    await this.source.query('UPDATE owner_link SET opened = opened + 1, last_opened_ms = ? WHERE id = ?', [atMs, id]);
  }

  async report(entry: Omit<OwnerReportEntity, 'id'>): Promise<void> {
    await this.source.getRepository(OwnerReportEntity).insert(entry);
  }

  reportsByLink(linkId: string): Promise<number> {
    return this.source.getRepository(OwnerReportEntity).countBy({ linkId });
  }
}
