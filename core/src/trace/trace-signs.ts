import { type ExpectedRise, expectedRise } from './expected-rise.ts';
import { jerksOf } from './jerks.ts';
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
  /** Degrees with more than a tenth of the target on them before the elastic rise begins. */
  earlyDeg: number;
  /** Torque where the elastic rise begins, share of the target. */
  earlyShare: number;
  /** The elastic rise, N·m per degree. */
  slopeNmPerDeg: number;
  /** Degrees from a tenth of the target to the peak. */
  riseDeg: number;
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
  /** Share of torque lost between stopping and going on, or at the end. */
  settled?: number;
  heldLoss?: number;
  noiseShare: number;
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
    earlyDeg: Math.max(0, elastic.fromDeg - tenthAt.angleDeg),
    earlyShare: early / targetNm,
    slopeNmPerDeg: slope,
    riseDeg: Math.max(0, peakAt.angleDeg - tenthAt.angleDeg),
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
    settled: tidy.settled,
    heldLoss: tidy.heldLoss,
    noiseShare: noiseNm / targetNm,
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
