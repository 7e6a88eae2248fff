import type { HouseRules } from '#core/kit/house-rules.ts';

/** How a shop tells the time: its zone, and how it writes dates. */
export type ClockRules = Pick<HouseRules, 'timeZone' | 'dates'>;

/** Formatters by zone: making one costs a thousand times what using one does. */
const known = new Map<string, Intl.DateTimeFormat>();

function partsIn(atMs: number, zone: string | undefined): Record<string, string> {
  let format = known.get(zone ?? '');
  if (!format) {
    format = new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
      timeZoneName: 'short',
    });
    known.set(zone ?? '', format);
  }
  return Object.fromEntries(format.formatToParts(atMs).map(({ type, value }) => [type, value]));
}

const MONTHS = 'Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov Dec'.split(' ');

/**
 * An instant as the clock on the shop's wall showed it: `2026-11-27 09:00 CET`. On paper the zone stands beside it, since
 * paper travels.
 *
 * @param rules - of the shop; without a zone in UTC, as jobs opened before shops had one
 */
export function shopTime(atMs: number, rules: ClockRules = {}): string {
  const { timeZone = 'UTC' } = rules;
  const { timeZoneName = timeZone } = partsIn(atMs, timeZone);
  const own = { ...rules, timeZone };
  return `${shopDay(atMs, own)} ${shopClock(atMs, own)} ${timeZoneName}`;
}

/** The day of an instant in the shop: `2026-11-27`, `Nov 27, 2026`. Without a zone, by the clock of the device. */
export function shopDay(atMs: number, { timeZone, dates }: ClockRules = {}): string {
  const { year, month, day } = partsIn(atMs, timeZone);
  return dates === 'monthFirst' ? `${MONTHS[Number(month) - 1]} ${Number(day)}, ${year}` : `${year}-${month}-${day}`;
}

/** The same without its year and zone, for tables: `11-27 09:00`, `Nov 27 9:00 AM`. */
export function shopMoment(atMs: number, rules: ClockRules = {}): string {
  const own = { ...rules, timeZone: rules.timeZone ?? 'UTC' };
  const day = shopDay(atMs, own);
  return `${own.dates === 'monthFirst' ? day.replace(/, \d+$/, '') : day.slice('2026-'.length)} ${shopClock(atMs, own)}`;
}

/** The time of day of an instant in the shop: `09:00`, `9:00 AM`. Without a zone, by the clock of the device. */
export function shopClock(atMs: number, { timeZone, dates }: ClockRules = {}): string {
  const { hour, minute } = partsIn(atMs, timeZone);
  if (dates !== 'monthFirst') return `${hour}:${minute}`;
  // 0:30 is 12:30 AM, and 12:30 is 12:30 PM.
  return `${Number(hour) % 12 || 12}:${minute} ${Number(hour) < 12 ? 'AM' : 'PM'}`;
}
