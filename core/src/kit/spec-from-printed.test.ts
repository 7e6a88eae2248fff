import { describe, expect, it } from '@jest/globals';
import { specFromPrinted, specOfTorque } from './spec-from-printed.ts';

describe('a specification from what is printed', () => {
  it.each([
    ['46 lbf·ft', { kind: 'torque', targetNm: 62.3676 }],
    ['80-100 in-lb', { kind: 'range', minNm: 9.0388, maxNm: 11.2985 }],
    ['3 Nm, never over 4 Nm', { kind: 'targetWithMaximum', targetNm: 3, maximumNm: 4 }],
    ['40 N·m plus 90°', { kind: 'torqueAngle', thresholdNm: 40, angleDeg: 90, angleToleranceDeg: 5 }],
    ['120 ± 6 Nm', { kind: 'torque', targetNm: 120, toleranceFraction: 0.05 }],
    ['Torque to 62 Nm (46 ft-lb)', { kind: 'torque', targetNm: 62 }],
  ])('%s', (printed, spec) => expect(specFromPrinted(printed)).toEqual({ ok: true, value: spec }));
  it.each([
    ['tight', 'noTorque'],
    ['46', 'noTorque'],
    ['0 Nm', 'beyondSense'],
    ['25000 Nm', 'beyondSense'],
  ])('%s is refused: %s', (printed, code) =>
    expect(specFromPrinted(printed)).toMatchObject({ ok: false, error: { code } }),
  );
  it('gives no figure for what is left backed off: what it ends at is judged by hand', () =>
    expect(
      specOfTorque({
        min: 60,
        max: 60,
        unit: 'N·m',
        minNm: 60,
        maxNm: 60,
        stages: [{ torqueNm: 60 }, { backOffDeg: 60 }],
      }),
    ).toEqual({ kind: 'missing', why: 'notGiven', note: '60 N·m, then back off 60°: what it ends at is no torque.' }));
  it('makes a procedure of a back-off with a tightening behind it', () =>
    expect(
      specOfTorque({
        min: 35,
        max: 35,
        unit: 'N·m',
        minNm: 35,
        maxNm: 35,
        stages: [{ torqueNm: 60 }, { backOffDeg: 90 }, { torqueNm: 35 }],
      }),
    ).toEqual({
      kind: 'procedure',
      stages: [
        { do: 'tighten', torqueNm: 60 },
        { do: 'backOff', deg: 90 },
        { do: 'tighten', torqueNm: 35 },
      ],
    }));
});
