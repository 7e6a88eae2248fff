import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { leastDistance, spreadApart } from './spread-apart.ts';

const POINT = fc.record({
  xMm: fc.double({ min: 0, max: 500, noNaN: true }),
  yMm: fc.double({ min: 0, max: 300, noNaN: true }),
});

describe('points drawn apart', () => {
  it('none of a handful is closer than wanted afterwards, wherever they were', () => {
    fc.assert(
      fc.property(fc.array(POINT, { minLength: 2, maxLength: 10 }), (points) => {
        expect(leastDistance(spreadApart(points, 40))).toBeGreaterThanOrEqual(40 - 1e-6);
      }),
    );
  });
  it('what is far enough apart stays exactly where it is', () => {
    const far = [
      { xMm: 0, yMm: 0 },
      { xMm: 50, yMm: 0 },
      { xMm: 0, yMm: 60 },
    ];
    expect(spreadApart(far, 50)).toEqual(far);
  });
  it('a close pair parts along its own line, as far one way as the other', () => {
    const [a, b] = spreadApart(
      [
        { xMm: 0, yMm: 10 },
        { xMm: 10, yMm: 10 },
      ],
      30,
    );
    expect(a?.yMm).toBe(10);
    expect((a?.xMm ?? 0) + (b?.xMm ?? 0)).toBeCloseTo(10, 9);
    expect((b?.xMm ?? 0) - (a?.xMm ?? 0)).toBeCloseTo(30, 0);
  });
  it('several at one point part too', () => {
    const one = Array.from({ length: 5 }, () => ({ xMm: 7, yMm: 7 }));
    expect(leastDistance(spreadApart(one, 20))).toBeGreaterThanOrEqual(20 - 1e-6);
  });
  it('the least distance of one point is none', () => {
    expect(leastDistance([{ xMm: 1, yMm: 1 }])).toBe(Number.POSITIVE_INFINITY);
    expect(
      leastDistance([
        { xMm: 0, yMm: 0 },
        { xMm: 3, yMm: 4 },
        { xMm: 100, yMm: 0 },
      ]),
    ).toBe(5);
  });
});
