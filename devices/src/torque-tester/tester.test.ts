import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { deviation } from '#core/wrench/calibration.ts';
import { hiddenDeviation, testerReading } from './tester.ts';

describe('the stand-in tester', () => {
  it('reads each wrench as far off as its serial number says, to the hand', () => {
    fc.assert(
      fc.property(
        fc.string({ minLength: 1 }),
        fc.double({ min: 1, max: 500, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (serial, setNm, hand) => {
          const off = deviation({ setNm, referenceNm: testerReading(serial, setNm, () => hand) });
          expect(Math.abs(off - hiddenDeviation(serial))).toBeLessThan(0.0075);
        },
      ),
    );
  });
  it('always tells the same of the same wrench', () =>
    expect(testerReading('HL-3107', 120, () => 0.5)).toBe(testerReading('HL-3107', 120, () => 0.5)));
});
