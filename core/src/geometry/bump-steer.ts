import type { CornerAtTravel } from './corner-sweep.ts';

/** How a curve of toe stands over travel. */
export interface BumpSteer {
  /** Change of one wheel's toe in 10 mm of bump about standing, °: in above 0. */
  per10MmDeg: number;
  /** Most it changes over the whole travel, °. */
  rangeDeg: number;
}

/** Toe over travel in two numbers: the slope where the wheel works, by the two heights nearest to standing, and the whole swing. */
export function bumpSteer(sweep: readonly Pick<CornerAtTravel, 'travelMm' | 'toeDeg'>[]): BumpSteer {
  const up = nearest(sweep.filter(({ travelMm }) => travelMm > 0));
  const down = nearest(sweep.filter(({ travelMm }) => travelMm < 0));
  const toes = sweep.map(({ toeDeg }) => toeDeg);
  return {
    per10MmDeg: up && down ? ((up.toeDeg - down.toeDeg) / (up.travelMm - down.travelMm)) * 10 : 0,
    rangeDeg: toes.length > 0 ? Math.max(...toes) - Math.min(...toes) : 0,
  };
}

const nearest = <At extends { travelMm: number }>(list: readonly At[]): At | undefined =>
  [...list].sort((a, b) => Math.abs(a.travelMm) - Math.abs(b.travelMm))[0];
