/** One moment of a pull. */
export interface TracePoint {
  torqueNm: number;
  /** Degrees the handle has moved. */
  angleDeg: number;
}

/**
 * Degrees over which a gradient is taken. Chosen by us: five frames of a steady hand at 50 frames a second; shorter ones
 * see the noise of the transducer, longer ones see the yield late.
 */
export const GRADIENT_WINDOW_DEG = 3;

/**
 * The torque-over-angle gradient at the end of a trace as a share of its steepest, the sign by which yield-controlled
 * tightening knows the yield point: share = (ΔT/Δφ at the end) ÷ (steepest ΔT/Δφ).
 *
 * @param trace - points in the order they were read; the angle never falls
 * @param fromNm - torque from which the gradient is watched: before it the parts are drawn together and the handle winds up
 * @returns 0 to 1; undefined while less than two windows lie above `fromNm`
 * @see VDI 2230-1, yield-controlled tightening (the principle; from memory)
 */
export function gradientShare(trace: readonly TracePoint[], fromNm: number): number | undefined {
  const watched = trace.filter(({ torqueNm }) => torqueNm >= fromNm);
  const first = watched[0];
  const last = watched.at(-1);
  if (!first || !last || last.angleDeg - first.angleDeg < 2 * GRADIENT_WINDOW_DEG) return undefined;
  let steepest = 0;
  let gradient = 0;
  let from = 0;
  for (const point of watched) {
    // The window's start follows its end, a point at a time.
    while (point.angleDeg - (watched[from + 1]?.angleDeg ?? point.angleDeg) >= GRADIENT_WINDOW_DEG) from += 1;
    const start = watched[from];
    if (!start || point.angleDeg - start.angleDeg < GRADIENT_WINDOW_DEG) continue;
    gradient = (point.torqueNm - start.torqueNm) / (point.angleDeg - start.angleDeg);
    steepest = Math.max(steepest, gradient);
  }
  return steepest > 0 ? Math.max(0, gradient / steepest) : undefined;
}
