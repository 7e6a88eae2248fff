import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

const DEG = 180 / Math.PI;

export interface TrackBar {
  barLengthMm: number;
  /** Frame end above the axle end, standing; below 0 where it hangs the other way. */
  heightDifferenceMm: number;
  /** How much the body rises. */
  liftMm: number;
}

export interface TrackBarShift {
  /** How far the axle is pulled towards the frame end of the bar, mm; away from it below 0. */
  shiftMm: number;
  /** From level, before and after. */
  beforeDeg: number;
  afterDeg: number;
  /** Length that brings the axle back under the middle, mm, and by how much that is longer. */
  recentreLengthMm: number;
  recentreByMm: number;
}

/** What a lift does to a solid axle on its track bar: the bar keeps its length, so what it gains in height it loses across. */
export function trackBarShift({
  barLengthMm,
  heightDifferenceMm,
  liftMm,
}: TrackBar): Result<TrackBarShift, InputFault> {
  const after = heightDifferenceMm + liftMm;
  const most = barLengthMm * 0.99;
  const fault =
    firstFault(outOfRange('barLengthMm', barLengthMm, 100, 2500), outOfRange('liftMm', liftMm, -400, 600)) ??
    firstFault(
      outOfRange('heightDifferenceMm', heightDifferenceMm, -most, most),
      outOfRange('liftMm', liftMm, -most - heightDifferenceMm, most - heightDifferenceMm),
    );
  if (fault) return fail(fault);
  const across = Math.sqrt(barLengthMm ** 2 - heightDifferenceMm ** 2);
  const recentreLengthMm = Math.hypot(across, after);
  return ok({
    shiftMm: across - Math.sqrt(barLengthMm ** 2 - after ** 2),
    beforeDeg: Math.asin(heightDifferenceMm / barLengthMm) * DEG,
    afterDeg: Math.asin(after / barLengthMm) * DEG,
    recentreLengthMm,
    recentreByMm: recentreLengthMm - barLengthMm,
  });
}
