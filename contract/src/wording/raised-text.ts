import type { Raised } from '#core/visit/raised-aftercare.ts';

/** What is to be come back for though no sheet says so. */
export const RAISED_TEXT: Record<Raised, string> = {
  alignment: 'Wheel alignment, before long drives: parts that carry the geometry were moved. No sheet says so.',
  lampAim: 'Headlamp aim and driver-assist sensors: the ride height moved. No sheet says so.',
  wheels: 'Wheel nuts again, on the ground: the wheels were off. No sheet says so.',
};
