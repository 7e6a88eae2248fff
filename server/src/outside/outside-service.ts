import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { v5 as uuidOf } from 'uuid';
import type { z } from 'zod';
import type { JobCard } from '#contract/job.ts';
import type {
  HookCard,
  HookInputSchema,
  KeyCard,
  KeyInputSchema,
  OfferedKit,
  Outside,
  Scope,
  TellingCard,
  Visit,
  VisitDue,
  VisitInput,
} from '#contract/outside.ts';
import { careText } from '#contract/wording/care-text.ts';
import { dueAfter } from '#core/job/due.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { plainVin } from '#core/vehicle/vin.ts';
import type { Caller } from '../service/caller.ts';
import type { CatalogService, VehicleError } from '../service/catalog-service.ts';
import type { JobService } from '../service/job-service.ts';
import type { OpenJobError } from '../service/open-job.ts';
import { newToken } from '../service/session-service.ts';
import type { ApiRequestEntity, TellingEntity } from '../store/outside-entities.ts';
import type { OutsideRepository } from '../store/outside-repository.ts';
import type { Done } from '../store/tablet-repository.ts';

/** Keys begin so, that one in a log or a mail is known for what it is. */
const PREFIX = 'wrk_';
/** A key's last use is noted this often: each request would be a write. */
const USED_EVERY_MS = 60_000;
/** A request that is not answered by then never will be: its server ended. */
const UNDER_WAY_MS = 60_000;

/** Another program with a key. */
export interface Program {
  keyId: string;
  name: string;
  scopes: readonly Scope[];
  /** As whom it acts: what it opens bears its name. */
  caller: Caller;
}

export type VisitError = OpenJobError | VehicleError | { code: 'sentBeforeOtherwise' } | { code: 'stillUnderWay' };

const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');

/** Keys and listeners of other programs, and what a key may do. */
export class OutsideService {
  private readonly used = new Map<string, number>();

  constructor(
    private readonly store: OutsideRepository,
    private readonly catalog: CatalogService,
    private readonly jobs: JobService,
    private readonly now: () => number = Date.now,
  ) {}

  async list(shopId: string): Promise<Outside> {
    const [keys, hooks] = await Promise.all([this.store.keys(shopId), this.store.hooks(shopId)]);
    return {
      keys: keys.map(
        ({ id, name, scopes, madeAtMs, madeBy, usedAtMs, revokedAtMs }): KeyCard => ({
          id,
          name,
          scopes,
          madeAtMs,
          madeBy,
          ...(usedAtMs ? { usedAtMs } : {}),
          ...(revokedAtMs ? { revokedAtMs } : {}),
        }),
      ),
      hooks: hooks.map(
        ({ id, url, events, madeAtMs, madeBy, offAtMs, tellings }): HookCard => ({
          id,
          url,
          events,
          madeAtMs,
          madeBy,
          ...(offAtMs ? { offAtMs } : {}),
          tellings: tellings.map(tellingCard),
        }),
      ),
    };
  }

  private done({ shopId, person }: Caller, name: string, did: 'keyMade' | 'keyRevoked' | 'hookMade' | 'hookOff'): Done {
    return { shopId, by: person, atMs: this.now(), change: { what: 'program', name, did } };
  }

  /** Makes a key; it is told here once, and kept as a hash. */
  async makeKey(
    caller: Caller,
    { name, scopes }: z.output<typeof KeyInputSchema>,
  ): Promise<{ id: string; key: string }> {
    const id = randomUUID();
    const key = `${PREFIX}${newToken()}`;
    await this.store.addKey(
      {
        id,
        shopId: caller.shopId,
        name,
        keyHash: sha256(key),
        scopes,
        madeAtMs: this.now(),
        madeBy: caller.person.name,
      },
      this.done(caller, name, 'keyMade'),
    );
    return { id, key };
  }

