/** A point on the face of a joint group, mm. */
export interface Point {
  xMm: number;
  yMm: number;
}

/** The middle of a set of points, mm. */
export function centroid(points: readonly Point[]): Point {
  const n = points.length || 1;
  return {
    xMm: points.reduce((sum, point) => sum + point.xMm, 0) / n,
    yMm: points.reduce((sum, point) => sum + point.yMm, 0) / n,
  };
}

/** Distance between two points, mm. */
export const distanceMm = (a: Point, b: Point): number => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm);

/**
 * How lopsided a group is clamped while it is tightened one station after another.
 *
 * After each pull the load already applied pulls the joint about its centre with the moment Σ rᵢ · F. Divided by
 * the full load N · F and by the group's radius R that is |Σ rᵢ| / (N · R): how far the centre of load strays when
 * what is not yet applied counts at the centre. The worst value over the sequence is returned. 0 is perfect,
 * a single bolt of a circle of N gives 1/N, going round a circle nears 1/π.
 *
 * @param ordered - station positions in the order of tightening
 * @returns 0 for fewer than two stations or all in one place
 * @see docs/formulas.md, "Load imbalance" (definition of our own)
 */
export function loadImbalance(ordered: readonly Point[]): number {
  const centre = centroid(ordered);
  const radiusMm = Math.max(0, ...ordered.map((point) => distanceMm(point, centre)));
  if (radiusMm === 0) return 0;
  let [xMm, yMm, worst] = [0, 0, 0];
  for (const point of ordered) {
    xMm += point.xMm - centre.xMm;
    yMm += point.yMm - centre.yMm;
    worst = Math.max(worst, Math.hypot(xMm, yMm));
  }
  return worst / (ordered.length * radiusMm);
}
