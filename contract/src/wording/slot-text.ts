import type { SlotClash } from '../slot-clash.ts';
import { minutesText } from './minutes-text.ts';
import { inLanguage, say } from './say.ts';
import { type ClockRules, shopClock } from './shop-time.ts';

/**
 * What speaks against a slot, as one sentence.
 *
 * @param name - what a person is called, by id
 * @param clock - how the shop tells the time
 */
export function clashText(clash: SlotClash, name: (person: string) => string, clock?: ClockRules): string {
  if (clash.kind === 'promise')
    return say('Done {minutesText} after it was promised.', { minutesText: minutesText(clash.lateMinutes) });
  const { plannedStartMs, estimatedMinutes, vehicle, bay } = clash.other;
  const until = shopClock(plannedStartMs + estimatedMinutes * 60_000, clock);
  const other = `${vehicle.plate} ${vehicle.model}`.trim();
  return clash.kind === 'bay'
    ? say('Bay {bay} has {other} until {until}.', { bay, other, until })
    : say('{name} is on {other} until {until}.', { name: name(clash.person), other, until });
}

/** What a job that was called off is called. */
export const CALLED_OFF_TEXT = inLanguage({ cancelled: 'Cancelled', noShow: 'Did not come' } as const);
