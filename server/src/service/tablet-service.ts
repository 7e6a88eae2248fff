import { randomUUID } from 'node:crypto';
import type { Tablets } from '#contract/tablet.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { DeviceEntity } from '../store/entities.ts';
import type { Done, TabletRepository } from '../store/tablet-repository.ts';
import type { Caller } from './caller.ts';
import { codeHashOf, oneTimeCode } from './one-time-code.ts';
import { newToken, type SessionService, tokenHashOf } from './session-service.ts';

/** How long a code on a lead's screen lets a tablet in. */
const CODE_MS = 15 * 60_000;

type TabletError = { code: 'unknownTablet' } | { code: 'ownTablet' };

/** Tablets that a lead lets in by name, and puts out. */
export class TabletService {
  constructor(
    private readonly tablets: TabletRepository,
    private readonly sessions: SessionService,
    private readonly now: () => number = Date.now,
  ) {}

  async list({ shopId, deviceId }: Caller): Promise<Tablets> {
    const [tablets, pairedOnly] = await Promise.all([this.tablets.tablets(shopId), this.tablets.pairedOnly(shopId)]);
    return { tablets, pairedOnly, own: deviceId };
  }

  private done({ shopId, person }: Caller, change: Done['change']): Done {
    return { shopId, by: person, atMs: this.now(), change };
  }

  /** A code that lets one tablet in under a name, for a quarter of an hour. */
  async invite(caller: Caller, name: string): Promise<{ code: string; untilMs: number }> {
    const code = oneTimeCode();
    const untilMs = this.now() + CODE_MS;
    const { shopId, person } = caller;
    await this.tablets.invite(
      { codeHash: codeHashOf(code), shopId, name, untilMs, byId: person.id, byName: person.name },
      this.done(caller, { what: 'tablet', name, did: 'invited' }),
    );
    return { code, untilMs };
  }

  /** A tablet with a code gets its name; `known` is what its cookie says it is already. */
  async pair(
    code: string,
    known: DeviceEntity | undefined,
  ): Promise<Result<{ name: string; deviceToken?: string }, { code: 'pairingRefused' }>> {
    const nowMs = this.now();
    const pairing = await this.tablets.takePairing(codeHashOf(code), nowMs);
    if (!pairing) return fail({ code: 'pairingRefused' });
    const { shopId, name, byId, byName } = pairing;
    const same = known?.shopId === shopId ? known : undefined;
    const deviceToken = same ? undefined : newToken();
    const fresh = { id: randomUUID(), shopId, tokenHash: tokenHashOf(deviceToken ?? ''), madeAtMs: nowMs };
    const device = { ...(same ?? fresh), name, pairedAtMs: nowMs, seenAtMs: nowMs };
    const done = {
      shopId,
      by: { id: byId, name: byName },
      atMs: nowMs,
      change: { what: 'tablet', name, did: 'paired' },
    };
    await this.tablets.pair(device, same === undefined, done as Done);
    return ok({ name, ...(deviceToken ? { deviceToken } : {}) });
  }

  async name(caller: Caller, id: string, name: string): Promise<Result<{ id: string }, TabletError>> {
    const tablet = await this.tablets.tablet(caller.shopId, id);
    if (!tablet) return fail({ code: 'unknownTablet' });
    if (tablet.name !== name)
      await this.tablets.name(id, name, this.done(caller, { what: 'tablet', name, did: 'named', from: tablet.name }));
    return ok({ id });
  }

  /** Puts a tablet out: whoever is signed in on it is out, and what it signs counts no more. */
  async putOut(caller: Caller, id: string): Promise<Result<{ id: string }, TabletError>> {
    if (id === caller.deviceId) return fail({ code: 'ownTablet' });
    const tablet = await this.tablets.tablet(caller.shopId, id);
    if (!tablet || tablet.revokedAtMs) return fail({ code: 'unknownTablet' });
    await this.tablets.putOut(id, this.done(caller, { what: 'tablet', name: tablet.name, did: 'putOut' }));
    await this.sessions.changed();
    return ok({ id });
  }

  async setPairedOnly(caller: Caller, on: boolean): Promise<void> {
    if ((await this.tablets.pairedOnly(caller.shopId)) === on) return;
    const change = { what: 'setting', field: 'pairedOnly', from: String(!on), to: String(on) } as const;
    await this.tablets.setPairedOnly(on, caller.deviceId, this.done(caller, change));
  }
}
