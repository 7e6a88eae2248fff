import { around } from '../band.ts';
import { kind } from './tightening-kind.ts';

/** The sheet prints a window: 80–100 lbf·in. */
export interface RangeSpec {
  kind: 'range';
  minNm: number;
  maxNm: number;
}

export const range = kind<RangeSpec>({
  band({ minNm, maxNm }, fraction) {
    const targetNm = ((minNm + maxNm) / 2) * fraction;
    // A stage below the final torque is no printed window; it is aimed at like any bare value.
    return fraction < 1 ? around(targetNm) : { targetNm, minNm, maxNm };
  },
  byHand: false,
  verifiable: true,
  stretches: false,
  asks: [],
  written: true,
  example: { spec: { kind: 'range', minNm: 9, maxNm: 11 }, printed: '9-11 N·m' },
  figures: [],
});
