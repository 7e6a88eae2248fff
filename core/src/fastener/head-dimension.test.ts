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

describe('tables from memory, by a second route', () => {
  it('a small hexagon’s bearing face is its least width less a step: dw = s min − 0.75, 0.9 or 1.1 (ISO 4014, ISO 4759-1 h13/h14)', () => {
    // Least widths: s − 0.18 to 5.5, − 0.22 to 10, − 0.27 to 18.
    for (const size of [2, 2.5, 3, 3.5, 4, 5, 6, 8, 10, 12]) {
      const head = headDimension('ISO 4014/4017', metricThread(size, 1));
      const s = head?.acrossFlatsMm ?? 0;
      const least = s - (s <= 6 ? 0.18 : s <= 10 ? 0.22 : 0.27);
      const step = s <= 6 ? 0.75 : s <= 10 ? 0.9 : 1.1;
      expect(Math.abs((head?.bearingMm ?? 0) - (least - step))).toBeLessThanOrEqual(0.011);
    }
  });
  it('a style 1 nut is 0.8 to 0.95 of its diameter high from M5 on (ISO 898-2:2012, style 1: m ≥ 0.80 D)', () => {
    for (const { nominalMm, head } of listedHeads('ISO 4032').filter((size) => size.nominalMm >= 5)) {
      expect([nominalMm, head.heightMm / nominalMm >= 0.8]).toEqual([nominalMm, true]);
      expect(head.heightMm / nominalMm).toBeLessThan(0.95);
    }
  });
  it('a socket cap screw’s head is as high as the bolt is thick (ISO 4762: k = d)', () => {
    for (const { nominalMm, head } of listedHeads('ISO 4762')) expect(head.heightMm).toBe(nominalMm);
  });
  it('a washer’s hole is the fine clearance hole of its bolt (ISO 7089 and ISO 273), M39 alone excepted', () => {
    for (const size of [2, 2.5, 3, 3.5, 4, 5, 6, 8, 10, 12, 14, 16, 18, 20, 22, 24, 27, 30, 33, 36])
      expect([size, washerDimension('ISO 7089', metricThread(size, 1))?.insideMm]).toEqual([
        size,
        clearanceHoleMm(metricThread(size, 1), 'fine'),
      ]);
  });
  it('clearance holes widen from fine to coarse and with the bolt, in both systems', () => {
    for (const system of ['metric', 'unified'] as const) {
      const sizes = listedHeads(system === 'metric' ? 'ISO 4032' : 'ASME B18.2.2').filter(
        (size) => size.system === system,
      );
      let before = 0;
      for (const { nominalMm } of sizes) {
        const [fine, medium, coarse] = (['fine', 'medium', 'coarse'] as const).map(
          (fit) => clearanceHoleMm({ system, nominalMm }, fit) ?? Number.NaN,
        );
        expect([
          nominalMm,
          nominalMm < (fine ?? 0) && (fine ?? 0) < (medium ?? 0) && (medium ?? 0) < (coarse ?? 0),
        ]).toEqual([nominalMm, true]);
        expect(medium).toBeGreaterThan(before);
        before = medium ?? 0;
      }
    }
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
