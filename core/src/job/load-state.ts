/** How the vehicle stands: some joints are torqued only with the suspension loaded. */
export const LOAD_STATES = ['hanging', 'rideHeight', 'onWheels'] as const;
export type LoadState = (typeof LOAD_STATES)[number];
