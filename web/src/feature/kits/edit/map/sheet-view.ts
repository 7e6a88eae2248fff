import type { ZoomTransform } from 'd3-zoom';
import type { MapBox } from '#core/kit/map-box.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';

/** How a sheet in mm lies on the screen, px. */
export interface SheetView {
  /** Pixels to the millimetre. */
  scale: number;
  /** Where the sheet's zero is. */
  leftPx: number;
  topPx: number;
}

export interface ScreenSize {
  width: number;
  height: number;
}

/** Left free around the sheet, px. */
const MARGIN_PX = 36;

/** The whole of a sheet on the screen, in its middle. */
export function fitted(box: MapBox, { width, height }: ScreenSize): SheetView {
  const scale = Math.min(
    Math.max(width - 2 * MARGIN_PX, 40) / Math.max(box.widthMm, 1),
    Math.max(height - 2 * MARGIN_PX, 40) / Math.max(box.heightMm, 1),
  );
  return {
    scale,
    leftPx: width / 2 - (box.left + box.widthMm / 2) * scale,
    topPx: height / 2 - (box.top + box.heightMm / 2) * scale,
  };
}

/** The same, zoomed and moved. */
export const zoomed = ({ scale, leftPx, topPx }: SheetView, transform: ZoomTransform): SheetView => ({
  scale: scale * transform.k,
  leftPx: transform.applyX(leftPx),
  topPx: transform.applyY(topPx),
});

export const pxX = ({ scale, leftPx }: SheetView, mm: number): number => leftPx + mm * scale;
export const pxY = ({ scale, topPx }: SheetView, mm: number): number => topPx + mm * scale;
export const mmAt = ({ scale, leftPx, topPx }: SheetView, px: { x: number; y: number }): Point => ({
  xMm: (px.x - leftPx) / scale,
  yMm: (px.y - topPx) / scale,
});

/** Numbers on a rule stand no closer than this, px. */
const NUMBER_PX = 56;
const STEPS = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000];

/** From number to number on a rule, mm: as a rule is divided. */
export const numberStep = (scale: number): number => STEPS.find((step) => step * scale >= NUMBER_PX) ?? 10_000;
