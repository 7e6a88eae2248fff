import type { CompoundKind } from './compound.ts';

/** Why nothing is taken from a bottle. */
export const BOTTLE_FAULTS = ['printed', 'opened', 'tooWarm', 'gelled', 'empty'] as const;
export type BottleFault = (typeof BOTTLE_FAULTS)[number];

/** A bottle as the one with a thread in hand needs to know it. */
export interface ShelfBottle {
  id: string;
  name: string;
  kind: CompoundKind;
  lot: string;
  /** The last day it may be used, ISO. */
  lastDay: string;
  fault?: BottleFault;
}
