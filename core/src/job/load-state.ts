import type { HeldUpBy } from '../kit/held-up-by.ts';

/** How the vehicle stands: some joints are torqued only with the suspension loaded, wheels with the tyre touching the ground. */
export const LOAD_STATES = ['hanging', 'tyreTouches', 'rideHeight', 'onWheels'] as const;
export type LoadState = (typeof LOAD_STATES)[number];

/** How a suspension stands, by what holds the vehicle up: ramps and the floor carry it on its wheels. */
export const LOAD_STATE_ON: Record<HeldUpBy, LoadState> = {
  lift: 'hanging',
  stands: 'hanging',
  ramps: 'onWheels',
  floor: 'onWheels',
};
