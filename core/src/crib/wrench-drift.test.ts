import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { type UsePoint, wrenchDrift } from './wrench-drift.ts';

const at = (pulls: number, mean: number, calibration = false): UsePoint => ({
  atMs: pulls,
  pulls,
  mean,
  worst: mean,
  calibration,
});

describe('drift of a wrench against use', () => {
  it('is the slope of a straight line, and counts the pulls that are left', () => {
    const drift = wrenchDrift(
      [0, 100, 200, 300, 400, 500].map((pulls) => at(pulls, 0.01 + pulls * 2e-5)),
      0.04,
    );
    expect(drift?.perThousand).toBeCloseTo(0.02, 12);
    expect(drift?.now).toBeCloseTo(0.02, 12);
    // (0.04 - 0.02) / 2e-5
    expect(drift?.pullsLeft).toBeGreaterThanOrEqual(999);
    expect(drift?.pullsLeft).toBeLessThanOrEqual(1000);
  });
  it('is told from the last calibration on, which sets the wrench anew', () => {
    const before = [0, 50, 100, 150, 200].map((pulls) => at(pulls, -pulls * 1e-4));
    const after = [300, 400, 500, 600, 700].map((pulls, index) => at(pulls, 0.001, index === 0));
    const drift = wrenchDrift([...before, ...after], 0.04);
    expect(drift?.from).toBe(5);
    expect(drift?.perThousand).toBe(0);
    expect(drift).not.toHaveProperty('pullsLeft');
  });
  it('is not told of few checks, nor of a wrench that hung on its hook', () => {
    expect(wrenchDrift([], 0.04)).toBeUndefined();
    expect(wrenchDrift([at(0, 0), at(10, 0.01), at(20, 0.02), at(30, 0.03)], 0.04)).toBeUndefined();
    expect(
      wrenchDrift(
        Array.from({ length: 9 }, (_, k) => at(70, k / 1000)),
        0.04,
      ),
    ).toBeUndefined();
  });
  it('has no pulls left where it is already out', () => {
    const out = [0, 100, 200, 300, 400, 500].map((pulls) => at(pulls, -0.03 - pulls * 5e-5));
    expect(wrenchDrift(out, 0.04)?.pullsLeft).toBe(0);
  });
  it('is not bent by one bad check', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 11 }), fc.double({ min: -0.5, max: 0.5, noNaN: true }), (which, error) => {
        const line = Array.from({ length: 12 }, (_, k) => at(k * 100, k * 0.001 + (k === which ? error : 0)));
        expect(Math.abs((wrenchDrift(line, 0.04)?.perThousand ?? 1) - 0.01)).toBeLessThan(0.003);
      }),
    );
  });
  // Sen 1968: the interval covers the true slope in about 95 of 100 samples, whatever the noise.
  it('holds the true slope inside its bounds in about 95 of 100 samples', () => {
    let seed = 7;
    const uniform = () => {
      seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
      return seed / 4_294_967_296;
    };
    const noise = () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform()) * 0.003;
    let held = 0;
    for (let sample = 0; sample < 1000; sample++) {
      const drift = wrenchDrift(
        Array.from({ length: 14 }, (_, k) => at(k * 80, k * 80 * 1e-5 + noise())),
        0.04,
      );
      if (drift && drift.low <= 0.01 && drift.high >= 0.01) held++;
    }
    expect(held).toBeGreaterThan(925);
    expect(held).toBeLessThan(985);
  });
});
