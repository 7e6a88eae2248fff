import type { SheetLines } from '../geometry/layout.ts';
import type { Point } from '../tightening/load-imbalance.ts';
import type { MapShape } from './kit-document.ts';

/** The edges and middles of an outline. */
function linesOf(shape: MapShape): SheetLines {
  switch (shape.kind) {
    case 'rect': {
      const { xMm, yMm, widthMm, heightMm } = shape;
      return { xMm: [xMm, xMm + widthMm / 2, xMm + widthMm], yMm: [yMm, yMm + heightMm / 2, yMm + heightMm] };
    }
    case 'circle':
      return { xMm: [shape.xMm], yMm: [shape.yMm] };
    case 'polygon':
      return { xMm: shape.points.map(([x]) => x), yMm: shape.points.map(([, y]) => y) };
  }
}

/**
 * What a bolt is marked out by: the edges and middles of the outlines, the other bolts, and the sheet's centre line.
 *
 * @param centreXMm - the vehicle's middle on the map
 */
export function mapLines(shapes: readonly MapShape[], others: readonly Point[], centreXMm: number): SheetLines {
  const of = shapes.map(linesOf);
  return {
    xMm: [...new Set([centreXMm, ...others.map(({ xMm }) => xMm), ...of.flatMap(({ xMm }) => xMm)])],
    yMm: [...new Set([...others.map(({ yMm }) => yMm), ...of.flatMap(({ yMm }) => yMm)])],
  };
}
