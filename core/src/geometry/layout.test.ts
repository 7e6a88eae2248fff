import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  boltCircle,
  distribute,
  inLine,
  type LayoutPattern,
  mirrorX,
  onGrid,
  onRow,
  onSheetLines,
  placePicture,
  placesIn,
} from './layout.ts';

const coordinate = fc.integer({ min: -2000, max: 2000 });
const anyPoint = fc.record({ xMm: coordinate, yMm: coordinate });
const anyPoints = fc.array(anyPoint, { minLength: 1, maxLength: 20 });

describe('laying out bolts', () => {
  it('four on a circle of 100 mm stand at the quarters, clockwise from the top', () => {
    expect(boltCircle({ xMm: 0, yMm: 0 }, 100, 4)).toEqual([
      { xMm: 0, yMm: -50 },
      { xMm: 50, yMm: 0 },
      { xMm: 0, yMm: 50 },
      { xMm: -50, yMm: 0 },
    ]);
  });
  it('neighbours on a bolt circle are 2 R sin(π/n) apart (Machinery’s Handbook, chords of a bolt circle)', () => {
    for (const count of [3, 5, 6, 8]) {
      const [first, second] = boltCircle({ xMm: 7, yMm: 9 }, 114.3, count);
      const chord = Math.hypot((first?.xMm ?? 0) - (second?.xMm ?? 0), (first?.yMm ?? 0) - (second?.yMm ?? 0));
      expect(chord).toBeCloseTo(114.3 * Math.sin(Math.PI / count), 2);
    }
  });
  it('rows and grids', () => {
    expect(onRow({ xMm: 5, yMm: 7 }, 4, 30).map((point) => point.xMm)).toEqual([5, 35, 65, 95]);
    expect(onRow({ xMm: 5, yMm: 7 }, 2, 30, 90)).toEqual([
      { xMm: 5, yMm: 7 },
      { xMm: 5, yMm: 37 },
    ]);
    expect(onGrid({ xMm: 0, yMm: 0 }, 5, 3, 40, 50).at(-1)).toEqual({ xMm: 40, yMm: 50 });
  });
  it('a hand that lets go near a line of the sheet lies on it, else on the whole millimetre', () => {
    const lines = { xMm: [43, 90], yMm: [300] };
    expect(onSheetLines({ xMm: 41.4, yMm: 62.3 }, lines, 4)).toEqual({ place: { xMm: 43, yMm: 62 }, on: { xMm: 43 } });
    expect(onSheetLines({ xMm: 60.6, yMm: 299 }, lines, 4)).toEqual({ place: { xMm: 61, yMm: 300 }, on: { yMm: 300 } });
    expect(onSheetLines({ xMm: 0.4, yMm: 0 }, { xMm: [], yMm: [] }, 4)).toEqual({ place: { xMm: 0, yMm: 0 }, on: {} });
  });
  it('a picture scaled by two points puts both where they belong', () => {
    const placed = placePicture(
      { pixel: { xMm: 100, yMm: 40 }, map: { xMm: 20, yMm: 10 } },
      { pixel: { xMm: 300, yMm: 40 }, map: { xMm: 120, yMm: 10 } },
    );
    expect(placed).toEqual({ mmPerPixel: 0.5, xMm: -30, yMm: -10 });
    expect(
      placePicture(
        { pixel: { xMm: 1, yMm: 1 }, map: { xMm: 0, yMm: 0 } },
        { pixel: { xMm: 1, yMm: 1 }, map: { xMm: 5, yMm: 0 } },
      ),
    ).toBeUndefined();
  });
});

describe('laws', () => {
  it('mirroring twice changes nothing', () => {
    fc.assert(
      fc.property(anyPoints, coordinate, (points, axis) =>
        expect(mirrorX(mirrorX(points, axis), axis)).toEqual(points),
      ),
    );
  });
  it('put in line they differ along it alone, and a second time changes nothing', () => {
    fc.assert(
      fc.property(anyPoints, fc.constantFrom('xMm' as const, 'yMm' as const), coordinate, (points, axis, at) => {
        const once = inLine(points, axis, at);
        expect(new Set(once.map((point) => point[axis]))).toEqual(new Set([at]));
        expect(inLine(once, axis, at)).toEqual(once);
        const along = axis === 'xMm' ? 'yMm' : 'xMm';
        expect(once.map((point) => point[along])).toEqual(points.map((point) => point[along]));
      }),
    );
  });
  it('a pattern lies about its point, as many as were asked for', () => {
    const far = fc.integer({ min: 1, max: 400 });
    const pattern: fc.Arbitrary<LayoutPattern> = fc.oneof(
      fc.record({ as: fc.constant('row' as const), apartMm: far, directionDeg: fc.integer({ min: 0, max: 359 }) }),
      fc.record({
        as: fc.constant('grid' as const),
        columns: fc.integer({ min: 1, max: 6 }),
        acrossMm: far,
        downMm: far,
      }),
    );
    fc.assert(
      fc.property(pattern, fc.integer({ min: 1, max: 24 }), anyPoint, (as, count, about) => {
        const made = placesIn(as, count, about);
        expect(made).toHaveLength(count);
        for (const axis of ['xMm', 'yMm'] as const) {
          const all = made.map((point) => point[axis]);
          expect((Math.min(...all) + Math.max(...all)) / 2).toBeCloseTo(about[axis], 2);
        }
      }),
    );
  });
  it('distributing keeps the ends, the count and the order', () => {
    fc.assert(
      fc.property(anyPoints, (points) => {
        const spread = distribute(points, 'x');
        expect(spread).toHaveLength(points.length);
        expect(Math.min(...spread.map((point) => point.xMm))).toBe(Math.min(...points.map((point) => point.xMm)));
        expect(Math.max(...spread.map((point) => point.xMm))).toBe(Math.max(...points.map((point) => point.xMm)));
        expect(spread.map((point) => point.yMm)).toEqual(points.map((point) => point.yMm));
      }),
    );
  });
});
