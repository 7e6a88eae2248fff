import { kind } from './tightening-kind.ts';

/**
 * There is no figure: the sheet gives none, says `by feel`, or sends to another sheet; or which one it is hangs on what is
 * found or chosen on the way. Never filled in by guessing.
 */
export interface MissingSpec {
  kind: 'missing';
  why: 'notGiven' | 'byFeel' | 'otherSheet' | 'later';
  note?: string;
  /** The other sheet, where it is another kit's: its id, and the place whose figure it is; left out, this joint's own. */
  see?: { kit: string; place?: string };
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
