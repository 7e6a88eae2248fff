import type { SlotClash } from '../slot-clash.ts';
import { minutesText } from './minutes-text.ts';
import { type ClockRules, shopClock } from './shop-time.ts';

/**
 * What speaks against a slot, as one sentence.
 *
 * @param name - what a person is called, by id
 * @param clock - how the shop tells the time
 */
export function clashText(clash: SlotClash, name: (person: string) => string, clock?: ClockRules): string {
  if (clash.kind === 'promise') return `Done ${minutesText(clash.lateMinutes)} after it was promised.`;
  const { plannedStartMs, estimatedMinutes, vehicle, bay } = clash.other;
  const until = shopClock(plannedStartMs + estimatedMinutes * 60_000, clock);
  const other = `${vehicle.plate} ${vehicle.model}`.trim();
  return clash.kind === 'bay'
    ? `Bay ${bay} has ${other} until ${until}.`
    : `${name(clash.person)} is on ${other} until ${until}.`;
}

/** What a job that was called off is called. */
export const CALLED_OFF_TEXT = { cancelled: 'Cancelled', noShow: 'Did not come' } as const;
