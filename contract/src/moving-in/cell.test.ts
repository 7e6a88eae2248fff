import { describe, expect, it } from '@jest/globals';
import {
  type CellReader,
  day,
  decimal,
  gripped,
  measure,
  odometer,
  oneOf,
  readings,
  someOf,
  torque,
  whole,
  yesNo,
} from './cell.ts';

/** The value, or the reason as a text that begins with a dash. */
const of = (read: CellReader, text: string): unknown => {
  const result = read(text);
  return result.ok ? result.value : `- ${result.error.reason}`;
};

describe('whole numbers, however their thousands are written', () => {
  it.each(['82400', '82 400', '82,400', '82.400', "82'400", '82\u202f400'])('%s', (text) =>
    expect(of(whole(0, 1e6), text)).toBe(82_400),
  );
  it.each(['82,4', '8 24', '-3', 'about 80', '1e3', '0x10'])('%s is none', (text) =>
    expect(of(whole(0, 1e6), text)).toMatch(/^- must be a whole number/),
  );
  it('names its bounds', () => expect(of(whole(1, 12), '14')).toBe('- must lie between 1 and 12, was 14'));
});

describe('numbers', () => {
  it.each([
    ['12,5', 12.5],
    ['12.5', 12.5],
    ['-4', -4],
    ['1 250.5', 1250.5],
  ])('%s', (text, value) => expect(of(decimal(-1e6, 1e6), text)).toBe(value));
  it('asks back where a comma may be either', () => expect(of(decimal(0, 1e6), '1,250')).toMatch(/write a point/));
});

describe('measures with and without their unit', () => {
  it.each([
    ['50', 50],
    ['50 mL', 50],
    ['0.25 L', 250],
    ['1 fl oz', 29.573_529_562_5],
  ])('%s', (text, ml) => expect(of(measure('mL', 0.5, 20_000), text)).toBeCloseTo(ml, 6));
  it('another kind of unit is named', () => expect(of(measure('mL', 0.5, 20_000), '50 mm')).toMatch(/must be in mL/));
  it('a range is no one figure', () => expect(of(measure('mm', 1, 900), '10-20 mm')).toMatch(/one figure/));
});

describe('torques keep the unit they were written in', () => {
  it.each([
    ['200', { nm: 200, unit: undefined }],
    ['200 Nm', { nm: 200, unit: 'N·m' }],
    // 1 lbf·ft = 1.355 817 948 N·m: NIST SP 811 (2008), appendix B.8
    ['150 ft-lb', { nm: expect.closeTo(150 * 1.355_817_948_3, 6), unit: 'lbf·ft' }],
  ])('%s', (text, value) => expect(of(torque(0.5, 5000), text)).toEqual(value));
});

describe('days', () => {
  it.each([
    ['2026-04-03', '2026-04-03'],
    ['2026-4-3', '2026-04-03'],
    ['3.4.2026', '2026-04-03'],
    ['03/14/2026', '2026-03-14'],
    ['14/03/2026', '2026-03-14'],
    ['3 April 2026', '2026-04-03'],
    ['Apr 3, 2026', '2026-04-03'],
    ['4/4/2026', '2026-04-04'],
  ])('%s', (text, iso) => expect(of(day, text)).toBe(iso));
  it.each([
    ['03/04/2026', /one of two days/],
    ['2026-02-30', /no day of the calendar/],
    ['31.4.2026', /no day of the calendar/],
    ['soon', /must be a day/],
    ['3 Foo 2026', /no day/],
  ])('%s is asked back', (text, reason) => expect(of(day, text)).toMatch(reason));
});

describe('odometers', () => {
  it.each([
    ['82 400', { km: 82_400 }],
    ['82,400 km', { km: 82_400 }],
    // The international mile is 1.609 344 km exactly.
    ['1,000 mi', { km: 1609.344, unit: 'mi' }],
  ])('%s', (text, value) => expect(of(odometer, text)).toEqual(value));
  it('a word is none', () => expect(of(odometer, 'unknown')).toMatch(/kilometres or miles/));
});

describe('choices', () => {
  const roles = oneOf({ fitter: ['Technician'], lead: ['foreman'] });
  it('by any of their names', () => {
    expect(of(roles, 'technician')).toBe('fitter');
    expect(of(roles, 'LEAD')).toBe('lead');
    expect(of(roles, 'boss')).toBe('- must be one of fitter, lead, was “boss”');
  });
  it('several, each once', () => {
    const skills = someOf({ wheels: [], welding: [] });
    expect(of(skills, 'Welding; wheels, welding')).toEqual(['welding', 'wheels']);
    expect(of(skills, 'juggling')).toMatch(/must be one of/);
  });
  it('yes and no', () => {
    expect([of(yesNo, 'Yes'), of(yesNo, 'x'), of(yesNo, 'no'), of(yesNo, '0')]).toEqual([true, true, false, false]);
    expect(of(yesNo, 'perhaps')).toMatch(/yes or no/);
  });
});

describe('what a tool grips', () => {
  it.each([
    ['16 mm', { kind: 'hex', acrossFlatsMm: 16 }],
    ['16', { kind: 'hex', acrossFlatsMm: 16 }],
    // 5/8 in = 15.875 mm: the inch is 25.4 mm exactly.
    ['5/8 in', { kind: 'hex', acrossFlatsMm: 15.875, inch: true }],
    ['1-1/16"', { kind: 'hex', acrossFlatsMm: 26.9875, inch: true }],
    ['8 mm hex key', { kind: 'hexKey', acrossFlatsMm: 8 }],
    ['12-point 14 mm', { kind: 'twelvePoint', acrossFlatsMm: 14 }],
    ['t40', { kind: 'sixLobe', size: 'T40' }],
    ['E12', { kind: 'sixLobe', size: 'E12' }],
  ])('%s', (text, drive) => expect(of(gripped, text)).toEqual(drive));
  it.each(['big', '0.1 mm', '400 mm'])('%s is none', (text) => expect(of(gripped, text)).toMatch(/size/));
});

describe('readings of a calibration', () => {
  it('by what was set', () =>
    expect(of(readings, '40: 40.2 39,9; 120: 119.5')).toEqual([
      { setNm: 40, referenceNm: 40.2 },
      { setNm: 40, referenceNm: 39.9 },
      { setNm: 120, referenceNm: 119.5 },
    ]));
  it.each(['40', '40: x', ': 40', '0: 1'])('%s is none', (text) => expect(of(readings, text)).toMatch(/must be as/));
});
