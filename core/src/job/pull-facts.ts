import type { StationId } from '../kit/ids.ts';
import type { TorqueUnit } from '../quantity/unit.ts';
import type { PullVerdict } from '../tightening/judge-pull.ts';
import type { Reading } from '../tightening/kind/reading.ts';
import type { Adapter } from '../wrench/adapter.ts';
import type { PullCurve } from './pull-curve.ts';

/** The wrench as it was when it pulled: a later calibration must not rewrite the record. */
export interface WrenchUsed {
  id: string;
  label: string;
  calibrationDueOn: string;
}

/** A reading as it was made and judged. */
export interface PullFacts extends Reading {
  station: StationId;
  /** Index into the group's passes. */
  pass: number;
  wrench: WrenchUsed;
  source: 'typed' | 'live';
  /** What was typed, before conversion. */
  entered?: { value: number; unit: TorqueUnit };
  /** What stood between wrench and bolt. */
  through?: Adapter;
  /** Torque over angle over time, packed; what a live wrench gave. */
  trace?: string;
  /** What that was taken for when it was pulled. */
  curve?: PullCurve;
  verdict: PullVerdict;
  /** The band it was judged by, so that the record explains itself. */
  targetNm: number;
  minNm: number;
  /** Absent where only an angle bounds the pull. */
  maxNm?: number;
}

/** Each field is named, so that one added to {@link PullFacts} must be said below, or it would be lost between event and state. */
type EveryFact = { [Field in keyof Required<PullFacts>]: PullFacts[Field] };

/**
 * Just the facts of a pull: all of them, and nothing else that came with it. What was not said is there as undefined,
 * which JSON leaves out.
 */
export const pullFacts = (from: PullFacts): EveryFact => ({
  station: from.station,
  pass: from.pass,
  torqueNm: from.torqueNm,
  angleDeg: from.angleDeg,
  turnedDeg: from.turnedDeg,
  movementDeg: from.movementDeg,
  moved: from.moved,
  gradientShare: from.gradientShare,
  pinFits: from.pinFits,
  pinWay: from.pinWay,
  seatedAndBackedOff: from.seatedAndBackedOff,
  seatNm: from.seatNm,
  wrench: from.wrench,
  source: from.source,
  entered: from.entered,
  through: from.through,
  trace: from.trace,
  curve: from.curve,
  verdict: from.verdict,
  targetNm: from.targetNm,
  minNm: from.minNm,
  maxNm: from.maxNm,
});
