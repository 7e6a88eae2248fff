import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { acrossFlatsMm } from './across-flats.ts';
import { stressAreaMm2 } from './stress-area.ts';
import { leftHanded, metricThread, minorDiameterMm, parseThread, pitchDiameterMm, unifiedThread } from './thread.ts';

describe('stressAreaMm2, ISO 898-1:2013 tables 4 to 7 (three figures)', () => {
  it.each([
    [3, 0.5, 5.03],
    [4, 0.7, 8.78],
    [5, 0.8, 14.2],
    [6, 1, 20.1],
    [7, 1, 28.9],
    [8, 1.25, 36.6],
    [10, 1.5, 58.0],
    [12, 1.75, 84.3],
    [14, 2, 115],
    [16, 2, 157],
    [18, 2.5, 192],
    [20, 2.5, 245],
    [22, 2.5, 303],
    [24, 3, 353],
    [27, 3, 459],
    [30, 3.5, 561],
    [33, 3.5, 694],
    [36, 4, 817],
    [2, 0.4, 2.07],
    [2.5, 0.45, 3.39],
    [3.5, 0.6, 6.78],
    [39, 4, 976],
    [39, 3, 1030],
    [8, 1, 39.2],
    [10, 1.25, 61.2],
    [10, 1, 64.5],
    [12, 1.5, 88.1],
    [12, 1.25, 92.1],
    [14, 1.5, 125],
    [16, 1.5, 167],
    [18, 1.5, 216],
    [20, 1.5, 272],
    [22, 1.5, 333],
    [24, 2, 384],
    [27, 2, 496],
    [30, 2, 621],
    [33, 2, 761],
    [36, 3, 865],
  ])('M%d × %d is %d mm²', (d, pitch, area) => {
    expect(Number(stressAreaMm2(metricThread(d, pitch)).toPrecision(3))).toBe(area);
  });
});

describe('stressAreaMm2, ASME B1.1 (UNC and UNF, square inches)', () => {
  it.each([
    ['#0-80', 0.06, 80, 0.0018],
    ['#1-64', 0.073, 64, 0.00263],
    ['#1-72', 0.073, 72, 0.00278],
    ['#2-56', 0.086, 56, 0.0037],
    ['#3-48', 0.099, 48, 0.00487],
    ['#4-40', 0.112, 40, 0.00604],
    ['#6-32', 0.138, 32, 0.00909],
    ['#8-32', 0.164, 32, 0.014],
    ['#10-24', 0.19, 24, 0.0175],
    ['1/4-20', 1 / 4, 20, 0.0318],
    ['5/16-18', 5 / 16, 18, 0.0524],
    ['3/8-16', 3 / 8, 16, 0.0775],
    ['7/16-14', 7 / 16, 14, 0.1063],
    ['1/2-13', 1 / 2, 13, 0.1419],
    ['9/16-12', 9 / 16, 12, 0.182],
    ['5/8-11', 5 / 8, 11, 0.226],
    ['3/4-10', 3 / 4, 10, 0.334],
    ['7/8-9', 7 / 8, 9, 0.462],
    ['1-8', 1, 8, 0.606],
    ['1-1/8-7', 9 / 8, 7, 0.763],
    ['1-1/4-7', 5 / 4, 7, 0.969],
    ['#10-32', 0.19, 32, 0.02],
    ['1/4-28', 1 / 4, 28, 0.0364],
    ['5/16-24', 5 / 16, 24, 0.058],
    ['3/8-24', 3 / 8, 24, 0.0878],
    ['7/16-20', 7 / 16, 20, 0.1187],
    ['1/2-20', 1 / 2, 20, 0.1599],
    ['5/8-18', 5 / 8, 18, 0.256],
    ['3/4-16', 3 / 4, 16, 0.373],
    ['7/8-14', 7 / 8, 14, 0.509],
    ['1-12', 1, 12, 0.663],
    ['1-1/4-12', 5 / 4, 12, 1.073],
  ] as const)('%s', (name, inch, tpi, areaIn2) => {
    const thread = unifiedThread(inch, tpi, name.startsWith('#') ? name.split('-')[0] : undefined);
    expect(thread.designation).toBe(name);
    expect(stressAreaMm2(thread) / 645.16 / areaIn2).toBeCloseTo(1, 2);
  });
});

describe('basic diameters, ISO 724 table 1', () => {
  it.each([
    [6, 1, 5.35, 4.917],
    [8, 1.25, 7.188, 6.647],
    [10, 1.5, 9.026, 8.376],
    [10, 1.25, 9.188, 8.647],
    [12, 1.75, 10.863, 10.106],
    [12, 1.25, 11.188, 10.647],
    [16, 2, 14.701, 13.835],
    [24, 3, 22.051, 20.752],
  ])('M%d × %d', (d, pitch, d2, d1) => {
    expect(pitchDiameterMm(d, pitch)).toBeCloseTo(d2, 3);
    expect(minorDiameterMm(d, pitch)).toBeCloseTo(d1, 3);
  });
});

