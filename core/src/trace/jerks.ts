import type { TraceSample } from './pull-trace.ts';
import type { CurvePoint } from './segment-rise.ts';
import { median, type TidyTrace } from './tidy-trace.ts';

/** As fine as jerks are looked for, degrees: finer, and the scatter of many readings jerks by itself. */
const JERK_DEG = 0.25;

/** The curve in middles over a fraction of a degree, with how many readings each has. */
function finely(points: readonly TraceSample[]): Array<CurvePoint & { readings: number }> {
  const result: Array<CurvePoint & { readings: number }> = [];
  for (let at = 0; at < points.length; ) {
    const from = points[at] as TraceSample;
    let end = at + 1;
    while (end < points.length && (points[end] as TraceSample).angleDeg - from.angleDeg < JERK_DEG) end += 1;
    const part = points.slice(at, end).map(({ torqueNm }) => torqueNm);
    result.push({ angleDeg: from.angleDeg, torqueNm: median(part), readings: part.length });
    at = end;
  }
  return result;
}

/** A swing about the smooth rise below this is no jerk, share of the target. */
const SWING = 0.009;
/** A swing is this many times the scatter of its middle. */
const SURE = 3;

/**
 * How often the torque swung about a smooth rise, there and back, while it was drawn tight. What the parts do, and a bolt
 * that gives, bends the curve once or twice; only a nut that hangs and jumps swings on and on.
 */
export function jerksOf(
  points: readonly TraceSample[],
  fromDeg: number,
  toDeg: number,
  { noiseNm, joinsDeg, stopsDeg }: Pick<TidyTrace, 'noiseNm' | 'joinsDeg' | 'stopsDeg'>,
  targetNm: number,
): number {
  // A ratchet that is taken up again, or a hand that waits, is no jerk of the nut: each stroke is looked at by itself.
  const halts = [...joinsDeg, ...stopsDeg].sort((one, other) => one - other);
  const strokes = [Number.NEGATIVE_INFINITY, ...halts].map((from, at) =>
    finely(
      points.filter(
        ({ angleDeg }) =>
          angleDeg >= Math.max(fromDeg, from + 2.5) && angleDeg <= Math.min(toDeg, (halts[at] ?? toDeg + 1) - 1),
      ),
    ),
  );
  let falls = 0;
  let crossings = 0;
  for (const stroke of strokes) {
    falls += fallsOf(stroke, noiseNm, targetNm);
    const smooth = parabola(stroke);
    let side = 0;
    for (const { angleDeg, torqueNm, readings } of stroke) {
      const off = torqueNm - smooth(angleDeg);
      const least = Math.max(SWING * targetNm, (SURE * noiseNm) / Math.sqrt(readings));
      const now = Math.abs(off) < least ? 0 : Math.sign(off);
      if (now === 0 || now === side) continue;
      crossings += side === 0 ? 0 : 1;
      side = now;
    }
  }
  // A single fall is a washer that found its seat: it alone bends the curve two or three times.
  const swings = Math.floor((crossings + 1) / 2) - (falls < 2 ? 2 : 0);
  return Math.max(falls, swings);
}

/** How often the torque fell, and rose again, on its way up. */
function fallsOf(points: ReadonlyArray<CurvePoint & { readings: number }>, noiseNm: number, targetNm: number): number {
  let [falls, high, low] = [0, Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY];
  let falling = false;
  for (const { torqueNm, readings } of points) {
    const leastNm = Math.max((4.5 * noiseNm) / Math.sqrt(readings), 2 * SWING * targetNm);
    if (!falling) {
      high = Math.max(high, torqueNm);
      if (high - torqueNm < leastNm) continue;
      falling = true;
      low = torqueNm;
      continue;
    }
    low = Math.min(low, torqueNm);
    if (torqueNm - low < leastNm) continue;
    falls += 1;
    falling = false;
    high = torqueNm;
  }
  return falls;
}

/** Least squares of a second degree. */
function parabola(points: readonly CurvePoint[]): (deg: number) => number {
  const first = points[0]?.angleDeg ?? 0;
  const span = Math.max(1e-9, (points.at(-1)?.angleDeg ?? 0) - first);
  const at = (deg: number) => (deg - first) / span - 0.5;
  const sums = new Float64Array(8);
  for (const { angleDeg, torqueNm } of points) {
    const x = at(angleDeg);
    for (let power = 0; power <= 4; power++) sums[power] = (sums[power] as number) + x ** power;
    for (let power = 0; power <= 2; power++) sums[5 + power] = (sums[5 + power] as number) + torqueNm * x ** power;
  }
  const [n, x1, x2, x3, x4, y, xy, xxy] = sums as unknown as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  // Cramer's rule on the three normal equations.
  const det = n * (x2 * x4 - x3 * x3) - x1 * (x1 * x4 - x2 * x3) + x2 * (x1 * x3 - x2 * x2);
  if (Math.abs(det) < 1e-12) return () => y / Math.max(1, n);
  const a = (y * (x2 * x4 - x3 * x3) - x1 * (xy * x4 - xxy * x3) + x2 * (xy * x3 - xxy * x2)) / det;
  const b = (n * (xy * x4 - xxy * x3) - y * (x1 * x4 - x2 * x3) + x2 * (x1 * xxy - x2 * xy)) / det;
  const c = (n * (x2 * xxy - x3 * xy) - x1 * (x1 * xxy - x2 * xy) + y * (x1 * x3 - x2 * x2)) / det;
  return (deg) => a + b * at(deg) + c * at(deg) ** 2;
}
