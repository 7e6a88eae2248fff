import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { showBand, showInchFraction, showTorque, showTorqueIn } from './display.ts';
import { roundTo } from './rounding.ts';
import { bothText } from './show-both.ts';
import { fromBase, toBase } from './unit.ts';

describe('torque in both systems', () => {
  it('shows the shop’s system first', () => {
    expect(showTorque(62, 'metric')).toEqual({
      first: { number: '62', unit: 'N·m' },
      second: { number: '45.7', unit: 'lbf·ft' },
    });
    expect(showTorque(toBase(46, 'lbf·ft'), 'inch').first).toEqual({ number: '46', unit: 'lbf·ft' });
  });
  it('uses inch-pounds for small joints', () => {
    expect(showTorque(toBase(90, 'lbf·in'), 'inch').first).toEqual({ number: '90', unit: 'lbf·in' });
  });
  it('never shows a figure outside the accepted band', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 900, noNaN: true }),
        fc.double({ min: 0.002, max: 0.2, noNaN: true }),
        (nm, share) => {
          const band = { minNm: nm * (1 - share), maxNm: nm * (1 + share) };
          for (const unit of ['N·m', 'lbf·ft', 'lbf·in', 'kgf·m'] as const) {
            const shown = toBase(Number(showTorqueIn(nm, unit, band).number), unit);
            expect(shown).toBeGreaterThanOrEqual(band.minNm - 0.0011);
            expect(shown).toBeLessThanOrEqual(band.maxNm + 0.0011);
            const ends = showBand(band.minNm, band.maxNm, unit);
            expect(Number(ends.min)).toBeGreaterThanOrEqual(fromBase(band.minNm - 0.0011, unit));
            expect(Number(ends.max)).toBeLessThanOrEqual(fromBase(band.maxNm + 0.0011, unit));
          }
        },
      ),
    );
  });
});

describe('the accepted band of a printed range', () => {
  it('shows the printed ends, not ones just inside them', () => {
    expect(showBand(toBase(80, 'lbf·in'), toBase(100, 'lbf·in'), 'lbf·in')).toEqual({ min: '80', max: '100' });
    expect(showBand(9.038786, 11.298482, 'lbf·in')).toEqual({ min: '80', max: '100' });
    expect(showBand(58.9, 65.1, 'N·m')).toEqual({ min: '59', max: '65' });
  });
});

describe('inch fractions', () => {
  it.each([
    [9.525, '3/8'],
    [38.1, '1-1/2'],
    [25.4, '1'],
    [9.921875, '25/64'],
    [0, '0'],
    [-6.35, '-1/4'],
  ])('%d mm is %s in', (mm, text) => expect(showInchFraction(mm)).toBe(text));
});

it('rounds halves away from zero', () => {
  expect(roundTo(1.005, 2)).toBe(1.01);
  expect(roundTo(-2.5, 0)).toBe(-3);
  expect(roundTo(0, 3)).toBe(0);
  expect(roundTo(1e-7, 2)).toBe(0);
});

describe('other quantities in both systems', () => {
  it.each([
    [800, 'distance', 'metric', '800 km (497 mi)'],
    [40.2336, 'distance', 'inch', '25 mi (40.2 km)'],
    [25.4, 'length', 'inch', '1 in (25.4 mm)'],
    [20, 'temperature', 'metric', '20 °C (68 °F)'],
    [1587.5732950000001, 'mass', 'inch', '3500 lb (1588 kg)'],
    [10, 'volume', 'metric', '10 mL (0.34 fl oz)'],
    [90, 'angle', 'metric', '90 °'],
  ] as const)('%d of %s, %s first: %s', (base, dimension, system, text) =>
    expect(bothText(base, dimension, system)).toBe(text),
  );
});
