import { type HeadStandard, headDimension } from './head-dimension.ts';
import type { Thread } from './thread.ts';

/**
 * Width across flats of a head or nut, or of the key for a socket head.
 *
 * @returns mm, or undefined where the standard does not list the size. Never a guess from a neighbour.
 */
export const acrossFlatsMm = (
  standard: HeadStandard,
  thread: Pick<Thread, 'system' | 'nominalMm'>,
): number | undefined => headDimension(standard, thread)?.acrossFlatsMm;
