import type { HardPoints, WheelStance } from './hard-points.ts';
import { add, along, cross, distance, dot, minus, times, unit, type Vector } from './vector.ts';
import { spinAxis } from './wheel-angles.ts';

/** An arm that swings about the line through its two pivots. */
export interface SwingArm {
  front: Vector;
  rear: Vector;
  /** From each pivot to the ball joint, mm: what an adjustable arm changes. */
  frontLengthMm: number;
  rearLengthMm: number;
}

/** What carries the knuckle's upper end: an arm, or a fixed top the strut's own line slides through. */
export type UpperMount = { kind: 'arm'; arm: SwingArm } | { kind: 'slide'; top: Vector };

/** A knuckle with all that is fixed to it, as it would stand in the design position. It moves as one. */
export interface Knuckle {
  lower: Vector;
  /** The upper ball joint, or a point of the strut's line. */
  upper: Vector;
  /** Direction of the strut's line, upwards, of length 1; absent with an upper arm. */
  strutLine?: Vector;
  tieRodOuter: Vector;
  wheelCentre: Vector;
  /** Of length 1, outwards. */
  spin: Vector;
}

/** One corner as it is built: what the body holds, how long the links are, and the knuckle between. */
export interface Corner {
  lowerArm: SwingArm;
  upperMount: UpperMount;
  tieRodInner: Vector;
  tieRodMm: number;
  knuckle: Knuckle;
  /** Where the joints were designed: tells which of two ways of putting it together is meant, and where travel counts from. */
  design: { lower: Vector; upper: Vector; tieRodOuter: Vector; wheelCentre: Vector };
  tyreLoadedRadiusMm: number;
}

const swingArm = (front: Vector, rear: Vector, ball: Vector): SwingArm => ({
  front,
  rear,
  frontLengthMm: distance(front, ball),
  rearLengthMm: distance(rear, ball),
});

/** The corner of sound hard points, as its maker designed it. */
export function designCorner(hung: HardPoints, stance: WheelStance): Corner {
  const { lowerArmFront, lowerArmRear, lowerBallJoint: lower, tieRodInner, tieRodOuter, wheelCentre } = hung.points;
  const strut = hung.type === 'strut' ? hung.points : undefined;
  const upper = hung.type === 'strut' ? hung.points.strutTop : hung.points.upperBallJoint;
  return {
    lowerArm: swingArm(lowerArmFront, lowerArmRear, lower),
    upperMount:
      hung.type === 'strut'
        ? { kind: 'slide', top: upper }
        : { kind: 'arm', arm: swingArm(hung.points.upperArmFront, hung.points.upperArmRear, upper) },
    tieRodInner,
    tieRodMm: distance(tieRodInner, tieRodOuter),
    knuckle: {
      lower,
      upper,
      ...(strut ? { strutLine: unit(minus(strut.strutTop, strut.strutLower)) } : {}),
      tieRodOuter,
      wheelCentre,
      spin: spinAxis(stance.staticCamberDeg, stance.staticToeDeg),
    },
    design: { lower, upper, tieRodOuter, wheelCentre },
    tyreLoadedRadiusMm: stance.tyreLoadedRadiusMm,
  };
}

/** The circle a ball joint swings on. */
export interface SwingCircle {
  centre: Vector;
  /** From the front pivot to the rear one, of length 1. */
  axis: Vector;
  radiusMm: number;
  /** From the centre towards the design's ball joint, and square to that in the circle's plane; both of length 1. */
  towards: Vector;
  across: Vector;
}

/** How far behind the front pivot the ball joint is square to the pivots' line, and how far from it; nothing where such lengths meet nowhere. */
export function armTriangle({
  front,
  rear,
  frontLengthMm,
  rearLengthMm,
}: SwingArm): { alongMm: number; radiusMm: number; baseMm: number } | undefined {
  const baseMm = distance(front, rear);
  const alongMm = (frontLengthMm ** 2 - rearLengthMm ** 2 + baseMm ** 2) / (2 * baseMm);
  const square = frontLengthMm ** 2 - alongMm ** 2;
  return square > 0 ? { alongMm, radiusMm: Math.sqrt(square), baseMm } : undefined;
}

/** Where an arm swings; `near` is the design's ball joint. */
export function swingCircle(arm: SwingArm, near: Vector): SwingCircle | undefined {
  const triangle = armTriangle(arm);
  if (!triangle) return undefined;
  const axis = unit(minus(arm.rear, arm.front));
  const centre = along(arm.front, axis, triangle.alongMm);
  const off = minus(near, centre);
  const towards = unit(minus(off, times(axis, dot(axis, off))));
  return { centre, axis, radiusMm: triangle.radiusMm, towards, across: cross(axis, towards) };
}

/** The point of a swing circle at an angle from the design's, rad. */
export const onCircle = ({ centre, radiusMm, towards, across }: SwingCircle, angleRad: number): Vector =>
  add(centre, add(times(towards, radiusMm * Math.cos(angleRad)), times(across, radiusMm * Math.sin(angleRad))));
