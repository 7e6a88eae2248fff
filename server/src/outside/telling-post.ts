import { createHmac } from 'node:crypto';
import type { Logger } from 'pino';
import { TELLING_SIGNATURE, TELLING_TIME } from '#contract/outside.ts';
import type { DueTelling, OutsideRepository } from '../store/outside-repository.ts';
import { Rounds } from './rounds.ts';

/** How often what happened is looked for, and sent. */
const LOOK_MS = 2000;
const AT_ONCE = 20;
/** A program that listens answers by then, or is asked again later. */
const ANSWER_MS = 10_000;
const MINUTE = 60_000;
/** Waits before each further try: four days in all, over a weekend. Then it is given up, and a lead may send it again. */
export const WAITS_MS = [1, 5, 30, 120, 360, 720, 1440, 1440, 1440].map((minutes) => minutes * MINUTE);

/** The signature of a telling: HMAC-SHA256 over its time and its body. @see RFC 2104 */
const signed = (secret: string, time: number, body: string): string =>
  createHmac('sha256', secret).update(`${time}.${body}`).digest('hex');

/** Sends what other programs are to be told; what does not arrive is tried again, later and later. */
export class TellingPost {
  private readonly rounds: Rounds;

  constructor(
    private readonly store: OutsideRepository,
    log: Pick<Logger, 'error'>,
    private readonly now: () => number = Date.now,
  ) {
    this.rounds = new Rounds(() => this.look(), LOOK_MS, log, 'not told');
  }

  start(): void {
    this.rounds.start();
  }

  stop(): Promise<void> {
    return this.rounds.stop();
  }

  /** Notes what happened since, and sends what is due. */
  async look(): Promise<void> {
    const nowMs = this.now();
    await this.store.note(nowMs);
    // Until the answers are in nobody else takes them; a server that dies meanwhile leaves them to the next look.
    const due = await this.store.claim(nowMs, nowMs + 2 * ANSWER_MS, AT_ONCE);
    await Promise.all(due.map((telling) => this.send(telling)));
  }

  private async send({ id, url, secret, tries, body }: DueTelling): Promise<void> {
    const text = JSON.stringify(body);
    const time = Math.floor(this.now() / 1000);
    let answer: string;
    let arrived = false;
    try {
      const response = await fetch(url, {
        method: 'POST',
        headers: {
          'Content-Type': 'application/json',
          [TELLING_TIME]: String(time),
          [TELLING_SIGNATURE]: signed(secret, time, text),
        },
        body: text,
        // Where it leads elsewhere, the lead should know of it.
        redirect: 'manual',
        signal: AbortSignal.timeout(ANSWER_MS),
      });
      await response.body?.cancel();
      answer = `HTTP ${response.status}`;
      arrived = response.ok;
    } catch (error) {
      const { message, cause } = error as Error & { cause?: { code?: string; message?: string } };
      answer = cause?.code ?? cause?.message ?? message;
    }
    const nowMs = this.now();
    const wait = WAITS_MS[tries];
    await this.store.tried(id, {
      tries: tries + 1,
      answer: answer.slice(0, 200),
      nextAtMs: arrived || wait === undefined ? null : nowMs + wait,
      doneAtMs: arrived ? nowMs : null,
    });
  }
}
