import { randomInt, randomUUID, timingSafeEqual } from 'node:crypto';
import type { DataSource } from 'typeorm';
import {
  type AccessChange,
  type Opening,
  type PersonInput,
  type ShopChangeWhat,
  type ShopInput,
  type ShopPerson,
  type ShopSettings,
  USUAL_SESSION_HOURS,
} from '#contract/shop.ts';
import { say } from '#contract/wording/say.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { UserEntity } from '../store/entities.ts';
import { ShopRepository } from '../store/shop-repository.ts';
import type { Caller } from './caller.ts';
import { codeHashOf, oneTimeCode } from './one-time-code.ts';
import { hashSecret, type SessionService } from './session-service.ts';

/** A code off the console is good for a working day. */
const CODE_MS = 24 * 3_600_000;
/** Changes the settings screen shows. */
const SHOWN = 200;

export type ShopError =
  | { code: 'openedAlready' }
  | { code: 'codeWrong' }
  | { code: 'unknownPerson' }
  | { code: 'initialsTaken'; detail: string }
  | { code: 'lastLead'; detail?: string }
  | { code: 'notYourself' }
  | { code: 'mentorUnknown' };

const personOf = ({ id, name, initials, role, mentorId, skills, leftAtMs, lockedAtMs }: UserEntity): ShopPerson => ({
  id,
  name,
  initials,
  role,
  skills: skills ?? [],
  ...(mentorId ? { mentor: mentorId } : {}),
  ...(leftAtMs ? { leftAtMs } : {}),
  ...(lockedAtMs ? { lockedAtMs } : {}),
});

/** A setting as the log has it. */
const told = (value: unknown): string | undefined =>
  value === undefined || value === null ? undefined : typeof value === 'string' ? value : JSON.stringify(value);

/**
 * Makes a code for the console, in place of one made before; undefined where there is a shop already.
 *
 * @returns the code as it is read out: `K7QM-2XWD`
 */
export async function makeOpeningCode(source: DataSource, nowMs = Date.now()): Promise<string | undefined> {
  const shops = new ShopRepository(source);
  if (await shops.isOpened()) return undefined;
  const code = oneTimeCode();
  await shops.setOpeningCode(codeHashOf(code), nowMs + CODE_MS);
  return code;
}

/** Digits nobody chose, as many as the shop asks for. */
export const newPin = (digits = 4): string => Array.from({ length: Math.max(4, digits) }, () => randomInt(10)).join('');

/** Opening a shop, its settings, and its people. */
export class ShopService {
  constructor(
    private readonly shops: ShopRepository,
    private readonly sessions: SessionService,
    private readonly now: () => number = Date.now,
  ) {}

  /** Whether somebody with the code may open a shop here. */
  async mayOpen(): Promise<boolean> {
    return !(await this.shops.isOpened());
  }

  /** Opens the shop with its first lead; the code counts once. */
  async open({ code, shop, lead }: Opening): Promise<Result<{ person: string }, ShopError>> {
    if (await this.shops.isOpened()) return fail({ code: 'openedAlready' });
    const kept = await this.shops.openingCode();
    const given = Buffer.from(codeHashOf(code), 'hex');
    const right = kept && kept.untilMs > this.now() && timingSafeEqual(Buffer.from(kept.codeHash, 'hex'), given);
    if (!right) return fail({ code: 'codeWrong' });
    const person = randomUUID();
    const id = randomUUID();
    await this.shops.open(
      {
        id,
        name: shop.name,
        bays: shop.bays,
        houseRules: shop.rules,
        secretDigits: 4,
        ...(shop.sessionHours === undefined ? {} : { sessionHours: shop.sessionHours }),
      },
      {
        id: person,
        shopId: id,
        name: lead.name,
        initials: lead.initials.toUpperCase(),
        role: 'lead',
        secretHash: await hashSecret(lead.secret),
      },
      this.now(),
    );
    return ok({ person });
  }

  async settings(shopId: string): Promise<Omit<ShopSettings, 'network'>> {
    const shop = await this.shops.shop(shopId);
    const [people, changes] = await Promise.all([this.shops.people(shopId), this.shops.changes(shopId, SHOWN)]);
    return {
      name: shop?.name ?? '',
      bays: shop?.bays ?? 0,
      sessionHours: shop?.sessionHours ?? USUAL_SESSION_HOURS,
      rules: shop?.houseRules ?? {},
      people: people.map(personOf),
      changes,
    };
  }

  /** Changes the shop's own settings. Jobs that are open keep the rules they were opened with. */
  async change(caller: Caller, input: ShopInput): Promise<void> {
    const before = await this.settings(caller.shopId);
    const changes: ShopChangeWhat[] = [];
    const note = (field: string, from: unknown, to: unknown) => {
      if (told(from) !== told(to)) changes.push({ what: 'setting', field, from: told(from), to: told(to) });
    };
    note('name', before.name, input.name);
    note('bays', before.bays, input.bays);
    const sessionHours = input.sessionHours ?? before.sessionHours;
    note('sessionHours', before.sessionHours, sessionHours);
    for (const field of new Set([...Object.keys(before.rules), ...Object.keys(input.rules)]))
      note(field, before.rules[field as keyof typeof before.rules], input.rules[field as keyof typeof input.rules]);
    if (changes.length === 0) return;
    const shop = { name: input.name, bays: input.bays, sessionHours, houseRules: input.rules };
    await this.shops.change(caller.shopId, caller.person, this.now(), changes, { shop });
  }

