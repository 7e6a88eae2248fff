import { around } from '../band.ts';
import { kind } from './tightening-kind.ts';

/** Recommended value with a limit never to be passed: 3 N·m, never over 4. */
export interface TargetWithMaximumSpec {
  kind: 'targetWithMaximum';
  targetNm: number;
  maximumNm: number;
  toleranceFraction?: number;
}

export const targetWithMaximum = kind<TargetWithMaximumSpec>({
  band({ targetNm, maximumNm, toleranceFraction }, fraction) {
    const band = around(targetNm * fraction, toleranceFraction);
    return { ...band, maxNm: Math.min(band.maxNm, maximumNm), absoluteMaximumNm: maximumNm };
  },
  byHand: false,
  verifiable: true,
  stretches: false,
  asks: [],
  written: true,
  example: { spec: { kind: 'targetWithMaximum', targetNm: 3, maximumNm: 4 }, printed: '3 N·m, never over 4' },
  figures: [],
});
