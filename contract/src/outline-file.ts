import type { PartOutline } from '#core/kit/piece-kind.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { DrawingFault } from './bolt-map-file.ts';
import { openDxf } from './dxf-drawing.ts';
import { say } from './wording/say.ts';

/** Most corners and holes a kit file takes. */
const MOST_CORNERS = 400;

export type OutlineFault =
  | DrawingFault
  | { code: 'noOutline' }
  | { code: 'tooManyCorners'; count: number; most: number };

/** Twice the area of a closed figure. */
const areaOf = (points: ReadonlyArray<[number, number]>): number =>
  Math.abs(
    points.reduce((sum, [x, y], index) => {
      const [nextX, nextY] = points[(index + 1) % points.length] ?? [x, y];
      return sum + x * nextY - nextX * y;
    }, 0),
  );

const round = (mm: number): number => Math.round(mm * 100) / 100;

/**
 * The outline of a part from figures and holes: the largest closed figure is the part, what is round and lies on it its
 * holes.
 */
export function outlineOf(
  figures: ReadonlyArray<ReadonlyArray<[number, number]>>,
  circles: ReadonlyArray<{ xMm: number; yMm: number; acrossMm: number }>,
): Result<PartOutline, OutlineFault> {
  const closed = figures.filter((points) => points.length >= 3 && areaOf(points) > 1);
  const largest = closed.reduce<ReadonlyArray<[number, number]> | undefined>(
    (best, points) => (best === undefined || areaOf(points) > areaOf(best) ? points : best),
    undefined,
  );
  if (!largest) return fail({ code: 'noOutline' });
  if (largest.length > MOST_CORNERS || circles.length > MOST_CORNERS)
    return fail({ code: 'tooManyCorners', count: Math.max(largest.length, circles.length), most: MOST_CORNERS });
  const points = largest.map(([x, y]): [number, number] => [round(x), round(y)]);
  const holes = circles.map(({ xMm, yMm, acrossMm }) => ({
    xMm: round(xMm),
    yMm: round(yMm),
    acrossMm: round(acrossMm),
  }));
  return ok(holes.length > 0 ? { points, holes } : { points });
}

/** The outline of a part from a DXF drawing: closed polylines and circles, y turned to grow downwards. */
export function readOutlineDxf(text: string): Result<PartOutline, OutlineFault> {
  const opened = openDxf(text);
  if (!opened.ok) return opened;
  const { drawing, unit } = opened.value;
  const figures: Array<Array<[number, number]>> = [];
  const circles: Array<{ xMm: number; yMm: number; acrossMm: number }> = [];
  for (const entity of drawing.entities) {
    const { vertices, center, radius } = entity as unknown as {
      vertices?: Array<{ x: number; y: number }>;
      center?: { x: number; y: number };
      radius?: number;
    };
    if ((entity.type === 'LWPOLYLINE' || entity.type === 'POLYLINE') && vertices)
      figures.push(vertices.map(({ x, y }) => [x * unit, -y * unit]));
    if (entity.type === 'CIRCLE' && center && Number(radius) > 0)
      circles.push({ xMm: center.x * unit, yMm: -center.y * unit, acrossMm: 2 * Number(radius) * unit });
  }
  return outlineOf(figures, circles);
}

export const outlineFaultText = (fault: OutlineFault): string => {
  switch (fault.code) {
    case 'noOutline':
      return say('The drawing has no closed figure. The outline is taken from a closed polyline or path.');
    case 'tooManyCorners':
      return say('The outline has {count} corners or holes; at most {most} are taken. Draw it coarser.', {
        count: fault.count,
        most: fault.most,
      });
    case 'tooLarge':
      return say('The drawing has {bytes} MB; at most {most} MB are opened.', {
        bytes: Math.round(fault.bytes / 1024 / 1024),
        most: fault.most / 1024 / 1024,
      });
    case 'notDxf':
      return say('This cannot be read as a drawing: {reason}.', { reason: fault.reason });
    case 'noCircles':
    case 'tooManyCircles':
      return say('The holes of the drawing cannot be taken.');
  }
};
