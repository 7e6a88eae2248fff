import { add, along, cross, dot, length, minus, times, unit, type Vector } from './vector.ts';

/**
 * The point so far from three others: closed form, in the frame of the three centres.
 *
 * @param side - which of the two answers: on the side of `(b − a) × (c − a)` above 0, or on the other below
 * @returns nothing where the spheres do not meet, or the centres lie on a line
 * @see Manolakis, Efficient solution and performance analysis of 3-D position estimation by trilateration, IEEE Trans. AES 32 (1996) 1239–1248
 */
export function trilaterate(
  [a, fromA]: readonly [Vector, number],
  [b, fromB]: readonly [Vector, number],
  [c, fromC]: readonly [Vector, number],
  side: number,
): Vector | undefined {
  const ab = minus(b, a);
  const base = length(ab);
  const x = unit(ab);
  const ac = minus(c, a);
  const i = dot(x, ac);
  const off = minus(ac, times(x, i));
  const j = length(off);
  if (!(base > 0) || !(j > 0)) return undefined;
  const y = times(off, 1 / j);
  const z = cross(x, y);
  const px = (fromA ** 2 - fromB ** 2 + base ** 2) / (2 * base);
  const py = (fromA ** 2 - fromC ** 2 + i ** 2 + j ** 2 - 2 * i * px) / (2 * j);
  const square = fromA ** 2 - px ** 2 - py ** 2;
  if (!(square >= 0)) return undefined;
  return along(add(a, add(times(x, px), times(y, py))), z, Math.sign(side) * Math.sqrt(square));
}
