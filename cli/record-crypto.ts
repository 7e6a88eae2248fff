import { createHash, createPublicKey, verify } from 'node:crypto';
import type { RecordCrypto } from '#contract/verify-record.ts';

const publicKey = (spki: string) => createPublicKey({ key: Buffer.from(spki, 'base64'), format: 'der', type: 'spki' });

/** False for whatever cannot be read as a key or a signature: it has signed nothing. */
const holds = (check: () => boolean): boolean => {
  try {
    return check();
  } catch {
    return false;
  }
};

/** The check's own cryptography, from Node's: nothing of the server is asked. @see FIPS 180-4, RFC 8032, FIPS 186-5 */
export const RECORD_CRYPTO: RecordCrypto = {
  sha256: (text) => createHash('sha256').update(text).digest('hex'),
  isSigned: ({ text, key, signature }) =>
    holds(() => verify(null, Buffer.from(text), publicKey(key), Buffer.from(signature, 'base64'))),
  isSignedBy: (spki, text, signature) =>
    holds(() => {
      const key = { key: publicKey(spki), dsaEncoding: 'ieee-p1363' as const };
      return verify('sha256', Buffer.from(text), key, Buffer.from(signature, 'base64'));
    }),
};
