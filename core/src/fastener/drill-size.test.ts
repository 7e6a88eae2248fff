import { describe, expect, it } from '@jest/globals';
import { clearanceHoleMm } from './clearance-hole.ts';
import { DRILLS, drillAtLeast, nearestDrill } from './drill-size.ts';
import { standardThreads } from './standard-thread.ts';
import { overMinorMm, pilotDrill, tapDrill, threadHeightShare } from './tap-drill.ts';
import { metricThread, unifiedThread } from './thread.ts';
import { threadLimits } from './thread-tolerance.ts';

describe('tap drills, ISO 2306 (metric)', () => {
  it.each([
    [3, 0.5, 2.5],
    [4, 0.7, 3.3],
    [5, 0.8, 4.2],
    [6, 1, 5],
    [8, 1.25, 6.8],
    [8, 1, 7],
    [10, 1.5, 8.5],
    [10, 1.25, 8.8],
    [12, 1.75, 10.2],
    [12, 1.25, 10.8],
    [12, 1.5, 10.5],
    [14, 2, 12],
    [16, 2, 14],
    [20, 2.5, 17.5],
    [24, 3, 21],
    [30, 3.5, 26.5],
    [36, 4, 32],
  ])('M%d × %d: %d mm', (d, p, drill) => expect(tapDrill(metricThread(d, p)).diameterMm).toBeCloseTo(drill, 6));
});

describe('tap drills, handbook table for 75 % thread (unified)', () => {
  it.each([
    [1 / 4, 20, '#7'],
    [1 / 4, 28, '#3'],
    [5 / 16, 18, 'F'],
    [3 / 8, 16, '5/16 in'],
    [3 / 8, 24, 'Q'],
    [1 / 2, 13, '27/64 in'],
    [1, 8, '7/8 in'],
  ])('%d-%d: %s', (d, n, name) => expect(tapDrill(unifiedThread(d, n)).name).toBe(name));
  it('leaves between 53 and 85 % of thread everywhere, inside the limits of the internal thread or near', () => {
    for (const thread of standardThreads()) {
      const drill = tapDrill(thread);
      const share = threadHeightShare(thread, drill.diameterMm);
      expect([thread, share > 0.53 && share < 0.86]).toEqual([thread, true]);
      const { minMm, maxMm } = threadLimits(thread)?.internal.minor ?? { minMm: 0, maxMm: 99 };
      expect(drill.diameterMm).toBeGreaterThan(minMm - 0.06);
      expect(drill.diameterMm).toBeLessThan(maxMm + 0.06);
    }
  });
  it('is 77 % of thread for 3/8-16 with 5/16 (Machinery’s Handbook, tap drill table)', () =>
    expect(threadHeightShare(unifiedThread(3 / 8, 16), 7.9375)).toBeCloseTo(0.77, 2));
});

describe('drill series', () => {
  it('holds 96 fractions, 60 numbers and 26 letters in order', () => {
    const count = (series: string) => DRILLS.filter((drill) => drill.series === series).length;
    expect([count('fraction'), count('number'), count('letter')]).toEqual([96, 60, 26]);
    const numbers = DRILLS.filter((drill) => drill.series === 'number');
    expect(new Set(numbers.map((drill) => drill.diameterMm)).size).toBe(60);
    expect(nearestDrill(25.4 / 4, 'letter').drill.name).toBe('E');
  });
  it('finds the nearest of any series with its sign', () => {
    expect(nearestDrill(8.5, 'fraction')).toEqual({
      drill: expect.objectContaining({ name: '21/64 in' }),
      differenceMm: -0.165625,
    });
    expect(nearestDrill(8.5).drill.name).toBe('8.5 mm');
    expect(drillAtLeast(8.43, 'letter')?.name).toBe('Q');
    expect(drillAtLeast(99, 'metric')).toBeUndefined();
  });
  it('gives a pilot of about a third, never under 3 mm', () => {
    expect(pilotDrill(12, 'metric')?.diameterMm).toBe(4);
    expect(pilotDrill(5, 'metric')?.diameterMm).toBe(3);
  });
  it('gives none that is not smaller than the hole: M3, M3 × 0.35, #4-40, #6-32', () => {
    for (const thread of [
      metricThread(3, 0.5),
      metricThread(3, 0.35),
      unifiedThread(0.112, 40),
      unifiedThread(0.138, 32),
    ]) {
      const { diameterMm } = tapDrill(thread);
      expect(pilotDrill(diameterMm, thread.system === 'metric' ? 'metric' : 'fraction')).toBeUndefined();
    }
    for (let tenths = 5; tenths <= 400; tenths += 1)
      expect(pilotDrill(tenths / 10, 'metric')?.diameterMm ?? 0).toBeLessThan(tenths / 10);
  });
  it.each([
    // ISO 2306, from memory: halfway values go to the even tenth.
    [6, 0.75, 5.2],
    [7, 0.75, 6.2],
    [8, 0.75, 7.2],
    [10, 0.75, 9.2],
    [8, 1.25, 6.8],
    [10, 1.25, 8.8],
    [12, 1.75, 10.2],
    [12, 1.25, 10.8],
    [10, 1.5, 8.5],
  ])('the tap drill of M%d × %d is %d', (nominal, pitch, drill) =>
    expect(tapDrill(metricThread(nominal, pitch)).diameterMm).toBe(drill),
  );
  it('a #4 passes a #31, #30 and #27 hole (ASME B18.2.8, from memory)', () => {
    const holes = (['fine', 'medium', 'coarse'] as const).map((fit) => clearanceHoleMm(unifiedThread(0.112, 40), fit));
    expect(holes.map((mm) => Math.round((mm ?? 0) / 0.00254) / 10000)).toEqual([0.12, 0.1285, 0.144]);
  });
  it('says what a larger drill leaves', () => expect(overMinorMm(metricThread(10, 1.5), 8.8)).toBeCloseTo(0.424, 3));
});
