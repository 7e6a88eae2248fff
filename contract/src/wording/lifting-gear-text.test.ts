import { describe, expect, it } from '@jest/globals';
import { gearText, readGear } from './lifting-gear-text.ts';

describe('what vehicles are held up on, as it is typed', () => {
  it.each([
    ['Two-post lift 4000 kg', { name: 'Two-post lift', kind: 'lift', ratedKg: 4000 }],
    ['Low stands, pair: 2.5 t', { name: 'Low stands, pair', kind: 'stands', ratedKg: 2500 }],
    ['Blue ramps 2,5 t', { name: 'Blue ramps', kind: 'ramps', ratedKg: 2500 }],
    ['Trolley jack 3,000 kg', { name: 'Trolley jack', kind: 'jack', ratedKg: 3000 }],
    ['Jack stands 3.000 kg', { name: 'Jack stands', kind: 'stands', ratedKg: 3000 }],
    // 6000 lb × 0.45359237 (NIST SP 811, exact).
    ['Bottle jack 6000 lb', { name: 'Bottle jack', kind: 'jack', ratedKg: 2722 }],
  ])('%s', (typed, gear) => expect(readGear(typed)).toEqual([gear]));
  it('is written again as it was read', () => {
    const gear = readGear('Trolley jack 2 t\n\nTwo-post lift 4000 kg\n');
    expect(gear).toHaveLength(2);
    if (typeof gear === 'string') throw new Error(gear);
    expect(gearText(gear)).toBe('Two-post lift 4000 kg\nTrolley jack 2000 kg');
    expect(readGear(gearText(gear))).toEqual(gear);
    expect(gearText()).toBe('');
  });
  it.each([
    ['Two-post lift', 'a name, then what it bears'],
    ['Two-post lift 4000', 'a name, then what it bears'],
    ['Crane 4000 kg', 'no lift, stands, ramps or jack'],
    ['Two-post lift 4 kg', 'from 250 to 60000 kg'],
    ['Two-post lift 400 t', 'from 250 to 60000 kg'],
    ['Jack 2 t\nJack 3 t', 'Two are called Jack'],
  ])('%s is not taken, and why is said', (typed, why) => expect(readGear(typed)).toContain(why));
});
