import { type BumpSteer, bumpSteer } from '../geometry/bump-steer.ts';
import { type Corner, designCorner } from '../geometry/corner.ts';
import { type CornerChange, changedCorner } from '../geometry/corner-change.ts';
import { type CornerAtTravel, cornerSweep } from '../geometry/corner-sweep.ts';
import type { GeometryFault } from '../geometry/geometry-fault.ts';
import { type HardPoints, pointsFault, stanceFault, type WheelStance } from '../geometry/hard-points.ts';
import { type CornerPose, cornerSolver, poseAtTravel } from '../geometry/solve-corner.ts';
import { fail, ok, type Result } from '../result.ts';
import { type Remark, remarksThat } from './remark.ts';

/** Toe a wheel takes in 10 mm of bump that a driver feels, °. Chosen by us. */
const FELT_DEG = 0.03;
/** Toe that is left alone, °: what a rack repeats to. Chosen by us. */
const REPEATS_DEG = 0.02;

export interface CornerCurves {
  before: CornerAtTravel[];
  after: CornerAtTravel[];
}

/** A corner over its travel before and after a change: for the curves. */
export function cornerCurves(
  hung: HardPoints,
  stance: WheelStance,
  change: CornerChange,
  travelsMm: readonly number[],
): Result<CornerCurves, GeometryFault> {
  const fault = pointsFault(hung) ?? stanceFault(stance);
  if (fault) return fail(fault);
  const design = designCorner(hung, stance);
  const before = cornerSweep(design, travelsMm);
  if (!before.ok) return before;
  const changed = changedCorner(design, hung, change);
  if (!changed.ok) return changed;
  const after = cornerSweep(changed.value, travelsMm);
  return after.ok ? ok({ before: before.value, after: after.value }) : after;
}

export interface CornerAnswer {
  /** Where the joints lie standing, for the drawing. */
  poses: { before: CornerPose; after: CornerPose };
  before: CornerAtTravel;
  after: CornerAtTravel;
  steersBefore: BumpSteer;
  steersAfter: BumpSteer;
  remarks: Remark[];
}

/** The joints with the wheel at its design height. */
function standingPose(corner: Corner | Result<Corner, GeometryFault>): Result<CornerPose, GeometryFault> {
  if ('ok' in corner && !corner.ok) return corner;
  const solver = cornerSolver('ok' in corner ? corner.value : corner);
  return solver.ok ? poseAtTravel(solver.value, 0) : solver;
}

/** What a change does to a wheel, standing, and over a bump. */
export function cornerFor(
  hung: HardPoints,
  stance: WheelStance,
  change: CornerChange,
): Result<CornerAnswer, GeometryFault> {
  const curves = cornerCurves(hung, stance, change, [-10, 0, 10]);
  if (!curves.ok) return curves;
  const design = designCorner(hung, stance);
  const [poseBefore, poseAfter] = [standingPose(design), standingPose(changedCorner(design, hung, change))];
  if (!poseBefore.ok) return poseBefore;
  if (!poseAfter.ok) return poseAfter;
  const { before, after } = curves.value;
  const [steersBefore, steersAfter] = [bumpSteer(before), bumpSteer(after)];
  const [standing, standingAfter] = [before[1], after[1]] as [CornerAtTravel, CornerAtTravel];
  const felt = Math.abs(steersAfter.per10MmDeg) > FELT_DEG;
  return ok({
    poses: { before: poseBefore.value, after: poseAfter.value },
    before: standing,
    after: standingAfter,
    steersBefore,
    steersAfter,
    remarks: remarksThat(
      felt ? { code: 'bumpSteers', per10MmDeg: steersAfter.per10MmDeg } : { code: 'bumpSteersLittle' },
      Math.abs(standingAfter.toeDeg - standing.toeDeg) > REPEATS_DEG && {
        code: 'toeMoved',
        toeDeg: standingAfter.toeDeg,
      },
      { code: 'rackDecides' },
    ),
  });
}
