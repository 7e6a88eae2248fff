/** A point or direction in the vehicle: X forward, Y to the left, Z up, mm (ISO 8855:2011, vehicle axis system). */
export type Vector = readonly [x: number, y: number, z: number];

export const add = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (a: Vector, by: number): Vector => [a[0] * by, a[1] * by, a[2] * by];
export const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const length = (a: Vector): number => Math.hypot(a[0], a[1], a[2]);
export const distance = (a: Vector, b: Vector): number => length(minus(a, b));
/** Of length 1; a vector of no length has no direction and must not come here. */
export const unit = (a: Vector): Vector => times(a, 1 / length(a));
/** `from` and so much along a direction. */
export const along = (from: Vector, direction: Vector, by: number): Vector => add(from, times(direction, by));

/**
 * A point turned about an axis, right-handed (Rodrigues).
 *
 * @param axis - of length 1
 * @param angleRad - turned so far
 */
export function turned(point: Vector, on: Vector, axis: Vector, angleRad: number): Vector {
  return add(on, turnedDirection(minus(point, on), axis, angleRad));
}

/** A direction turned about an axis of length 1, right-handed. */
export function turnedDirection(direction: Vector, axis: Vector, angleRad: number): Vector {
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  return add(
    add(times(direction, cos), times(cross(axis, direction), sin)),
    times(axis, dot(axis, direction) * (1 - cos)),
  );
}

/** Three directions square to one another, of length 1. */
export type Frame = readonly [Vector, Vector, Vector];

/** The frame of three points: first towards the second, third square to their plane. Points on a line have none. */
export function frameOf(origin: Vector, second: Vector, third: Vector): Frame | undefined {
  const first = minus(second, origin);
  const normal = cross(first, minus(third, origin));
  // Thinner than a millionth of its length is a line.
  if (!(length(normal) > 1e-6 * length(first) * length(minus(third, origin)))) return undefined;
  const [x, z] = [unit(first), unit(normal)];
  return [x, cross(z, x), z];
}

/** A direction of the vehicle in a frame, and back. */
export const into = (frame: Frame, direction: Vector): Vector => [
  dot(frame[0], direction),
  dot(frame[1], direction),
  dot(frame[2], direction),
];
export const outOf = (frame: Frame, local: Vector): Vector =>
  add(add(times(frame[0], local[0]), times(frame[1], local[1])), times(frame[2], local[2]));
