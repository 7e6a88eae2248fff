import type { TraceJoint, TraceSample } from './pull-trace.ts';

/** A trace put in order: one curve that only goes forward, from an instrument that reads nothing when it feels nothing. */
export interface TidyTrace {
  points: TraceSample[];
  /** What the instrument read with nothing on it, N·m, taken off; undefined where the trace does not show it. */
  zeroNm?: number;
  /** One standard deviation of the reading, N·m. */
  noiseNm: number;
  /** Where the handle of a ratchet was let back and taken up again, degrees. */
  joinsDeg: number[];
  /** Where it stood still on the way, degrees. */
  stopsDeg: number[];
  /** Share of torque that was lost between stopping and going on, the largest; undefined where it never stopped. */
  settled?: number;
  /** Share of torque lost while it was only held at the end. */
  heldLoss?: number;
  /** Samples missing from an otherwise even row. */
  dropped: number;
}

/** A change of torque below this share of the target is no torque at all. */
const NOTHING = 0.08;
/** A handle whose angle moves less than this stands still, degrees. */
const STILL_DEG = 0.5;
/** An angle that stays the same for less than this is an instrument whose angle comes slower than its torque, ms. */
const SLOW_CLOCK_MS = 150;
/** A torque that falls within this angle was let go, or jumped; over more, something gave way, degrees. */
const BACK_DEG = 3;
/** A hand lets go within this, ms. */
const LETS_GO_MS = 80;
/** Standing still for this long is a stop, ms. */
const STOP_MS = 100;

export function median(values: readonly number[]): number {
  const sorted = Float64Array.from(values).sort();
  const middle = sorted.length >> 1;
  if (sorted.length === 0) return 0;
  return sorted.length % 2 === 1
    ? (sorted[middle] as number)
    : ((sorted[middle - 1] as number) + (sorted[middle] as number)) / 2;
}

/** In the order they were read; the same moment twice counts once, and a left-hand pull is told as a right-hand one. */
function inOrder(samples: readonly TraceSample[]): TraceSample[] {
  const sorted = [...samples].sort((a, b) => a.atMs - b.atMs);
  const turned = (sorted.at(-1)?.angleDeg ?? 0) - (sorted[0]?.angleDeg ?? 0);
  const [most, least] = [Math.max, Math.min].map((end) => sorted.reduce((so, { torqueNm }) => end(so, torqueNm), 0));
  const left = turned < 0 && -(least ?? 0) > (most ?? 0);
  const first = sorted[0]?.angleDeg ?? 0;
  let furthest = Number.NEGATIVE_INFINITY;
  const ordered: TraceSample[] = [];
  for (const { atMs, angleDeg, torqueNm } of sorted) {
    if (ordered.at(-1)?.atMs === atMs) continue;
    const deg = left ? first - angleDeg : angleDeg - first;
    // The spring of a hand takes the handle back a little: the nut does not follow.
    furthest = Math.max(furthest, deg);
    ordered.push({ atMs, angleDeg: furthest, torqueNm: left ? -torqueNm : torqueNm });
  }
  return ordered;
}

/** An angle that comes on a slower clock than the torque stands in steps: between them it is taken as even. */
function evenAngle(points: TraceSample[]): void {
  let from = 0;
  for (let at = 1; at < points.length; at++) {
    const [start, end] = [points[from] as TraceSample, points[at] as TraceSample];
    if (end.angleDeg === start.angleDeg) continue;
    if (at - from > 1 && end.atMs - start.atMs < SLOW_CLOCK_MS)
      for (let between = from + 1; between < at; between++) {
        const point = points[between] as TraceSample;
        const share = (point.atMs - start.atMs) / (end.atMs - start.atMs);
        point.angleDeg = start.angleDeg + share * (end.angleDeg - start.angleDeg);
      }
    from = at;
  }
}

/** The scatter of a reading, from how far each lies off the middle of its neighbours: a rise leaves no trace in it. */
function noiseOf(points: readonly TraceSample[]): number {
  const off: number[] = [];
  for (let at = 1; at + 1 < points.length; at++) {
    const [before, now, after] = [points[at - 1], points[at], points[at + 1]] as [
      TraceSample,
      TraceSample,
      TraceSample,
    ];
    off.push(Math.abs(now.torqueNm - (before.torqueNm + after.torqueNm) / 2));
  }
  return (1.4826 * median(off)) / Math.sqrt(1.5);
}

/**
 * What the instrument reads with nothing on it: while the handle has not moved yet, after it was let go, or, where it
 * shows neither, a little more or less than the nut should drag while it runs free.
 */
