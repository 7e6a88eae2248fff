import { type ExpectedRise, expectedRise } from './expected-rise.ts';
import type { TraceJoint, TraceSample } from './pull-trace.ts';
import { binned, type CurvePoint, type Stretch, straightStretches } from './segment-rise.ts';
import { median, type TidyTrace, tidyTrace } from './tidy-trace.ts';

/** What part of a pull a stretch of its curve is. */
export type StretchPart = 'freeRun' | 'windUp' | 'drawnTogether' | 'elastic' | 'plastic' | 'falling';

export interface LabelledStretch extends Stretch {
  part: StretchPart;
}

/** What a curve shows, in figures that mean something at the bay. */
export interface TraceSigns {
  expected: ExpectedRise;
  stretches: LabelledStretch[];
  peakNm: number;
  /** Degrees the nut ran before it met anything. */
  freeRunDeg: number;
  /** Drag of the free run beyond a locking nut's, share of the target. */
  dragShare: number;
  /** Degrees with more than a tenth of the target on them before the elastic rise begins. */
  earlyDeg: number;
  /** Torque where the elastic rise begins, share of the target. */
  earlyShare: number;
  /** The elastic rise, N·m per degree. */
  slopeNmPerDeg: number;
  /** Degrees from a tenth of the target to the peak. */
  riseDeg: number;
  /** The rise's slope at the end as a share of the elastic one: 1 straight to the end, 0 flat, below 0 falling. */
  endSlopeShare: number;
  /** Degrees over which it was less than half as steep at the end. */
  plasticDeg: number;
  /** Torque at which the slope fell, N·m; the peak where it never did. */
  kneeNm: number;
  /** What was lost from the peak while the handle went on, share of the peak. */
  fallShare: number;
  /** The largest drop before the elastic rise, share of the target. */
  dropShare: number;
  /** The steepest fair rise before the elastic one, as a share of its slope. */
  edgeShare: number;
  /** Degrees at a standstill of torque in the middle of the rise. */
  flatDeg: number;
  /** Drops and rises again while it was drawn tight. */
  jerks: number;
  /** Share of the angle to the end over which the rise bends up. */
  bendShare: number;
  /** Speed of the handle at the target, degrees a second. */
  speedDegPerS: number;
  /** Share of torque lost between stopping and going on, or at the end. */
  settled?: number;
  heldLoss?: number;
  noiseShare: number;
  zeroNm?: number;
  strokes: number;
  dropped: number;
  /** Readings in the rise. */
  readings: number;
}

/** Less torque than this is a free run, share of the target. */
const FREE = 0.07;
/** A nut that runs free for less than this stood tight, or nearly so, degrees. */
const STANDS_DEG = 5;
/** A handle winds up by less than this, degrees. */
const WIND_UP_DEG = 14;
/** What has yielded rises by less than this share of what it did before. */
const LEAST_RISE = 0.16;
/** An angle that comes late catches up with the torque while the handle stops: that is no yielding, degrees and seconds. */
const CATCHES_UP_DEG = 1.5;
const CATCHES_UP_S = 0.03;
/** Less steep than this share of the elastic rise: something gives. */
const GIVES = 0.5;

/** A torque of this share of the target is no free run any more. */
const MET = 0.15;

/**
 * The last reading of the free run, before the torque first grew; −1 where there is none. What falls back to nothing later
 * is a washer that found its seat, or a thread that gave.
 */
function lastFree(points: readonly TraceSample[], freeNm: number, metNm: number): number {
  const middle = (at: number) => median(points.slice(Math.max(0, at - 2), at + 3).map(({ torqueNm }) => torqueNm));
  let met = points.findIndex(({ torqueNm }, at) => torqueNm > metNm && middle(at) > metNm);
  if (met < 0) met = points.length;
  for (let at = met - 1; at >= 0; at--) if (middle(at) <= freeNm) return at;
  return -1;
}

/**
 * The stretch that is the elastic rise: the steepest that gained a fair part of the torque, but not the handle's own
 * winding-up where a sound rise follows it.
 */
