import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { curveSpreads, type KeptCurve, straightSlope } from './curve-spread.ts';

/** A joint that seats over ten degrees and then pulls straight. */
const straight = (nmPerDeg: number, toDeg = 60): Array<readonly [number, number]> =>
  Array.from(
    { length: toDeg + 1 },
    (_, deg) => [deg, deg < 10 ? (deg * deg * nmPerDeg) / 20 : nmPerDeg * (deg - 5)] as const,
  );
const curve = (revision: number, nmPerDeg: number, over: Partial<KeptCurve> = {}): KeptCurve => ({
  revision,
  number: '1',
  job: 'j',
  atMs: 0,
  kind: 'good',
  points: straight(nmPerDeg),
  ...over,
});

describe('how fast the torque grows', () => {
  it('is the slope of the straight part, whatever came before it', () => {
    expect(straightSlope(straight(1.2))).toBeCloseTo(1.2, 9);
  });
  it('is not tilted by a stray point', () => {
    const points = straight(1.2).map(([deg, nm], at): [number, number] => (at === 40 ? [deg, nm * 1.1] : [deg, nm]));
    expect(straightSlope(points)).toBeCloseTo(1.2, 2);
  });
  it('is none of a jump', () => {
    expect(
      straightSlope([
        [0, 0],
        [1, 50],
      ]),
    ).toBeUndefined();
    expect(straightSlope([])).toBeUndefined();
  });
  it('grows with the torque and shrinks with the angle (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        fc.double({ min: 0.5, max: 4, noNaN: true }),
        (slope, by) => {
          const points = straight(slope);
          expect(straightSlope(points.map(([deg, nm]) => [deg, nm * by] as const))).toBeCloseTo(slope * by, 6);
          expect(straightSlope(points.map(([deg, nm]) => [deg * by, nm] as const))).toBeCloseTo(slope / by, 6);
        },
      ),
    );
  });
});

describe('curves over revisions', () => {
  it('stand by revision, the newest first, with what kinds they were', () => {
    const spreads = curveSpreads([
      curve(2, 1),
      curve(3, 1.5),
      curve(3, 1.6, { kind: 'dry' }),
      curve(3, 1.7),
      curve(3, 1.8, { kind: undefined }),
    ]);
    expect(spreads.map(({ revision, curves }) => [revision, curves])).toEqual([
      [3, 4],
      [2, 1],
    ]);
    expect(spreads[0]?.slope?.median).toBeCloseTo(1.65, 6);
    expect(spreads[0]?.kinds).toEqual([
      { kind: 'good', times: 2 },
      { kind: 'dry', times: 1 },
    ]);
  });
  it('of none is nothing', () => expect(curveSpreads([])).toEqual([]));
});
