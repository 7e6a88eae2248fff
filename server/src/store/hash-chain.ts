import { createHash } from 'node:crypto';
import type { StoredEvent } from '#contract/job.ts';
import type { JobEvent } from '#core/job/acts.ts';

/** The hash before the first event of a job. */
export const FIRST_HASH = '0'.repeat(64);

/** JSON with keys in order and undefined left out, so that one event has one text on every machine. */
export function canonicalJson(value: unknown): string {
  return JSON.stringify(value, (_, entry: unknown) =>
    entry !== null && typeof entry === 'object' && !Array.isArray(entry)
      ? Object.fromEntries(Object.entries(entry).sort(([a], [b]) => (a < b ? -1 : 1)))
      : entry,
  );
}

/** SHA-256 over the previous hash, the sequence number and the event. @see FIPS 180-4 */
export const chainHash = (previous: string, seq: number, event: JobEvent): string =>
  createHash('sha256')
    .update(`${previous}\n${seq}\n${canonicalJson(event)}`)
    .digest('hex');

/** The sequence number of the first event that does not follow from the one before; undefined when all do. */
export function firstBreak(events: readonly StoredEvent[]): number | undefined {
  let previous = FIRST_HASH;
  for (const [index, { seq, hash, event }] of events.entries()) {
    if (seq !== index + 1 || hash !== chainHash(previous, seq, event)) return index + 1;
    previous = hash;
  }
  return undefined;
}
