import { createPublicKey, type KeyObject, verify } from 'node:crypto';

const publicKey = (spki: string): KeyObject =>
  createPublicKey({ key: Buffer.from(spki, 'base64'), format: 'der', type: 'spki' });

/** Whether a public key is one that devices make: on the curve P-256. */
export function isDeviceKey(spki: string): boolean {
  try {
    const { asymmetricKeyType, asymmetricKeyDetails } = publicKey(spki);
    return asymmetricKeyType === 'ec' && asymmetricKeyDetails?.namedCurve === 'prime256v1';
  } catch {
    // What cannot be read as a key is none.
    return false;
  }
}

/** Public keys read once: reading one costs as much as checking with it. */
const read = new Map<string, KeyObject>();
const KEPT = 2000;

/** Whether a text was signed by the private half of a key. ECDSA over P-256 and SHA-256. @see FIPS 186-5 */
export function isSignedBy(spki: string, text: string, signature: string): boolean {
  let key = read.get(spki);
  if (!key) {
    if (read.size >= KEPT) read.clear();
    key = publicKey(spki);
    read.set(spki, key);
  }
  return verify('sha256', Buffer.from(text), { key, dsaEncoding: 'ieee-p1363' }, Buffer.from(signature, 'base64'));
}
