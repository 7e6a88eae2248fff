import type { Closed, OpenDay, OpeningHours } from '#core/shop/opening-hours.ts';
import { inLanguage, say } from './say.ts';

/** Days of the week, Monday first. */
export const WEEKDAYS = inLanguage(['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const);

/** A minute of the day: `7:30`. */
export const minuteText = (minute: number): string =>
  `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`;

const same = (a: OpenDay | null, b: OpenDay | null): boolean => a?.fromMin === b?.fromMin && a?.toMin === b?.toMin;

/** A week as it is typed: `Mon-Fri 7:30-17:00`, one line for days that are alike. */
export function weekText(week: OpeningHours['week']): string {
  const lines: string[] = [];
  for (let from = 0; from < week.length; ) {
    const open = week[from] ?? null;
    let to = from;
    while (to + 1 < week.length && same(week[to + 1] ?? null, open)) to++;
    const days = from === to ? WEEKDAYS[from] : `${WEEKDAYS[from]}-${WEEKDAYS[to]}`;
    if (open) lines.push(`${days} ${minuteText(open.fromMin)}-${minuteText(open.toMin)}`);
    from = to + 1;
  }
  return lines.join('\n');
}

const LINE =
  /^(\p{L}{3})\p{L}*(?:\s*[-–]\s*(\p{L}{3})\p{L}*)?:?\s+(\d{1,2})[:.](\d{2})\s*[-–]\s*(\d{1,2})[:.](\d{2})$/u;

const dayAt = (word: string): number => WEEKDAYS.findIndex((name) => name.toLowerCase() === word.toLowerCase());

/** Reads what {@link weekText} writes; days that are not named are closed. @returns the line that cannot be read, and why */
export function readWeek(typed: string): OpeningHours['week'] | string {
  const week: Array<OpenDay | null> = Array.from({ length: 7 }, () => null);
  for (const line of typed
    .split('\n')
    .map((one) => one.trim())
    .filter(Boolean)) {
    const [, first = '', last = first, fromH, fromM, toH, toM] = LINE.exec(line) ?? [];
    const [from, to] = [dayAt(first), dayAt(last)];
    if (from < 0 || to < 0 || to < from)
      return say('“{line}” is no opening time: days, then from and to, like Mon-Fri 7:30-17:00.', { line });
    const open = { fromMin: Number(fromH) * 60 + Number(fromM), toMin: Number(toH) * 60 + Number(toM) };
    if (Number(fromM) > 59 || Number(toM) > 59 || open.toMin > 1440 || open.fromMin >= open.toMin)
      return say('“{line}”: from an earlier to a later time of one day.', { line });
    for (let day = from; day <= to; day++) {
      if (week[day]) return say('{weekdays} is said twice.', { weekdays: WEEKDAYS[day] });
      week[day] = open;
    }
  }
  return week;
}

/** Holidays as they are typed: `2026-12-25 Midwinter`, one a line. */
export const holidaysText = (holidays: OpeningHours['holidays']): string =>
  holidays.map(({ day, name }) => (name ? `${day} ${name}` : day)).join('\n');

/** Whether a text is a day of the calendar: `2026-02-30` is none. */
const isDay = (text: string): boolean => {
  const at = new Date(`${text}T00:00:00Z`);
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(text);
};

/** Reads what {@link holidaysText} writes, in the order of the calendar. */
export function readHolidays(typed: string): OpeningHours['holidays'] | string {
  const holidays: Array<{ day: string; name?: string }> = [];
  for (const line of typed
    .split('\n')
    .map((one) => one.trim())
    .filter(Boolean)) {
    const [, day = '', name = ''] = /^(\d{4}-\d{2}-\d{2})\s*(.*)$/.exec(line) ?? [];
    if (!isDay(day))
      return say('“{line}” is no day: year, month, day and a name, like 2026-12-25 Midwinter.', { line });
    if (holidays.some((known) => known.day === day)) return say('{day} is said twice.', { day });
    if (name.length > 60) return say('{day}: a name of up to 60 characters.', { day });
    holidays.push({ day, ...(name ? { name } : {}) });
  }
  return holidays.sort((a, b) => a.day.localeCompare(b.day));
}

/** Why nobody is there then. */
export function closedText(closed: Closed): string {
  switch (closed.why) {
    case 'holiday':
      return say('The shop is closed that day{which}.', {
        which: closed.name ? `: ${closed.name}` : say(', a holiday'),
      });
    case 'weekday':
      return say('The shop is closed on that day of the week.');
    case 'early':
      return say('The shop opens at {minuteText} that day.', { minuteText: minuteText(closed.opensMin) });
    case 'late':
      return say('The shop closes at {minuteText} that day.', { minuteText: minuteText(closed.closesMin) });
  }
}
