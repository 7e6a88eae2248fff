import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

const DEG = 180 / Math.PI;

/** A two-joint shaft in side view. */
export interface PropShaft {
  /** Between the joints, along the vehicle and up: the output above the pinion. */
  horizontalMm: number;
  heightDifferenceMm: number;
  /** How much the body rises over the axle. */
  liftMm: number;
  /** The output's axis falls to the rear, the pinion's rises to the front, above 0. */
  outputDownDeg: number;
  pinionUpDeg: number;
}

export interface PropShaftAngles {
  /** The shaft falls to the axle by so much. */
  shaftDeg: number;
  /** At the joints; never below 0. */
  outputJointDeg: number;
  pinionJointDeg: number;
  lengthMm: number;
  /** Swing of the pinion's speed about even running, as a share, with the yokes in phase. */
  unevenShare: number;
}

export interface PropShaftChange {
  before: PropShaftAngles;
  after: PropShaftAngles;
  /** The slip joint opens by so much above 0. */
  lengthChangeMm: number;
}

/**
 * Angles of a shaft and its joints in the plane of both, before and after a lift.
 *
 * The speed behind a single joint at angle β swings between cos β and 1/cos β (SAE Universal Joint and Driveshaft Design
 * Manual, AE-7); two in phase with in-plane angles on opposite sides make up for one another as √|β1² − β2²|.
 */
export function propShaftAngles(shaft: PropShaft): Result<PropShaftChange, InputFault> {
  const { horizontalMm, heightDifferenceMm, liftMm, outputDownDeg, pinionUpDeg } = shaft;
  const fault = firstFault(
    outOfRange('horizontalMm', horizontalMm, 100, 4000),
    outOfRange('heightDifferenceMm', heightDifferenceMm, -1000, 1000),
    outOfRange('liftMm', liftMm, -400, 600),
    outOfRange('outputDownDeg', outputDownDeg, -30, 30),
    outOfRange('pinionUpDeg', pinionUpDeg, -30, 45),
  );
  if (fault) return fail(fault);
  const at = (heightMm: number): PropShaftAngles => {
    const shaftDeg = Math.atan2(heightMm, horizontalMm) * DEG;
    const [first, second] = [shaftDeg - outputDownDeg, shaftDeg - pinionUpDeg];
    const left = Math.sqrt(Math.abs(first ** 2 - second ** 2));
    return {
      shaftDeg,
      outputJointDeg: Math.abs(first),
      pinionJointDeg: Math.abs(second),
      lengthMm: Math.hypot(horizontalMm, heightMm),
      unevenShare: 1 / Math.cos(left / DEG) - Math.cos(left / DEG),
    };
  };
  const [before, after] = [at(heightDifferenceMm), at(heightDifferenceMm + liftMm)];
  return ok({ before, after, lengthChangeMm: after.lengthMm - before.lengthMm });
}
