import type { Point } from '../tightening/load-imbalance.ts';
import type { JointGroup, MapShape } from './kit-document.ts';

/** The part of the plane a bolt map takes, mm. */
export interface MapBox {
  left: number;
  top: number;
  widthMm: number;
  heightMm: number;
}

const cornersOf = (shape: MapShape): Point[] => {
  switch (shape.kind) {
    case 'rect':
      return [
        { xMm: shape.xMm, yMm: shape.yMm },
        { xMm: shape.xMm + shape.widthMm, yMm: shape.yMm + shape.heightMm },
      ];
    case 'circle':
      return [
        { xMm: shape.xMm - shape.radiusMm, yMm: shape.yMm - shape.radiusMm },
        { xMm: shape.xMm + shape.radiusMm, yMm: shape.yMm + shape.radiusMm },
      ];
    case 'polygon':
      return shape.points.map(([xMm, yMm]) => ({ xMm, yMm }));
  }
};

/**
 * The sheet a group's map is drawn on: it begins at the origin, or lies about it where the map was drawn about its centre.
 */
export function sheetOf(map: JointGroup['map'], stations: readonly Point[]): MapBox {
  const points = [...stations, ...map.shapes.flatMap(cornersOf)];
  const aboutX = points.some((point) => point.xMm < 0);
  const aboutY = points.some((point) => point.yMm < 0);
  return {
    left: aboutX ? -map.widthMm / 2 : 0,
    top: aboutY ? -map.heightMm / 2 : 0,
    widthMm: map.widthMm,
    heightMm: map.heightMm,
  };
}

/** What a group's map shows: everything on it, and at least the sheet it is drawn on. */
export function mapBox(map: JointGroup['map'], stations: readonly Point[]): MapBox {
  const points = [...stations, ...map.shapes.flatMap(cornersOf)];
  const sheet = sheetOf(map, stations);
  const left = Math.min(sheet.left, ...points.map((point) => point.xMm));
  const top = Math.min(sheet.top, ...points.map((point) => point.yMm));
  const right = Math.max(sheet.left + sheet.widthMm, ...points.map((point) => point.xMm));
  const bottom = Math.max(sheet.top + sheet.heightMm, ...points.map((point) => point.yMm));
  return { left, top, widthMm: right - left, heightMm: bottom - top };
}
