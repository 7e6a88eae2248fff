import { kind } from './tightening-kind.ts';

/** Wheel bearing: seat while turning, back off, then the final window. */
export interface BearingSpec {
  kind: 'bearing';
  seatNm: number;
  backOffDeg: number;
  finalMinNm: number;
  finalMaxNm: number;
}

export const bearing = kind<BearingSpec>({
  band: ({ finalMinNm, finalMaxNm }) => ({
    targetNm: (finalMinNm + finalMaxNm) / 2,
    minNm: finalMinNm,
    maxNm: finalMaxNm,
  }),
  peakNm: ({ seatNm, finalMaxNm }) => Math.max(seatNm, finalMaxNm),
  byHand: false,
  verifiable: false,
  stretches: false,
  asks: ['seatedAndBackedOff'],
});
