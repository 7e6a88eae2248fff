/** Kilometres in a mile (international mile, exact). */
export const KM_PER_MILE = 1.609344;

/** More than this between two visits is asked about, km: a long year of a working vehicle (chosen by us). */
const LONG_WAY_KM = 150_000;

export type OdometerDoubt =
  /** Lower than last time. */
  | { code: 'odometerLower'; lastKm: number }
  /** Lower, and right if it was read in miles. */
  | { code: 'odometerMiles'; lastKm: number; asMilesKm: number }
  | { code: 'odometerFar'; lastKm: number; byKm: number };

/**
 * What to ask about a reading before it is kept.
 *
 * @param lastKm - reading of the last visit, km; left out at the first
 * @param km - this reading, km
 */
export function odometerDoubt(lastKm: number | undefined, km: number): OdometerDoubt | undefined {
  if (lastKm === undefined) return undefined;
  if (km < lastKm) {
    const asMilesKm = km * KM_PER_MILE;
    return asMilesKm >= lastKm && asMilesKm - lastKm < LONG_WAY_KM
      ? { code: 'odometerMiles', lastKm, asMilesKm }
      : { code: 'odometerLower', lastKm };
  }
  return km - lastKm > LONG_WAY_KM ? { code: 'odometerFar', lastKm, byKm: km - lastKm } : undefined;
}

/** A reading of the dial in km. */
export const odometerKm = (reading: number, unit: 'km' | 'mi'): number =>
  unit === 'mi' ? reading * KM_PER_MILE : reading;
