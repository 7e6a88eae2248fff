import { tz } from '@date-fns/tz';
import { addDays, format, startOfDay } from 'date-fns';
import type { HouseRules } from '#core/kit/house-rules.ts';
import { openOn } from '#core/shop/opening-hours.ts';

const MINUTE_MS = 60_000;

/**
 * When a shop is open on some days in a row, Unix ms, by its own clock; none where it never said.
 *
 * @param fromMs - an instant of the first day
 */
export function openWindows(
  { hours, timeZone = 'UTC' }: Pick<HouseRules, 'hours' | 'timeZone'>,
  fromMs: number,
  days: number,
): Array<readonly [fromMs: number, toMs: number]> {
  if (!hours) return [];
  const zone = { in: tz(timeZone) };
  return Array.from({ length: days }, (_, at) => startOfDay(addDays(fromMs, at, zone), zone).getTime()).flatMap(
    (dayMs): Array<readonly [number, number]> => {
      const open = openOn(hours, format(dayMs, 'yyyy-MM-dd', zone));
      return open ? [[dayMs + open.fromMin * MINUTE_MS, dayMs + open.toMin * MINUTE_MS]] : [];
    },
  );
}
