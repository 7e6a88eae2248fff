import { describe, expect, it } from '@jest/globals';
import { rankWrenches, wrenchFaults } from './suitable-wrench.ts';
import { usableBand } from './usable-band.ts';
import type { Wrench } from './wrench.ts';

const NOON = Date.UTC(2026, 10, 25, 12);
const wrench = (over: Partial<Wrench> = {}): Wrench => ({
  id: 'w',
  label: 'W-1',
  kind: 'click',
  squareDrive: '1/2 in',
  fullScaleNm: 200,
  scaleUnit: 'N·m',
  calibrationDueOn: '2027-03-12',
  live: false,
  ...over,
});

describe('usable band (ISO 6789-1: from 20 % of the maximum)', () => {
  it('is 40 to 200 of a 200 N·m wrench', () => expect(usableBand(wrench())).toEqual({ minNm: 40, maxNm: 200 }));
  it('follows the wrench’s own data', () => expect(usableBand(wrench({ lowestNm: 25 })).minNm).toBe(25));
});

describe('may this wrench make the pull (M53)', () => {
  it.each([
    [39.8, 'wrenchOutOfRange'],
    [40, undefined],
    [200, undefined],
    [200.6, 'wrenchOutOfRange'],
  ])('%d N·m: %s', (targetNm, code) => expect(wrenchFaults(wrench(), { targetNm }, NOON)[0]?.code).toBe(code));
  // 1 lbf·ft is 1.3558 N·m (NIST SP 811): 155 lbf·ft are printed as 210 N·m, 20 in-lb as 2.3.
  it('reaches to the last mark of its scale, for what is printed in another unit', () => {
    const code = (targetNm: number, fullScaleNm: number) =>
      wrenchFaults(wrench({ fullScaleNm }), { targetNm }, NOON)[0]?.code;
    expect(code(155 * 1.3558179483, 210)).toBeUndefined();
    expect(code(210.6, 210)).toBe('wrenchOutOfRange');
    expect(code(12.1, 12)).toBe('wrenchOutOfRange');
  });
  it('not from the day its calibration is due', () => {
    expect(wrenchFaults(wrench({ calibrationDueOn: '2026-11-26' }), { targetNm: 100 }, NOON)).toEqual([]);
    expect(wrenchFaults(wrench({ calibrationDueOn: '2026-11-25' }), { targetNm: 100 }, NOON)).toMatchObject([
      { code: 'wrenchOutOfCalibration' },
    ]);
  });
  it('offers the faultless first, then live, then nearest the middle', () => {
    const rank = rankWrenches(
      [
        wrench({ id: 'big', fullScaleNm: 400 }),
        wrench({ id: 'old', calibrationDueOn: '2026-01-01', live: true }),
        wrench({ id: 'mid' }),
        wrench({ id: 'live', fullScaleNm: 130, live: true }),
      ],
      { targetNm: 110 },
      NOON,
    );
    expect(rank.map((choice) => choice.wrench.id)).toEqual(['live', 'mid', 'big', 'old']);
    expect(rank.at(-1)?.faults[0]?.code).toBe('wrenchOutOfCalibration');
  });
});
