import type { Point } from '../tightening/load-imbalance.ts';

/** Ways to line up or spread positions on a bolt map. All lengths are mm, y grows downwards as on the screen. */

const xs = (points: readonly Point[]) => points.map((point) => point.xMm);
const ys = (points: readonly Point[]) => points.map((point) => point.yMm);
const clean = (value: number): number => Math.round(value * 1000) / 1000;

export type AlignTo = 'left' | 'middle' | 'right' | 'top' | 'centre' | 'bottom';

/** Moves positions to a common edge or middle line of their own extent. */
export function align<P extends Point>(points: readonly P[], to: AlignTo): P[] {
  if (points.length === 0) return [];
  const [left, right] = [Math.min(...xs(points)), Math.max(...xs(points))];
  const [top, bottom] = [Math.min(...ys(points)), Math.max(...ys(points))];
  const target: Record<AlignTo, Partial<Point>> = {
    left: { xMm: left },
    middle: { xMm: clean((left + right) / 2) },
    right: { xMm: right },
    top: { yMm: top },
    centre: { yMm: clean((top + bottom) / 2) },
    bottom: { yMm: bottom },
  };
  return points.map((point) => ({ ...point, ...target[to] }));
}

/** Spreads positions evenly between the first and the last along one axis; their order along it is kept. */
export function distribute<P extends Point>(points: readonly P[], along: 'x' | 'y'): P[] {
  if (points.length < 3) return [...points];
  const key = along === 'x' ? 'xMm' : 'yMm';
  const sorted = points
    .map((point, index) => ({ point, index }))
    .sort((a, b) => a.point[key] - b.point[key] || a.index - b.index);
  const first = sorted[0]?.point[key] ?? 0;
  const last = sorted.at(-1)?.point[key] ?? 0;
  const at = new Map(
    sorted.map(({ index }, place) => [index, clean(first + ((last - first) * place) / (sorted.length - 1))]),
  );
  return points.map((point, index) => ({ ...point, [key]: at.get(index) ?? point[key] }));
}

/** Mirror image about a vertical line: what lies left of it lies right of it. */
export const mirrorX = <P extends Point>(points: readonly P[], axisMm: number): P[] =>
  points.map((point) => ({ ...point, xMm: clean(2 * axisMm - point.xMm) }));

/** `count` positions on a circle, clockwise from `fromDeg` (0 is at the top). */
export function boltCircle(centre: Point, diameterMm: number, count: number, fromDeg = 0): Point[] {
  return Array.from({ length: count }, (_, index) => {
    const angle = ((fromDeg + (360 * index) / count - 90) * Math.PI) / 180;
    return {
      xMm: clean(centre.xMm + (diameterMm / 2) * Math.cos(angle)),
      yMm: clean(centre.yMm + (diameterMm / 2) * Math.sin(angle)),
    };
  });
}

/** `count` positions evenly from one point to another, both included. */
export const onLine = (from: Point, to: Point, count: number): Point[] =>
  Array.from({ length: count }, (_, index) => {
    const share = count === 1 ? 0 : index / (count - 1);
    return { xMm: clean(from.xMm + (to.xMm - from.xMm) * share), yMm: clean(from.yMm + (to.yMm - from.yMm) * share) };
  });

/** Rows and columns from the upper left corner, row by row; the last row may be short. */
export const onGrid = (from: Point, count: number, columns: number, pitchXMm: number, pitchYMm: number): Point[] =>
  Array.from({ length: count }, (_, index) => ({
    xMm: clean(from.xMm + (index % columns) * pitchXMm),
    yMm: clean(from.yMm + Math.floor(index / columns) * pitchYMm),
  }));

/**
 * The nearest place worth snapping to: in line with another position if one is near, else on the grid.
 * @param others - positions that may be lined up with
 * @param reachMm - how near a line must be
 */
export function snap(point: Point, others: readonly Point[], gridMm: number, reachMm: number): Point {
  const to = (value: number, lines: readonly number[]): number => {
    const nearest = [...lines].sort((a, b) => Math.abs(a - value) - Math.abs(b - value))[0];
    if (nearest !== undefined && Math.abs(nearest - value) <= reachMm) return nearest;
    return gridMm > 0 ? clean(Math.round(value / gridMm) * gridMm) : clean(value);
  };
  return { xMm: to(point.xMm, xs(others)), yMm: to(point.yMm, ys(others)) };
}

/**
 * How a picture lies under the map when two of its points are known, mm per pixel and the place of its upper left corner.
 * The picture is not turned: two points give scale and place.
 *
 * @returns undefined where the two points are one
 */
export function placePicture(
  first: { pixel: Point; map: Point },
  second: { pixel: Point; map: Point },
): { mmPerPixel: number; xMm: number; yMm: number } | undefined {
  const pixels = Math.hypot(second.pixel.xMm - first.pixel.xMm, second.pixel.yMm - first.pixel.yMm);
  const mm = Math.hypot(second.map.xMm - first.map.xMm, second.map.yMm - first.map.yMm);
  if (!(pixels > 0) || !(mm > 0)) return undefined;
  const mmPerPixel = mm / pixels;
  return {
    mmPerPixel,
    xMm: clean(first.map.xMm - first.pixel.xMm * mmPerPixel),
    yMm: clean(first.map.yMm - first.pixel.yMm * mmPerPixel),
  };
}
