import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

/** An adjustable arm or link. Both ends screw in; with opposite hands one turn of the body moves both. */
export interface Adjuster {
  pitchMm: number;
  /** Ends that move when the body or the jamb turns. */
  movingEnds: 1 | 2;
  lengthNowMm: number;
  targetMm: number;
  /** Thread in mesh at each end now, mm. */
  engagementMm: [number, number];
  /** Least thread that must stay in mesh; one diameter when nothing else is said. */
  nominalMm: number;
  neededMm?: number;
}

export interface AdjusterAdvice {
  /** Turns of the body (or of the one end); positive makes the link longer. */
  turns: number;
  wholeTurns: number;
  /** Degrees beyond the whole turns. */
  degrees: number;
  lengthChangeMm: number;
  engagementAfterMm: [number, number];
  /** What the shortest end lacks, mm; 0 when enough stays in mesh. */
  shortByMm: number;
  /** Threads showing differ by this much between the ends after the turn, mm. */
  unequalByMm: number;
  /** Longest the link may be made, mm. */
  longestMm: number;
}

/**
 * Turns that bring a link to length: ΔL / (P · moving ends). A left-hand thread on one end is what makes both move.
 * @returns turns, and what stays in mesh; or the input that cannot be
 */
export function adjusterTurns(link: Adjuster): Result<AdjusterAdvice, InputFault> {
  const [first, second] = link.engagementMm;
  const fault = firstFault(
    outOfRange('pitchMm', link.pitchMm, 0.2, 6),
    outOfRange('nominalMm', link.nominalMm, 3, 60),
    outOfRange('lengthNowMm', link.lengthNowMm, 10, 3000),
    outOfRange('targetMm', link.targetMm, 10, 3000),
    outOfRange('engagementMm', first, 0, 300),
    outOfRange('engagementMm', second, 0, 300),
    outOfRange('neededMm', link.neededMm ?? link.nominalMm, 1, 200),
  );
  if (fault) return fail(fault);
  const neededMm = link.neededMm ?? link.nominalMm;
  const lengthChangeMm = link.targetMm - link.lengthNowMm;
  const turns = lengthChangeMm / (link.pitchMm * link.movingEnds);
  const perEnd = turns * link.pitchMm;
  const engagementAfterMm: [number, number] =
    link.movingEnds === 2 ? [first - perEnd, second - perEnd] : [first - perEnd, second];
  const spare = link.movingEnds === 2 ? Math.min(first, second) - neededMm : first - neededMm;
  const wholeTurns = Math.trunc(turns);
  return ok({
    turns,
    wholeTurns,
    degrees: Math.abs(turns - wholeTurns) * 360,
    lengthChangeMm,
    engagementAfterMm,
    shortByMm: Math.max(0, neededMm - Math.min(...engagementAfterMm)),
    unequalByMm: Math.abs(engagementAfterMm[0] - engagementAfterMm[1]),
    longestMm: link.lengthNowMm + Math.max(0, spare) * link.movingEnds,
  });
}
