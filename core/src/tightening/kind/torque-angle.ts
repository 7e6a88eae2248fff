import { around, DEFAULT_TOLERANCE } from '../band.ts';
import { kind } from './tightening-kind.ts';

/** Torque to the threshold, then turn by an angle: 74 lbf·ft + 90°. The bolt is used once. */
export interface TorqueAngleSpec {
  kind: 'torqueAngle';
  thresholdNm: number;
  angleDeg: number;
  angleToleranceDeg: number;
  maximumNm?: number;
}

export const torqueAngle = kind<TorqueAngleSpec>({
  band({ thresholdNm, angleDeg, angleToleranceDeg, maximumNm }, fraction) {
    if (fraction < 1) return { ...around(thresholdNm * fraction), absoluteMaximumNm: maximumNm };
    return {
      targetNm: thresholdNm,
      minNm: thresholdNm * (1 - DEFAULT_TOLERANCE),
      // The torque rises while the angle is turned; only a printed maximum bounds it.
      maxNm: maximumNm ?? Number.POSITIVE_INFINITY,
      absoluteMaximumNm: maximumNm,
      angle: {
        targetDeg: angleDeg,
        minDeg: angleDeg - angleToleranceDeg,
        maxDeg: angleDeg + angleToleranceDeg,
      },
    };
  },
  byHand: false,
  verifiable: false,
  staged: true,
  stretches: true,
  asks: ['angle'],
  written: true,
  example: {
    spec: { kind: 'torqueAngle', thresholdNm: 100, angleDeg: 90, angleToleranceDeg: 5 },
    printed: '100 N·m plus 90°',
  },
  figures: [],
});
