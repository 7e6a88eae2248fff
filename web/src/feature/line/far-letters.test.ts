import { describe, expect, it } from '@jest/globals';
import { farLettersPx } from './far-letters.ts';

describe('letters read across a bay', () => {
  it('have capitals a two-hundredth of the distance high: 30 mm at six metres', () => {
    const pxPerMm = 96 / 25.4;
    expect((farLettersPx(6, pxPerMm) * 0.7) / pxPerMm).toBeCloseTo(30, 6);
  });
  it('grow with the distance, and with the fineness of the screen', () => {
    expect(farLettersPx(12, 4)).toBeCloseTo(2 * farLettersPx(6, 4), 9);
    expect(farLettersPx(6, 8)).toBeCloseTo(2 * farLettersPx(6, 4), 9);
  });
});
