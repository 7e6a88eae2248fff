import type { Baseline } from './kit-preparation.ts';

/** Unit each quantity is measured in. */
export const QUANTITY_UNIT: Record<Baseline['quantity'], 'mm' | '°'> = {
  rideHeight: 'mm',
  camber: '°',
  caster: '°',
  toe: 'mm',
  length: 'mm',
  gap: 'mm',
  play: 'mm',
};
