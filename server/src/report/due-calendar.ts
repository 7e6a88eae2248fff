import { createEvents, type EventAttributes } from 'ics';
import type { DueItem } from '#contract/due.ts';
import { dueWhenText } from '#contract/wording/due-text.ts';
import { say } from '#contract/wording/say.ts';
import { type ClockRules, shopDay } from '#contract/wording/shop-time.ts';

/** The day an instant falls on in the shop. */
function dayOf(atMs: number, { timeZone }: ClockRules): [number, number, number] {
  const [year = 0, month = 1, day = 1] = shopDay(atMs, { timeZone }).split('-').map(Number);
  return [year, month, day];
}

/**
 * What is due and has a date, as a calendar (RFC 5545): a whole day each, on the day it is expected. The same item keeps
 * its UID, so that a calendar that takes the file again moves it.
 *
 * @param owners - whether whose they are stands in it: not where it leaves the shop
 * @throws where the calendar cannot be written
 */
export function dueCalendar(
  items: readonly DueItem[],
  rules: ClockRules,
  nowMs: number,
  { owners = true } = {},
): string {
  const events = items.flatMap((item): EventAttributes[] => {
    const { expected, settled, vehicle } = item;
    if (!expected || settled) return [];
    const reach = owners ? [vehicle.owner, vehicle.contact].filter(Boolean).join(', ') : '';
    return [
      {
        uid: `${item.job}.${item.care.replace(/[^\w.-]/g, '-')}@wrenchman`,
        title: `${vehicle.plate}: ${item.text}`,
        description: `${say('{vehicle}, job {number}', { vehicle: `${vehicle.make} ${vehicle.model}`, number: item.number })}\n${dueWhenText(item, (atMs) => shopDay(atMs, { timeZone: rules.timeZone }))}\n${reach}`,
        start: dayOf(expected.expectedMs, rules),
        duration: { days: 1 },
        created: nowMs,
        busyStatus: 'FREE',
        transp: 'TRANSPARENT',
      },
    ];
  });
  const { error, value } = createEvents(events, { productId: 'wrenchman', calName: say('Due') });
  if (error) throw error;
  return value ?? '';
}
