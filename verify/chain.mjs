/** The arithmetic a record is proved with. Every rule stands in docs/formats/record.md; nothing here comes from elsewhere. */
import { createHash, createPublicKey, verify } from 'node:crypto';

/** SHA-256 of a text in UTF-8 or of bytes, hexadecimal (FIPS 180-4). */
export const sha256 = (what) => createHash('sha256').update(what).digest('hex');

/** JSON with keys in order and nothing undefined: RFC 8785. */
export function canonical(value) {
  if (Array.isArray(value)) return `[${value.map((entry) => canonical(entry ?? null)).join(',')}]`;
  if (value === null || typeof value !== 'object') return JSON.stringify(value);
  const members = Object.keys(value)
    .filter((key) => value[key] !== undefined)
    .sort((a, b) => (a < b ? -1 : 1));
  return `{${members.map((key) => `${JSON.stringify(key)}:${canonical(value[key])}`).join(',')}}`;
}

const publicKey = (spki) => createPublicKey({ key: Buffer.from(spki, 'base64'), format: 'der', type: 'spki' });

/** What cannot be read as a key or a signature has signed nothing. */
function holds(check) {
  try {
    return check();
  } catch {
    return false;
  }
}

/** Ed25519 (RFC 8032) over a text; key as SPKI and signature, base64. */
export const isSigned = ({ text, key, signature }) =>
  holds(() => verify(null, Buffer.from(text), publicKey(key), Buffer.from(signature, 'base64')));

/** ECDSA over P-256 and SHA-256 (FIPS 186-5), signature as in IEEE P1363, base64. */
export const isSignedBy = (spki, text, signature) =>
  holds(() =>
    verify(
      'sha256',
      Buffer.from(text),
      { key: publicKey(spki), dsaEncoding: 'ieee-p1363' },
      Buffer.from(signature, 'base64'),
    ),
  );

/**
 * Follows the chain of a record. After a break it goes on from what stands there, so that what came later is checked too.
 *
 * @param first - what the first entry follows on
 * @param entries - `{ seq, hash, event }` in order
 * @param head - `{ seq, hash }` that the closing names: a tail that was cut off shows by it
 * @returns the entries at which it breaks, and those that no lead has looked at
 */
export function followChain(first, entries, head) {
  const breaks = new Set();
  const acknowledged = new Set();
  const hashes = new Map();
  let before = first;
  let expected = 1;
  for (const { seq, hash, event } of entries) {
    if (seq !== expected) breaks.add(Math.min(seq, expected));
    if (hash !== sha256(`${before}\n${seq}\n${canonical(event)}`)) breaks.add(seq);
    else if (event.type === 'breakAcknowledged' && Array.isArray(event.breaks))
      for (const at of event.breaks) if (at < seq) acknowledged.add(at);
    hashes.set(seq, hash);
    before = hash;
    expected = seq + 1;
  }
  if (head && head.seq !== 0 && hashes.get(head.seq) !== head.hash) {
    const last = entries.at(-1)?.seq ?? 0;
    breaks.add(!hashes.has(head.seq) && head.seq > last ? last + 1 : head.seq);
  }
  const sorted = [...breaks].sort((a, b) => a - b);
  return { breaks: sorted, open: sorted.filter((at) => !acknowledged.has(at)) };
}

/**
 * Whether a key is the shop's: the one it gave, or one that follows on it. Each change of key is a text signed with the
 * key before it, which names the one after it.
 *
 * @param given - the key known from elsewhere; without one every key is taken
 * @param changes - `{ text, key, signature }` in any order
 */
export function isTheShops(key, given, changes = []) {
  if (given === undefined || key === given) return true;
  const known = new Set([given]);
  // As many rounds as there are changes: they may stand in any order.
  for (let round = 0; round < changes.length; round++)
    for (const change of changes)
      if (known.has(change.key) && isSigned(change)) known.add(JSON.parse(change.text).next);
  return known.has(key);
}
