import type { Point } from '../tightening/load-imbalance.ts';

/** Ways to line up or spread positions on a bolt map. All lengths are mm, y grows downwards as on the screen. */

const xs = (points: readonly Point[]) => points.map((point) => point.xMm);
const ys = (points: readonly Point[]) => points.map((point) => point.yMm);
const clean = (value: number): number => Math.round(value * 1000) / 1000;

/** Puts positions on one line across (`yMm`) or down (`xMm`) the map; along it they stay where they are. */
export const inLine = <P extends Point>(points: readonly P[], axis: keyof Point, atMm: number): P[] =>
  points.map((point) => ({ ...point, [axis]: clean(atMm) }));

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

/** `count` positions, each as far from the one before; 0° goes right, 90° down. */
export function onRow(from: Point, count: number, apartMm: number, directionDeg = 0): Point[] {
  const direction = (directionDeg * Math.PI) / 180;
  return Array.from({ length: count }, (_, index) => ({
    xMm: clean(from.xMm + index * apartMm * Math.cos(direction)),
    yMm: clean(from.yMm + index * apartMm * Math.sin(direction)),
  }));
}

/** Rows and columns from the upper left corner, row by row; the last row may be short. */
export const onGrid = (from: Point, count: number, columns: number, pitchXMm: number, pitchYMm: number): Point[] =>
  Array.from({ length: count }, (_, index) => ({
    xMm: clean(from.xMm + (index % columns) * pitchXMm),
    yMm: clean(from.yMm + Math.floor(index / columns) * pitchYMm),
  }));

/** Lines of a sheet that a position may come to lie on: distances from its zero, mm. */
export interface SheetLines {
  xMm: readonly number[];
  yMm: readonly number[];
}

/**
 * Where a hand that lets go near a line puts a position: on the line, else on the whole millimetre.
 *
 * @param reachMm - how near a line must be
 * @returns the place, and the lines it lies on
 */
export function onSheetLines(point: Point, lines: SheetLines, reachMm: number): { place: Point; on: Partial<Point> } {
  const place: Point = { xMm: Math.round(point.xMm), yMm: Math.round(point.yMm) };
  const on: Partial<Point> = {};
  for (const axis of ['xMm', 'yMm'] as const) {
    const nearest = [...lines[axis]].sort((a, b) => Math.abs(a - point[axis]) - Math.abs(b - point[axis]))[0];
    if (nearest === undefined || Math.abs(nearest - point[axis]) > reachMm) continue;
    place[axis] = nearest;
    on[axis] = nearest;
  }
  return { place, on };
}

/** A pattern that positions are put in, as one says it. */
export type LayoutPattern =
  | { as: 'row'; apartMm: number; directionDeg: number }
  | { as: 'circle'; diameterMm: number; firstDeg: number }
  | { as: 'grid'; columns: number; acrossMm: number; downMm: number };

/** A pattern's positions, the whole of it about a point. */
export function placesIn(pattern: LayoutPattern, count: number, about: Point): Point[] {
  if (pattern.as === 'circle') return boltCircle(about, pattern.diameterMm, count, pattern.firstDeg);
  const zero = { xMm: 0, yMm: 0 };
  const made =
    pattern.as === 'row'
      ? onRow(zero, count, pattern.apartMm, pattern.directionDeg)
      : onGrid(zero, count, pattern.columns, pattern.acrossMm, pattern.downMm);
  const middle = (all: readonly number[]) => (Math.min(...all) + Math.max(...all)) / 2;
  const by = { xMm: about.xMm - middle(xs(made)), yMm: about.yMm - middle(ys(made)) };
  return made.map(({ xMm, yMm }) => ({ xMm: clean(xMm + by.xMm), yMm: clean(yMm + by.yMm) }));
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
