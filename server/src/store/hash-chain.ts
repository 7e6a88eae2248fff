import { createHash } from 'node:crypto';
import type { JobEvent } from '#core/job/acts.ts';
import { chainHash as linkHash, UNSEALED } from '#core/record/chain.ts';

export const FIRST_HASH = UNSEALED;

/** SHA-256 of a text, hexadecimal. @see FIPS 180-4 */
export const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');

export const chainHash = (previous: string, seq: number, event: JobEvent): string =>
  linkHash(sha256, previous, seq, event);
