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
