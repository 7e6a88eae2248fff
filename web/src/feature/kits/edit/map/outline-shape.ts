import { say } from '#contract/wording/say.ts';
import type { MapShape } from '#core/kit/kit-document.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';

/** No outline gets smaller than this, mm. */
const LEAST_MM = 1;

/** Where an outline is taken to reshape it: the corners of a rectangle or of a figure, the edge of a circle. */
export function handlesOf(shape: MapShape): Point[] {
  switch (shape.kind) {
    case 'rect': {
      const { xMm, yMm, widthMm, heightMm } = shape;
      return [
        { xMm, yMm },
        { xMm: xMm + widthMm, yMm },
        { xMm: xMm + widthMm, yMm: yMm + heightMm },
        { xMm, yMm: yMm + heightMm },
      ];
    }
    case 'circle':
      return [{ xMm: shape.xMm + shape.radiusMm, yMm: shape.yMm }];
    case 'polygon':
      return shape.points.map(([xMm, yMm]) => ({ xMm, yMm }));
  }
}

/** An outline with one of its handles brought to a place; the corner across from it stays. */
export function reshaped(shape: MapShape, handle: number, to: Point): MapShape {
  switch (shape.kind) {
    case 'rect': {
      const across = handlesOf(shape)[(handle + 2) % 4] ?? to;
      return {
        ...shape,
        xMm: Math.min(across.xMm, to.xMm),
        yMm: Math.min(across.yMm, to.yMm),
        widthMm: Math.max(LEAST_MM, Math.abs(to.xMm - across.xMm)),
        heightMm: Math.max(LEAST_MM, Math.abs(to.yMm - across.yMm)),
      };
    }
    case 'circle':
      return {
        ...shape,
        radiusMm: Math.max(LEAST_MM, Math.round(Math.hypot(to.xMm - shape.xMm, to.yMm - shape.yMm))),
      };
    case 'polygon':
      return { ...shape, points: shape.points.map((point, index) => (index === handle ? [to.xMm, to.yMm] : point)) };
  }
}

/** An outline moved as a whole. */
export function movedBy(shape: MapShape, by: Point): MapShape {
  if (shape.kind === 'polygon')
    return { ...shape, points: shape.points.map(([x, y]) => [x + by.xMm, y + by.yMm] as [number, number]) };
  return { ...shape, xMm: shape.xMm + by.xMm, yMm: shape.yMm + by.yMm };
}

/** The point by which an outline is laid: its upper left, a circle's middle. */
export const anchorOf = (shape: MapShape): Point =>
  shape.kind === 'polygon'
    ? { xMm: Math.min(...shape.points.map(([x]) => x)), yMm: Math.min(...shape.points.map(([, y]) => y)) }
    : { xMm: shape.xMm, yMm: shape.yMm };

/** What an outline is called where it has no label. */
export const outlineName = (shape: MapShape, index: number): string =>
  shape.label ??
  `${{ rect: say('Rectangle'), circle: say('Circle'), polygon: say('Figure', {}, 'shape') }[shape.kind]} ${index + 1}`;
