import { EVERYBODY } from '../role.ts';
import { act, done, stampOf } from './act.ts';

/** A photo that was taken, by the hash of its bytes. Given by the server alone, which has the bytes. */
export interface KeepPhoto {
  type: 'keepPhoto';
  photo: string;
  /** SHA-256 of the bytes, hexadecimal. */
  sha256: string;
  mime: string;
  bytes: number;
}

export interface PhotoKept extends Omit<KeepPhoto, 'type'> {
  type: 'photoKept';
}

export const keepPhoto = act<KeepPhoto, PhotoKept>({
  may: EVERYBODY,
  decide(_, { photo, sha256, mime, bytes }) {
    return done({ type: 'photoKept', photo, sha256, mime, bytes });
  },
  fold: {
    photoKept(draft, fact) {
      const { photo, sha256, mime, bytes } = fact;
      const kept = { sha256, type: mime, bytes, ...stampOf(fact) };
      draft.visit = { ...draft.visit, photos: { ...draft.visit.photos, [photo]: kept } };
    },
  },
});
