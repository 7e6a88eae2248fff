import { fail, ok, type Result } from '../result.ts';
import { type Corner, onCircle, type SwingCircle, swingCircle } from './corner.ts';
import { trilaterate } from './trilaterate.ts';
import { add, cross, distance, dot, frameOf, into, minus, outOf, times, type Vector } from './vector.ts';
import { type WheelAngles, wheelAngles } from './wheel-angles.ts';

/** Where the joints of a corner came to lie. */
export interface CornerPose {
  lower: Vector;
  /** The upper ball joint, or the strut's top. */
  upper: Vector;
  tieRodOuter: Vector;
  wheelCentre: Vector;
  /** Of length 1, outwards. */
  spin: Vector;
}

/** Links that do not meet. */
export type CornerFault =
  /** Lengths of one arm that make no triangle with its pivots. */
  | { code: 'armImpossible'; link: 'lowerArm' | 'upperArm' }
  /** At the design's height already: the named link is too long or too short for the rest. */
  | { code: 'linkCannotReach'; link: 'upperArm' | 'strut' | 'tieRod' }
  /** The wheel's centre does not come that high or low before the links are stretched out. */
  | { code: 'travelOutOfReach'; travelMm: number };

/** Heights closer than this are the same, mm: far below what can be measured, far above rounding. */
const CLOSE_MM = 1e-10;
const STEPS = 60;
/** No step turns the lower arm farther, rad: Newton's from the design position is far smaller within any travel. */
const LARGEST_STEP = 0.3;
const HALVINGS = 40;

/** What of a corner stays the same at every height. */
export interface CornerSolver {
  corner: Corner;
  lower: SwingCircle;
  upper: { kind: 'arm'; circle: SwingCircle; sign: 1 | -1; lengthMm: number } | { kind: 'slide'; top: Vector };
  /** On which side of lower, upper and inner joint the tie rod's outer one lies. */
  tieRodSide: number;
}

/** A corner made ready to be solved at many heights. */
export function cornerSolver(corner: Corner): Result<CornerSolver, CornerFault> {
  const { design, knuckle, upperMount, tieRodInner } = corner;
  const lower = swingCircle(corner.lowerArm, design.lower);
  if (!lower) return fail({ code: 'armImpossible', link: 'lowerArm' });
  const tieRodSide = dot(
    minus(design.tieRodOuter, design.lower),
    cross(minus(design.upper, design.lower), minus(tieRodInner, design.lower)),
  );
  if (upperMount.kind === 'slide') return ok({ corner, lower, upper: upperMount, tieRodSide });
  const circle = swingCircle(upperMount.arm, design.upper);
  if (!circle) return fail({ code: 'armImpossible', link: 'upperArm' });
  // Of the two points of the circle that far from the lower joint the design's is the one at no angle.
  const sign = dot(minus(circle.centre, design.lower), circle.across) < 0 ? 1 : -1;
  const lengthMm = distance(knuckle.lower, knuckle.upper);
  return ok({ corner, lower, upper: { kind: 'arm', circle, sign, lengthMm }, tieRodSide });
}

/** The upper joint, and the same point of the knuckle from its lower one, as it was designed. */
function upperJoint({ corner: { knuckle }, upper }: CornerSolver, lower: Vector): [Vector, Vector] | undefined {
  const own = minus(knuckle.upper, knuckle.lower);
  if (upper.kind === 'arm') {
    const { circle, sign, lengthMm } = upper;
    const off = minus(circle.centre, lower);
    const [a, b] = [dot(off, circle.towards), dot(off, circle.across)];
    const cos = (lengthMm ** 2 - dot(off, off) - circle.radiusMm ** 2) / (2 * circle.radiusMm * Math.hypot(a, b));
    if (!(Math.abs(cos) <= 1)) return undefined;
    return [onCircle(circle, Math.atan2(b, a) + sign * Math.acos(cos)), own];
  }
  const line = knuckle.strutLine as Vector;
  const reach = distance(upper.top, lower);
  const half = dot(own, line);
  const square = half ** 2 - dot(own, own) + reach ** 2;
  return square > 0 ? [upper.top, add(own, times(line, Math.sqrt(square) - half))] : undefined;
}

/** The pose with the lower arm at an angle: every step in closed form. */
function poseAt(solver: CornerSolver, angleRad: number): CornerPose | 'upper' | 'tieRod' {
  const { corner, lower: circle, tieRodSide } = solver;
  const { knuckle, tieRodInner, tieRodMm } = corner;
  const lower = onCircle(circle, angleRad);
  const found = upperJoint(solver, lower);
  if (!found) return 'upper';
  const [upper, ownUpper] = found;
  const ownTie = minus(knuckle.tieRodOuter, knuckle.lower);
  const tieRodOuter = trilaterate(
    [lower, Math.hypot(...ownTie)],
    [upper, distance(ownTie, ownUpper)],
    [tieRodInner, tieRodMm],
    tieRodSide,
  );
  const here = tieRodOuter && frameOf(lower, upper, tieRodOuter);
  const own = frameOf([0, 0, 0], ownUpper, ownTie);
  if (!tieRodOuter || !here || !own) return 'tieRod';
  const carried = (direction: Vector) => outOf(here, into(own, direction));
  return {
    lower,
    upper,
    tieRodOuter,
    wheelCentre: add(lower, carried(minus(knuckle.wheelCentre, knuckle.lower))),
    spin: carried(knuckle.spin),
  };
}

