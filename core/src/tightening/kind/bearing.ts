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
  written: false,
  example: {
    spec: { kind: 'bearing', seatNm: 68, backOffDeg: 90, finalMinNm: 2, finalMaxNm: 4 },
    printed: '68 N·m turning, back off 90°, 2-4 N·m',
  },
  figures: [
    { key: 'seatNm', unit: 'N·m', min: 0, max: 1500 },
    { key: 'backOffDeg', unit: '°', min: 0, max: 720 },
    { key: 'finalMinNm', unit: 'N·m', min: 0, max: 1500 },
    { key: 'finalMaxNm', unit: 'N·m', min: 0, max: 1500 },
  ],
});
