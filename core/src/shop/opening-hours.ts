/** From opening to closing, minutes of the shop's day; a closing at 1440 is midnight. */
export interface OpenDay {
  fromMin: number;
  toMin: number;
}

/** When a shop is open. */
export interface OpeningHours {
  /** Seven days, Monday first (ISO 8601); null where it is closed. */
  week: ReadonlyArray<OpenDay | null>;
  /** Calendar days, `2026-12-25`, on which it is closed all the same. */
  holidays: ReadonlyArray<{ day: string; name?: string }>;
}

/** Why nobody is there at an instant. */
export type Closed =
  | { why: 'holiday'; name?: string }
  | { why: 'weekday' }
  | { why: 'early'; opensMin: number }
  | { why: 'late'; closesMin: number };

/** Place of a calendar day in the week, 0 for Monday. */
export const weekdayOf = (day: string): number => (new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7;

const holidayOn = ({ holidays }: OpeningHours, day: string) => holidays.find((holiday) => holiday.day === day);

/** From when to when a shop is open on a calendar day; null where it is closed. */
export const openOn = (hours: OpeningHours, day: string): OpenDay | null =>
  holidayOn(hours, day) ? null : (hours.week[weekdayOf(day)] ?? null);

/** Why a shop is closed at a minute of a calendar day; undefined where it is open, closing time included. */
export function closedAt(hours: OpeningHours, day: string, minute: number): Closed | undefined {
  const holiday = holidayOn(hours, day);
  if (holiday) return { why: 'holiday', ...(holiday.name === undefined ? {} : { name: holiday.name }) };
  const open = hours.week[weekdayOf(day)];
  if (!open) return { why: 'weekday' };
  if (minute < open.fromMin) return { why: 'early', opensMin: open.fromMin };
  return minute > open.toMin ? { why: 'late', closesMin: open.toMin } : undefined;
}
