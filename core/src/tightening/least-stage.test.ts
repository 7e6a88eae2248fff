import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { passFraction, passPlan } from './pass-plan.ts';

const SHOP = { leastStageNm: 5 };
const shares = (passes: ReturnType<typeof passPlan>) => passes.map(passFraction);

describe('a stage that is less than a wrench shows', () => {
  it('is left out where the shop made it: 6 N·m is pulled at once, and verified', () => {
    expect(passPlan(4, {}, SHOP, 6)).toEqual([{ kind: 'tighten', fraction: 1 }, { kind: 'verify' }]);
  });
  it('stands from twice the least on, and where the kit prints it', () => {
    expect(shares(passPlan(4, {}, SHOP, 10))).toEqual([0.5, 1, 1]);
    expect(shares(passPlan(4, { stages: [0.5, 1] }, SHOP, 6))).toEqual([0.5, 1, 1]);
  });
  it('stands in jobs opened before the rule was', () => {
    expect(shares(passPlan(4, {}, {}, 6))).toEqual([0.5, 1, 1]);
  });
  it('never takes the whole figure away, nor a stage that is shown', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 400, noNaN: true }),
        fc.double({ min: 0, max: 50, noNaN: true }),
        fc.subarray([0.3, 0.5, 0.6, 0.8]),
        (smallestNm, leastStageNm, lower) => {
          const got = passPlan(6, {}, { stages: [...lower, 1], leastStageNm, verify: false }, smallestNm).map(
            passFraction,
          );
          expect(got.at(-1)).toBe(1);
          expect(got).toEqual([...lower, 1].filter((share) => share === 1 || share * smallestNm >= leastStageNm));
        },
      ),
    );
  });
});
