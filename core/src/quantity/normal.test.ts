import { describe, expect, it } from '@jest/globals';
import { normalDensity, normalShareBelow, readingDensity } from './normal.ts';

describe('the normal distribution', () => {
  // Standard normal table, as every handbook of statistics prints it.
  it.each([
    [0, 0.5],
    [0.5, 0.691462],
    [1, 0.841345],
    [1.645, 0.950015],
    [1.96, 0.975002],
    [2.576, 0.995002],
    [3, 0.99865],
    [-1, 0.158655],
    [-2.326, 0.01001],
  ])('below %f lies %f', (z, share) => expect(normalShareBelow(z)).toBeCloseTo(share, 5));
  it('its density is 0.398942 in the middle and 0.241971 one spread off', () => {
    expect(normalDensity(0, 1)).toBeCloseTo(0.398942, 6);
    expect(normalDensity(2, 2)).toBeCloseTo(0.241971 / 2, 6);
  });
  it('a reading of a size known to a band: the whole of it adds up to one, most in the middle', () => {
    let sum = 0;
    for (let at = -2; at <= 4; at += 0.01) sum += readingDensity(at, 0.5, 1.5, 0.2) * 0.01;
    expect(sum).toBeCloseTo(1, 4);
    expect(readingDensity(1, 0.5, 1.5, 0.2)).toBeGreaterThan(readingDensity(1.5, 0.5, 1.5, 0.2));
    expect(readingDensity(1, 1, 1, 0.2)).toBe(normalDensity(0, 0.2));
  });
});
