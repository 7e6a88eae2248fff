import { designCorner } from '#core/geometry/corner.ts';
import { STANCE, STRUT, WISHBONES } from '#core/geometry/fixture/corners.ts';
import type { HardPoints } from '#core/geometry/hard-points.ts';
import { anglesOf, cornerSolver, poseAtTravel } from '#core/geometry/solve-corner.ts';

const HUNG: Record<HardPoints['type'], HardPoints> = {
  doubleWishbone: { type: 'doubleWishbone', points: WISHBONES },
  strut: { type: 'strut', points: STRUT },
};

/** Corners solved in a second on one core, each at another height. */
export function measureCorner(type: HardPoints['type']): number {
  const solver = cornerSolver(designCorner(HUNG[type], STANCE));
  if (!solver.ok) throw new Error(solver.error.code);
  const began = performance.now();
  let solved = 0;
  while (performance.now() - began < 500)
    for (let travel = -120; travel <= 120; travel += 10) {
      const pose = poseAtTravel(solver.value, travel);
      if (!pose.ok) throw new Error(pose.error.code);
      anglesOf(solver.value, pose.value);
      solved++;
    }
  return (solved / (performance.now() - began)) * 1000;
}
