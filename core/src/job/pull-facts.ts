import type { StationId } from '../kit/ids.ts';
import type { TorqueUnit } from '../quantity/unit.ts';
import type { PullVerdict } from '../tightening/judge-pull.ts';
import type { Reading } from '../tightening/kind/reading.ts';

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
  verdict: PullVerdict;
  /** The band it was judged by, so that the record explains itself. */
  targetNm: number;
  minNm: number;
  /** Absent where only an angle bounds the pull. */
  maxNm?: number;
}

/** Every field of {@link PullFacts}: a field added there must be said here, or it would be lost between event and state. */
const FIELDS: Record<keyof PullFacts, true> = {
  station: true,
  pass: true,
  torqueNm: true,
  angleDeg: true,
  movementDeg: true,
  gradientShare: true,
  pinFits: true,
  seatedAndBackedOff: true,
  wrench: true,
  source: true,
  entered: true,
  verdict: true,
  targetNm: true,
  minNm: true,
  maxNm: true,
};
const KEYS = Object.keys(FIELDS) as Array<keyof PullFacts>;

/** Just the facts of a pull: all of them, and nothing else that came with it. */
export function pullFacts(from: PullFacts): PullFacts {
  const facts: Partial<Record<keyof PullFacts, unknown>> = {};
  for (const key of KEYS) if (from[key] !== undefined) facts[key] = from[key];
  return facts as unknown as PullFacts;
}
