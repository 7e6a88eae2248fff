import type { Thread } from '../fastener/thread.ts';
import type { Plan, PlanGroup, PlanStation } from '../kit/plan.ts';
import { finishOfBasis } from '../kit/printed-spec.ts';
import type { AcceptBand } from '../tightening/band.ts';
import { finishFriction } from '../tightening/thread-finish.ts';
import { judgeTrace } from '../trace/judge-trace.ts';
import { unpackTrace } from '../trace/pack-trace.ts';
import type { ShownKind, TraceJoint, TraceKind, TraceSample } from '../trace/pull-trace.ts';
import { median } from '../trace/tidy-trace.ts';
import { stackJoint } from './stack-joint.ts';

/** What a pull's curve was taken for when it was made. */
export interface PullCurve {
  kind: TraceKind;
  /** 0 to 1. */
  confidence: number;
  /** Kinds that fit nearly as well. */
  also: ShownKind[];
}

/** Less sure than this, and nobody is told: it would be one warning too many (chosen by us). */
const SURE_ENOUGH = 0.6;

/**
 * What is known of a station's joint before it is pulled.
 *
 * @returns undefined where its stack says too little, or where what is pulled is no plain torque: an angle and a yield
 *   point bend the curve on purpose, a castle nut sits on a taper, a bearing has no clamp
 */
export function traceJointOf(
  plan: Plan,
  station: PlanStation,
  band: AcceptBand,
): (TraceJoint & { thread: Thread }) | undefined {
  const { kind } = station.spec;
  if (band.angle || band.gradient || kind === 'slot' || kind === 'bearing') return undefined;
  const stack = stackJoint(plan, station);
  if (!stack) return undefined;
  const { low, high } = finishFriction(finishOfBasis(station.basis));
  return {
    thread: stack.thread,
    propertyClass: stack.propertyClass,
    gripMm: stack.gripMm,
    part: stack.part,
    targetNm: band.targetNm,
    minNm: Math.min(band.minNm, band.targetNm),
    maxNm: Math.max(band.targetNm, Number.isFinite(band.maxNm) ? band.maxNm : 1.2 * band.targetNm),
    frictionMin: low,
    frictionMax: high,
    prevailingNm: 0,
  };
}

/** A free run at one level over this angle is the drag of a locking nut, degrees. */
const DRAG_DEG = 60;

/** Drag of a locking nut by the free run it shows; 0 where it shows none. */
function dragNm(samples: readonly TraceSample[], targetNm: number): number {
  const run = samples.slice(
    0,
    Math.max(
      0,
      samples.findIndex(({ torqueNm }) => torqueNm > 0.4 * targetNm),
    ),
  );
  const half = run.length >> 1;
  const turned = (run.at(-1)?.angleDeg ?? 0) - (run[0]?.angleDeg ?? 0);
  if (half < 6 || turned < DRAG_DEG) return 0;
  const [early, late] = [run.slice(0, half), run.slice(half)].map((part) =>
    median(part.map(({ torqueNm }) => torqueNm)),
  );
  return Math.abs((late ?? 0) - (early ?? 0)) < 0.05 * targetNm ? Math.max(0, early ?? 0) : 0;
}

/**
 * What the curve of a pull shows.
 *
 * @param trace - as it was packed
 * @returns undefined where there is nothing to judge it by; a trace that cannot be read is no curve either
 */
export function curveOf(plan: Plan, station: PlanStation, band: AcceptBand, trace: string): PullCurve | undefined {
  const joint = traceJointOf(plan, station, band);
  const samples = unpackTrace(trace);
  if (!joint || !samples || samples.length === 0) return undefined;
  const locking = stackJoint(plan, station)?.locking === true;
  const verdict = judgeTrace(samples, locking ? { ...joint, prevailingNm: dragNm(samples, joint.targetNm) } : joint);
  if (!verdict.ok) return undefined;
  const { kind, confidence, alsoPossible } = verdict.value;
  return { kind, confidence: Number(confidence.toFixed(3)), also: alsoPossible };
}

/**
 * Whether a curve is worth a word: something is likely wrong with the joint. That nothing moved is what a check pull is to
 * show.
 */
export const curveWarns = (curve: PullCurve | undefined, checking: boolean): curve is PullCurve =>
  curve !== undefined &&
  curve.kind !== 'good' &&
  curve.kind !== 'cannotTell' &&
  curve.confidence >= SURE_ENOUGH &&
  !(checking && curve.kind === 'alreadyTight');

/** Whether a pull only looks whether a joint still holds: then that nothing moves is right. */
export const isChecking = (group: PlanGroup | undefined, pass: number): boolean =>
  group?.recheck === true || group?.passes[pass]?.kind === 'verify';
