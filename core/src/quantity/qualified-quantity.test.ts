import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { parseQualified } from './qualified-quantity.ts';

describe('a quantity with its tolerance or its one bound', () => {
  it.each([
    ['100 ± 5 Nm', { nominal: 100, min: 95, max: 105, unit: 'N·m' }],
    ['100±5Nm', { nominal: 100, min: 95, max: 105, unit: 'N·m' }],
    ['90 Nm ± 10 %', { nominal: 90, min: 81, max: 99, unit: 'N·m' }],
    ['80 +/- 4 ft-lb', { nominal: 80, min: 76, max: 84, unit: 'lbf·ft' }],
    ['55 Nm ± 3 Nm', { nominal: 55, min: 52, max: 58, unit: 'N·m' }],
    ['-10 ± 4 °C', { nominal: -10, min: -14, max: -6, unit: '°C' }],
    ['max 83 Nm', { bound: 'atMost', min: 83, max: 83, unit: 'N·m' }],
    ['max. 83 Nm', { bound: 'atMost', min: 83 }],
    ['≤ 12 in-lb', { bound: 'atMost', min: 12, unit: 'lbf·in' }],
    ['at least 40 mm', { bound: 'atLeast', min: 40, unit: 'mm' }],
    ['min 2.4 bar', { bound: 'atLeast', min: 2.4, unit: 'bar' }],
    ['80-100 in-lb', { min: 80, max: 100, unit: 'lbf·in' }],
  ])('%s', (text, expected) => expect(parseQualified(text)).toMatchObject({ ok: true, value: expected }));
  it.each([
    ['3 ± 5 Nm', 'negative'],
    ['100 ± 5', 'unitMissing'],
    ['100 Nm ± 5 in-lb', 'unitUnknown'],
    ['80-100 ± 5 Nm', 'unitMissing'],
    ['max', 'numberMissing'],
  ])('refuses %s: %s', (text, code) => expect(parseQualified(text)).toMatchObject({ ok: false, error: { code } }));
  it('a tolerance lies even about what is aimed at (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 400 }), fc.integer({ min: 1, max: 19 }), (value, each) => {
        const read = parseQualified(`${value} ± ${each} Nm`);
        expect(read.ok && [read.value.minBase, read.value.maxBase]).toEqual([value - each, value + each]);
      }),
    );
  });
});