function elasticOf(
  stretches: readonly Stretch[],
  joint: TraceJoint,
  expected: ExpectedRise,
  freeRunDeg: number,
): number {
  const gain = ({ fromNm, toNm }: Stretch) => (toNm - fromNm) / joint.targetNm;
  const fair = stretches.flatMap((stretch, at) => (gain(stretch) >= 0.12 ? [at] : []));
  if (fair.length === 0)
    return stretches.reduce((best, stretch, at) => (gain(stretch) > gain(stretches[best] as Stretch) ? at : best), 0);
  const slopeAt = (at: number) => (stretches[at] as Stretch).slopeNmPerDeg;
  // A handle winds up where the nut holds torque already: at the very start, and steeper than any sound joint or than
  // what follows.
  const windsUp = (at: number) => {
    const { fromDeg } = stretches[at] as Stretch;
    if (freeRunDeg >= STANDS_DEG || fromDeg - (stretches[0] as Stretch).fromDeg > WIND_UP_DEG) return false;
    return fair.some((later) => {
      const share = slopeAt(later) / slopeAt(at);
      if (later <= at || share > 0.75) return false;
      const { slope } = expected;
      const steeper = slope !== undefined && slopeAt(at) > 1.1 * slope.most && slopeAt(later) > 0.15 * slope.least;
      return steeper || (share > LEAST_RISE && gain(stretches[later] as Stretch) > 0.3);
    });
  };
  const nut = fair.filter((at) => !windsUp(at));
  const among = nut.length > 0 ? nut : fair;
  const steepest = Math.max(...among.map(slopeAt));
  // Of two as steep the later: what came before it was something else on the way.
  return among.findLast((at) => slopeAt(at) >= 0.85 * steepest) as number;
}

