import type { Logger } from 'pino';
import { waitAfterMs } from '#core/follow-up/message.ts';
import type { OutboxStandIn } from '#devices/outbox/outbox.ts';
import type { OwnerMessageEntity } from '../store/owner-entities.ts';
import type { OwnerMessageRepository } from '../store/owner-message-repository.ts';
import { Rounds } from './rounds.ts';

/** How often the outbox is looked at, and for how long a message is one server's. */
const LOOK_MS = 1000;
const CLAIMED_MS = 30_000;
const AT_ONCE = 20;
/** How often the gateway is asked whether it arrived, and for how long. */
const ASK_MS = 3000;
const GIVE_UP_MS = 3 * 86_400_000;

/** Sends what waits in the outbox, tries again what did not go, and learns what arrived. */
export class MessagePost {
  private readonly rounds: Rounds;

  constructor(
    private readonly store: OwnerMessageRepository,
    private readonly gateway: OutboxStandIn,
    log: Pick<Logger, 'error'>,
    private readonly now: () => number = Date.now,
  ) {
    this.rounds = new Rounds(() => this.look(), LOOK_MS, log, 'not sent');
  }

  start(): void {
    this.rounds.start();
  }

  stop(): Promise<void> {
    return this.rounds.stop();
  }

  async look(): Promise<void> {
    const nowMs = this.now();
    for (const message of await this.store.claim(nowMs, nowMs + CLAIMED_MS, AT_ONCE))
      await (message.state === 'waiting' ? this.send(message) : this.ask(message));
  }

  private async send({ id, channel, sentTo, text, tries, once }: OwnerMessageEntity): Promise<void> {
    const handed = this.gateway.hand({ reference: once, channel, to: sentTo, text });
    const nowMs = this.now();
    const tried = tries + 1;
    if (handed.taken) {
      await this.store.change(id, ['waiting'], { state: 'sent', tries: tried, fault: null, nextAtMs: nowMs + ASK_MS });
      return;
    }
    const wait = handed.later ? waitAfterMs(tried) : undefined;
    await this.store.change(
      id,
      ['waiting'],
      wait === undefined
        ? { state: 'failed', tries: tried, fault: handed.why, endedAtMs: nowMs }
        : { tries: tried, fault: handed.why, nextAtMs: nowMs + wait },
    );
  }

  private async ask({ id, once, madeAtMs }: OwnerMessageEntity): Promise<void> {
    const nowMs = this.now();
    const fate = this.gateway.fate(once);
    if (fate === 'delivered') await this.store.change(id, ['sent'], { state: 'delivered', endedAtMs: nowMs });
    // A gateway that was started anew knows nothing of it: that it was sent is all that can be said.
    else if (nowMs - madeAtMs > GIVE_UP_MS || fate === 'unknown')
      await this.store.change(id, ['sent'], { nextAtMs: nowMs + GIVE_UP_MS });
    else await this.store.change(id, ['sent'], { nextAtMs: nowMs + ASK_MS });
  }
}
