import { describe, expect, it } from '@jest/globals';
import type { DueItem } from '../due.ts';
import { dueWhenText, onDial } from './due-text.ts';
import { dueMessage } from './message-text.ts';

const day = (atMs: number) => new Date(atMs).toISOString().slice(0, 10);
const ITEM: DueItem = {
  job: 'job',
  number: '26-1',
  care: 'wheels',
  text: 'Wheel nuts again, on the ground.',
  vehicle: { id: 'v', make: 'Tolvan', model: 'Carrick', plate: 'ZZ-1', owner: 'Ada' },
  closedAtMs: Date.UTC(2026, 10, 1),
  afterKm: 100,
  atKm: 161_034,
  lastKm: 160_934,
  kmPerDay: 40,
  rateFrom: 'history',
  expected: {
    expectedMs: Date.UTC(2026, 10, 4),
    earliestMs: Date.UTC(2026, 10, 3),
    latestMs: Date.UTC(2026, 10, 8),
    by: 'distance',
  },
};
const miles: DueItem = { ...ITEM, vehicle: { ...ITEM.vehicle, odometerUnit: 'mi' } };

describe('a distance as the dial shows it', () => {
  // The international mile is 1.609344 km exactly (NIST SP 811, appendix B.8).
  it.each([
    [1.609_344, 'mi', '1 mi'],
    [160_934.4, 'mi', '100,000 mi'],
    [1000, 'km', '1,000 km'],
    [999.6, undefined, '1,000 km'],
    [0, 'mi', '0 mi'],
  ] as const)('%s km in %s is %s', (km, unit, text) => expect(onDial(km, unit)).toBe(text));
});

describe('when something is likely to be due', () => {
  it('is told in what the vehicle’s own dial shows', () => {
    expect(dueWhenText(ITEM, day)).toBe(
      'At 161,034 km, last read 160,934 km; at 40 km a day, from its own visits. Four of five between 2026-11-03 and 2026-11-08.',
    );
    expect(dueWhenText(miles, day)).toMatch(/^At 100,062 mi, last read 100,000 mi; at 25 mi a day/);
  });
  it('says so where nobody read the odometer, nothing is given, or it comes with something that happens', () => {
    const { expected: _, ...undated } = ITEM;
    expect(dueWhenText(undated, day)).toBe(
      'After 100 km: nobody read the odometer at the visit, so no date can be told.',
    );
    expect(dueWhenText({ ...undated, afterKm: undefined }, day)).toBe('No date and no distance is given.');
    expect(dueWhenText({ ...undated, event: true }, day)).toBe('When it happens: no date can be told.');
  });
});

describe('what is written to an owner', () => {
  const said = (item: DueItem) =>
    dueMessage(item, { shop: 'Harrow Lane Fitting Shop', why: 'wheels', minutes: 20, day });
  it('says what, when by the owner’s own dial, why and how long', () => {
    expect(said(miles)).toContain('Wheel nuts again, on the ground. That is at 100,062 mi, about 2026-11-04.');
    expect(said(ITEM)).toContain('at 161,034 km');
    expect(said(ITEM)).toContain('It takes about 20 min.');
  });
});
