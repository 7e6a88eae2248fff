import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { contractionMm, gapAfterMm, measuredFit, secondsUntilTouch, shrinkFit } from './shrink-fit.ts';

const fit = { diameterMm: 50, interferenceMm: 0.03, slipMm: 0.05, roomC: 20, bore: 'steel', pin: 'steel' } as const;

describe('shrink fit: ΔL = α L ΔT', () => {
  it('0.08 mm on a 50 mm steel bore wants 137 K', () => {
    const answer = shrinkFit(fit);
    expect(answer.ok && answer.value.boreC).toBeCloseTo(20 + 0.08 / (11.7e-6 * 50), 6);
    expect(answer.ok && answer.value.tooHot).toBe(false);
  });
  it('a chilled pin saves heat, and enough chill needs none', () => {
    const chilled = shrinkFit({ ...fit, pinC: -60 });
    expect(chilled.ok && chilled.value.pinShrinksMm).toBeCloseTo(contractionMm('steel', 50, 20, -60), 9);
    const cold = shrinkFit({ ...fit, slipMm: 0.01, pinC: -196 });
    expect(cold.ok && cold.value.boreC).toBe(20);
  });
  it('steel in liquid nitrogen shrinks by about 0.2 %, less than its figure at room temperature promises', () => {
    // NBS Monograph 29 (1961), mean thermal expansion of iron and carbon steels, 293 K to 77 K: 0.19 to 0.20 %.
    const share = contractionMm('steel', 100, 20, -196) / 100;
    expect(share).toBeGreaterThan(0.0018);
    expect(share).toBeLessThan(0.0021);
    expect(share).toBeLessThan(11.7e-6 * 216);
  });
  it('more slip never wants less heat (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        (slip, more) => {
          const at = (slipMm: number) => {
            const answer = shrinkFit({ ...fit, slipMm });
            return answer.ok ? answer.value.boreC : Number.NaN;
          };
          expect(at(Math.min(1, slip + more))).toBeGreaterThanOrEqual(at(slip));
        },
      ),
    );
  });
  it('warns above what the metal stands', () => {
    const answer = shrinkFit({ ...fit, bore: 'aluminium', interferenceMm: 0.15 });
    expect(answer.ok && answer.value.tooHot).toBe(true);
  });
});

describe('seconds until they touch (Newton’s law of cooling)', () => {
  const underway = { ...fit, boreC: 157, wallMm: 10, transferW: 15 };
  const seconds = (over: Partial<typeof underway & { pinC: number }>) => {
    const left = secondsUntilTouch({ ...underway, ...over });
    if (!left.ok || left.value === undefined) throw new Error('it touches');
    return left.value;
  };
  it('of a warm bore alone is the exponential in closed form: τ ln(ΔT0/ΔT1)', () => {
    // 0.03 mm are left at room temperature: the bore must be 0.03/(α d) above it.
    const touchK = 0.03 / (11.7e-6 * 50);
    const tauS = (7850 * 460 * 0.005) / 15;
    expect(seconds({})).toBeCloseTo(tauS * Math.log((157 - 20) / touchK), 3);
  });
  it('of a chilled pin alone: it touches when it has lost all but the interference of its cold', () => {
    const left = seconds({ boreC: 20, pinC: -150 });
    expect(left).toBeGreaterThan(0);
    expect(gapAfterMm({ ...underway, boreC: 20, pinC: -150 }, left)).toBeCloseTo(0, 9);
    expect(seconds({ boreC: 20, pinC: -196 })).toBeGreaterThan(left);
  });
  it('a pin that warms meanwhile leaves less than the bore alone would', () => {
    const cold = { ...fit, pinC: -60 };
    const warm = shrinkFit(cold);
    if (!warm.ok) throw new Error('it can be');
    const both = seconds({ ...cold, boreC: warm.value.boreC });
    const gapped = { ...underway, interferenceMm: fit.interferenceMm - warm.value.pinShrinksMm };
    const boreAlone = secondsUntilTouch({ ...gapped, boreC: warm.value.boreC });
    expect(both).toBeLessThan(boreAlone.ok ? (boreAlone.value ?? Number.POSITIVE_INFINITY) : 0);
  });
  it('a thin part has less; with clearance at room temperature they never touch', () => {
    expect(seconds({ wallMm: 3 })).toBeLessThan(seconds({ wallMm: 10 }));
    expect(secondsUntilTouch({ ...underway, interferenceMm: -0.01 })).toEqual({ ok: true, value: undefined });
  });
});

describe('measured sizes', () => {
  it.each([
    [25, 24.9, 'loose', 'retainingCompound'],
    // The trade's "two thousandths loose": slides.
    [25, 24.949, 'loose', 'retainingCompound'],
    [25, 24.98, 'slide', 'none'],
    [25, 25.003, 'push', 'none'],
    [25, 25.02, 'press', 'press'],
    [25, 25.04, 'shrink', 'heatOrChill'],
    [25, 27, 'shrink', 'checkParts'],
  ])('bore %d, pin %d: %s, %s', (bore, pin, kind, remedy) =>
    expect(measuredFit(bore, pin)).toMatchObject({ ok: true, value: { kind, remedy } }),
  );
});
