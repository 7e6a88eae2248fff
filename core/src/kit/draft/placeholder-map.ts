import type { KitDocument } from '../kit-document.ts';

/** Stations side by side before a new row begins. */
const IN_A_ROW = 8;
/** From one station to the next, and from the edge to the first, mm. */
const APART_MM = 60;
const EDGE_MM = 40;

/** Where a station is drawn as long as nobody knows where it is, mm. */
export const placeholderSpot = (at: number): { xMm: number; yMm: number } => ({
  xMm: EDGE_MM + (at % IN_A_ROW) * APART_MM,
  yMm: EDGE_MM + Math.floor(at / IN_A_ROW) * APART_MM,
});

/** A map with room for so many stations in rows. */
export const placeholderMap = (title: string, count: number): KitDocument['groups'][number]['map'] => ({
  title,
  note: 'Positions are not from the sheet',
  widthMm: EDGE_MM + Math.min(count, IN_A_ROW) * APART_MM,
  heightMm: EDGE_MM + Math.ceil(count / IN_A_ROW) * APART_MM,
  shapes: [],
});
