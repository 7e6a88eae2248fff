import { describe, expect, it } from '@jest/globals';
import { clearanceHoleMm } from './clearance-hole.ts';
import { HEAD_STANDARDS, headDimension, listedHeads, usualHead } from './head-dimension.ts';
import { metricThread, unifiedThread } from './thread.ts';
import { washerDimension } from './washer.ts';

const mm = (inch: number) => inch * 25.4;

describe('bearing face of hexagon heads: dw min = 0.95 · s min of grade A (ISO 4014; s min by ISO 4759-1)', () => {
  it.each([
    [14, 20.67],
    [16, 23.67],
    [18, 26.67],
    [20, 29.67],
    [22, 33.38],
    [24, 35.38],
  ])('M%d', (size, sMin) => {
    const head = headDimension('ISO 4014/4017', metricThread(size, 1.5));
    expect(head?.bearingMm).toBeCloseTo(0.95 * sMin, 1.9);
  });
});

describe('heads, holes and washers belong together', () => {
  it.each(HEAD_STANDARDS)('%s covers its clearance hole', (standard) => {
    expect(listedHeads(standard).length).toBeGreaterThan(0);
    for (const { system, nominalMm, head } of listedHeads(standard)) {
      const hole = clearanceHoleMm({ system, nominalMm }, 'fine');
      if (hole !== undefined) expect([standard, nominalMm, head.bearingMm > hole]).toEqual([standard, nominalMm, true]);
      if (head.grip === 'outside') expect(head.acrossFlatsMm).toBeGreaterThan(nominalMm);
      else expect(head.acrossFlatsMm).toBeLessThan(nominalMm);
    }
  });
  it('keeps the older widths apart from the present ones (M10: 17, 16, 15, 14, 13)', () => {
    const m10 = metricThread(10, 1.5);
    const widths = (['DIN 931/933', 'ISO 4014/4017', 'DIN 6923', 'JIS B 1180 small', 'ISO 4162'] as const).map(
      (standard) => headDimension(standard, m10)?.acrossFlatsMm,
    );
    expect(widths).toEqual([17, 16, 15, 14, 13]);
  });
  it('knows that a 7/16 in nut is wider than its bolt head (ASME B18.2.1, B18.2.2)', () => {
    const thread = unifiedThread(7 / 16, 14);
    expect(headDimension('ASME B18.2.1', thread)?.acrossFlatsMm).toBeCloseTo(mm(5 / 8), 6);
    expect(headDimension('ASME B18.2.2', thread)?.acrossFlatsMm).toBeCloseTo(mm(11 / 16), 6);
  });
  it.each([
    [8, 'fine', 8.4],
    [8, 'medium', 9],
    [8, 'coarse', 10],
    [10, 'medium', 11],
    [12, 'medium', 13.5],
    [36, 'medium', 39],
  ] as const)('M%d %s hole is %d mm (ISO 273)', (size, fit, hole) =>
    expect(clearanceHoleMm(metricThread(size, 1), fit)).toBe(hole),
  );
  it('M7 has its hexagon in the older standard alone, a number size its socket cap screw', () => {
    expect(usualHead(metricThread(7, 1))).toBe('DIN 931/933');
    expect(headDimension('DIN 931/933', metricThread(7, 1))?.acrossFlatsMm).toBe(11);
    expect(usualHead(unifiedThread(0.086, 56, '#2'))).toBe('ASME B18.3');
    expect(usualHead(metricThread(10, 1.5))).toBe('ISO 4014/4017');
  });
  it('the older flange nut is 13 at M8 and 15 at M10 (DIN 6923)', () =>
    expect([8, 10].map((d) => headDimension('DIN 6923', metricThread(d, 1))?.acrossFlatsMm)).toEqual([13, 15]));
  it('gives washers by series (ISO 7089, ISO 7093-1, USS and SAE)', () => {
    expect(washerDimension('ISO 7089', metricThread(10, 1.5))).toEqual({
      insideMm: 10.5,
      outsideMm: 20,
      thicknessMm: 2,
    });
    expect(washerDimension('ISO 7093', metricThread(10, 1.5))?.outsideMm).toBe(30);
    expect(washerDimension('USS', unifiedThread(3 / 8, 16))?.outsideMm).toBeCloseTo(25.4, 3);
    expect(washerDimension('SAE', unifiedThread(3 / 8, 16))?.outsideMm).toBeCloseTo(mm(0.812), 3);
    expect(washerDimension('SAE', metricThread(10, 1.5))).toBeUndefined();
  });
});
