import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { metricThread } from '../fastener/thread.ts';
import { expectedRise } from './expected-rise.ts';
import { JOINTS } from './fixture/joints.ts';
import { textbookPull } from './fixture/textbook-pull.ts';
import { KEPT_READINGS, PACKED_LENGTH, packTrace, thinned, unpackTrace } from './pack-trace.ts';
import type { TraceJoint } from './pull-trace.ts';
import { binned, straightStretches } from './segment-rise.ts';
import { median, tidyTrace } from './tidy-trace.ts';
import { traceSigns } from './trace-signs.ts';

const m10 = JOINTS[0] as TraceJoint;

describe('the rise that is to be expected', () => {
  it('holds the plain spring of a textbook, A·E/l between parts four times as stiff, at any friction that is allowed', () => {
    for (const joint of JOINTS)
      for (const seed of [1, 2, 3]) {
        const signs = traceSigns(textbookPull(joint, 'good', seed), joint);
        expect(signs?.slopeNmPerDeg).toBeGreaterThan(signs?.expected.slope?.least ?? Number.POSITIVE_INFINITY);
        expect(signs?.slopeNmPerDeg).toBeLessThan(signs?.expected.slope?.most ?? 0);
      }
  });
  it('agrees with the worked curve of an M10 8.8: some 25 to 60 degrees from contact to 46 N·m (common practice, no source)', () => {
    const { slope } = expectedRise(m10);
    expect(46 / (slope?.most ?? 0)).toBeGreaterThan(12);
    expect(46 / (slope?.least ?? 1)).toBeLessThan(60);
  });
  it('sees an M10 of 8.8 yield where VDI 2230-1, table A1, has it: 40 N·m at 0.9 of yield for a friction of 0.10 (from memory)', () => {
    const least = expectedRise(m10).yieldNm?.least ?? 0;
    expect(0.9 * least).toBeGreaterThan(0.93 * 40);
    expect(0.9 * least).toBeLessThan(1.08 * 40);
  });
  it('is softer for a longer bolt and stiffer for a thicker one', () => {
    const rise = (d: number, pitch: number, gripMm: number) =>
      expectedRise({ ...m10, thread: metricThread(d, pitch), gripMm }).slope?.most ?? 0;
    expect(rise(10, 1.5, 60)).toBeLessThan(rise(10, 1.5, 30));
    expect(rise(12, 1.75, 30)).toBeGreaterThan(rise(10, 1.5, 30));
  });
  it('says nothing of stiffness or yield where grip or class is not known', () => {
    const { gripMm: _, propertyClass: __, ...bare } = m10;
    expect(expectedRise(bare)).toEqual({});
  });
});

describe('straight stretches of a curve', () => {
  const corner = [
    { angleDeg: 0, torqueNm: 0 },
    { angleDeg: 20, torqueNm: 10 },
    { angleDeg: 40, torqueNm: 50 },
    { angleDeg: 70, torqueNm: 53 },
  ];
  const curve = Array.from({ length: 141 }, (_, at) => {
    const angleDeg = at / 2;
    const end = corner.findIndex((point) => point.angleDeg >= angleDeg) || 1;
    const [a, b] = [corner[end - 1] as (typeof corner)[number], corner[end] as (typeof corner)[number]];
    const share = (angleDeg - a.angleDeg) / (b.angleDeg - a.angleDeg);
    return { angleDeg, torqueNm: a.torqueNm + share * (b.torqueNm - a.torqueNm) };
  });

  it('are found with their slopes', () => {
    const slopes = straightStretches(curve, 0.1).map(({ slopeNmPerDeg }) => slopeNmPerDeg);
    expect(slopes).toHaveLength(3);
    for (const [at, slope] of [0.5, 2, 0.1].entries()) expect(slopes[at]).toBeCloseTo(slope, 1);
  });
  it('one wild reading moves nothing', () => {
    const wild = curve.map((point, at) => (at === 60 ? { ...point, torqueNm: 400 } : point));
    const fine = wild.flatMap((point) => [
      point,
      { ...point, angleDeg: point.angleDeg + 0.1 },
      { ...point, angleDeg: point.angleDeg + 0.2 },
    ]);
    const steepest = (points: typeof curve) =>
      Math.max(
        ...straightStretches(binned(points.filter((_, at) => at !== 180)), 0.3).map(
          ({ slopeNmPerDeg }) => slopeNmPerDeg,
        ),
      );
    expect(steepest(fine)).toBeLessThan(2.6);
  });
  it('of one point or none are none', () => {
    expect(straightStretches([], 1)).toEqual([]);
    expect(straightStretches([{ angleDeg: 0, torqueNm: 1 }], 1)).toEqual([]);
  });
});

