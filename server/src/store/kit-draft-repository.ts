import type { DataSource } from 'typeorm';
import type { DraftCard, KitDraft, RevisionCard, Waiver } from '#contract/kit-draft.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { ShopWord } from '#core/sheet/shop-lexicon.ts';
import { currentKit } from './catalog-repository.ts';
import { inTransaction } from './data-source.ts';
import { KitDraftEntity, KitEntity, ShopEntity } from './entities.ts';

/** Who let a revision into the library, and which warnings stand. */
export interface KitRelease {
  releasedBy: string;
  waivers: Waiver[];
  addedAtMs: number;
}

/** Kits being written, and their release into the library. */
export class KitDraftRepository {
  constructor(private readonly source: DataSource) {}

  async drafts(shopId: string): Promise<DraftCard[]> {
    const rows = await this.source
      .getRepository(KitDraftEntity)
      .find({ where: { shopId }, order: { changedAtMs: 'DESC' } });
    return rows.map(({ id, document, version, changedAtMs, changedBy }) => ({
      id,
      title: document.title,
      maker: document.maker,
      version,
      stations: document.stations.length,
      changedAtMs,
      changedBy,
    }));
  }

  async draft(shopId: string, id: string): Promise<KitDraft | undefined> {
    const row = await this.source.getRepository(KitDraftEntity).findOneBy({ shopId, id });
    if (!row) return undefined;
    const { document, version, changedAtMs, changedBy, sheet } = row;
    return { document: currentKit(document), version, changedAtMs, changedBy, ...(sheet ? { sheet } : {}) };
  }

  /** @returns false when a draft with this id is already there */
  async add(shopId: string, draft: KitDraft): Promise<boolean> {
    const { document, version, changedAtMs, changedBy, sheet } = draft;
    const result = await this.source.query(
      `INSERT IGNORE INTO kit_draft (shop_id, id, document, sheet, version, changed_at_ms, changed_by) VALUES (?, ?, ?, ?, ?, ?, ?)`,
      [shopId, document.id, JSON.stringify(document), sheet ?? null, version, changedAtMs, changedBy],
    );
    return result.affectedRows === 1;
  }

  /** Saves over exactly the version named. @returns false when another save came between */
  async save(
    shopId: string,
    document: KitDocument,
    from: number,
    changedAtMs: number,
    changedBy: string,
  ): Promise<boolean> {
    const result = await this.source
      .getRepository(KitDraftEntity)
      .update(
        { shopId, id: document.id, version: from },
        { document: document as object, version: from + 1, changedAtMs, changedBy },
      );
    return result.affected === 1;
  }

  async discard(shopId: string, id: string): Promise<boolean> {
    return (await this.source.getRepository(KitDraftEntity).delete({ shopId, id })).affected === 1;
  }

  /** The draft leaves and the revision enters in one transaction. @returns false when the draft moved on meanwhile */
  release(
    shopId: string,
    document: KitDocument,
    from: number,
    release: { note: string; releasedBy: string; waivers: Waiver[]; addedAtMs: number },
  ): Promise<boolean> {
    return inTransaction(this.source, async (manager) => {
      const gone = await manager.getRepository(KitDraftEntity).delete({ shopId, id: document.id, version: from });
      if (gone.affected !== 1) return false;
      await manager
        .getRepository(KitEntity)
        .insert({ shopId, id: document.id, revision: document.revision, document: document as object, ...release });
      return true;
    });
  }

  /** Takes a kit into the library that was not written here. */
  async take(shopId: string, document: KitDocument, release: KitRelease): Promise<void> {
    await this.source
      .getRepository(KitEntity)
      .insert({ shopId, id: document.id, revision: document.revision, document: document as object, ...release });
  }

  everyRevision(shopId: string): Promise<Array<Pick<KitEntity, 'id' | 'revision'>>> {
    return this.source
      .getRepository(KitEntity)
      .find({ where: { shopId }, select: { id: true, revision: true }, order: { id: 'ASC', revision: 'ASC' } });
  }

  /** What the shop calls its compounds. */
  async lexicon(shopId: string): Promise<ShopWord[]> {
    return (await this.source.getRepository(ShopEntity).findOneByOrFail({ id: shopId })).lexicon ?? [];
  }

  async keepLexicon(shopId: string, lexicon: ShopWord[]): Promise<void> {
    await this.source.getRepository(ShopEntity).update({ id: shopId }, { lexicon });
  }

  async revisions(shopId: string, id: string): Promise<RevisionCard[]> {
    const rows = await this.source.getRepository(KitEntity).find({
      where: { shopId, id },
      order: { revision: 'DESC' },
      select: {
        revision: true,
        addedAtMs: true,
        note: true,
        releasedBy: true,
        waivers: true,
        withdrawnAtMs: true,
        withdrawnBecause: true,
      },
    });
    return rows.map(({ revision, addedAtMs, note, releasedBy, waivers, withdrawnAtMs, withdrawnBecause }) => ({
      revision,
      addedAtMs,
      waivers: waivers ?? [],
      ...(note ? { note } : {}),
      ...(releasedBy ? { releasedBy } : {}),
      ...(withdrawnAtMs ? { withdrawn: { atMs: withdrawnAtMs, because: withdrawnBecause ?? '' } } : {}),
    }));
  }

  async newestRevision(shopId: string, id: string): Promise<number> {
    const row = await this.source
      .getRepository(KitEntity)
      .findOne({ where: { shopId, id }, order: { revision: 'DESC' }, select: { revision: true } });
    return row?.revision ?? 0;
  }
}
