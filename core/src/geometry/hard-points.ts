import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { distance, length, minus, type Vector } from './vector.ts';

/** Where a wheel is hung, the left one, mm in the vehicle's axes. Every height is of the design position. */
interface Common {
  lowerArmFront: Vector;
  lowerArmRear: Vector;
  lowerBallJoint: Vector;
  tieRodInner: Vector;
  tieRodOuter: Vector;
  wheelCentre: Vector;
}

/** Two arms, one over the other. */
export interface DoubleWishbonePoints extends Common {
  upperArmFront: Vector;
  upperArmRear: Vector;
  upperBallJoint: Vector;
}

/** A strut clamped to the knuckle that slides through its top mount. */
export interface StrutPoints extends Common {
  strutTop: Vector;
  /** Any point of the strut's own line below its top. */
  strutLower: Vector;
  /** The two bolts that clamp the knuckle to it; wanted only where one of them is eccentric. */
  clampBoltLower?: Vector;
  clampBoltUpper?: Vector;
}

export type HardPoints =
  | { type: 'doubleWishbone'; points: DoubleWishbonePoints }
  | { type: 'strut'; points: StrutPoints };

/** How the wheel stands in the design position. */
export interface WheelStance {
  /** Top outwards above 0. */
  staticCamberDeg: number;
  /** Front inwards above 0, of this wheel alone. */
  staticToeDeg: number;
  /** From the wheel's centre to the ground, loaded. */
  tyreLoadedRadiusMm: number;
}

/** What is wrong with hard points, beside a figure out of range. */
export type PointsFault =
  | InputFault
  /** Every point lies so near the others that the figures must be metres. */
  | { code: 'metresForMillimetres'; field: string; spanMm: number }
  /** The wheel's centre lies right of the vehicle's middle: a right wheel, mirrored, or Y to the right. */
  | { code: 'mirroredSide'; field: string; yMm: number }
  /** Two points that must lie apart. */
  | { code: 'pointsCoincide'; field: string; with: string }
  /** Three points that must not lie on a line. */
  | { code: 'pointsInLine'; field: string; with: string }
  /** The upper end of the steering axis is not above the lower. */
  | { code: 'upsideDown'; field: string; with: string }
  /** A ball joint that is nearer the middle than the arm's pivots. */
  | { code: 'ballInboard'; field: string; with: string };

/** Farther from the vehicle's origin no point lies, mm; chosen by us. */
const FARTHEST_MM = 10_000;
/** No suspension is smaller than this across, mm, and none of metres is larger; chosen by us. */
const SMALLEST_SPAN_MM = 25;
/** Joints and pivots of an arm lie at least so far apart, mm; chosen by us. */
const APART_MM = 5;

const AXES = ['x', 'y', 'z'] as const;

/** The first thing that is wrong with hard points, by the name of the point. */
export function pointsFault(hung: HardPoints): PointsFault | undefined {
  const named = Object.entries(hung.points) as Array<[string, Vector]>;
  for (const [name, point] of named)
    for (const [at, axis] of AXES.entries()) {
      const fault = outOfRange(`points.${name}.${axis}`, point[at] as number, -FARTHEST_MM, FARTHEST_MM);
      if (fault) return fault;
    }
  const { wheelCentre, lowerBallJoint, lowerArmFront, lowerArmRear, tieRodInner, tieRodOuter } = hung.points;
  const spanMm = Math.max(...named.map(([, point]) => distance(point, wheelCentre)));
  if (spanMm < SMALLEST_SPAN_MM) return { code: 'metresForMillimetres', field: 'points', spanMm };
  if (wheelCentre[1] <= 0) return { code: 'mirroredSide', field: 'points.wheelCentre', yMm: wheelCentre[1] };
  const [top, topName] =
    hung.type === 'strut' ? [hung.points.strutTop, 'strutTop'] : [hung.points.upperBallJoint, 'upperBallJoint'];
  const apart: Array<[string, string, Vector, Vector]> = [
    ['lowerArmFront', 'lowerArmRear', lowerArmFront, lowerArmRear],
    ['lowerBallJoint', topName, lowerBallJoint, top],
    ['tieRodInner', 'tieRodOuter', tieRodInner, tieRodOuter],
    ...(hung.type === 'doubleWishbone'
      ? ([['upperArmFront', 'upperArmRear', hung.points.upperArmFront, hung.points.upperArmRear]] as const).map(
          (pair): [string, string, Vector, Vector] => [...pair],
        )
      : ([['strutTop', 'strutLower', hung.points.strutTop, hung.points.strutLower]] as Array<
          [string, string, Vector, Vector]
        >)),
  ];
  for (const [field, other, a, b] of apart)
    if (distance(a, b) < APART_MM) return { code: 'pointsCoincide', field: `points.${field}`, with: other };
  if (top[2] <= lowerBallJoint[2]) return { code: 'upsideDown', field: `points.${topName}`, with: 'lowerBallJoint' };
  const arms: Array<[string, Vector, Vector, Vector]> = [
    ['lower', lowerArmFront, lowerArmRear, lowerBallJoint],
    ...(hung.type === 'doubleWishbone'
      ? ([['upper', hung.points.upperArmFront, hung.points.upperArmRear, hung.points.upperBallJoint]] as Array<
          [string, Vector, Vector, Vector]
        >)
      : []),
  ];
  for (const [which, front, rear, ball] of arms) {
    if (offLine(ball, front, rear) < APART_MM)
      return { code: 'pointsInLine', field: `points.${which}BallJoint`, with: `${which}ArmFront and ${which}ArmRear` };
    if (ball[1] <= Math.min(front[1], rear[1]))
      return { code: 'ballInboard', field: `points.${which}BallJoint`, with: `${which}ArmFront and ${which}ArmRear` };
  }
  if (offLine(tieRodOuter, lowerBallJoint, top) < APART_MM)
    return { code: 'pointsInLine', field: 'points.tieRodOuter', with: `lowerBallJoint and ${topName}` };
  return undefined;
}

/** How far a point lies off the line through two others, mm. */
function offLine(point: Vector, a: Vector, b: Vector): number {
  const [ab, ap] = [minus(b, a), minus(point, a)];
  const share = (ab[0] * ap[0] + ab[1] * ap[1] + ab[2] * ap[2]) / length(ab) ** 2;
  return distance(point, [a[0] + share * ab[0], a[1] + share * ab[1], a[2] + share * ab[2]]);
}

/** What is wrong with how the wheel is said to stand. */
export const stanceFault = ({
  staticCamberDeg,
  staticToeDeg,
  tyreLoadedRadiusMm,
}: WheelStance): InputFault | undefined =>
  firstFault(
    outOfRange('staticCamberDeg', staticCamberDeg, -15, 15),
    outOfRange('staticToeDeg', staticToeDeg, -10, 10),
    outOfRange('tyreLoadedRadiusMm', tyreLoadedRadiusMm, 150, 900),
  );
