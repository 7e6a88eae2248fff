/** How an owner is reached. */
export interface Reached {
  channel: 'sms' | 'mail';
  to: string;
}

/** How an owner is reached by what is written down: a mail address, else a telephone number; undefined for neither. */
export function reachedBy(contact: string | undefined): Reached | undefined {
  const text = (contact ?? '').trim();
  const mail = /[^\s,;<>]+@[^\s,;<>]+\.[^\s,;<>]+/.exec(text)?.[0];
  if (mail) return { channel: 'mail', to: mail };
  const phone = /\+?\d[\d ()/.-]{4,}\d/.exec(text)?.[0];
  return phone && phone.replace(/\D/g, '').length >= 6 ? { channel: 'sms', to: phone.trim() } : undefined;
}

/** Nobody's telephone rings from eight in the evening to eight in the morning, minutes of the shop's day (chosen by us). */
export const QUIET = { fromMin: 20 * 60, toMin: 8 * 60 } as const;
const DAY_MIN = 24 * 60;

/**
 * Minutes until a message may be sent, 0 where it may be now.
 *
 * @param minuteOfDay - in the shop, 0 to 1439
 */
export function quietMinutes(
  minuteOfDay: number,
  { fromMin, toMin }: { fromMin: number; toMin: number } = QUIET,
): number {
  const quiet =
    fromMin < toMin ? minuteOfDay >= fromMin && minuteOfDay < toMin : minuteOfDay >= fromMin || minuteOfDay < toMin;
  return quiet ? (toMin - minuteOfDay + DAY_MIN) % DAY_MIN : 0;
}

const MINUTE_MS = 60_000;
/** Waits before each further try, ms; then it is given up, and a person calls. */
const WAITS_MS = [1, 10, 60, 240].map((minutes) => minutes * MINUTE_MS);

/** How long to wait after so many tries; undefined where it is given up. */
export const waitAfterMs = (tries: number): number | undefined => WAITS_MS[tries - 1];

/** An answer that wants no more messages. Common practice, no source. */
export const isStop = (reply: string): boolean => /^\s*(?:stop|unsubscribe|no more)\b/i.test(reply);

/** An address as it is compared: `+44 711-12` and `0711 12` stay two, spelling alone does not part them. */
export const addressKey = (to: string): string =>
  to.includes('@') ? to.trim().toLowerCase() : to.replace(/[^\d+]/g, '');
