import { tz } from '@date-fns/tz';
import { addDays, format, type Locale, parseISO, setHours, startOfDay, startOfHour } from 'date-fns';
import type { HouseRules } from '#core/kit/house-rules.ts';
import { type Closed, closedAt, type OpenDay, type OpeningHours, openOn } from '#core/shop/opening-hours.ts';
import { useSession } from './session.ts';

const DEVICE_ZONE = new Intl.DateTimeFormat().resolvedOptions().timeZone;

/** What date-fns counts in: the shop's zone, or this device's where the shop never said. */
function inShop(): { in: ReturnType<typeof tz> } {
  const { rules } = useSession.getState().session?.shop ?? {};
  return { in: tz(rules?.timeZone ?? DEVICE_ZONE) };
}

/** An instant by the shop's clock, for programs: written the same in every shop. */
const inShopAs = (atMs: number, pattern: string): string => format(atMs, pattern, inShop());

let locale: Locale | undefined;
/** Names of days and months from now on, and how the day stands before them; English where never said. */
export function writeDatesIn(of: Locale): void {
  locale = of;
}
/** `30. Nov`: a day before its month has its point where the language counts days. */
const counted = (pattern: string): string => (locale?.code === 'de' ? pattern.replace(/\bd (?=MMM)/, 'd. ') : pattern);

/** How shops that write the month or the year first write what others write day first; what is not here is alike. */
const WRITTEN: Record<NonNullable<HouseRules['dates']>, ReadonlyArray<readonly [RegExp, string]>> = {
  monthFirst: [
    [/d MMM yyyy/, 'MMM d, yyyy'],
    [/EEEE d MMMM/, 'EEEE, MMMM d'],
    [/d (MMMM?)/, '$1 d'],
    [/HH:mm(:ss)?/, 'h:mm$1 a'],
    [/^H$/, 'h a'],
  ],
  yearFirst: [
    [/d MMM yyyy/, 'yyyy-MM-dd'],
    [/d MMM(?!M)/, 'MM-dd'],
  ],
};

/** An instant as the clock on the shop's wall shows it, written as the shop writes it. @param pattern - as date-fns has it: `d MMM HH:mm` */
export function shopFormat(atMs: number, pattern: string): string {
  const { dates } = useSession.getState().session?.shop.rules ?? {};
  const own = dates ? WRITTEN[dates].reduce((text, [usual, here]) => text.replace(usual, here), pattern) : pattern;
  return format(atMs, counted(own), { ...inShop(), ...(locale ? { locale } : {}) });
}

/** When a day of the shop begins, ms. @param days - days after the one the instant lies in */
export const shopDayStart = (atMs: number, days = 0): number =>
  startOfDay(addDays(atMs, days, inShop()), inShop()).getTime();

/** A full hour of a day of the shop, ms. */
export const shopHour = (atMs: number, hour: number): number =>
  setHours(startOfDay(atMs, inShop()), hour, inShop()).getTime();

/** The full hour an instant lies in, ms. */
export const shopHourStart = (atMs: number): number => startOfHour(atMs, inShop()).getTime();

/** An instant as a date and time field has it, by the shop's clock. */
export const toField = (atMs: number): string => inShopAs(atMs, "yyyy-MM-dd'T'HH:mm");

/** What a date and time field means by the shop's clock, ms. @returns NaN for what is no time */
export const fromField = (typed: string): number => (typed === '' ? Number.NaN : parseISO(typed, inShop()).getTime());

/** When the shop is open, where it has said so. */
const hoursNow = (): OpeningHours | undefined => useSession.getState().session?.shop.rules?.hours;

/** Why nobody is at the shop at an instant; undefined where it is open, or never said when it is. */
export function closedThen(atMs: number): Closed | undefined {
  const hours = hoursNow();
  if (!hours || !Number.isFinite(atMs)) return undefined;
  const [hour, minute] = inShopAs(atMs, 'H m').split(' ').map(Number);
  return closedAt(hours, inShopAs(atMs, 'yyyy-MM-dd'), (hour ?? 0) * 60 + (minute ?? 0));
}

/** From when to when the shop is open on the day of an instant; null where it is closed, undefined where it never said. */
export function openThen(atMs: number): OpenDay | null | undefined {
  const hours = hoursNow();
  return hours && openOn(hours, inShopAs(atMs, 'yyyy-MM-dd'));
}

/** How far ahead an opening day is looked for: longer than any works holiday. */
const LOOKED_AHEAD_DAYS = 60;
/** Where a shop never said when it opens. */
const USUAL_OPENING_H = 8;

/** When the shop opens on its next day after an instant's, ms. */
export function nextOpening(atMs: number): number {
  for (let days = 1; days <= LOOKED_AHEAD_DAYS; days++) {
    const dayMs = shopDayStart(atMs, days);
    const open = openThen(dayMs);
    if (open) return shopHour(dayMs, Math.floor(open.fromMin / 60)) + (open.fromMin % 60) * 60_000;
    if (open === undefined) break;
  }
  return shopHour(shopDayStart(atMs, 1), USUAL_OPENING_H);
}