/** Slope over the middle of the elastic rise, by the middle of the slopes between its bins: one jerk moves nothing. */
function slopeOver(curve: readonly CurvePoint[], stretch: Stretch): number {
  const inside = curve.filter(({ angleDeg }) => angleDeg >= stretch.fromDeg && angleDeg <= stretch.toDeg);
  const half = inside.length >> 1;
  if (half < 2) return stretch.slopeNmPerDeg;
  const slopes = inside.slice(0, inside.length - half).map((point, at) => {
    const other = inside[at + half] as CurvePoint;
    return (other.torqueNm - point.torqueNm) / Math.max(1e-9, other.angleDeg - point.angleDeg);
  });
  return median(slopes);
}

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
function jerksOf(
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

/** Least squares of a second degree. */

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

/** The largest drop from what was reached before, N·m, up to an angle. */
function dropBefore(curve: readonly CurvePoint[], toDeg: number): number {
  let high = 0;
  let drop = 0;
  for (const { angleDeg, torqueNm } of curve) {
    if (angleDeg > toDeg) break;
    high = Math.max(high, torqueNm);
    drop = Math.max(drop, high - torqueNm);
  }
  return drop;
}

const NO_STRETCH: Stretch = { fromDeg: 0, toDeg: 0, fromNm: 0, toNm: 0, slopeNmPerDeg: 0 };

/**
 * Reads the signs off a trace; undefined where it holds too little to see any: fewer than six readings in the rise, or no
 * rise at all.
 */
export function traceSigns(samples: readonly TraceSample[], joint: TraceJoint): TraceSigns | undefined {
  const tidy: TidyTrace = tidyTrace(samples, joint);
  const { points, noiseNm } = tidy;
  const { targetNm, prevailingNm } = joint;
  const expected = expectedRise(joint);
  const freeNm = prevailingNm + FREE * targetNm + 2 * noiseNm;
  const began = lastFree(points, freeNm, prevailingNm + Math.max(MET * targetNm, 4 * noiseNm)) + 1;
  const run = points.slice(0, began);
  const rise = points.slice(Math.max(0, began - 1));
  if (rise.length < 6) return undefined;
  const curve = binned(rise);
  const perBin = Math.max(1, rise.length / curve.length);
  const stretches = straightStretches(curve, (1.25 * noiseNm) / Math.sqrt(perBin));
  const peakNm = Math.max(...curve.map(({ torqueNm }) => torqueNm));
  if (stretches.length === 0 || peakNm <= freeNm) return undefined;
  const freeRunDeg = (run.at(-1)?.angleDeg ?? 0) - (run[0]?.angleDeg ?? 0);
  const main = elasticOf(stretches, joint, expected, freeRunDeg);
  const elastic = stretches[main] ?? NO_STRETCH;
  const slope = slopeOver(curve, elastic);
  const last = curve.at(-1) as CurvePoint;
  const after = stretches.slice(main + 1);
  const given = after.filter(({ slopeNmPerDeg }) => slopeNmPerDeg < GIVES * slope);
  const plasticDeg = given.reduce((sum, { fromDeg, toDeg }) => sum + toDeg - fromDeg, 0);
  const fallingDeg = given.reduce(
    (sum, { fromDeg, toDeg, slopeNmPerDeg }) => (slopeNmPerDeg < 0 ? sum + toDeg - fromDeg : sum),
    0,
  );
  const end = given.length > 0 ? (given.at(-1) as Stretch) : elastic;
  const tenthAt = curve.find(({ torqueNm }) => torqueNm - prevailingNm > 0.1 * targetNm) ?? last;
  const peakAt = curve.find(({ torqueNm }) => torqueNm === peakNm) ?? last;
  const jerks = jerksOf(
    rise,
    Math.max(tenthAt.angleDeg, curve.find(({ torqueNm }) => torqueNm > 0.3 * targetNm)?.angleDeg ?? 0),
    peakAt.angleDeg,
    tidy,
    targetNm,
  );
  const before = stretches.slice(0, main);
  // From where the stretch before it ended to where the next begins: bins have a width.
  const widthDeg = (at: number) =>
    (stretches[at + 1]?.fromDeg ?? last.angleDeg) - (stretches[at - 1]?.toDeg ?? (stretches[at] as Stretch).fromDeg);
  const flat = before.flatMap(({ slopeNmPerDeg, fromNm, toNm }, at) =>
    slopeNmPerDeg < 0.2 * slope && Math.max(fromNm, toNm) - prevailingNm > 0.22 * targetNm ? [at] : [],
  );
  const edges = before
    .slice(0, -1)
    .filter(({ fromNm, toNm, slopeNmPerDeg }) => toNm - fromNm > 0.15 * targetNm && slopeNmPerDeg < 1.3 * slope);
  const early = Math.max(0, elastic.fromNm - prevailingNm);
  // The bend: how much further the nut turned than a straight rise of this slope to the same torque would have needed.
  const straightDeg = (elastic.toNm - tenthAt.torqueNm) / Math.max(1e-9, slope);
  const turnedDeg = elastic.toDeg - tenthAt.angleDeg;
  const atTarget = rise.findIndex(({ torqueNm }) => torqueNm >= 0.92 * Math.min(targetNm, peakNm));
  const [fastFrom, fastTo] = [rise[Math.max(0, atTarget - 4)], rise[Math.max(0, atTarget)]];
  const speed =
    fastFrom && fastTo && fastTo.atMs > fastFrom.atMs
      ? (1000 * (fastTo.angleDeg - fastFrom.angleDeg)) / (fastTo.atMs - fastFrom.atMs)
      : 0;
  return {
    expected,
    stretches: [
      ...(run.length > 1
        ? [
            {
              fromDeg: run[0]?.angleDeg ?? 0,
              toDeg: run.at(-1)?.angleDeg ?? 0,
              fromNm: prevailingNm,
              toNm: prevailingNm,
              slopeNmPerDeg: 0,
              part: 'freeRun' as const,
            },
          ]
        : []),
      ...stretches.map((stretch, at) => ({ ...stretch, part: partOf(stretch, at, main, slope) })),
    ],
    peakNm,
    freeRunDeg,
    dragShare: freeRunDeg > 15 ? (median(run.map(({ torqueNm }) => torqueNm)) - prevailingNm) / targetNm : 0,
    earlyDeg: Math.max(0, elastic.fromDeg - tenthAt.angleDeg),
    earlyShare: early / targetNm,
    slopeNmPerDeg: slope,
    riseDeg: Math.max(0, peakAt.angleDeg - tenthAt.angleDeg),
    endSlopeShare: end.slopeNmPerDeg / Math.max(1e-9, slope),
    plasticDeg: Math.max(0, plasticDeg - CATCHES_UP_DEG - CATCHES_UP_S * speed),
    kneeNm: given.length > 0 ? elastic.toNm : peakNm,
    fallShare:
      fallingDeg > CATCHES_UP_DEG + CATCHES_UP_S * speed
        ? Math.max(0, (peakNm - median(curve.slice(-3).map(({ torqueNm }) => torqueNm))) / peakNm)
        : 0,
    dropShare: dropBefore(curve, elastic.fromDeg + 0.2 * (elastic.toDeg - elastic.fromDeg)) / targetNm,
    edgeShare: edges.reduce((most, { slopeNmPerDeg }) => Math.max(most, slopeNmPerDeg / slope), 0),
    flatDeg: flat.reduce((sum, at) => sum + widthDeg(at), 0),
    jerks,
    bendShare: Math.max(0, (turnedDeg - straightDeg) / Math.max(1, turnedDeg)),
    speedDegPerS: speed,
    settled: tidy.settled,
    heldLoss: tidy.heldLoss,
    noiseShare: noiseNm / targetNm,
    zeroNm: tidy.zeroNm,
    strokes: tidy.joinsDeg.length,
    dropped: tidy.dropped,
    readings: rise.length,
  };
}

function partOf(stretch: Stretch, at: number, main: number, slope: number): StretchPart {
  if (at === main) return 'elastic';
  if (at > main) {
    if (stretch.slopeNmPerDeg >= GIVES * slope) return 'elastic';
    return stretch.slopeNmPerDeg < -0.1 * slope ? 'falling' : 'plastic';
  }
  if (stretch.slopeNmPerDeg > 1.3 * slope) return 'windUp';
  return 'drawnTogether';
}
