import { describe, expect, it } from '@jest/globals';
import { boltStrength } from '../fastener/property-class.ts';
import { metricThread } from '../fastener/thread.ts';
import { studSeat } from './stud-seat.ts';

const thread = metricThread(12, 1.5);
const strength = boltStrength('10.9', thread);
if (!strength.ok) throw new Error();
const cone = { outsideMm: 20, holeMm: 14, halfAngleDeg: 30 };
const NM_PER_LBF_FT = 1.3558179;

describe('hub stud seat against wheel nut (trade figures, no source: seat 24, nut 80 to 110 lbf·ft)', () => {
  it('seating low keeps the twist far from yield', () => {
    const seat = studSeat(thread, strength.value, 24 * NM_PER_LBF_FT, 90 * NM_PER_LBF_FT, 0.12, cone);
    // By hand: As 88.1 mm², d 10.59 mm, τ = 16 · 32 540 / (π · 1188) = 139.5 N/mm².
    expect(seat.seatingShearMpa).toBeCloseTo(139.5, 0);
    expect(seat.seatingYieldShare).toBeLessThan(0.3);
  });
  it('the nut stretches it, below proof, and less on a cone than on a flat seat', () => {
    const on = (halfAngleDeg: number) =>
      studSeat(thread, strength.value, 30, 100 * NM_PER_LBF_FT, 0.14, { ...cone, halfAngleDeg });
    expect(on(30).proofShare).toBeGreaterThan(0.3);
    expect(on(30).proofShare).toBeLessThan(1);
    expect(on(30).preloadN).toBeLessThan(on(90).preloadN);
  });
  it('says when the nut would turn the stud on', () => {
    expect(studSeat(thread, strength.value, 10, 130, 0.12, cone).turnsOn).toBe(true);
    expect(studSeat(thread, strength.value, 80, 130, 0.12, cone).turnsOn).toBe(false);
  });
});
