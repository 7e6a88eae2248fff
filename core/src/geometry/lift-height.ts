import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

/** What is put in to raise a corner. */
export type LiftBy =
  /** Between the strut or spring and what it bears on. */
  | { kind: 'spacer'; thicknessMm: number }
  /** Another spring under the same load. */
  | {
      kind: 'spring';
      old: { freeMm: number; rateNPerMm: number };
      new: { freeMm: number; rateNPerMm: number };
      /** What the spring itself carries, standing, N. */
      loadN: number;
    };

export interface LiftHeight {
  /** What the spring or strut gains, mm. */
  atSpringMm: number;
  /** What the wheel gains: this is what a tape at the arch shows. */
  atWheelMm: number;
  /** The name says so much more than comes out; nothing where none was given. */
  namedOverMm?: number;
}

/**
 * Three numbers that are not one: what the kit is called, what is put in, and what the vehicle rises.
 * At the wheel: gain at the spring / motion ratio.
 *
 * @param motionRatio - spring travel per wheel travel: 1 with a strut near the wheel, 0.5 to 0.8 with a spring on an arm
 */
export function liftHeight(by: LiftBy, motionRatio: number, namedMm?: number): Result<LiftHeight, InputFault> {
  const fault = firstFault(
    outOfRange('motionRatio', motionRatio, 0.2, 1.5),
    outOfRange('namedMm', namedMm ?? 0, -300, 500),
    ...(by.kind === 'spacer'
      ? [outOfRange('thicknessMm', by.thicknessMm, -200, 300)]
      : [
          outOfRange('oldFreeMm', by.old.freeMm, 50, 1000),
          outOfRange('oldRateNPerMm', by.old.rateNPerMm, 2, 1000),
          outOfRange('newFreeMm', by.new.freeMm, 50, 1000),
          outOfRange('newRateNPerMm', by.new.rateNPerMm, 2, 1000),
          outOfRange('loadN', by.loadN, 100, 60_000),
        ]),
  );
  if (fault) return fail(fault);
  const atSpringMm =
    by.kind === 'spacer'
      ? by.thicknessMm
      : by.new.freeMm - by.loadN / by.new.rateNPerMm - (by.old.freeMm - by.loadN / by.old.rateNPerMm);
  const atWheelMm = atSpringMm / motionRatio;
  return ok({ atSpringMm, atWheelMm, ...(namedMm === undefined ? {} : { namedOverMm: namedMm - atWheelMm }) });
}
