import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { toBase } from '../quantity/unit.ts';
import { judgePull } from './judge-pull.ts';
import type { TighteningSpec } from './kinds.ts';
import { acceptBand, peakTorqueNm } from './kinds.ts';
import { loadImbalance, type Point } from './load-imbalance.ts';
import { passPlan } from './pass-plan.ts';
import { mostEvenPattern, type Pattern, tighteningOrder } from './pattern.ts';
import { unitSlip } from './unit-slip.ts';

const circle = (n: number, radiusMm = 100): Point[] =>
  Array.from({ length: n }, (_, i) => ({
    xMm: radiusMm * Math.cos((2 * Math.PI * i) / n),
    yMm: radiusMm * Math.sin((2 * Math.PI * i) / n),
  }));
const itself = (point: Point) => point;
const PATTERNS: Pattern[] = ['asListed', 'star', 'cross', 'middleOut', 'outsideIn', 'rowZigZag', 'circular'];

/** The order as places round the circle. */
const places = (n: number, pattern: Pattern): number[] => {
  const points = circle(n);
  return tighteningOrder(points, pattern, itself).map((point) => points.indexOf(point));
};

describe('star order', () => {
  // Common practice, no source: how four, five and six nuts of a wheel are tightened.
  it('crosses over on four, steps by two on five, takes opposite pairs on six', () => {
    expect(places(4, 'star')).toEqual([0, 2, 1, 3]);
    expect(places(5, 'star')).toEqual([0, 2, 4, 1, 3]);
    const six = places(6, 'star');
    for (const pair of [0, 2, 4]) expect(Math.abs((six[pair] ?? 0) - (six[pair + 1] ?? 0))).toBe(3);
  });
  it.each([5, 6, 7, 8, 9, 10, 11, 12, 16, 17, 20, 24])(
    'on %d bolts never pulls a neighbour of the last one inside a pair',
    (n) => {
      const order = places(n, 'star');
      expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: n }, (_, i) => i));
      order.slice(1).forEach((place, index) => {
        const gap = Math.abs(place - (order[index] ?? 0));
        expect(Math.min(gap, n - gap)).toBeGreaterThan(1);
      });
    },
  );
  it.each([4, 5, 6, 7, 8, 9, 10, 12, 15, 20, 32])('keeps the load more central than going round, on %d bolts', (n) => {
    const points = circle(n);
    const star = loadImbalance(tighteningOrder(points, 'star', itself));
    expect(star).toBeLessThan(loadImbalance(tighteningOrder(points, 'circular', itself)) - 1e-9);
    // Alternation leaves at most one bolt unanswered.
    expect(star).toBeLessThanOrEqual(1 / n + 1e-9);
  });
});

describe('load imbalance', () => {
  it('of going round a large circle nears 1/π, the moment of a half ring', () => {
    expect(loadImbalance(circle(400))).toBeCloseTo(1 / Math.PI, 3);
  });
  it('is 0 for one bolt and for bolts in one place', () => {
    expect(loadImbalance([{ xMm: 5, yMm: 5 }])).toBe(0);
    expect(
      loadImbalance([
        { xMm: 5, yMm: 5 },
        { xMm: 5, yMm: 5 },
      ]),
    ).toBe(0);
  });
});

