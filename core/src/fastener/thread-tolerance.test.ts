import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { MM_PER_INCH } from '../quantity/unit.ts';
import { standardThreads } from './standard-thread.ts';
import { metricThread, unifiedThread } from './thread.ts';
import { threadLimits } from './thread-tolerance.ts';

describe('6g and 6H, ISO 965-2:1998 limits of sizes (rows entered from memory), mm', () => {
  it.each([
    // thread, major max/min, pitch max/min of 6g; pitch min/max, minor min/max of 6H
    [2, 0.4, 1.981, 1.886, 1.721, 1.654, 1.74, 1.83, 1.567, 1.679],
    [6, 1, 5.974, 5.794, 5.324, 5.212, 5.35, 5.5, 4.917, 5.153],
    [8, 1.25, 7.972, 7.76, 7.16, 7.042, 7.188, 7.348, 6.647, 6.912],
    [10, 1.5, 9.968, 9.732, 8.994, 8.862, 9.026, 9.206, 8.376, 8.676],
    [12, 1.75, 11.966, 11.701, 10.829, 10.679, 10.863, 11.063, 10.106, 10.441],
    [16, 2, 15.962, 15.682, 14.663, 14.503, 14.701, 14.913, 13.835, 14.21],
    [20, 2.5, 19.958, 19.623, 18.334, 18.164, 18.376, 18.6, 17.294, 17.744],
    [24, 3, 23.952, 23.577, 22.003, 21.803, 22.051, 22.316, 20.752, 21.252],
  ])('M%d × %d', (d, p, majorMax, majorMin, pitchMax, pitchMin, d2Min, d2Max, d1Min, d1Max) => {
    const limits = threadLimits(metricThread(d, p));
    expect(limits?.external.major.maxMm).toBeCloseTo(majorMax, 3);
    expect(limits?.external.major.minMm).toBeCloseTo(majorMin, 3);
    expect(limits?.external.pitch.maxMm).toBeCloseTo(pitchMax, 3);
    expect(limits?.external.pitch.minMm).toBeCloseTo(pitchMin, 3);
    expect(limits?.internal.pitch.minMm).toBeCloseTo(d2Min, 3);
    expect(limits?.internal.pitch.maxMm).toBeCloseTo(d2Max, 3);
    expect(limits?.internal.minor.minMm).toBeCloseTo(d1Min, 3);
    expect(limits?.internal.minor.maxMm).toBeCloseTo(d1Max, 3);
  });
});

describe('2A and 2B, ASME B1.1 table 3 (rows entered from memory), inches to four places', () => {
  it.each([
    [1 / 4, 20, 0.2489, 0.2408, 0.2164, 0.2127, 0.2175, 0.2224, 0.207],
    [3 / 8, 16, 0.3737, 0.3643, 0.3331, 0.3287, 0.3344, 0.3401, 0.321],
    // biome-ignore lint/suspicious/noApproximativeNumericConstant: a limit in inches, not a logarithm
    [1 / 2, 13, 0.4985, 0.4876, 0.4485, 0.4435, 0.45, 0.4565, 0.434],
    [1 / 2, 20, 0.4987, 0.4906, 0.4662, 0.4619, 0.4675, 0.4731, 0.457],
    [3 / 4, 10, 0.7482, 0.7353, 0.6832, 0.6773, 0.685, 0.6927, 0.663],
  ])('%d-%d', (d, n, majorMax, majorMin, pitchMax, pitchMin, d2Min, d2Max, d1Max) => {
    const limits = threadLimits(unifiedThread(d, n));
    const inch = (mm = Number.NaN) => mm / MM_PER_INCH;
    expect(inch(limits?.external.major.maxMm)).toBeCloseTo(majorMax, 4);
    expect(inch(limits?.external.major.minMm)).toBeCloseTo(majorMin, 4);
    expect(inch(limits?.external.pitch.maxMm)).toBeCloseTo(pitchMax, 4);
    expect(inch(limits?.external.pitch.minMm)).toBeCloseTo(pitchMin, 4);
    expect(inch(limits?.internal.pitch.minMm)).toBeCloseTo(d2Min, 4);
    expect(inch(limits?.internal.pitch.maxMm)).toBeCloseTo(d2Max, 4);
    // The table rounds minor diameters to three places.
    expect(inch(limits?.internal.minor.maxMm)).toBeCloseTo(d1Max, 2.9);
  });
});

describe('limits of every listed thread', () => {
  it('exist, and leave clearance between the two', () => {
    for (const thread of standardThreads()) {
      const limits = threadLimits(thread);
      expect([thread, limits?.external.pitch.maxMm]).toEqual([thread, expect.any(Number)]);
      if (!limits) continue;
      expect(limits.external.pitch.maxMm).toBeLessThan(limits.internal.pitch.minMm);
      expect(limits.external.major.minMm).toBeLessThan(limits.external.major.maxMm);
      expect(limits.internal.minor.maxMm).toBeLessThan(limits.external.major.minMm);
    }
  });
  it('does not guess for a pitch ISO 965-1 does not list', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.36, max: 3.9, noNaN: true }), (pitch) => {
        fc.pre(![0.5, 0.6, 0.7, 0.75, 0.8, 1, 1.25, 1.5, 1.75, 2, 2.5, 3, 3.5].includes(pitch));
        expect(threadLimits(metricThread(10, pitch))).toBeUndefined();
      }),
    );
  });
});
