import { around } from '../band.ts';
import { kind } from './tightening-kind.ts';

/** Castle nut: to the start torque, on to the next slot, never back, never over the ceiling. */
export interface SlotSpec {
  kind: 'slot';
  startNm: number;
  ceilingNm: number;
  slots: number;
}

export const slot = kind<SlotSpec>({
  band: ({ startNm, ceilingNm }, fraction) =>
    fraction < 1
      ? { ...around(startNm * fraction), absoluteMaximumNm: ceilingNm }
      : { targetNm: startNm, minNm: startNm, maxNm: ceilingNm, absoluteMaximumNm: ceilingNm },
  byHand: false,
  verifiable: false,
  staged: true,
  stretches: false,
  asks: ['pinFits'],
  written: false,
  example: {
    spec: { kind: 'slot', startNm: 47, ceilingNm: 61, slots: 6 },
    printed: '47 N·m, on to the next slot, never over 61',
  },
  figures: [
    { key: 'startNm', unit: 'N·m', min: 0, max: 1500 },
    { key: 'ceilingNm', unit: 'N·m', min: 0, max: 1500 },
    { key: 'slots', unit: 'slots', min: 3, max: 12 },
  ],
});