describe('reading a thread callout', () => {
  it.each([
    ['M10x1.5x55', 'M10 × 1.5', 'coarse', 55],
    ['M10-1.25 × 30 mm', 'M10 × 1.25', 'fine', 30],
    ['M8', 'M8 × 1.25', 'coarse', undefined],
    ['m6 x 1', 'M6 × 1', 'coarse', undefined],
    ['3/8-16', '3/8-16', 'coarse', undefined],
    ['3/8-24 x 1-1/4"', '3/8-24', 'fine', 31.75],
    ['#10-32', '#10-32', 'fine', undefined],
    // A number size as it is written without its sign; with another pitch it is inches.
    ['10-32', '#10-32', 'fine', undefined],
    ['2-56', '#2-56', 'coarse', undefined],
    ['3-48', '#3-48', 'coarse', undefined],
    ['1-72', '#1-72', 'fine', undefined],
    ['1-8', '1-8', 'coarse', undefined],
    ['5/8 coarse', '5/8-11', 'coarse', undefined],
    ['1/2-13 UNC', '1/2-13', 'coarse', undefined],
    ['#0-80', '#0-80', 'fine', undefined],
    ['M2', 'M2 × 0.4', 'coarse', undefined],
    ['M3.5', 'M3.5 × 0.6', 'coarse', undefined],
    ['M39', 'M39 × 4', 'coarse', undefined],
    ['M6x1-6g', 'M6 × 1', 'coarse', undefined],
    ['M10x1.25x40-6g', 'M10 × 1.25', 'fine', 40],
    ['M8-6H', 'M8 × 1.25', 'coarse', undefined],
    ['7/16-20 UNF-2A', '7/16-20', 'fine', undefined],
    ['3/8-16 UNC - 2B', '3/8-16', 'coarse', undefined],
    ['M12 x 1.75 LH', 'M12 × 1.75 LH', 'coarse', undefined],
    ['1/2-20 UNF-2A-LH', '1/2-20 LH', 'fine', undefined],
    ['M12 left hand', 'M12 × 1.75 LH', 'coarse', undefined],
    ['1/4-20 UNC-2A x 1-1/2', '1/4-20', 'coarse', 38.1],
    ['M10 x 1.5 - 6g x 40', 'M10 × 1.5', 'coarse', 40],
    ['M12 LH x 40', 'M12 × 1.75 LH', 'coarse', 40],
    ['7/16-20UNF-2A', '7/16-20', 'fine', undefined],
    ['1/4-32 UNEF', '1/4-32', 'other', undefined],
  ] as const)('%s', (text, designation, series, lengthMm) => {
    const read = parseThread(text);
    if (!read.ok) throw new Error(read.error.code);
    expect(read.value.thread).toMatchObject({ designation, series });
    if (lengthMm === undefined) expect(read.value.lengthMm).toBeUndefined();
    else expect(read.value.lengthMm).toBeCloseTo(lengthMm, 6);
  });
  it.each([
    ['16 mm bolt', 'driveSizeNotThread'],
    ['16mm', 'driveSizeNotThread'],
    ['M9.3', 'pitchUnknown'],
    ['long bolt', 'threadUnreadable'],
    ['#11-32', 'threadUnreadable'],
    ['1/4-20 UNF', 'seriesContradicts'],
    ['3/8-24 UNC', 'seriesContradicts'],
    ['#0 coarse', 'pitchUnknown'],
  ])('refuses %s: %s', (text, code) => expect(parseThread(text)).toMatchObject({ ok: false, error: { code } }));
  it('keeps the printed class, and names the count that belongs to the series', () => {
    const classOf = (text: string) => {
      const read = parseThread(text);
      return read.ok ? read.value.toleranceClass : read.error.code;
    };
    expect(['M6x1-6g', 'M10 × 1.5 – 4h6h', '7/16-20 UNF-2A', '#10-32 UNF-3B-LH', 'M8'].map(classOf)).toEqual([
      '6g',
      '4h6h',
      '2A',
      '3B',
      undefined,
    ]);
    expect(parseThread('1/4-20 UNF')).toMatchObject({ error: { series: 'UNF', printed: '20', listed: '28' } });
  });
  it('a left-hand thread is another thread, and is read back as one', () => {
    const left = leftHanded(metricThread(12, 1.75));
    expect(left.designation).not.toBe(metricThread(12, 1.75).designation);
    expect(parseThread(left.designation)).toEqual({ ok: true, value: { thread: left, lengthMm: undefined } });
  });
  it('reads back every designation it writes', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(3, 4, 5, 6, 8, 10, 12, 14, 16, 20, 24, 30, 36),
        fc.constantFrom(0.5, 1, 1.25, 1.5, 2, 3),
        (d, p) => {
          const thread = metricThread(d, p);
          expect(parseThread(thread.designation)).toEqual({ ok: true, value: { thread, lengthMm: undefined } });
        },
      ),
    );
  });
});

describe('across flats', () => {
  it('of M10 differs by standard: 16 ISO, 17 older, 13 small flange, 8 key (common knowledge of the tables)', () => {
    const m10 = metricThread(10, 1.5);
    expect(acrossFlatsMm('ISO 4014/4017', m10)).toBe(16);
    expect(acrossFlatsMm('DIN 931/933', m10)).toBe(17);
    expect(acrossFlatsMm('ISO 4162', m10)).toBe(13);
    expect(acrossFlatsMm('ISO 4762', m10)).toBe(8);
  });
  it('of 3/8 in is 9/16 in, and an unlisted size is not guessed', () => {
    expect(acrossFlatsMm('ASME B18.2.1', unifiedThread(3 / 8, 16))).toBeCloseTo(14.2875, 6);
    expect(acrossFlatsMm('ISO 4162', metricThread(30, 3.5))).toBeUndefined();
    expect(acrossFlatsMm('ISO 4032', unifiedThread(3 / 8, 16))).toBeUndefined();
  });
});
