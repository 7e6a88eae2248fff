import { around } from '../band.ts';
import { kind } from './tightening-kind.ts';

/** A single value. */
export interface TorqueSpec {
  kind: 'torque';
  targetNm: number;
  toleranceFraction?: number;
}

export const torque = kind<TorqueSpec>({
  band: (spec, fraction) => around(spec.targetNm * fraction, spec.toleranceFraction),
  byHand: false,
  verifiable: true,
  stretches: false,
  asks: [],
  written: true,
  example: { spec: { kind: 'torque', targetNm: 20 }, printed: '20 N·m' },
  figures: [],
});
