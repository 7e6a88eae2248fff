import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { chooseShims } from './shim-choice.ts';

const BAG = [
  { thicknessMm: 1, count: 2 },
  { thicknessMm: 0.5, count: 4 },
  { thicknessMm: 0.2, count: 4 },
];
const PLAIN = { openMm: 0.15 };

describe('shims from measured gaps', () => {
  it('fill each point without forcing it, and say what is left in the bag', () => {
    const choice = chooseShims({ ...PLAIN, gapsMm: [1.7, 0.6] }, BAG);
    if (!choice.ok) throw new Error(choice.fault);
    expect(choice.points.map(({ stackMm, openMm }) => [stackMm, openMm])).toEqual([
      [1.7, 0],
      [0.6, 0],
    ]);
    expect(choice.used.map((count, kind) => count + (choice.left[kind] ?? 0))).toEqual([2, 4, 4]);
  });
  it('a spacer goes in first, and none at all is a choice', () => {
    const choice = chooseShims({ ...PLAIN, gapsMm: [5.1, 5], spacerMm: 5 }, BAG);
    expect(choice).toMatchObject({ ok: true, used: [0, 0, 0], points: [{ openMm: 0.1 }, { openMm: 0 }] });
    expect(chooseShims({ ...PLAIN, gapsMm: [4.8, 5], spacerMm: 5 }, BAG)).toEqual({
      ok: false,
      fault: 'spacerTooThick',
      point: 0,
    });
  });
  it('a tilt beyond the spread is not shimmed away', () => {
    expect(chooseShims({ ...PLAIN, gapsMm: [0.5, 2.5], spreadMm: 1.5 }, BAG)).toEqual({
      ok: false,
      fault: 'tilt',
      apartMm: 2,
    });
    expect(chooseShims({ ...PLAIN, gapsMm: [0.5, 2], spreadMm: 1.5 }, BAG).ok).toBe(true);
  });
  it('what the bag cannot fill is said, with how near it comes', () => {
    expect(chooseShims({ ...PLAIN, gapsMm: [0, 9] }, BAG)).toMatchObject({ ok: false, fault: 'short', point: 1 });
    // One bag for all: four points that each want the two thick ones.
    expect(chooseShims({ openMm: 0.05, gapsMm: [2, 2, 2, 2] }, [{ thicknessMm: 1, count: 6 }]).ok).toBe(false);
  });
  it('never forces a gap, never takes more than the bag has, and leaves no more open than it may (property)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 2, maxLength: 4 }),
        fc.array(fc.record({ thicknessMm: fc.constantFrom(0.1, 0.2, 0.5, 1), count: fc.nat(4) }), {
          minLength: 1,
          maxLength: 3,
        }),
        (tenths, stock) => {
          const gapsMm = tenths.map((tenth) => tenth / 10);
          const choice = chooseShims({ gapsMm, openMm: 0.15 }, stock);
          if (!choice.ok) return;
          choice.points.forEach(({ pieces, openMm }, point) => {
            const stack = pieces.reduce((sum, piece) => sum + (stock[piece]?.thicknessMm ?? 0), 0);
            expect(stack).toBeLessThanOrEqual((gapsMm[point] ?? 0) + 1e-6);
            expect(openMm).toBeLessThanOrEqual(0.15);
          });
          for (const left of choice.left) expect(left).toBeGreaterThanOrEqual(0);
        },
      ),
      { seed: 14, numRuns: 200 },
    );
  });
});
