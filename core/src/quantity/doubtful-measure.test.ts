import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { doubtful, MEASURED } from './doubtful-measure.ts';

describe('a reading that is hardly what is on the vehicle', () => {
  it('a bore of 1850 mm was probably 185, a gap of 0.6 where the last was 6 probably 6', () => {
    expect(doubtful(1850, { quantity: 'bore', unit: 'mm', min: 106.1 })).toEqual({ meant: 185 });
    expect(doubtful(0.6, { quantity: 'gap', unit: 'mm', near: [6, 6.2] })).toEqual({ meant: 6 });
    expect(doubtful(62, { quantity: 'gap', unit: 'mm', near: [6] })).toEqual({ meant: 6.2 });
  });
  it('inches typed for millimetres are seen by what they would be', () => {
    // 20.16 in is 512 mm (1 in = 25.4 mm exactly, ISO 31-1 and NIST SP 811).
    expect(doubtful(20.16, { quantity: 'rideHeight', unit: 'mm', near: [512] })).toEqual({ meant: 512.064 });
    expect(doubtful(512, { quantity: 'rideHeight', unit: 'in', near: [20.1] })?.meant).toBeCloseTo(20.157, 2);
  });
  it('what no slip explains is asked for once more, with nothing offered', () => {
    expect(doubtful(-4, { quantity: 'gap', unit: 'mm' })).toEqual({});
    expect(doubtful(97_000, { quantity: 'rideHeight', unit: 'mm', near: [512] })).toEqual({});
  });
  it('inside its limits nothing is doubted, nor a plain miss', () => {
    expect(doubtful(0.6, { quantity: 'gap', unit: 'mm', max: 1, near: [6] })).toBeUndefined();
    expect(doubtful(7, { quantity: 'clearance', unit: 'mm', min: 10, near: [12] })).toBeUndefined();
    // A lift of two inches is no slip.
    expect(doubtful(563, { quantity: 'rideHeight', unit: 'mm', near: [512] })).toBeUndefined();
    expect(doubtful(-0.8, { quantity: 'camber', unit: '°', near: [-0.5] })).toBeUndefined();
    expect(doubtful(0, { quantity: 'play', unit: 'mm', near: [0.4] })).toBeUndefined();
  });
  it('what is offered is no doubt itself (property)', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...MEASURED),
        fc.double({ min: -5000, max: 5000, noNaN: true }),
        fc.array(fc.double({ min: 1, max: 900, noNaN: true }), { maxLength: 3 }),
        (quantity, value, near) => {
          const reference = { quantity, unit: 'mm', near };
          const meant = doubtful(value, reference)?.meant;
          if (meant !== undefined) expect(doubtful(meant, reference)).toBeUndefined();
        },
      ),
      { seed: 14 },
    );
  });
});
