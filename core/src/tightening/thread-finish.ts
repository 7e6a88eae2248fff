import type { Friction } from './tightening-torque.ts';

/** What is on the thread and under the head when it is tightened. */
export type ThreadFinish =
  | 'dry'
  | 'oiled'
  | 'antiSeize'
  | 'lockerMedium'
  | 'lockerHigh'
  | 'zincPlated'
  | 'zincFlake'
  | 'stainlessDry'
  | 'stainlessAntiSeize'
  | 'waxed';

export interface FinishFriction {
  finish: ThreadFinish;
  label: string;
  low: number;
  usual: number;
  high: number;
  /** Friction class of VDI 2230 it lies in. */
  frictionClass: 'A' | 'B' | 'C' | 'D' | 'E';
}

/**
 * Coefficients of friction, thread and head alike. The ranges follow the friction classes A to E; which finish lies
 * where inside them is common practice. A product's own sheet goes before any of these.
 * @see VDI 2230-1:2015, table A5 (entered from memory)
 */
export const FINISHES: readonly FinishFriction[] = [
  { finish: 'dry', label: 'Dry, as delivered', low: 0.12, usual: 0.16, high: 0.22, frictionClass: 'C' },
  { finish: 'oiled', label: 'Oiled', low: 0.09, usual: 0.12, high: 0.16, frictionClass: 'B' },
  { finish: 'antiSeize', label: 'Anti-seize', low: 0.07, usual: 0.1, high: 0.13, frictionClass: 'B' },
  { finish: 'lockerMedium', label: 'Threadlocker, medium', low: 0.11, usual: 0.14, high: 0.18, frictionClass: 'C' },
  { finish: 'lockerHigh', label: 'Threadlocker, high strength', low: 0.12, usual: 0.15, high: 0.2, frictionClass: 'C' },
  { finish: 'zincPlated', label: 'Zinc plated, dry', low: 0.14, usual: 0.18, high: 0.24, frictionClass: 'C' },
  { finish: 'zincFlake', label: 'Zinc flake with lubricant', low: 0.09, usual: 0.12, high: 0.15, frictionClass: 'B' },
  { finish: 'stainlessDry', label: 'Stainless, dry', low: 0.2, usual: 0.28, high: 0.35, frictionClass: 'D' },
  {
    finish: 'stainlessAntiSeize',
    label: 'Stainless, anti-seize',
    low: 0.1,
    usual: 0.13,
    high: 0.17,
    frictionClass: 'B',
  },
  { finish: 'waxed', label: 'Waxed', low: 0.06, usual: 0.08, high: 0.1, frictionClass: 'A' },
];

export const finishFriction = (finish: ThreadFinish): FinishFriction =>
  FINISHES.find((entry) => entry.finish === finish) as FinishFriction;

/** What is on a thread: a finish with its range of friction, or a coefficient that somebody measured or was told. */
export type FrictionSource = ThreadFinish | number;

/** Lowest, usual and highest coefficient; one that was given is all three. */
export function frictionRange(source: FrictionSource): { low: number; usual: number; high: number } {
  if (typeof source === 'number') return { low: source, usual: source, high: source };
  const { low, usual, high } = finishFriction(source);
  return { low, usual, high };
}

/** The same coefficient in the thread and under the head. */
export const evenFriction = (mu: number): Friction => ({ thread: mu, bearing: mu });
