import { leastDistance, spreadApart } from '../geometry/spread-apart.ts';
import type { Point } from '../tightening/load-imbalance.ts';
import type { MapShape } from './kit-document.ts';

/** Glyphs across the width and down the height of a map: about as large under a finger on a small bracket as on a long rail. */
const ACROSS = 12.6;
const DOWN = 9;
/** A crowd's glyphs shrink to its own spacing, but not below this share; closer ones are drawn apart. */
const LEAST = 0.5;
/** Units a glyph and its gap take; the glyph itself is drawn about 44 across. */
const GLYPH = 46;
/** A glyph whose number is read at arm’s length, px; how much of its screen a map fills; and how far a glyph may grow. */
const READ_PX = 44;
const FILLED = 0.8;
const MOST = 3;

/** The part of a plane that is drawn, map millimetres. */
export interface MapExtent {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Pixels a map is drawn in. */
export interface MapScreen {
  width: number;
  height: number;
}

/** Where everything of a map is drawn, and how large. */
export interface MapLayout<S extends Point> {
  box: MapExtent;
  /** The stations in the order given, drawn apart where they crowd. */
  drawn: S[];
  /** Diameter a glyph takes with its gap, map millimetres. */
  glyph: number;
  /** Map millimetres of one unit that glyphs are drawn in. */
  unit: number;
}

/** How large a glyph is on the map, map millimetres: by the map's extent and by how close the stations are. */
function glyphMm({ left, right, top, bottom }: MapExtent, stations: readonly Point[], screen?: MapScreen): number {
  const usual = Math.max((right - left) / ACROSS, (bottom - top) / DOWN, 1);
  // On a small screen a glyph takes more of the map, so that its number is still read.
  const mmPerPx = screen ? Math.max((right - left) / screen.width, (bottom - top) / screen.height) / FILLED : 0;
  const roomy = Math.min(Math.max(usual, READ_PX * mmPerPx), usual * MOST);
  return Math.min(roomy, Math.max(roomy * LEAST, leastDistance(stations)));
}

/** Lays a group's stations and outlines out for a drawing. */
export function layOutMap<S extends Point>(
  shapes: readonly MapShape[],
  stations: readonly S[],
  screen?: MapScreen,
): MapLayout<S> {
  const xs = [...stations.map(({ xMm }) => xMm), ...shapes.flatMap(extentX)];
  const ys = [...stations.map(({ yMm }) => yMm), ...shapes.flatMap(extentY)];
  const extent = { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
  const glyph = glyphMm(extent, stations, screen);
  const drawnAt = spreadApart(stations, glyph);
  const drawn = stations.map((station, index) => ({ ...station, ...drawnAt[index] }));
  const margin = glyph * 0.87;
  const box = {
    left: Math.min(extent.left, ...drawn.map(({ xMm }) => xMm)) - margin,
    right: Math.max(extent.right, ...drawn.map(({ xMm }) => xMm)) + margin,
    top: Math.min(extent.top, ...drawn.map(({ yMm }) => yMm)) - margin,
    bottom: Math.max(extent.bottom, ...drawn.map(({ yMm }) => yMm)) + margin,
  };
  return { box, drawn, glyph, unit: glyph / GLYPH };
}

function extentX(shape: MapShape): number[] {
  if (shape.kind === 'rect') return [shape.xMm, shape.xMm + shape.widthMm];
  if (shape.kind === 'circle') return [shape.xMm - shape.radiusMm, shape.xMm + shape.radiusMm];
  return shape.points.map(([x]) => x);
}

function extentY(shape: MapShape): number[] {
  if (shape.kind === 'rect') return [shape.yMm, shape.yMm + shape.heightMm];
  if (shape.kind === 'circle') return [shape.yMm - shape.radiusMm, shape.yMm + shape.radiusMm];
  return shape.points.map(([, y]) => y);
}
