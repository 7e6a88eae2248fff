import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { align, boltCircle, distribute, mirrorX, onGrid, onLine, placePicture, snap } from './layout.ts';

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
  it('lines and grids', () => {
    expect(onLine({ xMm: 0, yMm: 0 }, { xMm: 90, yMm: 30 }, 4).map((point) => point.xMm)).toEqual([0, 30, 60, 90]);
    expect(onLine({ xMm: 5, yMm: 5 }, { xMm: 9, yMm: 9 }, 1)).toEqual([{ xMm: 5, yMm: 5 }]);
    expect(onGrid({ xMm: 0, yMm: 0 }, 5, 3, 40, 50).at(-1)).toEqual({ xMm: 40, yMm: 50 });
  });
  it('snaps to a near line of another bolt before the grid', () => {
    expect(snap({ xMm: 41, yMm: 62 }, [{ xMm: 43, yMm: 300 }], 5, 4)).toEqual({ xMm: 43, yMm: 60 });
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
  it('aligning twice is aligning once, and nothing else moves', () => {
    fc.assert(
      fc.property(anyPoints, fc.constantFrom('left', 'middle', 'right', 'top', 'centre', 'bottom'), (points, to) => {
        const once = align(points, to);
        expect(align(once, to)).toEqual(once);
        const other = to === 'left' || to === 'middle' || to === 'right' ? 'yMm' : 'xMm';
        expect(once.map((point) => point[other])).toEqual(points.map((point) => point[other]));
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