describe('a trace put in order', () => {
  it('loses what a ratchet does between its strokes, and the winding-up of the handle', () => {
    // Twenty degrees, let back, wound up by five degrees to the torque it had, ten more degrees.
    const stroke = (from: number, to: number, deg: number, atMs: number) =>
      Array.from({ length: 41 }, (_, at) => ({
        atMs: atMs + at * 10,
        angleDeg: deg + (at * 20) / 40,
        torqueNm: from + ((to - from) * at) / 40,
      }));
    const samples = [
      ...stroke(2, 32, 0, 0),
      ...Array.from({ length: 30 }, (_, at) => ({ atMs: 500 + at * 10, angleDeg: 20, torqueNm: 0 })),
      ...Array.from({ length: 20 }, (_, at) => ({
        atMs: 900 + at * 10,
        angleDeg: 20 + at / 4,
        torqueNm: (32 * at) / 19,
      })),
      ...stroke(32, 62, 25, 1200),
    ];
    const { points, joinsDeg } = tidyTrace(samples, { ...m10, targetNm: 60, minNm: 55, maxNm: 65 });
    expect(joinsDeg).toHaveLength(1);
    const last = points.at(-1);
    expect(last?.torqueNm).toBeCloseTo(62, 0);
    expect(last?.angleDeg).toBeGreaterThan(38);
    expect(last?.angleDeg).toBeLessThan(42);
    expect(Math.min(...points.filter(({ angleDeg }) => angleDeg > 15).map(({ torqueNm }) => torqueNm))).toBeGreaterThan(
      20,
    );
  });
  it('counts what was lost on the line', () => {
    const samples = textbookPull(m10, 'good', 5);
    expect(tidyTrace(samples, m10).dropped).toBe(0);
    expect(
      tidyTrace(
        samples.filter((_, at) => at % 4 !== 1),
        m10,
      ).dropped,
    ).toBeGreaterThan(samples.length / 5);
  });
  it('finds the middle', () => {
    expect(median([])).toBe(0);
    expect(median([3, 1, 2])).toBe(2);
    expect(median([4, 1, 2, 3])).toBe(2.5);
  });
});

describe('a packed trace', () => {
  it('comes back as it was, to a tenth of a degree and a hundredth of a newton metre', () => {
    const sample = fc.record({
      atMs: fc.integer({ min: 0, max: 400 }),
      angleDeg: fc.double({ min: -720, max: 3600, noNaN: true }),
      torqueNm: fc.double({ min: -50, max: 1500, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(sample, { maxLength: KEPT_READINGS }), (steps) => {
        let at = 0;
        const samples = steps.map((step) => {
          at += step.atMs;
          return { ...step, atMs: at };
        });
        const packed = packTrace(samples);
        expect(packed.length).toBeLessThanOrEqual(PACKED_LENGTH);
        const back = unpackTrace(packed) ?? [];
        expect(back).toHaveLength(samples.length);
        for (const [place, { atMs, angleDeg, torqueNm }] of back.entries()) {
          const was = samples[place] as (typeof samples)[number];
          expect(atMs).toBe(was.atMs - (samples[0]?.atMs ?? 0));
          expect(Math.abs(angleDeg - was.angleDeg)).toBeLessThanOrEqual(0.0501);
          expect(Math.abs(torqueNm - was.torqueNm)).toBeLessThanOrEqual(0.00501);
        }
        expect(packTrace(back)).toBe(packed);
      }),
      { numRuns: 60 },
    );
  });
  it('is bounded, and keeps most of the rise', () => {
    const many = textbookPull(m10, 'crossed', 1);
    const kept = thinned(many);
    expect(many.length).toBeGreaterThan(2 * KEPT_READINGS);
    expect(kept.length).toBeLessThanOrEqual(KEPT_READINGS);
    expect(packTrace(many).length).toBeLessThan(2000);
  });
  it.each(['not base64 !', 'A', 'AAAA', `${'A'.repeat(3 * (KEPT_READINGS + 1))}`])('%s is none', (text) =>
    expect(unpackTrace(text)).toBeUndefined(),
  );
});
