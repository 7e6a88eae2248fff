import { describe, expect, it } from '@jest/globals';
import { zoomIdentity } from 'd3-zoom';
import fc from 'fast-check';
import { fitted, mmAt, numberStep, pxX, pxY, zoomed } from './sheet-view.ts';

const box = fc.record({
  left: fc.integer({ min: -900, max: 900 }),
  top: fc.integer({ min: -900, max: 900 }),
  widthMm: fc.integer({ min: 20, max: 3000 }),
  heightMm: fc.integer({ min: 20, max: 3000 }),
});
const size = fc.record({ width: fc.integer({ min: 200, max: 2000 }), height: fc.integer({ min: 200, max: 1200 }) });

describe('a sheet on the screen', () => {
  it('lies in it as a whole, in its middle', () => {
    fc.assert(
      fc.property(box, size, (sheet, screen) => {
        const view = fitted(sheet, screen);
        expect(pxX(view, sheet.left)).toBeGreaterThanOrEqual(0);
        expect(pxX(view, sheet.left + sheet.widthMm)).toBeLessThanOrEqual(screen.width + 1e-6);
        expect(pxY(view, sheet.top) + pxY(view, sheet.top + sheet.heightMm)).toBeCloseTo(screen.height, 6);
      }),
    );
  });
  it('a place on it is found again, however it is zoomed and moved', () => {
    fc.assert(
      fc.property(box, size, fc.integer({ min: 1, max: 12 }), (sheet, screen, factor) => {
        const view = zoomed(fitted(sheet, screen), zoomIdentity.translate(33, -20).scale(factor));
        const place = mmAt(view, { x: pxX(view, 123), y: pxY(view, -45) });
        expect(place.xMm).toBeCloseTo(123, 6);
        expect(place.yMm).toBeCloseTo(-45, 6);
      }),
    );
  });
  it('its rules have numbers at steps of 1, 2 and 5, far enough apart to be read', () => {
    for (const scale of [0.05, 0.2, 0.7, 1, 3, 20]) {
      expect(numberStep(scale) * scale).toBeGreaterThanOrEqual(56);
      expect(String(numberStep(scale))).toMatch(/^[125]0*$/);
    }
  });
});
