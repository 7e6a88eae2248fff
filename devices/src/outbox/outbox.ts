/**
 * A stand-in for a gateway that sends messages: takes one, says later whether it arrived. What it answers follows from the
 * address, so that the same message has the same fate: an address whose last digit is 9 is busy at its first try, one that
 * ends in 00 does not exist, every other has it two seconds after it was taken. A mail address counts by its name.
 */

export interface Posted {
  /** The sender's own name for the message: sent again under it, it is not delivered twice. */
  reference: string;
  channel: 'sms' | 'mail';
  to: string;
  text: string;
}

/** What the gateway says when it is handed a message. `later`: to be tried again. */
export type Handed = { taken: true } | { taken: false; later: boolean; why: string };
export type Fate = 'unknown' | 'underway' | 'delivered';

/** How long a message is underway, ms. */
export const UNDERWAY_MS = 2000;
/** Longest text of a short message with its parts, characters. @see 3GPP TS 23.040: 153 in each of up to 255 parts; gateways take ten */
const LONGEST_SMS = 1530;

/** The gateway, which remembers what it was handed. */
export class OutboxStandIn {
  private readonly taken = new Map<string, Posted & { atMs: number }>();
  private readonly tried = new Map<string, number>();

  constructor(private readonly now: () => number = Date.now) {}

  hand(message: Posted): Handed {
    const { reference, channel, to, text } = message;
    if (this.taken.has(reference)) return { taken: true };
    const tries = (this.tried.get(reference) ?? 0) + 1;
    this.tried.set(reference, tries);
    const digits = (channel === 'mail' ? (to.split('@')[0] ?? '') : to).replace(/\D/g, '');
    if (digits.endsWith('00')) return { taken: false, later: false, why: 'no such number' };
    if (channel === 'sms' && text.length > LONGEST_SMS) return { taken: false, later: false, why: 'too long' };
    if (digits.endsWith('9') && tries === 1) return { taken: false, later: true, why: 'busy' };
    this.taken.set(reference, { ...message, atMs: this.now() });
    return { taken: true };
  }

  fate(reference: string): Fate {
    const message = this.taken.get(reference);
    if (!message) return 'unknown';
    return this.now() - message.atMs >= UNDERWAY_MS ? 'delivered' : 'underway';
  }

  /** What arrived, in the order it was taken: for whoever looks at the other end. */
  delivered(): Posted[] {
    return [...this.taken.values()].filter(({ reference }) => this.fate(reference) === 'delivered');
  }
}
