/** The torque a pull aims at and the window in which it is accepted, N·m. */
export interface AcceptBand {
  targetNm: number;
  minNm: number;
  maxNm: number;
  /** Never to be passed, at any stage and by nobody's leave. */
  absoluteMaximumNm?: number;
  /** The highest torque the wrench must show on the way, where that is above `targetNm`. */
  peakNm?: number;
  /** The angle turned after `targetNm` was reached, degrees. */
  angle?: { targetDeg: number; minDeg: number; maxDeg: number };
  /** Pulled until the torque-over-angle gradient has fallen to this share of its steepest. */
  gradient?: { maxShare: number };
}

/**
 * Accepted deviation where the sheet prints a bare value, as a fraction of it.
 * Chosen by us: ISO 6789-1 allows a click wrench ±4 %, so ±5 % passes a pull made with care and no other.
 */
export const DEFAULT_TOLERANCE = 0.05;

/** A bare value with its accepted deviation each way. */
export const around = (targetNm: number, tolerance = DEFAULT_TOLERANCE): AcceptBand => ({
  targetNm,
  minNm: targetNm * (1 - tolerance),
  maxNm: targetNm * (1 + tolerance),
});
