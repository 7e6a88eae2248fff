import { around } from '../band.ts';
import { kind } from './tightening-kind.ts';

/**
 * Drawn down until the bolt begins to yield: from the threshold on, until the torque-over-angle gradient has fallen to
 * half of its steepest, and never beyond the maximum. Only a wrench that measures angle can tell; the piece is spent.
 */
export interface YieldControlledSpec {
  kind: 'yieldControlled';
  /** Torque from which the gradient is watched, N·m. */
  thresholdNm: number;
  /** Never to be passed, N·m: a bolt that has not yielded there is not the bolt of the sheet. */
  maximumNm: number;
}

/**
 * Share of the steepest gradient at which the bolt is taken to yield.
 * @see VDI 2230-1, yield-controlled tightening (the principle; a half is common practice, from memory)
 */
const YIELDS_AT_SHARE = 0.5;

export const yieldControlled = kind<YieldControlledSpec>({
  band: ({ thresholdNm, maximumNm }, fraction) =>
    fraction < 1
      ? { ...around(thresholdNm * fraction), absoluteMaximumNm: maximumNm }
      : {
          targetNm: thresholdNm,
          minNm: thresholdNm,
          maxNm: maximumNm,
          absoluteMaximumNm: maximumNm,
          peakNm: maximumNm,
          gradient: { maxShare: YIELDS_AT_SHARE },
        },
  peakNm: ({ maximumNm }) => maximumNm,
  byHand: false,
  verifiable: false,
  staged: true,
  stretches: true,
  spends: true,
  asks: ['gradient'],
  written: false,
  example: {
    spec: { kind: 'yieldControlled', thresholdNm: 40, maximumNm: 110 },
    printed: '40 N·m, then to yield, never over 110',
  },
  figures: [
    { key: 'thresholdNm', unit: 'N·m', min: 0, max: 1500 },
    { key: 'maximumNm', unit: 'N·m', min: 0, max: 1500 },
  ],
});
