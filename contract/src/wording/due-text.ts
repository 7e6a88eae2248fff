import { KM_PER_MILE } from '#core/vehicle/odometer.ts';
import type { DueItem, SettledHow } from '../due.ts';
import { inLanguage, say, thousands } from './say.ts';

export const SETTLED_TEXT: Record<SettledHow, string> = inLanguage({
  here: 'Done here',
  elsewhere: 'Done elsewhere',
  notWanted: 'Not wanted',
  open: 'Open again',
});

/** A distance as the vehicle's own dial shows it. */
export const onDial = (km: number, unit: 'km' | 'mi' = 'km'): string =>
  `${thousands(unit === 'mi' ? km / KM_PER_MILE : km)} ${unit}`;

/**
 * When it is likely to be due, and from what that was taken.
 *
 * @param day - how a day is written where it is read
 */
export function dueWhenText(item: DueItem, day: (atMs: number) => string): string {
  const { expected, afterKm, atKm, kmPerDay, rateFrom, lastKm } = item;
  const km = (value: number): string => onDial(value, item.vehicle.odometerUnit);
  if (!expected) {
    if (item.event) return say('When it happens: no date can be told.');
    return afterKm === undefined
      ? say('No date and no distance is given.')
      : say('After {km}: nobody read the odometer at the visit, so no date can be told.', { km: km(afterKm) });
  }
  if (expected.by === 'date')
    return say('By its date{which}.', { which: atKm === undefined ? '' : say(', or at {km}', { km: km(atKm) }) });
  const rate = kmPerDay === undefined ? '' : say(' at {km} a day', { km: km(kmPerDay) });
  const from =
    rateFrom === 'usual' ? say(', the usual: its own history says nothing yet') : say(', from its own visits');
  return say('At {km}, last read {km2};{rate}{from}. Four of five between {day} and {day2}.', {
    km: km(atKm ?? 0),
    km2: km(lastKm ?? 0),
    rate,
    from,
    day: day(expected.earliestMs),
    day2: day(expected.latestMs),
  });
}