describe('other orders', () => {
  const rect: Point[] = [
    { xMm: 0, yMm: 0 },
    { xMm: 100, yMm: 0 },
    { xMm: 200, yMm: 0 },
    { xMm: 300, yMm: 0 },
    { xMm: 0, yMm: 50 },
    { xMm: 100, yMm: 50 },
    { xMm: 200, yMm: 50 },
    { xMm: 300, yMm: 50 },
  ];
  const index = (pattern: Pattern) => tighteningOrder(rect, pattern, itself).map((point) => rect.indexOf(point));
  it('middle out does the inner four first, outside in the outer four', () => {
    expect(index('middleOut').slice(0, 4).sort()).toEqual([1, 2, 5, 6]);
    expect(index('outsideIn').slice(0, 4).sort()).toEqual([0, 3, 4, 7]);
  });
  it('middle out alternates across the centre', () => expect(index('middleOut').slice(0, 2)).toEqual([1, 6]));
  it('zig-zag goes along one row and back along the next', () =>
    expect(index('rowZigZag')).toEqual([0, 1, 2, 3, 7, 6, 5, 4]));
  it('cross on a rectangle takes the diagonals', () => {
    const four = [rect[0], rect[3], rect[4], rect[7]] as Point[];
    expect(tighteningOrder(four, 'cross', itself).map((point) => four.indexOf(point))).toEqual([0, 3, 1, 2]);
  });
  it('every pattern returns each station once, for any positions', () => {
    const anyPoint = fc.record({ xMm: fc.integer({ min: -500, max: 500 }), yMm: fc.integer({ min: -500, max: 500 }) });
    fc.assert(
      fc.property(fc.array(anyPoint, { maxLength: 40 }), fc.constantFrom(...PATTERNS), (points, pattern) => {
        const stations = points.map((at, id) => ({ at, id }));
        const order = tighteningOrder(stations, pattern, (s) => s.at);
        expect(order.map((s) => s.id).sort((a, b) => a - b)).toEqual(stations.map((s) => s.id));
      }),
    );
  });
  it('the most even pattern is no worse than any named one', () => {
    const best = loadImbalance(tighteningOrder(rect, mostEvenPattern(rect, itself), itself));
    for (const pattern of ['star', 'cross', 'middleOut', 'outsideIn', 'rowZigZag'] as const) {
      expect(best).toBeLessThanOrEqual(loadImbalance(tighteningOrder(rect, pattern, itself)) + 1e-9);
    }
  });
});

describe('passes', () => {
  it('two stages and a verify pass from four stations, straight below', () => {
    expect(passPlan(8, {})).toEqual([
      { kind: 'tighten', fraction: 0.5 },
      { kind: 'tighten', fraction: 1 },
      { kind: 'verify' },
    ]);
    expect(passPlan(2, {})).toEqual([{ kind: 'tighten', fraction: 1 }]);
  });
  it('the kit wins over the shop', () => {
    expect(passPlan(8, { stages: [1], verify: false }, { stages: [0.3, 0.7, 1] })).toEqual([
      { kind: 'tighten', fraction: 1 },
    ]);
    expect(passPlan(8, {}, { stages: [0.3, 0.7, 1], verify: false })).toHaveLength(3);
  });
});

const SPECS: Array<[TighteningSpec, number, string]> = [
  [{ kind: 'torque', targetNm: 62 }, 62, 'accepted'],
  [{ kind: 'torque', targetNm: 62 }, 58.8, 'under'],
  [{ kind: 'torque', targetNm: 62 }, 65.2, 'over'],
  [{ kind: 'range', minNm: 9, maxNm: 11.3 }, 9, 'accepted'],
  [{ kind: 'range', minNm: 9, maxNm: 11.3 }, 11.4, 'over'],
  [{ kind: 'targetWithMaximum', targetNm: 3, maximumNm: 4 }, 3.1, 'accepted'],
  [{ kind: 'targetWithMaximum', targetNm: 3, maximumNm: 4 }, 3.5, 'over'],
  [{ kind: 'targetWithMaximum', targetNm: 3, maximumNm: 4 }, 4.1, 'overMaximum'],
  [{ kind: 'slot', startNm: 47, ceilingNm: 61, slots: 6 }, 46, 'under'],
  [{ kind: 'slot', startNm: 47, ceilingNm: 61, slots: 6 }, 55, 'accepted'],
  [{ kind: 'slot', startNm: 47, ceilingNm: 61, slots: 6 }, 62, 'overMaximum'],
  [{ kind: 'bearing', seatNm: 60, backOffDeg: 90, finalMinNm: 47, finalMaxNm: 54 }, 50, 'accepted'],
];

