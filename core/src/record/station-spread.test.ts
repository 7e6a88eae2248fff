import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { type FinalPull, stationSpreads } from './station-spread.ts';

const pull = (torqueNm: number, over: Partial<FinalPull> = {}): FinalPull => ({
  station: 'Plate, 1',
  torqueNm,
  targetNm: 10,
  minNm: 9,
  maxNm: 11,
  accepted: torqueNm >= 9 && torqueNm <= 11,
  ...over,
});

describe('how the pulls of a station lie', () => {
  it('NIST StRD, data set NumAcc1: three values that differ in their last figures', () => {
    // https://www.itl.nist.gov/div898/strd/univ/numacc1.html: 10000001, 10000003, 10000002; mean 10000002, sd 1.
    const [spread] = stationSpreads([10000001, 10000003, 10000002].map((nm) => pull(nm)));
    expect(spread?.meanNm).toBe(10000002);
    expect(spread?.sdNm).toBeCloseTo(1, 12);
  });
  it('NIST StRD, data set NumAcc3: a thousand and one values round a million; from memory, mean 1000000.2, sd 0.1', () => {
    const values = [1000000.2, ...Array.from({ length: 500 }, () => [1000000.1, 1000000.3]).flat()];
    const [spread] = stationSpreads(values.map((nm) => pull(nm)));
    expect(spread?.meanNm).toBeCloseTo(1000000.2, 8);
    expect(spread?.sdNm).toBeCloseTo(0.1, 8);
  });
  it('every pull lies in one part of the scale, and the scale holds the band and all of them', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.1, max: 500, noNaN: true }), { minLength: 1, maxLength: 60 }),
        (torques) => {
          const [spread] = stationSpreads(torques.map((nm) => pull(nm)));
          if (!spread) return false;
          expect(spread.bins.reduce((sum, count) => sum + count, 0)).toBe(torques.length);
          expect(spread.lowNm).toBeLessThan(Math.min(9, ...torques));
          expect(spread.highNm).toBeGreaterThan(Math.max(11, ...torques));
          expect(spread.missed).toBe(torques.filter((nm) => nm < 9 || nm > 11).length);
          return true;
        },
      ),
    );
  });
  it('one pull has no deviation; a band without an upper bound has none', () => {
    const [spread] = stationSpreads([pull(10, { maxNm: undefined })]);
    expect(spread).toMatchObject({ pulls: 1, sdNm: 0 });
    expect(spread).not.toHaveProperty('maxNm');
  });
  it('stations stand in the order a person counts', () => {
    const names = ['Plate, 10', 'Plate, 2', 'Plate, 1'].map((station) => pull(10, { station }));
    expect(stationSpreads(names).map(({ station }) => station)).toEqual(['Plate, 1', 'Plate, 2', 'Plate, 10']);
  });
});
