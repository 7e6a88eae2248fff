import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { specFromPrinted } from '../kit/spec-from-printed.ts';
import { COMPARISON_SLACK, judgePull } from './judge-pull.ts';
import {
  acceptBand,
  asksOf,
  canBeVerified,
  isByHand,
  isPulled,
  KINDS,
  peakTorqueNm,
  type SpecKind,
  spendsThePiece,
  stretches,
  type TighteningSpec,
} from './kinds.ts';

const ALL = Object.keys(KINDS) as SpecKind[];
const example = (kind: SpecKind): TighteningSpec => KINDS[kind].example.spec;

describe('every kind', () => {
  it.each(ALL)('%s starts from an example of its own kind, whose figures are within what it allows', (kind) => {
    const spec = example(kind);
    expect(spec.kind).toBe(kind);
    const values = spec as unknown as Record<string, number>;
    for (const { key, min, max } of KINDS[kind].figures) {
      expect(values[key]).toBeGreaterThanOrEqual(min);
      expect(values[key]).toBeLessThanOrEqual(max);
    }
  });
  it.each(ALL)('%s is pulled with a wrench, or done by hand, or done when it is snug', (kind) => {
    const spec = example(kind);
    if (isPulled(spec)) {
      expect(isByHand(spec)).toBe(false);
      expect(peakTorqueNm(spec)).toBeGreaterThan(0);
    } else {
      expect(peakTorqueNm(spec)).toBeUndefined();
      expect(canBeVerified(spec)).toBe(false);
      expect(asksOf(spec)).toEqual([]);
    }
  });
  it.each(ALL)('%s: its band holds its target and stays under what may never be passed', (kind) => {
    const band = acceptBand(example(kind));
    if (!band) return;
    expect(band.minNm).toBeGreaterThan(0);
    expect(band.minNm).toBeLessThanOrEqual(band.targetNm);
    expect(band.targetNm).toBeLessThanOrEqual(band.maxNm);
    if (band.absoluteMaximumNm !== undefined) expect(band.maxNm).toBeLessThanOrEqual(band.absoluteMaximumNm);
    if (band.peakNm !== undefined) expect(band.peakNm).toBeGreaterThanOrEqual(band.targetNm);
  });
  it.each(ALL.filter((kind) => KINDS[kind].written))('%s is read from its own printed words', (kind) => {
    const { spec, printed } = KINDS[kind].example;
    expect(specFromPrinted(printed)).toEqual({ ok: true, value: spec });
  });
  it('only what may be pulled again is verified, and only what is drawn on is spent', () => {
    expect(ALL.filter((kind) => canBeVerified(example(kind)))).toEqual(['torque', 'range', 'targetWithMaximum']);
    expect(ALL.filter((kind) => stretches(example(kind)))).toEqual(['torqueAngle', 'yieldControlled']);
    expect(ALL.filter((kind) => spendsThePiece(example(kind)))).toEqual(['yieldControlled']);
  });
});

describe('until it yields', () => {
  const spec: TighteningSpec = { kind: 'yieldControlled', thresholdNm: 45, maximumNm: 165 };
  const band = acceptBand(spec);
  if (!band) throw new Error('no band');
  it.each([
    ['the gradient has fallen to half', { torqueNm: 150, gradientShare: 0.5 }, 'accepted'],
    ['it has fallen further', { torqueNm: 150, gradientShare: 0.2 }, 'accepted'],
    ['it still rises', { torqueNm: 150, gradientShare: 0.8 }, 'under'],
    ['nobody knows the gradient', { torqueNm: 150 }, 'under'],
    ['the threshold was not reached', { torqueNm: 40, gradientShare: 0.3 }, 'under'],
    ['it went past the maximum', { torqueNm: 166, gradientShare: 0.3 }, 'overMaximum'],
  ])('%s: %j is %s', (_, reading, verdict) => expect(judgePull(band, reading)).toBe(verdict));
  it('wants a wrench that reaches its maximum', () => expect(peakTorqueNm(spec)).toBe(165));
  it.each([
    ['40 N·m, then to yield, never over 110 N·m', { kind: 'yieldControlled', thresholdNm: 40, maximumNm: 110 }],
    [
      '45 Nm then until it yields (half gradient), not over 165 Nm',
      { kind: 'yieldControlled', thresholdNm: 45, maximumNm: 165 },
    ],
    ['60 N·m, yield-controlled, max 150', { kind: 'yieldControlled', thresholdNm: 60, maximumNm: 150 }],
  ])('is read from %s', (printed, value) => expect(specFromPrinted(printed)).toEqual({ ok: true, value }));
  it.each(['to yield (to half of the steepest gradient, not over 165 Nm)', '60 Nm then to yield'])(
    'half of what it takes is no figure: %s',
    (printed) =>
      expect(specFromPrinted(printed)).toMatchObject({ ok: true, value: { kind: 'missing', why: 'notGiven' } }),
  );
});

describe('the one verdict', () => {
  const band = acceptBand({ kind: 'torque', targetNm: 100 });
  if (!band) throw new Error('no band');
  it('a click without movement proves nothing, in a tightening pass', () => {
    const still = { torqueNm: 100, movementDeg: 0.4 };
    expect(judgePull(band, still, { verifying: false })).toBe('noMovement');
    expect(judgePull(band, still, { verifying: true })).toBe('accepted');
    // Of a wrench that cannot speak the person says it; where nobody says anything, the click is believed.
    expect(judgePull(band, { torqueNm: 100 }, { verifying: false })).toBe('accepted');
  });
  it('out of its band is said before it is said not to have moved', () => {
    const over = { torqueNm: 120, movementDeg: 0 };
    expect(judgePull(band, over, { verifying: false })).toBe('over');
  });
  it('a reading a hair over the limit is over it: what is shown is rounded, what is judged is not (property)', () => {
    fc.assert(
      fc.property(fc.double({ min: 2 * COMPARISON_SLACK, max: 0.049, noNaN: true }), (hair) => {
        expect(judgePull(band, { torqueNm: band.maxNm + hair })).toBe('over');
        expect(judgePull(band, { torqueNm: band.minNm - hair })).toBe('under');
      }),
    );
  });
});
