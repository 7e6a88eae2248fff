import { createHash } from 'node:crypto';
import type { MessageDraft, OwnerMessage, SendMessage } from '#contract/owner-message.ts';
import type { Why } from '#contract/wording/en/message.ts';
import { dueMessage } from '#contract/wording/message-text.ts';
import { say } from '#contract/wording/say.ts';
import { shopClock, shopDay } from '#contract/wording/shop-time.ts';
import { addressKey, isStop, quietMinutes, type Reached, reachedBy } from '#core/follow-up/message.ts';
import { canonicalJson } from '#core/record/canonical-json.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { OwnerMessageEntity } from '../store/owner-entities.ts';
import type { OwnerMessageRepository } from '../store/owner-message-repository.ts';
import type { Caller } from './caller.ts';
import type { FollowUpService } from './follow-up-service.ts';
import type { ShopService } from './shop-service.ts';

const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;
/** For how long messages are listed. */
const SHOWN_DAYS = 400;

const minuteOfDay = (clock: string): number => {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number);
  return hours * 60 + minutes;
};

/** Messages to owners of what is due: proposed, sent once, answered. */
export class MessageService {
  constructor(
    private readonly store: OwnerMessageRepository,
    private readonly followUp: FollowUpService,
    private readonly shop: ShopService,
    private readonly now: () => number = Date.now,
  ) {}

  private async about(shopId: string, job: string, care: string) {
    const item = (await this.followUp.list(shopId)).find((entry) => entry.job === job && entry.care === care);
    if (!item || item.settled) return undefined;
    // What repeats is due anew each time: there is one message for each.
    const once = createHash('sha256')
      .update(`${job}\n${care}\n${Math.round(item.atKm ?? 0)}\n${item.atMs ?? 0}`)
      .digest('hex');
    return { item, once };
  }

  /** What would be sent, and why it cannot be; undefined where nothing of the kind is due. */
  async draft(shopId: string, job: string, care: string): Promise<MessageDraft | undefined> {
    const found = await this.about(shopId, job, care);
    if (!found) return undefined;
    const { item, once } = found;
    const { name, rules } = await this.shop.settings(shopId);
    const reached = reachedBy(item.vehicle.contact);
    const sent = await this.store.byOnce(shopId, once);
    const refused = reached && (await this.store.refuses(shopId, addressKey(reached.to)));
    const text = dueMessage(item, {
      shop: name,
      why: whyOf(item.about),
      ...(item.minutes === undefined ? {} : { minutes: item.minutes }),
      day: (atMs) => shopDay(atMs, rules),
    });
    const sentBefore = sent !== undefined && sent.state !== 'failed' && sent.state !== 'stopped';
    return {
      ...(reached ? { to: reached.to, channel: reached.channel } : {}),
      text,
      ...(sentBefore
        ? { not: 'sentBefore' as const }
        : refused
          ? { not: 'refused' as const }
          : reached
            ? {}
            : { not: 'noAddress' as const }),
    };
  }

  /** What every new message has: to whom, by whom, and from when it may go. */
  private async made(shopId: string, madeBy: string, { channel, to }: Reached) {
    const { rules } = await this.shop.settings(shopId);
    const nowMs = this.now();
    const clock = shopClock(nowMs, { timeZone: rules.timeZone ?? 'UTC' });
    return {
      channel,
      sentTo: addressKey(to),
      madeAtMs: nowMs,
      madeBy,
      state: 'waiting' as const,
      nextAtMs: nowMs + quietMinutes(minuteOfDay(clock)) * MINUTE_MS,
    };
  }

