import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { all, create, type FactoryFunctionMap } from 'mathjs';
import { parsePrinted, unitFromSpelling } from './parse-printed.ts';
import { convert, fromBase, toBase, UNITS, type UnitName, valueIn } from './unit.ts';

const math = create(all as FactoryFunctionMap);

/** The same unit in the reference library's spelling. */
const REFERENCE: Partial<Record<UnitName, string>> = {
  N·m: 'N m',
  lbf·ft: 'lbf ft',
  lbf·in: 'lbf in',
  mm: 'mm',
  cm: 'cm',
  m: 'm',
  in: 'in',
  ft: 'ft',
  kg: 'kg',
  g: 'g',
  lb: 'lbm',
  N: 'N',
  kN: 'kN',
  lbf: 'lbf',
  '°': 'deg',
  '°C': 'degC',
  '°F': 'degF',
  km: 'km',
  mi: 'mi',
  mL: 'ml',
  L: 'l',
  oz: 'oz',
  thou: 'mil',
  qt: 'quart',
  bar: 'bar',
  kPa: 'kPa',
  MPa: 'MPa',
  psi: 'psi',
  'mm²': 'mm2',
  'cm²': 'cm2',
  'in²': 'in^2',
  'km/h': 'km/h',
  mph: 'mi/h',
  'm/s': 'm/s',
  'N/mm': 'N/mm',
  'lbf/in': 'lbf/in',
};
const BASE: Record<string, string> = {
  torque: 'N m',
  length: 'mm',
  mass: 'kg',
  force: 'N',
  angle: 'deg',
  temperature: 'degC',
  distance: 'km',
  volume: 'ml',
  pressure: 'MPa',
  area: 'mm2',
  speed: 'km/h',
  springRate: 'N/mm',
};

describe('unit factors against mathjs 15 (an independent units library)', () => {
  it.each(Object.entries(REFERENCE))('%s', (name, reference) => {
    const base = BASE[UNITS[name as UnitName].dimension] ?? '';
    const expected = math.unit(37.25, reference).toNumber(base);
    expect(toBase(37.25, name as UnitName)).toBeCloseTo(expected, 9);
  });
});

describe('exact definitions, NIST SP 811 (2008) appendix B.8', () => {
  it.each([
    ['lbf·ft', 'N·m', 1.355818],
    ['lbf·in', 'N·m', 0.1129848],
    ['kgf·m', 'N·m', 9.80665],
    ['in', 'mm', 25.4],
    ['lbf', 'N', 4.448222],
    ['lb', 'kg', 0.4535924],
    ['mi', 'km', 1.609344],
    ['fl oz', 'mL', 29.57353],
  ] as const)('1 %s is %s %d', (from, _to, value) => {
    expect(toBase(1, from) / value).toBeCloseTo(1, 6);
  });
  it('twelve inch-pounds are one foot-pound', () =>
    expect(convert<'torque'>(12, 'lbf·in', 'lbf·ft')).toBeCloseTo(1, 12));
});

describe('lengths and distances are one thing at two scales', () => {
  it('miles in metres and back (NIST SP 811: 1 mi is 1609.344 m)', () => {
    expect(valueIn(1, 'mi', 'm')).toBeCloseTo(1609.344, 9);
    expect(valueIn(1609.344, 'm', 'mi')).toBeCloseTo(1, 12);
    expect(valueIn(26.2, 'mi', 'in')).toBeCloseTo(26.2 * 63_360, 4);
  });
  it('a torque is no force, and no speed a distance', () => {
    expect(valueIn(1, 'N·m', 'N')).toBeUndefined();
    expect(valueIn(1, 'mph', 'mi')).toBeUndefined();
  });
});

it('every unit converts there and back', () => {
  const anyUnit = fc.constantFrom(...(Object.keys(UNITS) as UnitName[]));
  fc.assert(
    fc.property(anyUnit, fc.double({ min: -1e6, max: 1e6, noNaN: true }), (unit, value) => {
      expect(fromBase(toBase(value, unit), unit)).toBeCloseTo(value, 6);
    }),
  );
});

