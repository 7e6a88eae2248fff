import { canonicalJson } from './canonical-json.ts';

/** SHA-256 of a text in UTF-8, hexadecimal. Given by the caller: the core runs where there is no one library for it. */
export type Sha256 = (text: string) => string;

/** The hash before the first event of a job that was opened before openings were sealed. */
export const UNSEALED = '0'.repeat(64);

/** An event as it is chained: numbered, with the hash it was stored with. */
export interface ChainLink {
  seq: number;
  hash: string;
  /** As it was stored, whatever version of the application stored it. */
  event: object;
}

/** SHA-256 over the previous hash, the sequence number and the event. @see FIPS 180-4 */
export const chainHash = (sha256: Sha256, previous: string, seq: number, event: object): string =>
  sha256(`${previous}\n${seq}\n${canonicalJson(event)}`);

/** The newest event a job is known to have had, from somewhere that is kept apart from its events. */
export interface KnownHead {
  seq: number;
  hash: string;
}

/** Where a chain does not hold. */
export interface ChainCheck {
  /** Sequence numbers at which an event is missing, or not what follows from the one before. */
  breaks: number[];
  /** Those that no lead has looked at. */
  open: number[];
}

interface Acknowledgement {
  type: 'breakAcknowledged';
  breaks: number[];
}
const isAcknowledgement = (event: object): event is Acknowledgement =>
  (event as Partial<Acknowledgement>).type === 'breakAcknowledged' &&
  Array.isArray((event as Partial<Acknowledgement>).breaks);

/**
 * Follows a chain from its first hash and names every break. After one it goes on from what stands there, so that what
 * was added since is checked too; a break that a later, unbroken entry acknowledges is not open any more.
 *
 * @param first - what the first event follows on: the hash of the opening seal
 * @param heads - events the job is known to have had: a tail that was cut off shows by them
 */
export function checkChain(
  sha256: Sha256,
  first: string,
  links: readonly ChainLink[],
  heads: readonly KnownHead[] = [],
): ChainCheck {
  const breaks = new Set<number>();
  const acknowledged = new Set<number>();
  const hashes = new Map<number, string>();
  let previous = first;
  let expected = 1;
  for (const { seq, hash, event } of links) {
    if (seq !== expected) breaks.add(Math.min(seq, expected));
    const holds = hash === chainHash(sha256, previous, seq, event);
    if (!holds) breaks.add(seq);
    else if (isAcknowledgement(event)) for (const at of event.breaks) if (at < seq) acknowledged.add(at);
    hashes.set(seq, hash);
    previous = hash;
    expected = seq + 1;
  }
  for (const { seq, hash } of heads) {
    if (seq === 0 || hashes.get(seq) === hash) continue;
    // Where several at the end are gone, the first of them is where it breaks.
    const last = links.at(-1)?.seq ?? 0;
    breaks.add(hashes.has(seq) ? seq : Math.min(seq, seq > last ? last + 1 : seq));
  }
  const sorted = [...breaks].sort((a, b) => a - b);
  return { breaks: sorted, open: sorted.filter((at) => !acknowledged.has(at)) };
}
