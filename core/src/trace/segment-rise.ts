import { median } from './tidy-trace.ts';

export interface CurvePoint {
  angleDeg: number;
  torqueNm: number;
}

/** A stretch of the curve that is straight. */
export interface Stretch {
  fromDeg: number;
  toDeg: number;
  fromNm: number;
  toNm: number;
  slopeNmPerDeg: number;
}

/** As many bins as a rise is looked at in. */
const MOST_BINS = 96;
/** A straight line that misses by this share of the peak is straight enough: contact is never quite linear (chosen by us). */
const ROUGHNESS = 0.006;

/** A bin that gained this share of the peak is full, however little it turned: a steep end is not one bin. */
const FULL = 0.03;

/**
 * The curve in bins of equal angle, finer where it is steep, each by the middle of its readings: one wild reading moves
 * nothing.
 *
 * @param points - angle never falling
 */
export function binned(points: readonly CurvePoint[]): CurvePoint[] {
  const first = points[0];
  const last = points.at(-1);
  if (!first || !last || points.length <= 3) return [...points];
  const widthDeg = Math.max(1e-6, (last.angleDeg - first.angleDeg) / MOST_BINS);
  const fullNm = FULL * points.reduce((most, { torqueNm }) => Math.max(most, torqueNm), 0);
  const result: CurvePoint[] = [];
  for (let at = 0; at < points.length; ) {
    const begins = points[at] as CurvePoint;
    let end = at + 1;
    while (end < points.length) {
      const { angleDeg, torqueNm } = points[end] as CurvePoint;
      const gained = torqueNm - begins.torqueNm;
      // Of a few readings in a steep end each is a bin: more than scatter ever is.
      if (angleDeg - begins.angleDeg >= widthDeg || gained >= 2 * fullNm || (end - at >= 3 && gained >= fullNm)) break;
      end += 1;
    }
    const part = points.slice(at, end);
    result.push({
      angleDeg: part.reduce((sum, { angleDeg }) => sum + angleDeg, 0) / part.length,
      torqueNm: median(part.map(({ torqueNm }) => torqueNm)),
    });
    at = end;
  }
  return result;
}

/**
 * Parts a curve into straight stretches: the split that makes squared misfit plus a price per stretch least, found by
 * dynamic programming over all splits. Each stretch is a line of its own, so that a drop is a drop.
 *
 * @param curve - bins, angle rising
 * @param noiseNm - scatter of one bin
 * @see Jackson et al. (2005), An algorithm for optimal partitioning of data on an interval; the price after Schwarz (1978), BIC
 */
export function straightStretches(curve: readonly CurvePoint[], noiseNm: number): Stretch[] {
  const n = curve.length;
  if (n < 2) return [];
  const peakNm = Math.max(...curve.map(({ torqueNm }) => torqueNm));
  const sigma = Math.max(noiseNm, ROUGHNESS * peakNm, 1e-9);
  const price = 4 * Math.log(n) * sigma * sigma;
  // Sums up to each bin give the misfit of any stretch at once.
  const sums = new Float64Array(5 * (n + 1));
  for (const [at, { angleDeg: x, torqueNm: y }] of curve.entries()) {
    const [from, to] = [5 * at, 5 * (at + 1)];
    for (const [place, value] of [x, y, x * x, x * y, y * y].entries())
      sums[to + place] = (sums[from + place] as number) + value;
  }
  const over = (from: number, to: number, place: number) =>
    (sums[5 * to + place] as number) - (sums[5 * from + place] as number);
  const line = (from: number, to: number) => {
    const count = to - from;
    const [x, y] = [over(from, to, 0) / count, over(from, to, 1) / count];
    const xx = over(from, to, 2) - count * x * x;
    const xy = over(from, to, 3) - count * x * y;
    const yy = over(from, to, 4) - count * y * y;
    const slope = xx > 1e-9 ? xy / xx : 0;
    return { slope, x, y, misfit: Math.max(0, yy - slope * xy) };
  };
  const best = new Float64Array(n + 1);
  const cut = new Int32Array(n + 1);
  best[0] = -price;
  for (let to = 1; to <= n; to++) {
    best[to] = Number.POSITIVE_INFINITY;
    for (let from = 0; from < to; from++) {
      // A stretch is at least two bins; one bin alone has no slope.
      if (to - from < 2 && n > 3) continue;
      const cost = (best[from] as number) + price + line(from, to).misfit;
      if (cost < (best[to] as number)) {
        best[to] = cost;
        cut[to] = from;
      }
    }
  }
  const stretches: Stretch[] = [];
  for (let to = n; to > 0; to = cut[to] as number) {
    const from = cut[to] as number;
    const { slope, x, y } = line(from, to);
    const [fromDeg, toDeg] = [(curve[from] as CurvePoint).angleDeg, (curve[to - 1] as CurvePoint).angleDeg];
    stretches.unshift({
      fromDeg,
      toDeg,
      fromNm: y + slope * (fromDeg - x),
      toNm: y + slope * (toDeg - x),
      slopeNmPerDeg: slope,
    });
  }
  return stretches;
}