describe('judging a pull', () => {
  it.each(SPECS)('%j at %d N·m is %s', (spec, torqueNm, verdict) => {
    const band = acceptBand(spec);
    if (!band) throw new Error('no band');
    expect(judgePull(band, { torqueNm })).toBe(verdict);
  });
  it('torque-angle wants both, and only a printed maximum bounds the rising torque', () => {
    const band = acceptBand({
      kind: 'torqueAngle',
      thresholdNm: 45,
      angleDeg: 90,
      angleToleranceDeg: 5,
      maximumNm: 140,
    });
    if (!band) throw new Error('no band');
    expect(judgePull(band, { torqueNm: 96, angleDeg: 90 })).toBe('accepted');
    expect(judgePull(band, { torqueNm: 96 })).toBe('under');
    expect(judgePull(band, { torqueNm: 96, angleDeg: 70 })).toBe('under');
    expect(judgePull(band, { torqueNm: 96, angleDeg: 99 })).toBe('over');
    expect(judgePull(band, { torqueNm: 150, angleDeg: 90 })).toBe('overMaximum');
  });
  it('a reading of exactly the printed end of a range is inside it', () => {
    const band = acceptBand({ kind: 'range', minNm: 9.038786, maxNm: 11.298482 });
    if (!band) throw new Error('no band');
    expect(judgePull(band, { torqueNm: toBase(80, 'lbf·in') })).toBe('accepted');
    expect(judgePull(band, { torqueNm: toBase(100, 'lbf·in') })).toBe('accepted');
  });
  it('contact and snug have no figure', () => {
    expect(acceptBand({ kind: 'contact', stop: 'flanges touch' })).toBeUndefined();
    expect(acceptBand({ kind: 'snug' })).toBeUndefined();
    expect(peakTorqueNm({ kind: 'bearing', seatNm: 60, backOffDeg: 90, finalMinNm: 47, finalMaxNm: 54 })).toBe(60);
  });
  it('a half stage is aimed at half the torque', () => {
    expect(acceptBand({ kind: 'torque', targetNm: 62 }, 0.5)).toMatchObject({ targetNm: 31, minNm: 29.45 });
    expect(acceptBand({ kind: 'range', minNm: 80, maxNm: 100 }, 0.5)?.targetNm).toBe(45);
  });
  it('no pull above an absolute maximum is ever accepted', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 300, noNaN: true }),
        fc.double({ min: 1, max: 2, noNaN: true }),
        fc.double({ min: 0, max: 900, noNaN: true }),
        (target, over, torqueNm) => {
          const maximumNm = target * over;
          const band = acceptBand({ kind: 'targetWithMaximum', targetNm: target, maximumNm });
          if (!band) throw new Error('no band');
          if (torqueNm > maximumNm + 2e-3) expect(judgePull(band, { torqueNm })).toBe('overMaximum');
          else if (torqueNm <= maximumNm) expect(judgePull(band, { torqueNm })).not.toBe('overMaximum');
        },
      ),
    );
  });
});

describe('unit slips (M01)', () => {
  const band = (targetNm: number) => [targetNm * 0.95, targetNm * 1.05] as const;
  it.each([
    ['46 typed as N·m where 46 lbf·ft is wanted', 46, 'N·m', toBase(46, 'lbf·ft'), 'lbf·ft'],
    ['90 typed as lbf·ft where 90 lbf·in is wanted', 90, 'lbf·ft', toBase(90, 'lbf·in'), 'lbf·in'],
    ['62 typed as lbf·ft where 62 N·m is wanted', 62, 'lbf·ft', 62, 'N·m'],
    ['6.3 typed as N·m where 6.3 kgf·m is wanted', 6.3, 'N·m', toBase(6.3, 'kgf·m'), 'kgf·m'],
  ] as const)('%s', (_, value, unit, targetNm, meant) => {
    expect(unitSlip(value, unit, ...band(targetNm))).toEqual({ readAs: unit, meant });
  });
  it('does not blame a unit for a plain miss', () => expect(unitSlip(70, 'N·m', ...band(62))).toBeUndefined());
});