/**
 * How fast the wheel's centre rises with the lower arm's angle, mm/rad: the knuckle's turning from the three joints that
 * may not move along their links, one linear equation each.
 */
function riseRate({ corner, lower: circle, upper }: CornerSolver, pose: CornerPose, strutLine: Vector): number {
  const swing = cross(circle.axis, minus(pose.lower, circle.centre));
  const toUpper = minus(pose.upper, pose.lower);
  const barred: Array<[Vector, Vector]> =
    upper.kind === 'arm'
      ? [
          [toUpper, upper.circle.axis],
          [toUpper, minus(pose.upper, upper.circle.centre)],
        ]
      : squareTo(strutLine).map((direction): [Vector, Vector] => [toUpper, direction]);
  barred.push([minus(pose.tieRodOuter, pose.lower), minus(pose.tieRodOuter, corner.tieRodInner)]);
  // (swing + ω × arm) · n = 0, so ω · (arm × n) = −swing · n.
  const [r1, r2, r3] = barred.map(([arm, n]) => cross(arm, n)) as [Vector, Vector, Vector];
  const [b1, b2, b3] = barred.map(([, n]) => -dot(swing, n)) as [number, number, number];
  const det = dot(r1, cross(r2, r3));
  const turning = times(
    add(add(times(cross(r2, r3), b1), times(cross(r3, r1), b2)), times(cross(r1, r2), b3)),
    1 / det,
  );
  return swing[2] + cross(turning, minus(pose.wheelCentre, pose.lower))[2];
}

/** Two directions square to one another and to this one, of length 1. */
function squareTo(direction: Vector): [Vector, Vector] {
  const other: Vector = Math.abs(direction[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0];
  const off = minus(other, times(direction, dot(direction, other)));
  const first = times(off, 1 / Math.hypot(...off));
  return [first, cross(direction, first)];
}

/** The strut's line as the knuckle carries it: through its top, as far from the lower joint as it was built. */
function strutLineAt({ corner: { knuckle } }: CornerSolver, pose: CornerPose): Vector {
  if (!knuckle.strutLine) return [0, 0, 1];
  const own = minus(knuckle.upper, knuckle.lower);
  const half = dot(own, knuckle.strutLine);
  const reach = distance(pose.upper, pose.lower);
  const ownUpper = add(own, times(knuckle.strutLine, Math.sqrt(half ** 2 - dot(own, own) + reach ** 2) - half));
  const ownFrame = frameOf([0, 0, 0], ownUpper, minus(knuckle.tieRodOuter, knuckle.lower));
  const here = frameOf(pose.lower, pose.upper, pose.tieRodOuter);
  return ownFrame && here ? outOf(here, into(ownFrame, knuckle.strutLine)) : knuckle.strutLine;
}

/**
 * The corner with the wheel's centre so far above where it was designed; body and rack stay where they are.
 *
 * The joints follow from the lower arm's angle in closed form; the angle that gives the height is found by Newton's
 * method with the exact rate.
 */
export function poseAtTravel(solver: CornerSolver, travelMm: number): Result<CornerPose, CornerFault> {
  const { corner } = solver;
  const targetMm = corner.design.wheelCentre[2] + travelMm;
  let angle = 0;
  let pose = poseAt(solver, angle);
  if (typeof pose === 'string')
    return fail({
      code: 'linkCannotReach',
      link: pose === 'tieRod' ? 'tieRod' : corner.upperMount.kind === 'arm' ? 'upperArm' : 'strut',
    });
  for (let step = 0; step < STEPS; step++) {
    const missing = targetMm - pose.wheelCentre[2];
    if (Math.abs(missing) < CLOSE_MM) return ok(pose);
    const wanted = missing / riseRate(solver, pose, strutLineAt(solver, pose));
    if (!Number.isFinite(wanted)) break;
    let turn = Math.max(-LARGEST_STEP, Math.min(LARGEST_STEP, wanted));
    let next = poseAt(solver, angle + turn);
    for (let half = 0; typeof next === 'string' && half < HALVINGS; half++) {
      turn /= 2;
      next = poseAt(solver, angle + turn);
    }
    if (typeof next === 'string') break;
    angle += turn;
    pose = next;
    // As near as the numbers go: the height cannot be told apart from the one before.
    if (Math.abs(turn) < 1e-15)
      return Math.abs(targetMm - pose.wheelCentre[2]) < 1e-7 ? ok(pose) : fail({ code: 'travelOutOfReach', travelMm });
  }
  return fail({ code: 'travelOutOfReach', travelMm });
}

/** How the wheel stands in a pose. */
export const anglesOf = ({ corner }: CornerSolver, pose: CornerPose): WheelAngles =>
  wheelAngles(pose.lower, pose.upper, pose.wheelCentre, pose.spin, corner.tyreLoadedRadiusMm);