describe('what sheets print', () => {
  it.each([
    ['80-100 in-lb', 'lbf·in', 80, 100],
    ['90 ft. lbs.', 'lbf·ft', 90, 90],
    ['27,5 Nm', 'N·m', 27.5, 27.5],
    ['25/64"', 'in', 25 / 64, 25 / 64],
    ['1-1/2 in', 'in', 1.5, 1.5],
    ['1 1/2 in', 'in', 1.5, 1.5],
    ['½ in', 'in', 0.5, 0.5],
    ['1½"', 'in', 1.5, 1.5],
    ['80 to 100 lbf·in', 'lbf·in', 80, 100],
    ['between 30 and 40 foot-pounds', 'lbf·ft', 30, 40],
    ['80 Nm - 100 Nm', 'N·m', 80, 100],
    ['30–40 N·m', 'N·m', 30, 40],
    ['8.5 kgf·m', 'kgf·m', 8.5, 8.5],
    ['85 kgf-cm', 'kgf·cm', 85, 85],
    ['46 pound-feet', 'lbf·ft', 46, 46],
    ['27 inch pounds', 'lbf·in', 27, 27],
    ['.5 in', 'in', 0.5, 0.5],
    ['3,500.5 lb', 'lb', 3500.5, 3500.5],
    ['1,250,000 N', 'N', 1250000, 1250000],
    ['90°', '°', 90, 90],
    ['25 miles', 'mi', 25, 25],
    ['20 °C', '°C', 20, 20],
    ['1/4 turn', 'turn', 0.25, 0.25],
    ['10 mL', 'mL', 10, 10],
    ['-20 °C', '°C', -20, -20],
    ['−40 to -5 °F', '°F', -40, -5],
    ['250 cNm', 'cN·m', 250, 250],
    ['32 psi', 'psi', 32, 32],
    ['2.4 bar', 'bar', 2.4, 2.4],
    ['120 N/mm²', 'N/mm²', 120, 120],
    ['55 mph', 'mph', 55, 55],
    ['450 lbf/in', 'lbf/in', 450, 450],
    ['5 thou', 'thou', 5, 5],
    ['6 oz', 'oz', 6, 6],
    ['4 qt', 'qt', 4, 4],
    ['0.75 sq in', 'in²', 0.75, 0.75],
  ] as const)('%s', (text, unit, min, max) => {
    const read = parsePrinted(text);
    expect(read).toMatchObject({ ok: true, value: { unit, min, max, printed: text } });
  });

  it.each([
    ['', 'empty'],
    ['snug', 'numberMissing'],
    ['52', 'unitMissing'],
    ['52 bananas', 'unitUnknown'],
    ['80 Nm - 100 in-lb', 'unitUnknown'],
    ['100-80 in-lb', 'rangeReversed'],
    ['1/0 in', 'zeroDenominator'],
    ['3,500 lb', 'ambiguousComma'],
    ['-5 Nm', 'negative'],
    ['-300 °C', 'belowAbsoluteZero'],
    ['-460 °F', 'belowAbsoluteZero'],
    ['1e300 mi', 'tooLarge'],
    ['9999999999999 mm', 'tooLarge'],
    ['100 ± 5 Nm', 'unitUnknown'],
    ['max 83 Nm', 'numberMissing'],
  ])('refuses %j: %s', (text, code) => {
    expect(parsePrinted(text)).toMatchObject({ ok: false, error: { code } });
  });

  it('refuses a force where a torque is wanted', () => {
    expect(parsePrinted('80 lbf', 'torque')).toMatchObject({ ok: false, error: { code: 'wrongDimension' } });
  });
  it('never reads lbf·in as lbf·ft, however it is spelled', () => {
    for (const [pound, foot, inch] of [
      ['lb', 'ft', 'in'],
      ['lbs', 'ft', 'in'],
      ['lbf', 'foot', 'inch'],
      ['pounds', 'feet', 'inches'],
    ]) {
      for (const join of [' ', '-', '·', '. ']) {
        expect(unitFromSpelling(`${foot}${join}${pound}`)).toBe('lbf·ft');
        expect(unitFromSpelling(`${inch}${join}${pound}`)).toBe('lbf·in');
        expect(unitFromSpelling(`${pound}${join}${foot}`)).toBe('lbf·ft');
        expect(unitFromSpelling(`${pound}${join}${inch}`)).toBe('lbf·in');
      }
    }
  });
});
