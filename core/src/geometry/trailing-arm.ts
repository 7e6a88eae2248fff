import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { add, cross, distance, dot, minus, times, turned, turnedDirection, unit, type Vector } from './vector.ts';
import { spinAxis } from './wheel-angles.ts';

const DEG = 180 / Math.PI;

/** A wheel on one arm that swings about a fixed line: across the vehicle it is a trailing arm, askew a semi-trailing one. */
export interface TrailingArm {
  innerPivot: Vector;
  outerPivot: Vector;
  wheelCentre: Vector;
  staticCamberDeg: number;
  staticToeDeg: number;
}

export interface TrailingArmAt {
  travelMm: number;
  camberDeg: number;
  toeDeg: number;
  wheelCentreMm: Vector;
  /** How much farther out, and to the rear, the wheel's centre is than at no travel, mm. */
  halfTrackMm: number;
  rearwardMm: number;
}

export type TrailingArmFault = InputFault | { code: 'travelOutOfReach'; travelMm: number };

/**
 * A trailing or semi-trailing arm over its travel, in closed form: the wheel's centre on its circle, A cos θ + B sin θ = C.
 *
 * @param travelsMm - heights of the wheel's centre against the design's, bump above 0
 */
export function trailingArmSweep(
  arm: TrailingArm,
  travelsMm: readonly number[],
): Result<TrailingArmAt[], TrailingArmFault> {
  const { innerPivot, outerPivot, wheelCentre } = arm;
  const fault = firstFault(
    outOfRange('staticCamberDeg', arm.staticCamberDeg, -15, 15),
    outOfRange('staticToeDeg', arm.staticToeDeg, -10, 10),
    outOfRange('outerPivot', distance(innerPivot, outerPivot), 5, 3000),
  );
  if (fault) return fail(fault);
  const axis = unit(minus(outerPivot, innerPivot));
  const off = minus(wheelCentre, innerPivot);
  const centre = add(innerPivot, times(axis, dot(axis, off)));
  const radius = minus(wheelCentre, centre);
  // Height over the axis' foot: radius_z cos θ + (axis × radius)_z sin θ.
  const [a, b] = [radius[2], cross(axis, radius)[2]];
  const reach = Math.hypot(a, b);
  const spin = spinAxis(arm.staticCamberDeg, arm.staticToeDeg);
  const sweep: TrailingArmAt[] = [];
  for (const travelMm of travelsMm) {
    const share = (a + travelMm) / reach;
    if (!(Math.abs(share) < 1)) return fail({ code: 'travelOutOfReach', travelMm });
    const foot = Math.atan2(b, a);
    // Of the two angles of that height the one on the design's side, where θ is 0 at no travel.
    const angle = foot - Math.sign(foot) * Math.acos(share);
    const direction = turnedDirection(spin, axis, angle);
    const wheelCentreMm = turned(wheelCentre, centre, axis, angle);
    sweep.push({
      travelMm,
      camberDeg: -Math.asin(direction[2]) * DEG,
      toeDeg: Math.atan2(direction[0], direction[1]) * DEG,
      wheelCentreMm,
      halfTrackMm: wheelCentreMm[1] - wheelCentre[1],
      rearwardMm: wheelCentre[0] - wheelCentreMm[0],
    });
  }
  return ok(sweep);
}
