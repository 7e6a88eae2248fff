import { tz } from '@date-fns/tz';
import { addDays, format, parseISO, setHours, startOfDay, startOfHour } from 'date-fns';
import { useSession } from './session.ts';

const DEVICE_ZONE = new Intl.DateTimeFormat().resolvedOptions().timeZone;

/** What date-fns counts in: the shop's zone, or this device's where the shop never said. */
function inShop(): { in: ReturnType<typeof tz> } {
  const { rules } = useSession.getState().session?.shop ?? {};
  return { in: tz(rules?.timeZone ?? DEVICE_ZONE) };
}

/** An instant as the clock on the shop's wall shows it. @param pattern - as date-fns has it: `d MMM HH:mm` */
export const shopFormat = (atMs: number, pattern: string): string => format(atMs, pattern, inShop());

/** When a day of the shop begins, ms. @param days - days after the one the instant lies in */
export const shopDayStart = (atMs: number, days = 0): number =>
  startOfDay(addDays(atMs, days, inShop()), inShop()).getTime();

/** A full hour of a day of the shop, ms. */
export const shopHour = (atMs: number, hour: number): number =>
  setHours(startOfDay(atMs, inShop()), hour, inShop()).getTime();

/** The full hour an instant lies in, ms. */
export const shopHourStart = (atMs: number): number => startOfHour(atMs, inShop()).getTime();

/** An instant as a date and time field has it, by the shop's clock. */
export const toField = (atMs: number): string => shopFormat(atMs, "yyyy-MM-dd'T'HH:mm");

/** What a date and time field means by the shop's clock, ms. @returns NaN for what is no time */
export const fromField = (typed: string): number => (typed === '' ? Number.NaN : parseISO(typed, inShop()).getTime());
