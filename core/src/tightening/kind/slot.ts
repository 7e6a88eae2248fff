import { kind } from './tightening-kind.ts';

/** Castle nut: to the start torque, on to the next slot, never back, never over the ceiling. */
export interface SlotSpec {
  kind: 'slot';
  startNm: number;
  ceilingNm: number;
  slots: number;
}

export const slot = kind<SlotSpec>({
  band: ({ startNm, ceilingNm }) => ({
    targetNm: startNm,
    minNm: startNm,
    maxNm: ceilingNm,
    absoluteMaximumNm: ceilingNm,
  }),
  byHand: false,
  verifiable: false,
  stretches: false,
  asks: ['pinFits'],
});