  async revokeKey(caller: Caller, id: string): Promise<boolean> {
    const known = (await this.store.keys(caller.shopId)).find((key) => key.id === id);
    return known ? this.store.revokeKey(id, this.done(caller, known.name, 'keyRevoked')) : false;
  }

  /** Makes a listener; the secret its tellings are signed with is told here once. */
  async makeHook(
    caller: Caller,
    { url, events }: z.output<typeof HookInputSchema>,
  ): Promise<{ id: string; secret: string }> {
    const id = randomUUID();
    const secret = randomBytes(32).toString('base64url');
    await this.store.addHook(
      { id, shopId: caller.shopId, url, secret, events, madeAtMs: this.now(), madeBy: caller.person.name },
      this.done(caller, new URL(url).host, 'hookMade'),
    );
    return { id, secret };
  }

  async hookOff(caller: Caller, id: string): Promise<boolean> {
    const known = (await this.store.hooks(caller.shopId)).find((hook) => hook.id === id);
    return known ? this.store.hookOff(id, this.done(caller, new URL(known.url).host, 'hookOff')) : false;
  }

  again({ shopId }: Caller, telling: number): Promise<boolean> {
    return this.store.again(shopId, telling, this.now());
  }

  /** The program a key is of, where the key counts. */
  async program(key: string): Promise<Program | undefined> {
    if (!key.startsWith(PREFIX)) return undefined;
    const known = await this.store.key(sha256(key));
    if (!known) return undefined;
    const nowMs = this.now();
    if (nowMs - (this.used.get(known.id) ?? 0) > USED_EVERY_MS) {
      this.used.set(known.id, nowMs);
      await this.store.used(known.id, nowMs);
    }
    const person = { id: known.id, name: `${known.name} (program)`, role: 'counter' as const };
    const caller: Caller = {
      person,
      card: { ...person, initials: '' },
      shopId: known.shopId,
      deviceId: known.id,
      tokenHash: '',
      sessionStartedAtMs: nowMs,
      sessionExpiresAtMs: nowMs,
      site: { origin: '', host: '' },
    };
    return { keyId: known.id, name: known.name, scopes: known.scopes, caller };
  }

  /** What the shop fits: the newest revision of every kit, and what must be answered to open a visit with it. */
  async kits({ caller }: Program): Promise<OfferedKit[]> {
    return (await this.catalog.kits(caller.shopId)).map(({ id, revision, title, maker, statedMinutes, questions }) => ({
      id,
      revision,
      title,
      maker,
      ...(statedMinutes === undefined ? {} : { statedMinutes }),
      questions: questions.map((question) => ({ id: question.id, text: question.text })),
    }));
  }

  /** Opens a visit once, however often it is asked with the same key of its own. */
  async openVisit(
    { keyId, caller }: Program,
    idempotencyKey: string,
    input: VisitInput,
  ): Promise<Result<{ id: string; repeated: boolean }, VisitError>> {
    const request: ApiRequestEntity = {
      keyId,
      idempotencyKey,
      bodyHash: sha256(JSON.stringify(input)),
      atMs: this.now(),
    };
    const before = await this.store.begin(request);
    if (before && before.bodyHash !== request.bodyHash) return fail({ code: 'sentBeforeOtherwise' });
    if (before?.jobId) return ok({ id: before.jobId, repeated: true });
    // The visit's id is the request's own: one that was opened and not answered, because the server ended in between, is
    // found by it, and none is opened twice.
    const id = uuidOf(idempotencyKey, keyId);
    if (before && (await this.jobs.card(caller.shopId, id))) {
      await this.store.finish(request, id);
      return ok({ id, repeated: true });
    }
    if (before && this.now() - before.atMs < UNDER_WAY_MS) return fail({ code: 'stillUnderWay' });
    try {
      const opened = await this.open(caller, input, id);
      if (opened.ok) await this.store.finish(request, opened.value.id);
      else await this.store.forget(request);
      return opened.ok ? ok({ id: opened.value.id, repeated: false }) : opened;
    } catch (error) {
      await this.store.forget(request);
      throw error;
    }
  }

