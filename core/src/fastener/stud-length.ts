import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

/** A wheel stud, what stands on it, and the nut. mm. */
export interface StudStack {
  /** Stud from the hub face to its tip. */
  studMm: number;
  /** Wheel at the stud, hub face to nut seat. */
  wheelMm: number;
  spacerMm: number;
  pitchMm: number;
  nominalMm: number;
  /** Depth of thread inside a closed nut; left out for an open one. */
  blindDepthMm?: number;
  /** Thread length of an open nut: the stud may come through, and no more than this is in mesh. */
  nutMm?: number;
  /** Engagement asked for; the diameter when nothing else is said. */
  neededMm?: number;
}

export interface StudVerdict {
  engagementMm: number;
  /** Full turns of the nut from first catch to seat. */
  turns: number;
  neededMm: number;
  /** Length the stud lacks, 0 when it is long enough. */
  tooShortByMm: number;
  /** A closed nut meets the stud's tip before its seat: the wheel is not clamped. */
  bottoms: boolean;
  bottomsByMm: number;
  /** Thickest spacer that leaves thread enough; 0 where even none does. */
  /** What the nut's own thread lacks of the engagement asked for, however long the stud; 0 where it has enough. */
  nutLacksMm: number;
  thickestSpacerMm: number;
  /** Thinnest that keeps a closed nut off the stud's tip; 0 for an open nut. */
  thinnestSpacerMm: number;
  /** A closed nut too shallow for the thread it needs: no spacer helps. */
  noSpacerFits: boolean;
}

/**
 * Whether a stud is long enough for wheel and spacer: a spacer of x needs a stud at least x longer.
 *
 * Engagement of one diameter for a wheel nut on steel: common practice, no source.
 * @returns lengths in mm and turns = engagement / pitch, or the input that cannot be
 */
export function studLength(stack: StudStack): Result<StudVerdict, InputFault> {
  const fault = firstFault(
    outOfRange('studMm', stack.studMm, 1, 300),
    outOfRange('wheelMm', stack.wheelMm, 0, 200),
    outOfRange('spacerMm', stack.spacerMm, 0, 200),
    outOfRange('pitchMm', stack.pitchMm, 0.2, 6),
    outOfRange('nominalMm', stack.nominalMm, 3, 40),
    outOfRange('blindDepthMm', stack.blindDepthMm ?? 1, 1, 100),
    outOfRange('nutMm', stack.nutMm ?? 1, 1, 100),
    outOfRange('neededMm', stack.neededMm ?? stack.nominalMm, 1, 100),
    stack.nutMm !== undefined && stack.blindDepthMm !== undefined
      ? { code: 'contradiction', field: 'nutMm', with: 'blindDepthMm', reason: 'a nut is open or closed' }
      : undefined,
  );
  if (fault) return fail(fault);
  const neededMm = stack.neededMm ?? stack.nominalMm;
  const past = stack.studMm - stack.wheelMm - stack.spacerMm;
  const room = stack.blindDepthMm ?? Number.POSITIVE_INFINITY;
  const hasMm = stack.nutMm ?? room;
  const engagementMm = Math.max(0, Math.min(past, hasMm));
  const bottoms = past > room;
  const thickestSpacerMm = Math.max(0, stack.studMm - stack.wheelMm - neededMm);
  const thinnestSpacerMm = Math.max(0, stack.studMm - stack.wheelMm - room);
  return ok({
    engagementMm,
    turns: engagementMm / stack.pitchMm,
    neededMm,
    tooShortByMm: Math.max(0, neededMm - Math.max(0, past)),
    bottoms,
    bottomsByMm: bottoms ? past - room : 0,
    nutLacksMm: Math.max(0, neededMm - hasMm),
    thickestSpacerMm,
    thinnestSpacerMm,
    noSpacerFits: hasMm < neededMm || stack.studMm - stack.wheelMm < neededMm,
  });
}
