import type { AcceptBand } from './accept-band.ts';

/** `noMovement`: the wrench clicked and nothing turned, so the click proves nothing. */
export type PullVerdict = 'accepted' | 'under' | 'over' | 'overMaximum' | 'noMovement';

/**
 * Turning less than this before the click counts as not turning, degrees.
 * Chosen by us: the play of a half-inch ratchet and socket is about two degrees.
 */
export const MOVEMENT_DEG = 2;

/** Comparisons allow for the last bit of a unit conversion, N·m or degrees. */
const SLACK = 1e-6;

/**
 * Judges one pull against its band.
 *
 * @param band - from `acceptBand`
 * @param torqueNm - torque read at the end of the pull, N·m
 * @param angleDeg - for torque-angle: degrees turned after the threshold; a missing angle is `under`
 */
export function judgePull(band: AcceptBand, torqueNm: number, angleDeg?: number): PullVerdict {
  const { absoluteMaximumNm, angle } = band;
  if (absoluteMaximumNm !== undefined && torqueNm > absoluteMaximumNm + SLACK) return 'overMaximum';
  if (torqueNm < band.minNm - SLACK) return 'under';
  if (torqueNm > band.maxNm + SLACK) return 'over';
  if (angle) {
    if (angleDeg === undefined || angleDeg < angle.minDeg - SLACK) return 'under';
    if (angleDeg > angle.maxDeg + SLACK) return 'over';
  }
  return 'accepted';
}
