import { kind } from './tightening-kind.ts';

/** The sheet gives no figure: not at all, `by feel`, or on another sheet. Never filled in by guessing. */
export interface MissingSpec {
  kind: 'missing';
  why: 'notGiven' | 'byFeel' | 'otherSheet';
  note?: string;
}

export const missing = kind<MissingSpec>({
  band: () => undefined,
  byHand: true,
  verifiable: false,
  stretches: false,
  asks: [],
  written: false,
  example: { spec: { kind: 'missing', why: 'notGiven' }, printed: 'not given' },
  figures: [],
});
