import type { TorqueUnit } from '../quantity/unit.ts';

export type WrenchKind = 'click' | 'digital' | 'beam';

/** One torque wrench of the shop. `spanner` is kept for open and ring tools; a wrench is what measures torque. */
export interface Wrench {
  id: string;
  /** What is painted on the handle: W-3. */
  label: string;
  kind: WrenchKind;
  /** Square drive, as it is spoken of: 1/2 in. */
  squareDrive: string;
  /** Top of its scale, N·m. */
  fullScaleNm: number;
  /** Lowest torque its own data sheet allows, N·m; left out when the sheet does not say. */
  lowestNm?: number;
  /** The unit on its scale; settings are shown in it. */
  scaleUnit: TorqueUnit;
  /** First day on which the calibration no longer holds, ISO date. */
  calibrationDueOn: string;
  /** Whether it sends torque and angle while pulling. */
  live: boolean;
  /** As engraved. */
  serial?: string;
  /** Value of one mark of the scale, N·m. */
  divisionNm?: number;
  /** Centre of the square drive to the middle of the grip, mm: for adapters. */
  lengthMm?: number;
  /** Months between calibrations. */
  intervalMonths?: number;
  /** Accepted pulls since the last calibration. */
  pullsSinceCalibration?: number;
  /** A check found it out of limits: no pull is taken from it until a calibration is good. */
  locked?: { atMs: number; because: string };
}
