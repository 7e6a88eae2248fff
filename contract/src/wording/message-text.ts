import type { DueItem } from '../due.ts';
import { onDial } from './due-text.ts';
import { STOP_TEXT, WHY_TEXT, type Why } from './en/message.ts';
import { minutesText } from './minutes-text.ts';

/**
 * The text of a message to an owner: what is due, when, why, and how long it takes.
 *
 * @param day - how the shop writes a day
 * @param minutes - how long it takes, where it is known
 */
export function dueMessage(
  { vehicle, text, atKm, expected }: DueItem,
  { shop, why, minutes, day }: { shop: string; why: Why; minutes?: number; day: (atMs: number) => string },
): string {
  const when = [
    atKm === undefined ? '' : `at ${onDial(atKm, vehicle.odometerUnit)}`,
    expected === undefined ? '' : `about ${day(expected.expectedMs)}`,
  ].filter(Boolean);
  return [
    `${shop}: your ${vehicle.make} ${vehicle.model}${vehicle.plate ? `, ${vehicle.plate}` : ''}.`,
    text.trim(),
    when.length > 0 ? `That is ${when.join(', ')}.` : '',
    WHY_TEXT[why],
    minutes === undefined ? '' : `It takes about ${minutesText(minutes)}.`,
    'Call or answer for a time.',
    STOP_TEXT,
  ]
    .filter(Boolean)
    .join(' ');
}
