/** An odometer as somebody read it. */
export interface OdometerReading {
  atMs: number;
  km: number;
}

/** How far a vehicle goes in a day, and between which rates four of five of its stretches lie. */
export interface DailyDistance {
  kmPerDay: number;
  /**
   * How unevenly it is driven: the variance of the distance grows by this with every day, km² a day. A stretch of T days
   * strays by its square root times √T.
   */
  varianceKm2PerDay: number;
  /** Days the rate was taken from; 0 where it is the usual one. */
  overDays: number;
  from: 'history' | 'usual';
}

const DAY_MS = 86_400_000;

/** What is taken where the vehicle's own history says nothing: 40 km a day, about 14,600 a year. Common practice, no source. */
const USUAL_KM_PER_DAY = 40;
/** How far a rate may stray that nobody knows: a month of it by half. Chosen by us. */
const UNKNOWN_SHARE = 0.5;
const MONTH_DAYS = 30;
/** A stretch this short tells nothing of how far a vehicle goes: it was moved about the yard. */
const SHORTEST_DAYS = 1;

const strays = (kmPerDay: number): number => (UNKNOWN_SHARE * kmPerDay) ** 2 * MONTH_DAYS;

/**
 * How far a vehicle goes in a day, from its odometer as it was read at its visits.
 *
 * The stretches between readings are taken as increments of a walk with drift: their common rate is total distance by
 * total time (the ratio estimator), and the spread is the mean of (km − rate · days)² / days over n − 1. A reading below
 * the one before it (another instrument, a typing error) begins anew.
 *
 * @param readings - in any order
 */
export function dailyDistance(readings: readonly OdometerReading[]): DailyDistance {
  const sorted = [...readings].sort((a, b) => a.atMs - b.atMs);
  const stretches: Array<{ days: number; km: number }> = [];
  let from = sorted[0];
  for (const reading of sorted.slice(1)) {
    if (!from) break;
    const [days, km] = [(reading.atMs - from.atMs) / DAY_MS, reading.km - from.km];
    if (km < 0) {
      from = reading;
      continue;
    }
    if (days < SHORTEST_DAYS) continue;
    stretches.push({ days, km });
    from = reading;
  }
  const overDays = stretches.reduce((sum, { days }) => sum + days, 0);
  const kmPerDay = overDays > 0 ? stretches.reduce((sum, { km }) => sum + km, 0) / overDays : 0;
  // It stood all the time: no rate to go by.
  if (kmPerDay <= 0)
    return { kmPerDay: USUAL_KM_PER_DAY, varianceKm2PerDay: strays(USUAL_KM_PER_DAY), overDays: 0, from: 'usual' };
  const varianceKm2PerDay =
    stretches.length > 1
      ? stretches.reduce((sum, { days, km }) => sum + (km - kmPerDay * days) ** 2 / days, 0) / (stretches.length - 1)
      : strays(kmPerDay);
  return { kmPerDay, varianceKm2PerDay, overDays, from: 'history' };
}

/** Four of five: the share of vehicles that come to their distance inside the range that is told. */
const Z_80 = 1.2816;

/** Longest time ahead that is told, days: ten years. */
const LONGEST_DAYS = 3650;

/**
 * When a vehicle will have gone a distance: expected, and the range that holds it in four cases of five. Undone where
 * the slow end would never come there, at ten years.
 *
 * The distance after T days is normal about rate · T with variance s² · T + (s² / D) · T², the second for a rate known
 * from D days alone; the ends are the T at which it stands Z standard deviations off.
 *
 * @param km - still to go, from 0
 */
export function daysUntil(
  km: number,
  { kmPerDay, varianceKm2PerDay, overDays }: DailyDistance,
): {
  expected: number;
  earliest: number;
  latest: number;
} {
  if (km <= 0) return { expected: 0, earliest: 0, latest: 0 };
  const rateVariance = varianceKm2PerDay / Math.max(overDays, MONTH_DAYS);
  const strayed = (days: number): number => Math.sqrt(varianceKm2PerDay * days + rateVariance * days * days);
  // Both ends grow with time where they matter: found by halving.
  const reaches = (sign: 1 | -1): number => {
    const short = (days: number): boolean => kmPerDay * days + sign * Z_80 * strayed(days) < km;
    if (short(LONGEST_DAYS)) return LONGEST_DAYS;
    let [low, high] = [0, LONGEST_DAYS];
    while (high - low > 0.01) {
      const middle = (low + high) / 2;
      if (short(middle)) low = middle;
      else high = middle;
    }
    return high;
  };
  return { expected: Math.min(km / kmPerDay, LONGEST_DAYS), earliest: reaches(1), latest: reaches(-1) };
}
