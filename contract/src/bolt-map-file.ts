import { DxfWriter, point3d, Units } from '@tarikjabiri/dxf';
import type { JointGroup, MapShape, Station } from '#core/kit/kit-document.ts';
import { mapBox } from '#core/kit/map-box.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { type DxfFault, openDxf } from './dxf-drawing.ts';

/** Bolt maps as drawings: holes in from a DXF, maps out as DXF and SVG. */

export interface Hole {
  xMm: number;
  yMm: number;
  diameterMm: number;
}

export type DrawingFault = DxfFault | { code: 'noCircles' } | { code: 'tooManyCircles'; count: number; most: number };

/** Most holes that are taken from one drawing. */
const MOST_HOLES = 500;

export function drawingFaultText(fault: DrawingFault): string {
  switch (fault.code) {
    case 'tooLarge':
      return `The drawing has ${Math.round(fault.bytes / 1024 / 1024)} MB; at most ${fault.most / 1024 / 1024} MB are opened.`;
    case 'notDxf':
      return `This cannot be read as a DXF drawing: ${fault.reason}.`;
    case 'noCircles':
      return 'The drawing has no circles. Holes are taken from CIRCLE entities; explode blocks first.';
    case 'tooManyCircles':
      return `The drawing has ${fault.count} circles; at most ${fault.most} are taken. Delete what are no bolt holes.`;
  }
}

/**
 * The circles of a DXF drawing as holes, y turned so that it grows downwards as on the screen, moved so that the first
 * hole's corner of the extent is at the margin.
 */
export function readHoles(text: string, marginMm = 40): Result<Hole[], DrawingFault> {
  const opened = openDxf(text);
  if (!opened.ok) return opened;
  const { drawing, unit } = opened.value;
  const circles = drawing.entities.flatMap((entity) => {
    const { center, radius } = entity as unknown as { center?: { x: number; y: number }; radius?: number };
    if (
      entity.type !== 'CIRCLE' ||
      !center ||
      !(Number(radius) > 0) ||
      !Number.isFinite(center.x) ||
      !Number.isFinite(center.y)
    )
      return [];
    return [{ x: center.x * unit, y: -center.y * unit, diameterMm: 2 * Number(radius) * unit }];
  });
  if (circles.length === 0) return fail({ code: 'noCircles' });
  if (circles.length > MOST_HOLES) return fail({ code: 'tooManyCircles', count: circles.length, most: MOST_HOLES });
  const [left, top] = [Math.min(...circles.map((circle) => circle.x)), Math.min(...circles.map((circle) => circle.y))];
  const round = (value: number) => Math.round(value * 1000) / 1000;
  return ok(
    circles.map(({ x, y, diameterMm }) => ({
      xMm: round(x - left + marginMm),
      yMm: round(y - top + marginMm),
      diameterMm: round(diameterMm),
    })),
  );
}

/** Diameter a station is drawn with where its hole is not known, mm. */
const DRAWN_MM = 11;

const holeOf = (station: Station): number => {
  const clamped = station.stack.find((piece) => piece.kind === 'clamped' && piece.holeMm !== undefined);
  return (clamped?.kind === 'clamped' ? clamped.holeMm : undefined) ?? DRAWN_MM;
};

const membersOf = (group: JointGroup, stations: readonly Station[]): Station[] =>
  group.stations.flatMap((id) => stations.find((station) => station.id === id) ?? []);

/** A group's map as a DXF drawing in mm: holes and outlines on their own layers, y growing upwards as CAD has it. */
export function writeDxf(group: JointGroup, stations: readonly Station[]): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  dxf.addLayer('HOLES', 7, 'Continuous');
  dxf.addLayer('LABELS', 8, 'Continuous');
  dxf.addLayer('OUTLINES', 9, 'Continuous');
  for (const station of membersOf(group, stations)) {
    dxf.addCircle(point3d(station.xMm, -station.yMm), holeOf(station) / 2, { layerName: 'HOLES' });
    dxf.addText(point3d(station.xMm + holeOf(station), -station.yMm), 6, station.label, { layerName: 'LABELS' });
  }
  for (const shape of group.map.shapes) {
    if (shape.kind === 'circle') {
      // A circle would read back as a hole: outlines are polylines.
      const points = Array.from({ length: 48 }, (_, index) => {
        const angle = (2 * Math.PI * index) / 48;
        return {
          point: { x: shape.xMm + shape.radiusMm * Math.cos(angle), y: -shape.yMm + shape.radiusMm * Math.sin(angle) },
        };
      });
      dxf.addLWPolyline(points, { flags: 1, layerName: 'OUTLINES' });
    } else
      dxf.addLWPolyline(
        corners(shape).map(([x, y]) => ({ point: { x, y: -y } })),
        { flags: 1, layerName: 'OUTLINES' },
      );
  }
  return dxf.stringify();
}

const corners = (shape: Exclude<MapShape, { kind: 'circle' }>): Array<[number, number]> =>
  shape.kind === 'polygon'
    ? shape.points
    : [
        [shape.xMm, shape.yMm],
        [shape.xMm + shape.widthMm, shape.yMm],
        [shape.xMm + shape.widthMm, shape.yMm + shape.heightMm],
        [shape.xMm, shape.yMm + shape.heightMm],
      ];

const xml = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** A group's map as an SVG picture in true size, one user unit to the millimetre. */
export function writeSvg(group: JointGroup, stations: readonly Station[]): string {
  const { shapes, title } = group.map;
  const { left, top, widthMm, heightMm } = mapBox(group.map, membersOf(group, stations));
  const lines = shapes.map((shape) =>
    shape.kind === 'circle'
      ? `<circle cx="${shape.xMm}" cy="${shape.yMm}" r="${shape.radiusMm}" fill="none" stroke="#4b5963"/>`
      : `<polygon points="${corners(shape)
          .map((corner) => corner.join(','))
          .join(' ')}" fill="none" stroke="#4b5963"/>`,
  );
  for (const station of membersOf(group, stations)) {
    lines.push(
      `<circle cx="${station.xMm}" cy="${station.yMm}" r="${holeOf(station) / 2}" fill="none" stroke="#0f1a22" stroke-width="1.5"/>`,
      `<text x="${station.xMm + holeOf(station)}" y="${station.yMm + 4}" font-family="sans-serif" font-size="12">${xml(station.label)}</text>`,
    );
  }
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm}mm" height="${heightMm}mm" viewBox="${left} ${top} ${widthMm} ${heightMm}">`,
    `<title>${xml(`${group.title}: ${title}`)}</title>`,
    ...lines,
    '</svg>',
    '',
  ].join('\n');
}
