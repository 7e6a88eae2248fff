import type { Point } from '../tightening/load-imbalance.ts';

/** Rounds of pushing; a crowd that is not apart by then is as far apart as it gets. */
const ROUNDS = 200;
/** A hair more than wanted, so that what is pushed ends apart and not a rounding short of it. */
const MORE = 1.001;

/** Shortest distance between any two of the points, mm; infinite for fewer than two. */
export function leastDistance(points: readonly Point[]): number {
  let least = Number.POSITIVE_INFINITY;
  points.forEach((a, index) => {
    for (const b of points.slice(index + 1)) least = Math.min(least, Math.hypot(b.xMm - a.xMm, b.yMm - a.yMm));
  });
  return least;
}

/**
 * Where to draw points that lie closer together than `apartMm`, so that their signs do not cover each other: each close
 * pair is pushed apart along the line between them, half each, until none is close. What is far enough stays where it is.
 */
export function spreadApart(points: readonly Point[], apartMm: number): Point[] {
  const at = points.map(({ xMm, yMm }) => ({ xMm, yMm }));
  for (let round = 0; round < ROUNDS; round += 1) {
    let pushed = false;
    at.forEach((a, index) => {
      for (let other = index + 1; other < at.length; other += 1) {
        const b = at[other] as Point;
        const [dx, dy] = [b.xMm - a.xMm, b.yMm - a.yMm];
        const distance = Math.hypot(dx, dy);
        if (distance >= apartMm) continue;
        pushed = true;
        // Two at one point part to the sides, each pair another way.
        const angle = index + other;
        const [ux, uy] = distance > 0 ? [dx / distance, dy / distance] : [Math.cos(angle), Math.sin(angle)];
        const half = (apartMm * MORE - distance) / 2;
        a.xMm -= ux * half;
        a.yMm -= uy * half;
        b.xMm += ux * half;
        b.yMm += uy * half;
      }
    });
    if (!pushed) break;
  }
  return at;
}
