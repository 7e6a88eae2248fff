import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { SignedText } from '#core/record/seal.ts';
import { Anchors } from './anchors.ts';
import { RecordSeal } from './record-seal.ts';
import { keyChanges, ShopKey } from './shop-key.ts';

/** All that is kept outside the database to seal and prove by. */
export interface SealFolder {
  seal: RecordSeal;
  anchors: Anchors;
  publicKey: string;
  /** Changes of the key, each signed with the one before. */
  changes: readonly SignedText[];
  /** Signs a text with the shop's key. */
  sign(text: string): SignedText;
  /** What the server's own codes are made with. */
  secret: Buffer;
}

/** Opens the folder of the shop's key and anchors, making what is not there yet. */
export function openSeal(folder: string): SealFolder {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const key = ShopKey.in(folder);
  const anchors = new Anchors(join(folder, 'anchors'), key);
  const file = join(folder, 'server-secret');
  if (!existsSync(file)) writeFileSync(file, randomBytes(32), { mode: 0o600, flag: 'wx' });
  return {
    seal: new RecordSeal(key, anchors),
    anchors,
    publicKey: key.publicKey,
    changes: keyChanges(folder),
    sign: (text) => key.sign(text),
    secret: readFileSync(file),
  };
}
