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

/**
 * An instant as the clock on the shop's wall showed it: `2026-11-27 09:00 CET`. On paper the zone stands beside it, since
 * paper travels.
 *
 * @param zone - IANA name of the shop's time zone; UTC where a job was opened before shops had one
 */
export function shopTime(atMs: number, zone = 'UTC'): string {
  const { timeZoneName = zone } = partsIn(atMs, zone);
  return `${shopDay(atMs, zone)} ${shopClock(atMs, zone)} ${timeZoneName}`;
}

/** The day of an instant in the shop: `2026-11-27`. Without a zone, by the clock of the device. */
export function shopDay(atMs: number, zone?: string): string {
  const { year, month, day } = partsIn(atMs, zone);
  return `${year}-${month}-${day}`;
}

/** The time of day of an instant in the shop: `09:00`. Without a zone, by the clock of the device. */
export function shopClock(atMs: number, zone?: string): string {
  const { hour, minute } = partsIn(atMs, zone);
  return `${hour}:${minute}`;
}
