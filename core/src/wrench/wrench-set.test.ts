import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { wrenchFaults } from './suitable-wrench.ts';
import type { Wrench } from './wrench.ts';
import { type PlannedPull, smallestWrenchSet } from './wrench-set.ts';

const NOW = Date.UTC(2026, 10, 25, 12);
const wrench = (id: string, lowestNm: number, fullScaleNm: number, dueOn = '2027-06-01'): Wrench => ({
  id,
  label: id,
  kind: 'click',
  squareDrive: '1/2 in',
  lowestNm,
  fullScaleNm,
  scaleUnit: 'N·m',
  calibrationDueOn: dueOn,
  live: false,
});
const pulls = (...targets: number[]): PlannedPull[] =>
  targets.map((targetNm, index) => ({ targetNm, station: `s${index}` }));

const anyWrenches = fc
  .array(fc.tuple(fc.integer({ min: 5, max: 150 }), fc.integer({ min: 10, max: 200 }), fc.boolean()), { maxLength: 12 })
  .map((list) =>
    list.map(([low, span, due], index) => wrench(`w${index}`, low, low + span, due ? '2026-01-01' : '2027-06-01')),
  );
const anyPulls = fc.array(fc.integer({ min: 5, max: 340 }), { maxLength: 8 }).map((targets) => pulls(...targets));

describe('the smallest set of wrenches', () => {
  it('is minimal, against trying every subset of up to twelve (property)', () =>
    fc.assert(
      fc.property(anyWrenches, anyPulls, (shop, day) => {
        const { wrenches, uncovered } = smallestWrenchSet(shop, day, NOW);
        const possible = day.filter(({ targetNm }) =>
          shop.some((one) => wrenchFaults(one, { targetNm }, NOW).length === 0),
        );
        expect(uncovered.flatMap(({ stations }) => stations)).toHaveLength(day.length - possible.length);
        const covers = (set: readonly Wrench[]) =>
          possible.every(({ targetNm }) => set.some((one) => wrenchFaults(one, { targetNm }, NOW).length === 0));
        expect(covers(wrenches)).toBe(true);
        let fewest = shop.length;
        for (let bits = 0; bits < 2 ** shop.length; bits += 1) {
          const set = shop.filter((_, index) => bits & (1 << index));
          if (set.length < fewest && covers(set)) fewest = set.length;
        }
        expect(wrenches).toHaveLength(possible.length === 0 ? 0 : fewest);
      }),
      { numRuns: 60 },
    ));

  it('of equal sets it takes the one set least often', () => {
    const shop = [wrench('a', 10, 60), wrench('b', 50, 120), wrench('c', 20, 120)];
    // One wrench does it all: three changes back and forth are then needed.
    expect(smallestWrenchSet(shop, pulls(40, 90, 40, 90), NOW)).toMatchObject({ wrenches: [{ id: 'c' }], settings: 4 });
    const two = [wrench('low', 10, 60), wrench('mid', 30, 100), wrench('high', 80, 200)];
    const chosen = smallestWrenchSet(two, pulls(20, 150, 20, 50, 150), NOW);
    expect(chosen.wrenches.map(({ id }) => id)).toEqual(['low', 'high']);
    expect(chosen.settings).toBe(3);
    expect(chosen.pulls).toEqual([
      { wrench: 'low', targetsNm: [20, 50] },
      { wrench: 'high', targetsNm: [150] },
    ]);
  });

  it('a job that ends at 149 N·m (110 lbf·ft) is not done with a wrench that stops at 108 (80 lbf·ft)', () => {
    // Common practice, no source: the example is the trade's own.
    const { uncovered, wrenches } = smallestWrenchSet([wrench('a', 20, 108)], pulls(60, 149), NOW);
    expect(wrenches.map(({ id }) => id)).toEqual(['a']);
    expect(uncovered).toMatchObject([{ targetNm: 149, stations: ['s1'], faults: [{ code: 'wrenchOutOfRange' }] }]);
  });

  it('out of calibration is no wrench, and nothing to pull needs none', () => {
    expect(smallestWrenchSet([wrench('a', 20, 108, '2026-11-25')], pulls(60), NOW).uncovered).toHaveLength(1);
    expect(smallestWrenchSet([wrench('a', 20, 108)], [], NOW)).toEqual({
      wrenches: [],
      settings: 0,
      uncovered: [],
      pulls: [],
    });
  });
});
