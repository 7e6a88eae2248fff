import { kind } from './tightening-kind.ts';

/** Parts in firm contact, not more; no figure. */
export interface SnugSpec {
  kind: 'snug';
}

export const snug = kind<SnugSpec>({
  band: () => undefined,
  byHand: false,
  verifiable: false,
  stretches: false,
  asks: [],
  written: false,
  example: { spec: { kind: 'snug' }, printed: 'snug' },
  figures: [],
});
