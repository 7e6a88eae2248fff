import { describe, expect, it } from '@jest/globals';
import { instrumentText, inUnit, isZero, wasSent } from './instrument-text.ts';

describe('what an instrument types', () => {
  it.each<[string, object | undefined]>([
    ['12.34', { value: 12.34 }],
    ['12,34', { value: 12.34 }],
    ['+0012.34 mm', { value: 12.34, unit: 'mm' }],
    ['0.486in', { value: 0.486, unit: 'in' }],
    ['.5"', { value: 0.5, unit: 'in' }],
    ['-0,5°', { value: -0.5, unit: '°' }],
    ['−0.5 deg', { value: -0.5, unit: '°' }],
    ['1.2 cm', { value: 12, unit: 'mm' }],
    ['0', { value: 0 }],
    ['0.00 mm', { value: 0, unit: 'mm' }],
    ['000', { value: 0 }],
    ['', undefined],
    ['-', undefined],
    ['mm', undefined],
    ['1.2.3', undefined],
    ['12 kg', undefined],
    ['1e3', undefined],
  ])('%s', (typed, read) => expect(instrumentText(typed)).toEqual(read));
  it('lengths come in the unit that is asked for; degrees are no length', () => {
    // 1 in = 25.4 mm exactly (NIST SP 811).
    expect(inUnit({ value: 0.486, unit: 'in' }, 'mm')).toBe(12.344);
    expect(inUnit({ value: 25.4, unit: 'mm' }, 'in')).toBe(1);
    expect(inUnit({ value: 3 }, 'mm')).toBe(3);
    expect(inUnit({ value: 3, unit: '°' }, 'mm')).toBeUndefined();
  });
  it('is told from a hand by its speed', () => {
    expect(wasSent([0, 4, 9, 12, 15])).toBe(true);
    expect(wasSent([0, 120, 260])).toBe(false);
    expect(wasSent([0, 5])).toBe(false);
  });
  it('closed it reads nought, by two steps of a caliper', () => {
    expect(isZero(0.02, 'mm')).toBe(true);
    expect(isZero(-0.03, 'mm')).toBe(false);
    expect(isZero(0.001, 'in')).toBe(true);
  });
});
