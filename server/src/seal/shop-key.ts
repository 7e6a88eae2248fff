import { createPrivateKey, createPublicKey, generateKeyPairSync, type KeyObject, sign, verify } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { canonicalJson } from '#core/record/canonical-json.ts';
import type { SignedText } from '#core/record/seal.ts';

const FILE = 'shop-key.pem';
/** Public keys the shop signed with before, SPKI in base64, one a line. */
const FORMER = 'former-keys.txt';
/** Changes of key, each signed with the key before it: a list of signed texts. */
const CHANGES = 'key-changes.json';

const formerIn = (folder: string): string[] =>
  existsSync(join(folder, FORMER)) ? readFileSync(join(folder, FORMER), 'utf8').split('\n').filter(Boolean) : [];

/** From now on records signed with this key are the shop's own: those that came with an archive. */
export function trustFormerKey(folder: string, publicKey: string): void {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const keys = new Set([...formerIn(folder), publicKey]);
  writeFileSync(join(folder, FORMER), `${[...keys].join('\n')}\n`, { mode: 0o600 });
}

/** A change of the shop's key, as the key before it signs it. */
interface KeyChange {
  format: 'wrenchman-key-change';
  version: 1;
  next: string;
  atMs: number;
}

/** The shop's changes of key, the oldest first. */
export const keyChanges = (folder: string): SignedText[] =>
  existsSync(join(folder, CHANGES)) ? (JSON.parse(readFileSync(join(folder, CHANGES), 'utf8')) as SignedText[]) : [];

/**
 * Gives the shop a new key. The old one signs the change, so that whoever knows the old one can follow; what it signed
 * stays the shop's own. The old secret is kept beside the new one, out of use, in case the change itself must be undone.
 */
export function rotateKey(folder: string, atMs: number): { from: string; to: string } {
  const old = ShopKey.in(folder);
  const { privateKey, publicKey } = generateKeyPairSync('ed25519');
  const next = publicKey.export({ format: 'der', type: 'spki' }).toString('base64');
  const change: KeyChange = { format: 'wrenchman-key-change', version: 1, next, atMs };
  const signed = old.sign(canonicalJson(change));
  // First what makes the old key stay known: a rotation that is cut off in the middle loses nothing.
  trustFormerKey(folder, old.publicKey);
  writeFileSync(join(folder, CHANGES), `${JSON.stringify([...keyChanges(folder), signed], null, 2)}\n`, {
    mode: 0o600,
  });
  renameSync(join(folder, FILE), join(folder, `shop-key-until-${atMs}.pem`));
  writeFileSync(join(folder, FILE), privateKey.export({ format: 'pem', type: 'pkcs8' }), { mode: 0o600, flag: 'wx' });
  return { from: old.publicKey, to: next };
}

/** Whether a text bears the signature it says it does. Ed25519. @see RFC 8032 */
export function isSigned({ text, key, signature }: SignedText): boolean {
  try {
    const publicKey = createPublicKey({ key: Buffer.from(key, 'base64'), format: 'der', type: 'spki' });
    return verify(null, Buffer.from(text), publicKey, Buffer.from(signature, 'base64'));
  } catch {
    // A key that cannot be read has signed nothing.
    return false;
  }
}

/**
 * The key the shop signs its records with. It lies in a folder of its own, outside the database: whoever can write there
 * cannot sign, and whoever has it cannot reach the database by it.
 */
export class ShopKey {
  private constructor(
    private readonly secret: KeyObject,
    /** SPKI, base64. */
    readonly publicKey: string,
    private readonly former: ReadonlySet<string>,
  ) {}

  /** The key in a folder, made there the first time. */
  static in(folder: string): ShopKey {
    const file = join(folder, FILE);
    if (!existsSync(file)) {
      mkdirSync(folder, { recursive: true, mode: 0o700 });
      const { privateKey } = generateKeyPairSync('ed25519');
      // Not over one that another process made meanwhile.
      writeFileSync(file, privateKey.export({ format: 'pem', type: 'pkcs8' }), { mode: 0o600, flag: 'wx' });
    }
    const secret = createPrivateKey(readFileSync(file));
    const spki = createPublicKey(secret).export({ format: 'der', type: 'spki' });
    return new ShopKey(secret, spki.toString('base64'), new Set(formerIn(folder)));
  }

  /** Whether a key is the shop's, or was. */
  isOurs(publicKey: string): boolean {
    return publicKey === this.publicKey || this.former.has(publicKey);
  }

  sign(text: string): SignedText {
    return { text, key: this.publicKey, signature: sign(null, Buffer.from(text), this.secret).toString('base64') };
  }
}
