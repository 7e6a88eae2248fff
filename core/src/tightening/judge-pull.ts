import type { AcceptBand } from './band.ts';
import type { Reading } from './kind/reading.ts';

/** `noMovement`: the wrench clicked and nothing turned, so the click proves nothing. */
export const PULL_VERDICTS = ['accepted', 'under', 'over', 'overMaximum', 'noMovement'] as const;
export type PullVerdict = (typeof PULL_VERDICTS)[number];

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

/** How a pull was made: what a reading cannot tell by itself. */
export interface PullCircumstance {
  /** A verify pull moves nothing, and overshoot in it is found, not made. */
  verifying: boolean;
}

/**
 * Judges one pull against its band: the one verdict, for a reading and for its correction.
 *
 * @param band - from `acceptBand`
 * @param reading - torque in N·m, angles in degrees; what the band asks for and the reading lacks is `under`
 */
export function judgePull(
  band: AcceptBand,
  reading: Reading,
  { verifying }: PullCircumstance = { verifying: false },
): PullVerdict {
  const { torqueNm, angleDeg, turnedDeg = angleDeg, movementDeg, gradientShare } = reading;
  const { absoluteMaximumNm, angle, gradient } = band;
  if (absoluteMaximumNm !== undefined && torqueNm > absoluteMaximumNm + COMPARISON_SLACK) return 'overMaximum';
  if (torqueNm < band.minNm - COMPARISON_SLACK) return 'under';
  if (torqueNm > band.maxNm + COMPARISON_SLACK) return 'over';
  if (angle) {
    if (turnedDeg === undefined || turnedDeg < angle.minDeg - COMPARISON_SLACK) return 'under';
    if (turnedDeg > angle.maxDeg + COMPARISON_SLACK) return 'over';
  }
  if (gradient && (gradientShare === undefined || gradientShare > gradient.maxShare + COMPARISON_SLACK)) return 'under';
  // A wrench that speaks knows whether anything turned; of any other the person says so, and says nothing of it otherwise.
  const still = !verifying && movementDeg !== undefined && movementDeg < MOVEMENT_DEG;
  return still ? 'noMovement' : 'accepted';
}