  /** Puts a message into the outbox: once for what it is about, and not in the quiet hours. */
  async send(
    caller: Caller,
    { job, care, to, text }: SendMessage,
  ): Promise<Result<null, { code: 'unknownDue' | 'messageNotSent'; detail?: string }>> {
    const { shopId } = caller;
    const found = await this.about(shopId, job, care);
    if (!found) return fail({ code: 'unknownDue' });
    const reached = reachedBy(to);
    if (!reached)
      return fail({ code: 'messageNotSent', detail: say('That is no mail address and no telephone number.') });
    if (await this.store.refuses(shopId, addressKey(reached.to)))
      return fail({ code: 'messageNotSent', detail: say('The owner wants no messages.') });
    const made = { text, ...(await this.made(shopId, caller.person.name, reached)) };
    if (await this.store.add({ shopId, jobId: job, care, once: found.once, ...made })) return ok(null);
    // What did not arrive, or was taken back, may be sent anew; anything else was said already.
    const before = await this.store.byOnce(shopId, found.once);
    const anew =
      before &&
      (await this.store.change(before.id, ['failed', 'stopped'], { ...made, tries: 0, fault: null, endedAtMs: null }));
    return anew ? ok(null) : fail({ code: 'messageNotSent', detail: say('It was sent before: nobody is told twice.') });
  }

  /** The same words to the owner of one vehicle that is called back: once for each vehicle and reason. */
  async recall(
    { shopId, person }: Caller,
    { job, vehicle, contact, text, by }: { job: string; vehicle: string; contact?: string; text: string; by: object },
  ): Promise<'sent' | 'before' | 'noAddress' | 'refused'> {
    const reached = reachedBy(contact);
    if (!reached) return 'noAddress';
    if (await this.store.refuses(shopId, addressKey(reached.to))) return 'refused';
    const why = createHash('sha256').update(canonicalJson(by)).digest('hex');
    const added = await this.store.add({
      shopId,
      jobId: job,
      care: `recall:${why.slice(0, 16)}`,
      once: createHash('sha256').update(`${vehicle}\n${why}`).digest('hex'),
      text,
      ...(await this.made(shopId, person.name, reached)),
    });
    return added ? 'sent' : 'before';
  }

  async list(shopId: string): Promise<OwnerMessage[]> {
    return (await this.store.since(shopId, this.now() - SHOWN_DAYS * DAY_MS)).map(shown);
  }

  /** Takes back what has not gone out yet. */
  async stop({ shopId }: Caller, id: string): Promise<boolean> {
    const message = await this.store.find(shopId, id);
    return (
      message !== undefined && this.store.change(message.id, ['waiting'], { state: 'stopped', endedAtMs: this.now() })
    );
  }

  /** What the owner answered, in writing or by telephone. */
  async reply({ shopId, person }: Caller, id: string, reply: string): Promise<boolean> {
    const message = await this.store.find(shopId, id);
    if (!message) return false;
    const nowMs = this.now();
    await this.store.update(message.id, { reply, repliedAtMs: nowMs, replyBy: person.name });
    if (isStop(reply)) await this.store.refuse(shopId, message.sentTo, nowMs, person.name);
    return true;
  }

  async refusal({ shopId, person }: Caller, address: string, wants: boolean): Promise<void> {
    if (wants) await this.store.wantsAgain(shopId, addressKey(address));
    else await this.store.refuse(shopId, addressKey(address), this.now(), person.name);
  }
}

const whyOf = (about: string | undefined): Why =>
  about === 'wheels' || about === 'alignment' || about === 'grease' || about === 'lampAim'
    ? about
    : about === 'other'
      ? 'other'
      : 'joints';

const shown = (message: OwnerMessageEntity): OwnerMessage => ({
  id: message.id,
  job: message.jobId,
  care: message.care,
  channel: message.channel,
  to: message.sentTo,
  text: message.text,
  madeAtMs: message.madeAtMs,
  madeBy: message.madeBy,
  state: message.state,
  tries: message.tries,
  ...(message.state === 'waiting' ? { nextAtMs: message.nextAtMs } : {}),
  ...(message.endedAtMs == null ? {} : { endedAtMs: message.endedAtMs }),
  ...(message.fault ? { fault: message.fault } : {}),
  ...(message.reply && message.repliedAtMs != null
    ? { reply: { text: message.reply, atMs: message.repliedAtMs, by: message.replyBy ?? '' } }
    : {}),
});