  private async fault(shopId: string, input: PersonInput, id?: string): Promise<ShopError | undefined> {
    const people = await this.shops.people(shopId);
    const others = people.filter((person) => person.id !== id && !person.leftAtMs);
    const initials = input.initials.toUpperCase();
    const taken = others.find((person) => person.initials === initials);
    if (taken) return { code: 'initialsTaken', detail: say('{initials} is {name}.', { initials, name: taken.name }) };
    if (input.mentor !== undefined && !others.some((person) => person.id === input.mentor))
      return { code: 'mentorUnknown' };
    const own = people.find((person) => person.id === id);
    if (own?.role === 'lead' && input.role !== 'lead' && !others.some(isWorkingLead)) return { code: 'lastLead' };
    return undefined;
  }

  /** Takes somebody in. Their PIN is made here and told once. */
  async addPerson(caller: Caller, input: PersonInput): Promise<Result<{ id: string; pin: string }, ShopError>> {
    const fault = await this.fault(caller.shopId, input);
    if (fault) return fail(fault);
    const id = randomUUID();
    const pin = await this.newPin(caller.shopId);
    const person = {
      id,
      shopId: caller.shopId,
      name: input.name,
      initials: input.initials.toUpperCase(),
      role: input.role,
      mentorId: input.mentor ?? null,
      skills: input.skills ?? [],
      secretHash: await hashSecret(pin),
    };
    const change = { what: 'person', person: input.name, did: 'added', to: input.role } as const;
    await this.shops.change(caller.shopId, caller.person, this.now(), [change], { insert: person });
    return ok({ id, pin });
  }

  async changePerson(caller: Caller, id: string, input: PersonInput): Promise<Result<{ id: string }, ShopError>> {
    const person = (await this.shops.people(caller.shopId)).find((entry) => entry.id === id);
    if (!person) return fail({ code: 'unknownPerson' });
    const fault = await this.fault(caller.shopId, input, id);
    if (fault) return fail(fault);
    const set = {
      name: input.name,
      initials: input.initials.toUpperCase(),
      role: input.role,
      mentorId: input.mentor ?? null,
      skills: input.skills ?? [],
    };
    const told = ({ name, initials, role, skills }: Pick<UserEntity, 'name' | 'initials' | 'role' | 'skills'>) =>
      [name, initials, role, ...(skills ?? [])].join(', ');
    const change = { what: 'person', person: person.name, did: 'changed', from: told(person), to: told(set) } as const;
    await this.shops.change(caller.shopId, caller.person, this.now(), [change], { person: { id, set } });
    // What they may do is read anew with their next request.
    await this.sessions.changed();
    return ok({ id });
  }

  /** A lead locks, lets go, takes back, or gives a new PIN; whoever it is is signed out everywhere. */
  async changeAccess(
    caller: Caller,
    id: string,
    access: AccessChange['do'],
  ): Promise<Result<{ pin?: string }, ShopError>> {
    const people = await this.shops.people(caller.shopId);
    const person = people.find((entry) => entry.id === id);
    if (!person) return fail({ code: 'unknownPerson' });
    const shuts = access === 'lock' || access === 'leave';
    if (shuts && id === caller.person.id) return fail({ code: 'notYourself' });
    if (shuts && !people.some((entry) => entry.id !== id && isWorkingLead(entry))) return fail({ code: 'lastLead' });
    const [alone] = shuts ? await this.shops.ledOnlyBy(id) : [];
    if (alone !== undefined)
      return fail({ code: 'lastLead', detail: say('{name} alone leads {alone}.', { name: person.name, alone }) });
    if (access === 'return') {
      const taken = people.find((entry) => entry.id !== id && !entry.leftAtMs && entry.initials === person.initials);
      if (taken)
        return fail({
          code: 'initialsTaken',
          detail: say('{initials} is {name} now.', { initials: person.initials, name: taken.name }),
        });
    }
    const nowMs = this.now();
    // Who comes back, or has forgotten, begins with a PIN that nobody else knows.
    const pin = access === 'resetPin' || access === 'return' ? await this.newPin(caller.shopId) : undefined;
    const set: Partial<UserEntity> = {
      ...(pin ? { secretHash: await hashSecret(pin) } : {}),
      ...(access === 'lock' ? { lockedAtMs: nowMs } : {}),
      ...(access === 'unlock' ? { lockedAtMs: null } : {}),
      ...(access === 'leave' ? { leftAtMs: nowMs } : {}),
      ...(access === 'return' ? { leftAtMs: null, lockedAtMs: null } : {}),
    };
    const change = { what: 'person', person: person.name, did: access } as const;
    await this.shops.change(caller.shopId, caller.person, nowMs, [change], { person: { id, set } });
    if (access !== 'unlock') await this.sessions.signOutEverywhere(id);
    return ok(pin ? { pin } : {});
  }

  private async newPin(shopId: string): Promise<string> {
    return newPin((await this.shops.shop(shopId))?.secretDigits);
  }
}

const isWorkingLead = ({ role, leftAtMs, lockedAtMs }: UserEntity): boolean =>
  role === 'lead' && !leftAtMs && !lockedAtMs;
