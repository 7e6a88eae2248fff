import { kind } from './tightening-kind.ts';

/** Until the flanges or the stop touch; no figure. */
export interface ContactSpec {
  kind: 'contact';
  stop: string;
}

export const contact = kind<ContactSpec>({
  band: () => undefined,
  byHand: true,
  verifiable: false,
  stretches: false,
  asks: [],
  written: false,
  example: { spec: { kind: 'contact', stop: 'the flanges touch' }, printed: 'until the flanges touch' },
  figures: [],
});
