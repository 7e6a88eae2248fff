import type { AnswerValue } from '../kit/condition.ts';
import type { TorqueUnit } from '../quantity/unit.ts';
import type { PullVerdict } from '../tightening/judge-pull.ts';
import type { CalculationUsed, LoadState } from './job-command.ts';
import type { Person } from './role.ts';
import type { VisitFact } from './visit-event.ts';

/** The wrench as it was when it pulled: a later calibration must not rewrite the record. */
export interface WrenchUsed {
  id: string;
  label: string;
  calibrationDueOn: string;
}

/** A reading as it was made and judged. */
export interface PullFacts {
  station: string;
  /** Index into the group's passes. */
  pass: number;
  torqueNm: number;
  angleDeg?: number;
  movementDeg?: number;
  wrench: WrenchUsed;
  source: 'typed' | 'live';
  entered?: { value: number; unit: TorqueUnit };
  verdict: PullVerdict;
  /** The band it was judged by, so that the record explains itself. */
  targetNm: number;
  minNm: number;
  /** Absent where only an angle bounds the pull. */
  maxNm?: number;
  pinFits?: boolean;
  seatedAndBackedOff?: boolean;
}

/** Facts in the past tense. Each says all that `fold` needs; nothing is looked up again later. */
export type JobFact =
  | { type: 'answerChanged'; question: string; from?: AnswerValue; to: AnswerValue }
  | { type: 'lineCounted'; item: string; found: number; damaged: number; previous?: { found: number; damaged: number } }
  | { type: 'countUndone'; item: string; previous?: { found: number; damaged: number } }
  | { type: 'shopStockUsed'; item: string; quantity: number; reason: string }
  | { type: 'pieceScrapped'; item: string; quantity: number; reason: string }
  | { type: 'spareDeclared'; item: string; quantity: number }
  | { type: 'stationStarted'; station: string }
  | { type: 'startUndone'; station: string }
  | { type: 'compoundApplied'; station: string; compound: string; cleaned: boolean }
  | { type: 'stationSnugged'; station: string; tool: 'hand' | 'power' }
  | ({ type: 'pullRecorded' } & PullFacts)
  | { type: 'pullWithdrawn'; station: string; pull: string }
  | { type: 'stopConfirmed'; station: string; reason?: string }
  /** `spent`: pieces that must not be used again and go to scrap. */
  | { type: 'stationLoosened'; station: string; to: 'started' | 'out'; reason: string; spent: string[] }
  | { type: 'loadStateSet'; state: LoadState; measuredMm?: number }
  | {
      type: 'pullCorrected';
      station: string;
      pull: string;
      from: number;
      to: number;
      verdict: PullVerdict;
      reason: string;
    }
  | { type: 'problemRaised'; problem: string; station?: string; text: string }
  | { type: 'problemCleared'; problem: string; how: string }
  | ({ type: 'calculationUsed' } & CalculationUsed)
  | { type: 'overrideGranted'; refusal: string; station: string; reason: string }
  | { type: 'jobClosed'; signature: string; note?: string }
  | VisitFact;

/** A fact with the command that caused it, who and when. The server adds sequence number and hash. */
export type JobEvent = JobFact & { commandId: string; atMs: number; by: Person };