function zeroOf(points: readonly TraceSample[], joint: TraceJoint): number | undefined {
  const most = NOTHING * joint.targetNm;
  const flat = (part: readonly TraceSample[]) => {
    if (part.length < 5) return undefined;
    const level = median(part.map(({ torqueNm }) => torqueNm));
    const spread = median(part.map(({ torqueNm }) => Math.abs(torqueNm - level)));
    return Math.abs(level) <= most && spread <= 0.015 * joint.targetNm ? level : undefined;
  };
  const moved = points.findIndex(({ angleDeg }) => angleDeg > STILL_DEG);
  const rest = flat(points.slice(0, Math.max(0, moved)));
  if (rest !== undefined) return rest;
  const top = points.reduce((best, { torqueNm }, at) => (torqueNm > (points[best]?.torqueNm ?? 0) ? at : best), 0);
  const letGo = points.findIndex((point, at) => at > top && point.torqueNm < most);
  const last = points.at(-1);
  const end =
    letGo > 0 && last && last.angleDeg - (points[letGo] as TraceSample).angleDeg < STILL_DEG
      ? flat(points.slice(letGo + 2))
      : undefined;
  if (end !== undefined) return end;
  const free = points.findIndex(({ torqueNm }) => torqueNm > joint.prevailingNm + 1.5 * most);
  const run = points.slice(0, Math.max(0, free));
  if ((run.at(-1)?.angleDeg ?? 0) < 20) return undefined;
  const level = median(run.map(({ torqueNm }) => torqueNm)) - joint.prevailingNm;
  // What drags more than this is dirt, not a wrong zero; less than nothing is always a wrong zero.
  return level < 0.03 * joint.targetNm ? level : undefined;
}

/**
 * Where a handle that was let back is taken up again, and what the joint had lost by then. A nut that holds what it held
 * winds the handle up steeply to the torque it had; one whose joint has settled begins to turn below it.
 */
function takenUp(
  points: readonly TraceSample[],
  from: number,
  topNm: number,
  stoodDeg: number,
): { at: number; lost: number } | undefined {
  const at = (share: number) => points.findIndex(({ torqueNm }, index) => index >= from && torqueNm >= share * topNm);
  const [begins, there] = [at(0.8), at(0.97)];
  if (there < 0) {
    // It never gets back to what it held: what gives way goes on giving.
    let best = from;
    for (let index = from; index < points.length; index++)
      if ((points[index] as TraceSample).torqueNm > (points[best] as TraceSample).torqueNm) best = index;
    const { torqueNm, angleDeg } = points[best] as TraceSample;
    return torqueNm > 0.3 * topNm && angleDeg - stoodDeg > 2 ? { at: best, lost: 1 - torqueNm / topNm } : undefined;
  }
  const [bend, regained] = [points[begins] as TraceSample, points[there] as TraceSample];
  const turned = regained.angleDeg - bend.angleDeg;
  if (turned < 2) return { at: there, lost: 0 };
  const on = points.slice(there).find(({ angleDeg }) => angleDeg - regained.angleDeg >= 4);
  const slope = on ? (on.torqueNm - regained.torqueNm) / (on.angleDeg - regained.angleDeg) : 0;
  return { at: there, lost: Math.max(0, 1 - (regained.torqueNm - slope * turned) / topNm) };
}

interface Strokes {
  points: TraceSample[];
  joinsDeg: number[];
  lost: number;
}

/**
 * Takes out what a ratchet does between two strokes, and what comes after the handle was let go. The handle winds up
 * before a nut that holds torque moves again: that angle is no turn of the nut.
 */
