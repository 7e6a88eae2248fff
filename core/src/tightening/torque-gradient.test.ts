import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { GRADIENT_WINDOW_DEG, gradientShare, type TracePoint } from './torque-gradient.ts';

/** A trace of straight pieces: from `fromNm`, each piece `deg` long at `nmPerDeg`, read every `stepDeg`. */
function pieces(fromNm: number, parts: ReadonlyArray<[deg: number, nmPerDeg: number]>, stepDeg = 0.5): TracePoint[] {
  const points: TracePoint[] = [{ torqueNm: fromNm, angleDeg: 0 }];
  for (const [deg, nmPerDeg] of parts)
    for (let turned = stepDeg; turned <= deg + 1e-9; turned += stepDeg) {
      const last = points.at(-1) ?? { torqueNm: 0, angleDeg: 0 };
      points.push({ torqueNm: last.torqueNm + stepDeg * nmPerDeg, angleDeg: last.angleDeg + stepDeg });
    }
  return points;
}

describe('gradientShare', () => {
  it('of a straight rise is 1', () => expect(gradientShare(pieces(20, [[40, 1.5]]), 20)).toBeCloseTo(1, 9));
  it('of a rise that flattens is the ratio of the two slopes', () => {
    expect(
      gradientShare(
        pieces(20, [
          [40, 2],
          [10, 0.6],
        ]),
        20,
      ),
    ).toBeCloseTo(0.3, 6);
  });
  it('half a window into the flat part stands halfway between', () => {
    const trace = pieces(20, [
      [40, 2],
      [GRADIENT_WINDOW_DEG / 2, 0],
    ]);
    expect(gradientShare(trace, 20)).toBeCloseTo(0.5, 6);
  });
  it('minds nothing below the torque it watches from: a steep wind-up is no rise of the joint', () => {
    const trace = pieces(0, [
      [9, 6],
      [40, 2],
    ]);
    expect(gradientShare(trace, 56)).toBeCloseTo(1, 6);
    expect(gradientShare(trace, 0)).toBeCloseTo(1 / 3, 6);
  });
  it('is not known before two windows are turned', () => {
    expect(gradientShare([], 20)).toBeUndefined();
    expect(gradientShare(pieces(20, [[2 * GRADIENT_WINDOW_DEG - 0.5, 2]]), 20)).toBeUndefined();
  });
  it('never leaves 0 to 1, and scaling the torque changes nothing (property)', () => {
    const part = fc.tuple(fc.integer({ min: 8, max: 30 }), fc.double({ min: 0.1, max: 5, noNaN: true }));
    fc.assert(
      fc.property(
        fc.array(part, { minLength: 1, maxLength: 5 }),
        fc.double({ min: 0.1, max: 9, noNaN: true }),
        (parts, times) => {
          const trace = pieces(10, parts);
          const share = gradientShare(trace, 10);
          expect(share).toBeGreaterThanOrEqual(0);
          expect(share).toBeLessThanOrEqual(1);
          const scaled = trace.map(({ torqueNm, angleDeg }) => ({ torqueNm: torqueNm * times, angleDeg }));
          expect(gradientShare(scaled, 10 * times)).toBeCloseTo(share ?? -1, 6);
        },
      ),
      { seed: 12 },
    );
  });
});
