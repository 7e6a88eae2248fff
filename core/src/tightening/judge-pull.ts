import type { AcceptBand } from './accept-band.ts';

/** `noMovement`: the wrench clicked and nothing turned, so the click proves nothing. */
export type PullVerdict = 'accepted' | 'under' | 'over' | 'overMaximum' | 'noMovement';

/**
 * Turning less than this before the click counts as not turning, degrees.
 * Chosen by us: the play of a half-inch ratchet and socket is about two degrees.
 */
export const MOVEMENT_DEG = 2;

/**
 * Readings and limits are compared to a thousandth of a newton metre (or degree). Chosen by us: finer than any
 * wrench shows, and a printed 80 lbf·in is 9.038 78… N·m, so that a reading of exactly 80 must not fall below it.
 */
export const COMPARISON_SLACK = 1e-3;

/**
 * Judges one pull against its band.
 *
 * @param band - from `acceptBand`
 * @param torqueNm - torque read at the end of the pull, N·m
 * @param angleDeg - for torque-angle: degrees turned after the threshold; a missing angle is `under`
 */
export function judgePull(band: AcceptBand, torqueNm: number, angleDeg?: number): PullVerdict {
  const { absoluteMaximumNm, angle } = band;
  if (absoluteMaximumNm !== undefined && torqueNm > absoluteMaximumNm + COMPARISON_SLACK) return 'overMaximum';
  if (torqueNm < band.minNm - COMPARISON_SLACK) return 'under';
  if (torqueNm > band.maxNm + COMPARISON_SLACK) return 'over';
  if (angle) {
    if (angleDeg === undefined || angleDeg < angle.minDeg - COMPARISON_SLACK) return 'under';
    if (angleDeg > angle.maxDeg + COMPARISON_SLACK) return 'over';
  }
  return 'accepted';
}
