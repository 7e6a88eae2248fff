import type { HitchPart } from '../load/hitch-chain.ts';

/** What a kit does to the vehicle's own sheet: what it weighs, where, and what of a hitch it is. */
export interface KitLoads {
  /** Heavier than what it replaces by so much, kg; lighter below 0. */
  massKg?: number;
  /** Where its mass lies: ahead of the rear axle above 0, behind it below 0, mm. */
  aheadOfRearAxleMm?: number;
  /** Its parts of the chain to a trailer, each by its own plate. */
  hitch?: HitchPart[];
  /** What its maker allows on the ball without wheels, kg. */
  carrierKg?: number;
}