function withoutStrokes(points: readonly TraceSample[], joint: TraceJoint): Strokes {
  const kept: TraceSample[] = [];
  const joinsDeg: number[] = [];
  let wound = 0;
  let lost = 0;
  for (let at = 0; at < points.length; at++) {
    const point = points[at] as TraceSample;
    const summit = summitOf(kept, point.angleDeg - wound - BACK_DEG);
    const stood = kept[summit];
    const fell =
      stood !== undefined && stood.torqueNm > 2 * NOTHING * joint.targetNm && point.torqueNm < 0.7 * stood.torqueNm;
    if (!fell) {
      kept.push({ ...point, angleDeg: point.angleDeg - wound });
      continue;
    }
    const again = takenUp(points, at, stood.torqueNm, stood.angleDeg + wound);
    const falls = points.slice(at, again?.at);
    const lowest = Math.min(...falls.map(({ torqueNm }) => torqueNm));
    if (again === undefined) {
      const turned = (points.at(-1)?.angleDeg ?? 0) - wound - stood.angleDeg;
      // The handle goes on turning while the torque falls: something gives way, nobody let go.
      if (turned > 4) {
        kept.push({ ...point, angleDeg: point.angleDeg - wound });
        continue;
      }
      // What it lost while it was only held is part of the pull; the letting go is not.
      let held = summit;
      while (held + 1 < kept.length && (kept[held + 1] as TraceSample).atMs < point.atMs - LETS_GO_MS) held += 1;
      kept.length = held + 1;
      break;
    }
    const lowestAt = falls.find(({ torqueNm }) => torqueNm === lowest) ?? point;
    const letBack =
      lowest < Math.max(0.2 * stood.torqueNm, NOTHING * joint.targetNm) &&
      lowestAt.angleDeg - wound - stood.angleDeg < BACK_DEG;
    if (!letBack) {
      kept.push({ ...point, angleDeg: point.angleDeg - wound });
      continue;
    }
    kept.length = summit + 1;
    joinsDeg.push(stood.angleDeg);
    // More is no settling: the joint gave way in between, or the trace did.
    if (again.lost < 0.6) lost = Math.max(lost, again.lost);
    wound += Math.max(0, (points[again.at] as TraceSample).angleDeg - wound - stood.angleDeg);
    at = again.at - 1;
  }
  return { points: kept, joinsDeg, lost };
}

/** Where the torque last stood at its highest since an angle; −1 where nothing was kept. */
function summitOf(points: readonly TraceSample[], sinceDeg: number): number {
  let best = points.length - 1;
  for (let at = best; at >= 0 && (points[at] as TraceSample).angleDeg >= sinceDeg; at--)
    if ((points[at] as TraceSample).torqueNm > 1.03 * (points[best] as TraceSample).torqueNm) best = at;
  return best;
}

/** What was lost while the nut stood still: before it went on, and at the end. */
function losses(
  points: readonly TraceSample[],
  joint: TraceJoint,
): Pick<TidyTrace, 'settled' | 'heldLoss' | 'stopsDeg'> {
  const stopsDeg: number[] = [];
  let settled: number | undefined;
  let heldLoss: number | undefined;
  let from = 0;
  for (let at = 1; at <= points.length; at++) {
    const [start, end] = [points[from] as TraceSample, points[at]];
    if (end && end.angleDeg - start.angleDeg < STILL_DEG) continue;
    const held = points.slice(from, at);
    const last = held.at(-1) as TraceSample;
    if (start.torqueNm > 0.25 * joint.targetNm && last.atMs - start.atMs >= STOP_MS) {
      const some = Math.max(2, Math.round(held.length / 8));
      const before = median(held.slice(0, some).map(({ torqueNm }) => torqueNm));
      const after = median(held.slice(-some).map(({ torqueNm }) => torqueNm));
      const loss = (before - after) / before;
      if (end) {
        settled = Math.max(settled ?? 0, loss);
        stopsDeg.push(last.angleDeg);
      } else heldLoss = loss;
    }
    from = at;
  }
  return { settled, heldLoss, stopsDeg };
}

/** Samples that a row of this evenness lacks. */
function droppedOf(points: readonly TraceSample[]): number {
  const steps = points.slice(1).map(({ atMs }, at) => atMs - (points[at] as TraceSample).atMs);
  const usual = median(steps);
  return usual > 0 ? steps.reduce((sum, step) => sum + Math.max(0, Math.round(step / usual) - 1), 0) : 0;
}

/**
 * Puts a trace in order.
 *
 * @param samples - as read: any order, any zero, torque and angle on clocks of their own
 */
export function tidyTrace(samples: readonly TraceSample[], joint: TraceJoint): TidyTrace {
  const ordered = inOrder(samples);
  const dropped = droppedOf(ordered);
  evenAngle(ordered);
  const zeroNm = zeroOf(ordered, joint);
  if (zeroNm !== undefined) for (const point of ordered) point.torqueNm -= zeroNm;
  const noiseNm = noiseOf(ordered);
  const { points, joinsDeg, lost } = withoutStrokes(ordered, joint);
  const { settled, heldLoss, stopsDeg } = losses(points, joint);
  const between = joinsDeg.length > 0 ? Math.max(lost, settled ?? 0) : settled;
  return { points, zeroNm, noiseNm, joinsDeg, stopsDeg, dropped, settled: between, heldLoss };
}
