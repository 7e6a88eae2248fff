import { type DailyDistance, daysUntil, type OdometerReading } from './daily-distance.ts';

const DAY_MS = 86_400_000;

/** When something is due, as the record says it. */
export interface DueWhen {
  /** The reading of the odometer at which it is due, km. */
  atKm?: number;
  /** The instant it is due. */
  atMs?: number;
}

/** When that is likely to be. */
export interface ExpectedDue {
  expectedMs: number;
  /** Four of five fall between these. Both the expected one where a date is given. */
  earliestMs: number;
  latestMs: number;
  by: 'distance' | 'date';
}

/**
 * When something is due: by its date, by the distance the vehicle is likely to have gone, or by what comes first of both.
 * Undefined where it comes with an event, or the odometer was never read.
 *
 * @param last - the odometer as it was read last
 */
export function expectedDue(
  { atKm, atMs }: DueWhen,
  last: OdometerReading | undefined,
  rate: DailyDistance,
): ExpectedDue | undefined {
  const byDate: ExpectedDue | undefined =
    atMs === undefined ? undefined : { expectedMs: atMs, earliestMs: atMs, latestMs: atMs, by: 'date' };
  if (atKm === undefined || !last) return byDate;
  const { expected, earliest, latest } = daysUntil(atKm - last.km, rate);
  const byDistance: ExpectedDue = {
    expectedMs: last.atMs + expected * DAY_MS,
    earliestMs: last.atMs + earliest * DAY_MS,
    latestMs: last.atMs + latest * DAY_MS,
    by: 'distance',
  };
  if (!byDate) return byDistance;
  // Whichever comes first: no later than the date in any case.
  return byDate.expectedMs <= byDistance.expectedMs
    ? { ...byDate, earliestMs: Math.min(byDate.expectedMs, byDistance.earliestMs) }
    : { ...byDistance, latestMs: Math.min(byDistance.latestMs, byDate.expectedMs) };
}

export type DueState = 'overdue' | 'today' | 'week' | 'later' | 'event';

/**
 * Where a due item stands on the list.
 *
 * @param dayStartMs - midnight of today in the shop's time zone
 */
export function dueState(expected: ExpectedDue | undefined, dayStartMs: number): DueState {
  if (!expected) return 'event';
  const days = (expected.expectedMs - dayStartMs) / DAY_MS;
  return days < 0 ? 'overdue' : days < 1 ? 'today' : days < 7 ? 'week' : 'later';
}
