import { KM_PER_MILE } from '#core/vehicle/odometer.ts';
import type { DueItem, SettledHow } from '../due.ts';

export const SETTLED_TEXT: Record<SettledHow, string> = {
  here: 'Done here',
  elsewhere: 'Done elsewhere',
  notWanted: 'Not wanted',
  open: 'Open again',
};

/** A distance as the vehicle's own dial shows it. */
export const onDial = (km: number, unit: 'km' | 'mi' = 'km'): string =>
  `${Math.round(unit === 'mi' ? km / KM_PER_MILE : km).toLocaleString('en')} ${unit}`;

/**
 * When it is likely to be due, and from what that was taken.
 *
 * @param day - how a day is written where it is read
 */
export function dueWhenText(item: DueItem, day: (atMs: number) => string): string {
  const { expected, afterKm, atKm, kmPerDay, rateFrom, lastKm } = item;
  const km = (value: number): string => onDial(value, item.vehicle.odometerUnit);
  if (!expected) {
    if (item.event) return 'When it happens: no date can be told.';
    return afterKm === undefined
      ? 'No date and no distance is given.'
      : `After ${km(afterKm)}: nobody read the odometer at the visit, so no date can be told.`;
  }
  if (expected.by === 'date') return `By its date${atKm === undefined ? '' : `, or at ${km(atKm)}`}.`;
  const rate = kmPerDay === undefined ? '' : ` at ${km(kmPerDay)} a day`;
  const from = rateFrom === 'usual' ? ', the usual: its own history says nothing yet' : ', from its own visits';
  return `At ${km(atKm ?? 0)}, last read ${km(lastKm ?? 0)};${rate}${from}. Four of five between ${day(expected.earliestMs)} and ${day(expected.latestMs)}.`;
}
