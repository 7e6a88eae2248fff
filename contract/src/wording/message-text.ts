import type { DueItem } from '../due.ts';
import { onDial } from './due-text.ts';
import { stopText, WHY_TEXT, type Why } from './en/message.ts';
import { minutesText } from './minutes-text.ts';
import { say } from './say.ts';

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
    atKm === undefined ? '' : say('at {onDial}', { onDial: onDial(atKm, vehicle.odometerUnit) }),
    expected === undefined ? '' : say('about {day}', { day: day(expected.expectedMs) }),
  ].filter(Boolean);
  return [
    say('{shop}: your {make} {model}{which}.', {
      shop,
      make: vehicle.make,
      model: vehicle.model,
      which: vehicle.plate ? `, ${vehicle.plate}` : '',
    }),
    text.trim(),
    when.length > 0 ? say('That is {when}.', { when: when.join(', ') }) : '',
    WHY_TEXT[why],
    minutes === undefined ? '' : say('It takes about {minutesText}.', { minutesText: minutesText(minutes) }),
    say('Call or answer for a time.'),
    stopText(),
  ]
    .filter(Boolean)
    .join(' ');
}
