import { fail, ok, type Result } from '../result.ts';
import type { Corner } from './corner.ts';
import { anglesOf, type CornerFault, cornerSolver, poseAtTravel } from './solve-corner.ts';
import type { WheelAngles } from './wheel-angles.ts';

/** How the wheel stands at one height. */
export interface CornerAtTravel extends WheelAngles {
  travelMm: number;
  /** How much farther out the wheel's centre, and its contact, are than at no travel of the same corner, mm. */
  halfTrackCentreMm: number;
  halfTrackContactMm: number;
}

/** A corner over its travel: wheel-centre heights against the design's, bump above 0, body and rack where they are. */
export function cornerSweep(corner: Corner, travelsMm: readonly number[]): Result<CornerAtTravel[], CornerFault> {
  const solver = cornerSolver(corner);
  if (!solver.ok) return solver;
  const standing = poseAtTravel(solver.value, 0);
  if (!standing.ok) return standing;
  const at0 = anglesOf(solver.value, standing.value);
  const sweep: CornerAtTravel[] = [];
  for (const travelMm of travelsMm) {
    const pose = travelMm === 0 ? standing : poseAtTravel(solver.value, travelMm);
    if (!pose.ok) return fail(pose.error);
    const angles = anglesOf(solver.value, pose.value);
    sweep.push({
      travelMm,
      ...angles,
      halfTrackCentreMm: angles.wheelCentreMm[1] - at0.wheelCentreMm[1],
      halfTrackContactMm: angles.contactMm[1] - at0.contactMm[1],
    });
  }
  return ok(sweep);
}
