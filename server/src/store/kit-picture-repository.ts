import type { DataSource } from 'typeorm';
import { KitPictureEntity } from './entities.ts';

/** Pictures of makers' sheets, by the hash of their bytes. */
export class KitPictureRepository {
  constructor(private readonly source: DataSource) {}

  /** Keeps a picture; one that is there already stays as it is. */
  async keep(picture: KitPictureEntity): Promise<void> {
    const { shopId, sha256, type, bytes, addedBy, addedAtMs } = picture;
    await this.source.query(
      'INSERT IGNORE INTO kit_picture (shop_id, sha256, type, bytes, added_by, added_at_ms) VALUES (?, ?, ?, ?, ?, ?)',
      [shopId, sha256, type, bytes, addedBy, addedAtMs],
    );
  }

  /** Copies pictures of one shop's to another's, those that are not there. */
  async copy(from: string, to: string, hashes: readonly string[]): Promise<void> {
    if (hashes.length === 0) return;
    await this.source.query(
      `INSERT IGNORE INTO kit_picture (shop_id, sha256, type, bytes, added_by, added_at_ms)
        SELECT ?, sha256, type, bytes, added_by, added_at_ms FROM kit_picture WHERE shop_id = ? AND sha256 IN (?)`,
      [to, from, hashes],
    );
  }

  async picture(shopId: string, sha256: string): Promise<KitPictureEntity | undefined> {
    return (await this.source.getRepository(KitPictureEntity).findOneBy({ shopId, sha256 })) ?? undefined;
  }

  /** Bytes of all pictures of a shop together. */
  async bytesOf(shopId: string): Promise<number> {
    const [row] = (await this.source.query(
      'SELECT COALESCE(SUM(LENGTH(bytes)), 0) AS bytes FROM kit_picture WHERE shop_id = ?',
      [shopId],
    )) as Array<{ bytes: string | number }>;
    return Number(row?.bytes ?? 0);
  }
}
