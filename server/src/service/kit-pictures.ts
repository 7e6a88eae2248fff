import { createHash } from 'node:crypto';
import { fail, ok, type Result } from '#core/result.ts';
import type { KitPictureEntity } from '../store/entities.ts';
import type { KitPictureRepository } from '../store/kit-picture-repository.ts';
import type { Caller } from './caller.ts';

export type KitPictureError = { code: 'tooManyPictures' };

/** Bytes of all of a shop's sheet pictures together: some ten thousand pages. */
const MOST_BYTES = 2e9;

/** Pages of makers' sheets and figures cut from them. What is kept never changes: kit revisions name it by its hash. */
export class KitPictures {
  constructor(
    private readonly pictures: KitPictureRepository,
    private readonly now: () => number = Date.now,
  ) {}

  async keep(caller: Caller, type: string, bytes: Buffer): Promise<Result<{ sha256: string }, KitPictureError>> {
    const { shopId, person } = caller;
    if ((await this.pictures.bytesOf(shopId)) + bytes.length > MOST_BYTES) return fail({ code: 'tooManyPictures' });
    const sha256 = createHash('sha256').update(bytes).digest('hex');
    await this.pictures.keep({ shopId, sha256, type, bytes, addedBy: person.id, addedAtMs: this.now() });
    return ok({ sha256 });
  }

  picture(shopId: string, sha256: string): Promise<KitPictureEntity | undefined> {
    return this.pictures.picture(shopId, sha256);
  }
}
