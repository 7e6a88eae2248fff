import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { doublingFault, extensionTwistDeg, settingWithAdapterNm, torqueWithAdapterNm } from './adapter.ts';
import { calibrationDue, calibrationResult, deviation, permissibleDeviation, pointResult } from './calibration.ts';
import { checksUntilOut, controlChart } from './control-chart.ts';
import { scaleSetting } from './scale-setting.ts';

const number = (result: ReturnType<typeof settingWithAdapterNm>) => {
  if (!result.ok) throw new Error(JSON.stringify(result.error));
  return result.value;
};

describe('crow-foot: S = T · L / (L + E cos a) (lever equilibrium)', () => {
  it.each([
    [100, 400, 50, 0, 88.889],
    [100, 400, 50, 90, 100],
    [100, 400, 50, 180, 114.286],
    [100, 400, 50, 45, 91.879],
  ])('%d N·m, L %d, E %d, %d°: %d', (torque, wrenchLengthMm, offsetMm, angleDeg, setting) =>
    expect(number(settingWithAdapterNm(torque, { wrenchLengthMm, offsetMm, angleDeg }))).toBeCloseTo(setting, 3),
  );
  const adapter = fc.record({
    wrenchLengthMm: fc.double({ min: 150, max: 1000, noNaN: true }),
    offsetMm: fc.double({ min: 0, max: 100, noNaN: true }),
    angleDeg: fc.double({ min: -180, max: 180, noNaN: true }),
  });
  it('square to the wrench leaves the setting alone, and there and back is the same (property)', () => {
    fc.assert(
      fc.property(adapter, fc.double({ min: 1, max: 500, noNaN: true }), (a, torque) => {
        expect(number(settingWithAdapterNm(torque, { ...a, angleDeg: 90 }))).toBe(torque);
        expect(number(torqueWithAdapterNm(number(settingWithAdapterNm(torque, a)), a))).toBeCloseTo(torque, 9);
      }),
    );
  });
  it('has no setting when the adapter folds back as far as the wrench reaches', () =>
    expect(settingWithAdapterNm(50, { wrenchLengthMm: 200, offsetMm: 195, angleDeg: 180 }).ok).toBe(false));
  it('refuses two wrenches in line', () => {
    expect(doublingFault({ secondWrench: true })).toEqual({ code: 'doubledWrench' });
    expect(doublingFault({})).toBeUndefined();
  });
});

describe('twist of an extension: θ = T l / (G J)', () => {
  it('a 250 mm bar of 12 mm gives about 8.8° at 100 N·m', () => {
    // By hand: J = π · 12⁴/32 = 2035.8 mm⁴; 100 000 · 250 / (80 000 · 2035.8) = 0.1535 rad.
    const twist = extensionTwistDeg(100, 250, 12);
    expect(twist.ok && twist.value).toBeCloseTo(8.795, 2);
  });
});

describe('scale setting', () => {
  it('takes the nearest mark inside the band, or none', () => {
    expect(scaleSetting(47.4, 1, { minNm: 45, maxNm: 50 })).toEqual({
      settingNm: 47,
      roundingNm: expect.closeTo(-0.4, 9),
    });
    expect(scaleSetting(3.4, 1, { minNm: 3.3, maxNm: 3.5 })).toBeUndefined();
    expect(scaleSetting(3.6, 1, { minNm: 2.9, maxNm: 3.7 })?.settingNm).toBe(3);
  });
});

describe('deviation and limits, ISO 6789-1:2017', () => {
  it('is (set − reference) / reference', () =>
    expect(deviation({ setNm: 100, referenceNm: 98 })).toBeCloseTo(2 / 98, 12));
  it.each([
    [5, 0.06],
    [10, 0.06],
    [10.1, 0.04],
    [200, 0.04],
  ])('a %d N·m tool may deviate %d', (max, limit) => expect(permissibleDeviation(max)).toBe(limit));
  it('one reading of five outside fails the point', () => {
    const readings = [100, 101, 99, 100, 95.9].map((referenceNm) => ({ setNm: 100, referenceNm }));
    expect(pointResult(0.6, readings, 0.04).within).toBe(false);
    expect(pointResult(0.6, readings.slice(0, 4), 0.04).within).toBe(true);
  });
  it('a calibration wants five pulls at each of 20, 60 and 100 %', () => {
    const points = [0.2, 0.6, 1].map((share) => ({
      share,
      readings: Array.from({ length: 5 }, (_, i) => ({
        setNm: 200 * share,
        referenceNm: 200 * share * (1 + (i - 2) / 200),
      })),
    }));
    expect(calibrationResult({ fullScaleNm: 200 }, points)).toMatchObject({ complete: true, within: true });
    expect(calibrationResult({ fullScaleNm: 200 }, points.slice(0, 2))).toMatchObject({
      complete: false,
      missing: [1],
      within: false,
    });
  });
  it('nothing above full scale is within, whatever it read', () =>
    expect(pointResult(1.1, [{ setNm: 220, referenceNm: 220 }], 0.04).within).toBe(false));
  it('is due by date or by 5 000 pulls, whichever comes first', () => {
    const wrench = { calibrationDueOn: '2027-01-10' };
    expect(calibrationDue({ ...wrench, pullsSinceCalibration: 4999 }, '2026-11-25')).toMatchObject({
      due: false,
      pullsLeft: 1,
    });
    expect(calibrationDue({ ...wrench, pullsSinceCalibration: 5000 }, '2026-11-25')).toMatchObject({
      due: true,
      because: 'pulls',
    });
    expect(calibrationDue(wrench, '2027-01-10')).toMatchObject({ due: true, because: 'date' });
  });
});

describe('control chart of individuals', () => {
  it('gives the limits of the NIST e-Handbook example (6.3.2.2: flow rates, mean 50.81, limits 55.8041 and 45.8159)', () => {
    const flow = [49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1];
    const chart = controlChart(flow);
    expect(chart.centre).toBeCloseTo(50.81, 2);
    expect(chart.upper).toBeCloseTo(55.8041, 1);
    expect(chart.lower).toBeCloseTo(45.8159, 1);
    expect(chart.signals).toEqual([]);
  });
  it('sees a jump and a steady drift', () => {
    const steady = [0.5, -0.4, 0.1, 0.6, -0.5, 0.2, -0.1, 0.3];
    expect(controlChart([...steady, 4]).signals).toContainEqual({ index: 8, signal: 'beyondLimits' });
    expect(controlChart([0, 0.1, 0.2, 0.3, 0.4, 0.5]).signals).toContainEqual({ index: 5, signal: 'sixTrending' });
  });
  it('foretells when a drift leaves the limits', () => {
    expect(checksUntilOut([0, 0.005, 0.01, 0.015, 0.02, 0.025], 0.04)).toBe(3);
    expect(checksUntilOut([0.01, 0.01, 0.01, 0.01, 0.01, 0.01], 0.04)).toBeUndefined();
  });
});
