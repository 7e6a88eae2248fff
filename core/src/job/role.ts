/** What a person is in the shop. */
export const ROLES = ['fitter', 'lead', 'counter', 'apprentice'] as const;
export type Role = (typeof ROLES)[number];

/** Who did something: kept with every event. */
export interface Person {
  id: string;
  name: string;
  role: Role;
}

/** Those who work on the vehicle. An apprentice works, and answers for nothing. */
export const ON_THE_FLOOR: readonly Role[] = ['apprentice', 'fitter', 'lead'];
/** Those who answer for the work: they sign, correct and clear. */
export const ANSWERABLE: readonly Role[] = ['fitter', 'lead'];
/** A lead alone lifts a refusal. */
export const LEAD_ONLY: readonly Role[] = ['lead'];
/** Those who speak with the owner and the supplier. */
export const COUNTER_TOO: readonly Role[] = ['counter', 'fitter', 'lead'];
export const EVERYBODY: readonly Role[] = ROLES;
