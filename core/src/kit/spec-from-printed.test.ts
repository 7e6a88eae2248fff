import { describe, expect, it } from '@jest/globals';
import { specFromPrinted } from './spec-from-printed.ts';

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
});