  private async open(caller: Caller, input: VisitInput, id: string): Promise<Result<{ id: string }, VisitError>> {
    const { kits, answers = {}, bay = 1, plannedStart, odometerKm } = input;
    const vehicle = await this.vehicleOf(caller, input.vehicle);
    if (!vehicle.ok) return vehicle;
    const wanted = {
      vehicle: vehicle.value.id,
      kits,
      answers,
      bay,
      plannedStartMs: plannedStart === undefined ? this.now() : Date.parse(plannedStart),
      ...(odometerKm === undefined ? {} : { odometerKm }),
    };
    const opened = await this.jobs.open(caller, wanted, id);
    // A refused visit leaves nothing behind.
    if (!opened.ok && vehicle.value.added) await this.catalog.dropUntouched(caller.shopId, vehicle.value.id);
    return opened;
  }

  private async vehicleOf(
    { shopId }: Caller,
    given: VisitInput['vehicle'],
  ): Promise<Result<{ id: string; added: boolean }, VehicleError>> {
    if ('id' in given) return ok({ id: given.id, added: false });
    const known = (await this.catalog.vehicles(shopId)).find(({ plate }) => plainVin(plate) === plainVin(given.plate));
    if (known) return ok({ id: known.id, added: false });
    const added = await this.catalog.addVehicle(shopId, { ...given, id: '' });
    return added.ok ? ok({ id: added.value.vehicle.id, added: true }) : added;
  }

  async visits({ caller }: Program, fromMs: number, toMs: number): Promise<Visit[]> {
    return (await this.jobs.cards(caller.shopId, fromMs, toMs)).map(visitOf);
  }

  /** What owners are to come back for, of the visits signed in a stretch of time; one that cannot be read is left out. */
  async due({ caller }: Program, fromMs: number, toMs: number): Promise<VisitDue[]> {
    return (await this.jobs.signedBetween(caller.shopId, fromMs, toMs)).map(({ row, log, closedAtMs }) => {
      const { make, model, plate } = row.vehicle;
      const odometer = row.odometerKm === null ? {} : { odometerKm: row.odometerKm };
      return {
        visit: row.id,
        number: row.number,
        closedAt: new Date(closedAtMs).toISOString(),
        vehicle: { make, model, plate },
        due: dueAfter(log.plan, log.state, { closedAtMs, ...odometer }).map(({ care, atKm, atMs }) => ({
          text: careText(care),
          ...(atKm === undefined ? {} : { atKm }),
          ...(atMs === undefined ? {} : { at: new Date(atMs).toISOString() }),
        })),
      };
    });
  }

  async visit({ caller }: Program, id: string): Promise<Visit | undefined> {
    const card = await this.jobs.card(caller.shopId, id);
    return card && visitOf(card);
  }
}

const visitOf = ({ id, number, bay, plannedStartMs, vehicle, kitTitle, closedAtMs, calledOff }: JobCard): Visit => ({
  id,
  number,
  state: closedAtMs ? 'closed' : calledOff ? 'calledOff' : 'open',
  plannedStart: new Date(plannedStartMs).toISOString(),
  bay,
  vehicle,
  kits: kitTitle,
  ...(closedAtMs ? { closedAt: new Date(closedAtMs).toISOString() } : {}),
});

const tellingCard = ({ id, event, madeAtMs, tries, nextAtMs, doneAtMs, answer }: TellingEntity): TellingCard => ({
  id: Number(id),
  event,
  madeAtMs,
  tries,
  ...(nextAtMs && !doneAtMs ? { nextAtMs } : {}),
  ...(doneAtMs ? { doneAtMs } : {}),
  ...(answer ? { answer } : {}),
  ...(!nextAtMs && !doneAtMs ? { givenUp: true as const } : {}),
});
