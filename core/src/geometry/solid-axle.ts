import { type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { leastSquares } from './least-squares.ts';
import { add, cross, distance, length, minus, times, turnedDirection, unit, type Vector } from './vector.ts';

const DEG = 180 / Math.PI;

/** A link or bar between body and axle, in the design position. */
export interface AxleLink {
  name: string;
  body: Vector;
  axle: Vector;
  /** As it is set now; as designed when left out, mm. */
  lengthMm?: number;
}

/** A solid axle on its links and track bar. */
export interface SolidAxle {
  /** Three or four links, and a track bar. */
  links: readonly AxleLink[];
  leftWheel: Vector;
  rightWheel: Vector;
}

export interface AxleAt {
  travelMm: { left: number; right: number };
  /** Middle of the axle to the left above 0, to the rear above 0, mm. */
  leftMm: number;
  rearwardMm: number;
  /** Steers to the left above 0; nose of the differential up above 0; left wheel higher above 0. */
  steerDeg: number;
  pinionUpDeg: number;
  rollDeg: number;
  /** How far the links are short of fitting: what their bushes must give, mm. */
  bushesGiveMm: number;
}

export type SolidAxleFault = InputFault | { code: 'linksTooFew'; has: number };

/** Wheels are held to their heights so much harder than bushes to their lengths. */
const HELD = 1000;

/**
 * A solid axle with its wheels so far up: the pose in which its links fit best. Four links and a bar leave one freedom,
 * so with both wheels given the bushes give; by how much is said.
 *
 * @param travelMm - heights of the wheel centres against the design's, bump above 0
 */
export function axleAt(axle: SolidAxle, travelMm: { left: number; right: number }): Result<AxleAt, SolidAxleFault> {
  const { links, leftWheel, rightWheel } = axle;
  if (links.length < 4) return fail({ code: 'linksTooFew', has: links.length });
  for (const { name, body, axle: end, lengthMm } of links) {
    const fault = outOfRange(name, lengthMm ?? distance(body, end), 20, 3000);
    if (fault) return fail(fault);
  }
  const middle: Vector = times(add(leftWheel, rightWheel), 0.5);
  const placed = (values: readonly number[]) => {
    const by = values.slice(3) as unknown as Vector;
    const angle = length(by);
    const about: Vector = angle > 0 ? unit(by) : [1, 0, 0];
    return (point: Vector) =>
      add(add(middle, values.slice(0, 3) as unknown as Vector), turnedDirection(minus(point, middle), about, angle));
  };
  const missesOf = (values: readonly number[]): number[] => {
    const at = placed(values);
    return [
      ...links.map(({ body, axle: end, lengthMm }) => distance(at(end), body) - (lengthMm ?? distance(body, end))),
      HELD * (at(leftWheel)[2] - leftWheel[2] - travelMm.left),
      HELD * (at(rightWheel)[2] - rightWheel[2] - travelMm.right),
    ];
  };
  // Rates: the exact ones by the joints' directions, at the values themselves.
  const missesAt = (values: readonly number[]) => {
    const at = placed(values);
    const origin = add(middle, values.slice(0, 3) as unknown as Vector);
    const rate = (point: Vector, direction: Vector, by: number): number[] => {
      const turning = cross(minus(point, origin), direction);
      return [...direction, ...spun(values, turning)].map((value) => value * by);
    };
    return {
      misses: missesOf(values),
      rates: [
        ...links.map(({ body, axle: end }) => rate(at(end), unit(minus(at(end), body)), 1)),
        rate(at(leftWheel), [0, 0, 1], HELD),
        rate(at(rightWheel), [0, 0, 1], HELD),
      ],
    };
  };
  const start = [0, 0, (travelMm.left + travelMm.right) / 2, 0, 0, 0];
  const { values } = leastSquares(start, missesAt);
  const at = placed(values);
  const bushesGiveMm = Math.max(
    ...links.map(({ body, axle: end, lengthMm }) =>
      Math.abs(distance(at(end), body) - (lengthMm ?? distance(body, end))),
    ),
  );
  const across = unit(minus(at(leftWheel), at(rightWheel)));
  const acrossBefore = unit(minus(leftWheel, rightWheel));
  const nose = minus(at(add(middle, [1, 0, 0])), at(middle));
  const [moved] = [minus(at(middle), middle)];
  return ok({
    travelMm,
    leftMm: moved[1],
    rearwardMm: -moved[0],
    steerDeg: (Math.atan2(-across[0], across[1]) - Math.atan2(-acrossBefore[0], acrossBefore[1])) * DEG,
    pinionUpDeg: Math.atan2(nose[2], nose[0]) * DEG,
    rollDeg: (Math.asin(across[2]) - Math.asin(acrossBefore[2])) * DEG,
    bushesGiveMm,
  });
}

/**
 * A rate with respect to angular velocity as one with respect to the rotation vector: the right side times its left
 * Jacobian.
 *
 * @see Solà, Deray and Atchuthan, A micro Lie theory for state estimation in robotics (2018), equation 145
 */
function spun(values: readonly number[], turning: Vector): Vector {
  const by = values.slice(3) as unknown as Vector;
  const angle = length(by);
  if (angle < 1e-8) return turning;
  const [a, b] = [(1 - Math.cos(angle)) / angle ** 2, (angle - Math.sin(angle)) / angle ** 3];
  // J_l transposed on the row: J_l = 1 + a [θ]× + b [θ]×², so the row times it is v − a θ×v… with the sign of a transpose.
  const once = cross(by, turning);
  return add(add(turning, times(once, -a)), times(cross(by, once), b));
}
