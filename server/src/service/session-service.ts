import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type { OwnSettings } from '#contract/own-settings.ts';
import {
  type ChangeSecret,
  type HandOver,
  type HandOverInput,
  HandOverSchema,
  type PersonCard,
  type PublicKeys,
  type Session,
  type SignIn,
  type SignInOptions,
} from '#contract/session.ts';
import { MOST_SESSION_HOURS, USUAL_SESSION_HOURS } from '#contract/shop.ts';
import type { Person } from '#core/job/role.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { DeviceEntity, DeviceKeyEntity, UserEntity } from '../store/entities.ts';
import type { PersonRepository } from '../store/person-repository.ts';
import type { Caller, Site } from './caller.ts';
import type { News } from './news.ts';
import type { PasskeyService } from './passkey-service.ts';
import { SecretTries, UNKNOWN_DEVICE } from './secret-tries.ts';
import { isDeviceKey, isSignedBy } from './signature.ts';

/** As long as any shop lets a sign-in last: a cookie is not kept beyond it. */
export const LONGEST_SESSION_MS = MOST_SESSION_HOURS * 3_600_000;
/** A device is known for this long after it was last signed in on. */
export const DEVICE_MS = 400 * 86_400_000;
/** What a device signs without the network counts this long after its person typed their PIN on it. */
const KEY_MS = 7 * 86_400_000;
/** Sessions are read from the store once and then believed, until one ends here or another server says that one did. */
const BELIEVED_MS = 60_000;
const MOST_BELIEVED = 5000;

/** What came with a request: cookies, and how the device calls itself. */
export interface From {
  session?: string;
  device?: string;
  deviceName: string;
  site: Site;
  /** From the server's own machine, with nothing in between. */
  local: boolean;
}

/** A device's own cookie, where it was given a new one. */
export interface SignedIn {
  token: string;
  deviceToken?: string;
  session: Session;
}

export type SignInError =
  | { code: 'wrongSecret' }
  | { code: 'badKeys' }
  | { code: 'deviceNotPaired' }
  | { code: 'tooManyAttempts'; retryAfterS: number };

/** What the store keeps of a token. */
export const tokenHashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
/** A token for a cookie: 256 bits. */
export const newToken = (): string => randomBytes(32).toString('base64url');
const cardOf = ({ id, name, initials, role }: UserEntity): PersonCard => ({ id, name, initials, role });
/** As they are in a shop that is not their own: there, whoever works is a lead. */
const leadCardOf = (user: UserEntity): PersonCard => ({ ...cardOf(user), role: 'lead' });

/** What a session says of its shop: nothing where it is the person's own. */
const elsewhere = (user: UserEntity, shopId: string): string | null => (shopId === user.shopId ? null : shopId);

/** Whether a person works here now: who has left or is locked signs in nowhere. */
const works = ({ leftAtMs, lockedAtMs }: UserEntity): boolean => !leftAtMs && !lockedAtMs;

/** Hashes a PIN or password with argon2id. @see RFC 9106 */
export const hashSecret = (secret: string): Promise<string> => hash(secret);

/** People signing in, out, and passing a device on; and whose signature is whose. */
export class SessionService {
  private readonly believed = new Map<string, { caller: Caller; untilMs: number }>();
  private readonly keys = new Map<string, DeviceKeyEntity>();
  /** What stays open while a session lasts, by the hash of its token. */
  private readonly watched = new Map<string, Set<() => void>>();
  private readonly tries: SecretTries;
  /** Verified against when the person does not exist, so that both answers take equally long. */
  private readonly decoy = hash(randomBytes(16).toString('hex'));

  constructor(
    private readonly people: PersonRepository,
    private readonly passkeys: PasskeyService,
    private readonly demoPins: Record<string, string> | undefined,
    private readonly news: Pick<News, 'on' | 'tell'>,
    private readonly now: () => number = Date.now,
  ) {
    this.tries = new SecretTries(people);
    news.on('sessions', () => this.lookAgain());
  }

  /**
   * Who may sign in: at the shop that is asked for, else at the device's, else at the only one there is.
   * @param device - its cookie
   */
  async options(device: string | undefined, asked: string | undefined): Promise<SignInOptions> {
    const shops = await this.people.shops();
    const known = shops.length > 1 ? await this.deviceBy(device) : undefined;
    const find = (id: string | undefined) => shops.find((shop) => shop.id === id);
    const shop = find(asked) ?? find(known?.shopId) ?? (shops.length === 1 ? shops[0] : undefined);
    const several = shops.length > 1 ? { shops: shops.map(({ id, name }) => ({ id, name })) } : {};
    if (!shop) return { shop: '', people: [], ...several };
    const [own, also] = await Promise.all([this.people.people(shop.id), this.people.alsoLeads(shop.id)]);
    const people = [...own.filter(works).map(cardOf), ...also.filter(works).map(leadCardOf)];
    return { shop: shop.name, shopId: shop.id, people, demoPins: this.demoPins, ...several };
  }

  /** Whether a secret is right; a wrong one is counted, and too many wait. */
  private async checkSecret(
    user: UserEntity | undefined,
    deviceId: string,
    secret: string,
  ): Promise<SignInError | undefined> {
    const retryAfterS = user && (await this.tries.wait(user.id, deviceId, this.now()));
    if (retryAfterS !== undefined) return { code: 'tooManyAttempts', retryAfterS };
    const right = await verify(user?.secretHash ?? (await this.decoy), secret);
    if (!user || !right || !works(user)) return { code: 'wrongSecret' };
    await this.tries.right(user.id, deviceId);
    return undefined;
  }

  /** The device that asks, where it is one of the shops its person may work in. */
  private async knownDevice(from: From, places: readonly string[]): Promise<DeviceEntity | undefined> {
    const device = await this.deviceBy(from.device);
    return device && places.includes(device.shopId) ? device : undefined;
  }

  /** A device as its cookie names it, put out or not known where there is none. */
  async deviceBy(token: string | undefined): Promise<DeviceEntity | undefined> {
    const device = token ? await this.people.device(tokenHashOf(token)) : undefined;
    return device?.revokedAtMs ? undefined : device;
  }

  /** Whether a device may be signed in on at all: where the shop says so, only one a lead has let in. */
  private async notLetIn(
    device: DeviceEntity | undefined,
    { local }: Pick<From, 'local'>,
    shopId: string,
  ): Promise<{ code: 'deviceNotPaired' } | undefined> {
    // Whoever sits at the server's own machine could read the whole database: it is always let in.
    if (device?.pairedAtMs || local) return undefined;
    return (await this.people.shop(shopId))?.pairedOnly ? { code: 'deviceNotPaired' } : undefined;
  }

  /** Signs in and gives a fresh token; the session the device had ends, so that tokens rotate. */
  async signIn({ person, secret, keys, shop }: SignIn, from: From): Promise<Result<SignedIn, SignInError>> {
    if (keys && !(isDeviceKey(keys.session) && isDeviceKey(keys.proof))) return fail({ code: 'badKeys' });
    const user = await this.people.person(person);
    const places = user ? await this.people.placesOf(user) : [];
    const known = await this.knownDevice(from, places);
    const wrong = await this.checkSecret(user, known?.id ?? UNKNOWN_DEVICE, secret);
    if (wrong || !user) return fail(wrong ?? { code: 'wrongSecret' });
    const shopId = shop !== undefined && places.includes(shop) ? shop : (known?.shopId ?? user.shopId);
    const shut = await this.notLetIn(known, from, shopId);
    if (shut) return fail(shut);
    const signedIn = await this.admit(user, shopId, known, from, keys);
    const { session } = signedIn;
    const short = secret.length < session.shop.secretDigits;
    return ok(short ? { ...signedIn, session: { ...session, secretTooShort: true } } : signedIn);
  }

  /** Signs in by a passkey. No PIN was typed, so no keys are made by it: what is done without the network needs the PIN. */
  async signInByPasskey(response: object, from: From): Promise<Result<SignedIn, SignInError>> {
    const person = await this.passkeys.signsIn(from.site, response);
    const user = person === undefined ? undefined : await this.people.person(person);
    if (!user || !works(user)) return fail({ code: 'wrongSecret' });
    const known = await this.knownDevice(from, await this.people.placesOf(user));
    const shopId = known?.shopId ?? user.shopId;
    const shut = await this.notLetIn(known, from, shopId);
    return shut ? fail(shut) : ok(await this.admit(user, shopId, known, from, undefined));
  }

  private async admit(
    user: UserEntity,
    shopId: string,
    known: DeviceEntity | undefined,
    from: From,
    keys: PublicKeys | undefined,
  ): Promise<SignedIn> {
    const { device, deviceToken } = await this.deviceOf(known, shopId, from.deviceName);
    const key = keys && (await this.addKey(user.id, device.id, keys));
    const expiresAtMs = this.now() + (await this.sessionMs(shopId));
    return { ...(await this.start(user, shopId, device.id, from, expiresAtMs, key)), deviceToken };
  }

  private async deviceOf(
    known: DeviceEntity | undefined,
    shopId: string,
    name: string,
  ): Promise<{ device: Pick<DeviceEntity, 'id'>; deviceToken?: string }> {
    const nowMs = this.now();
    if (known) {
      await this.people.sawDevice(known.id, nowMs);
      return { device: known };
    }
    const deviceToken = newToken();
    const device = {
      id: randomUUID(),
      shopId,
      tokenHash: tokenHashOf(deviceToken),
      name: name.slice(0, 80),
      madeAtMs: nowMs,
      seenAtMs: nowMs,
    };
    await this.people.addDevice(device);
    return { device, deviceToken };
  }

  /** How long a sign-in lasts in this shop: a tablet left lying is signed out after it. */
  private async sessionMs(shopId: string): Promise<number> {
    return ((await this.people.shop(shopId))?.sessionHours ?? USUAL_SESSION_HOURS) * 3_600_000;
  }

  private async addKey(userId: string, deviceId: string, { session, proof }: PublicKeys): Promise<string> {
    const id = randomUUID();
    const madeAtMs = this.now();
    const key = {
      id,
      deviceId,
      userId,
      sessionKey: session,
      proofKey: proof,
      madeAtMs,
      expiresAtMs: madeAtMs + KEY_MS,
    };
    await this.people.addKey(key);
    return id;
  }

  /** Begins a session, and ends the one the device had. */
  private async start(
    user: UserEntity,
    shopId: string,
    deviceId: string,
    from: From,
    expiresAtMs: number,
    key?: string,
  ): Promise<{ token: string; session: Session }> {
    if (from.session) await this.end(tokenHashOf(from.session));
    const token = newToken();
    await this.people.startSession({
      tokenHash: tokenHashOf(token),
      userId: user.id,
      deviceId,
      startedAtMs: this.now(),
      expiresAtMs,
      shopId: elsewhere(user, shopId),
    });
    return { token, session: { ...(await this.describe(user, shopId, deviceId)), key } };
  }

  private async describe(user: UserEntity, shopId: string, device: string): Promise<Session> {
    const [shops, places] = await Promise.all([this.people.shops(), this.people.placesOf(user)]);
    const shop = shops.find((entry) => entry.id === shopId);
    const { id = '', name = '', bays = 0, secretDigits = 4, houseRules } = shop ?? {};
    const { ownSettings: own } = user;
    const lead = shops
      .filter((entry) => places.includes(entry.id))
      .map((entry) => ({ id: entry.id, name: entry.name }));
    return {
      person: shopId === user.shopId ? cardOf(user) : leadCardOf(user),
      ...(lead.length > 1 ? { shops: lead } : {}),
      shop: { id, name, bays, secretDigits, ...(houseRules ? { rules: houseRules } : {}) },
      device,
      ...(own ? { own } : {}),
    };
  }

  /**
   * A session for somebody who took over on a device without the network: what they signed then with the key that their
   * PIN unlocks. Counts while a session would that had begun then, and not after they signed out.
   */
  async handOver(input: HandOverInput, from: From): Promise<Result<SignedIn, { code: 'handOverRefused' }>> {
    const refused = fail({ code: 'handOverRefused' as const });
    const said = this.readHandOver(input.text);
    const key = await this.key(input.key);
    const nowMs = this.now();
    if (!said || !key || key.revokedAtMs || key.userId !== said.person) return refused;
    const user = await this.people.person(key.userId);
    const device = user && (await this.knownDevice(from, await this.people.placesOf(user)));
    const atMs = Math.min(nowMs, Math.max(said.atMs, key.madeAtMs));
    // Where there was no line to choose another by, it is the tablet's own shop.
    const shopId = device?.shopId ?? '';
    const sessionMs = await this.sessionMs(shopId);
    const fresh = atMs + sessionMs > nowMs && key.expiresAtMs > nowMs;
    if (!user || !works(user) || !device || device.id !== key.deviceId || said.device !== device.id || !fresh)
      return refused;
    if (!isSignedBy(key.proofKey, input.text, input.signature)) return refused;
    if (await this.people.signedOutSince(user.id, device.id, atMs)) return refused;
    return ok(await this.start(user, shopId, device.id, from, atMs + sessionMs, key.id));
  }

  private readHandOver(text: string): HandOver | undefined {
    try {
      return HandOverSchema.safeParse(JSON.parse(text)).data;
    } catch {
      // Not JSON: nothing was said.
      return undefined;
    }
  }

  async session(caller: Caller): Promise<Session | undefined> {
    const user = await this.people.person(caller.person.id);
    return user && this.describe(user, caller.shopId, caller.deviceId);
  }

  /** Goes on in another shop that the caller leads, on the same device. */
  async switchShop(
    caller: Caller,
    shopId: string,
    from: From,
  ): Promise<Result<Session, { code: 'notPermitted' | 'deviceNotPaired' }>> {
    const user = await this.people.person(caller.person.id);
    if (!user || !(await this.people.placesOf(user)).includes(shopId)) return fail({ code: 'notPermitted' });
    const shut = await this.notLetIn(await this.deviceBy(from.device), from, shopId);
    if (shut) return fail(shut);
    await this.people.moveSession(caller.tokenHash, elsewhere(user, shopId));
    // Lines that were open on the other shop's jobs close.
    this.over(caller.tokenHash);
    await this.changed();
    return ok(await this.describe(user, shopId, caller.deviceId));
  }

  async caller(token: string | undefined, site: Site): Promise<Caller | undefined> {
    if (!token) return undefined;
    const tokenHash = tokenHashOf(token);
    const nowMs = this.now();
    const believed = this.believed.get(tokenHash);
    if (believed && believed.untilMs > nowMs) return { ...believed.caller, site };
    this.believed.delete(tokenHash);
    const found = await this.people.openSession(tokenHash, nowMs);
    if (!found || !works(found.user)) return undefined;
    const { session, user } = found;
    const caller: Caller = {
      person: { id: user.id, name: user.name, role: session.shopId ? 'lead' : user.role },
      card: session.shopId ? leadCardOf(user) : cardOf(user),
      shopId: session.shopId ?? user.shopId,
      deviceId: session.deviceId,
      tokenHash,
      sessionStartedAtMs: session.startedAtMs,
      sessionExpiresAtMs: session.expiresAtMs,
      site,
    };
    if (this.believed.size >= MOST_BELIEVED) this.believed.clear();
    this.believed.set(tokenHash, { caller, untilMs: Math.min(nowMs + BELIEVED_MS, session.expiresAtMs) });
    return caller;
  }

  signOut(caller: Caller): Promise<void> {
    return this.end(caller.tokenHash);
  }

  private async end(tokenHash: string): Promise<void> {
    await this.people.endSession(tokenHash, this.now());
    this.believed.delete(tokenHash);
    this.over(tokenHash);
    await this.news.tell('sessions');
  }

  private over(tokenHash: string): void {
    for (const ended of this.watched.get(tokenHash) ?? []) ended();
  }

  /** Calls back when a session ends, at whichever server; returns how to stop. For what stays open while it lasts. */
  watch(tokenHash: string, ended: () => void): () => void {
    const backs = this.watched.get(tokenHash) ?? new Set<() => void>();
    this.watched.set(tokenHash, backs.add(ended));
    return () => {
      backs.delete(ended);
      if (backs.size === 0 && this.watched.get(tokenHash) === backs) this.watched.delete(tokenHash);
    };
  }

  /** Sessions or people changed, here or at another server: what is believed is read anew, and what is over ends. */
  private async lookAgain(): Promise<void> {
    this.believed.clear();
    this.keys.clear();
    const watched = [...this.watched.keys()];
    const open = await this.people.openOnes(watched, this.now());
    for (const tokenHash of watched) if (!open.has(tokenHash)) this.over(tokenHash);
  }

  /** A person, or who is signed in where, was changed in the store: this server goes by it at once, others soon. */
  async changed(): Promise<void> {
    await this.lookAgain();
    await this.news.tell('sessions');
  }

  /** Changes a person's own secret. Their other sessions end, and what other devices hold of them counts no more. */
  async changeSecret(
    caller: Caller,
    { secret, next }: ChangeSecret,
  ): Promise<Result<void, SignInError | { code: 'secretTooShort'; digits: number }>> {
    const user = await this.people.person(caller.person.id);
    const wrong = await this.checkSecret(user, caller.deviceId, secret);
    if (wrong) return fail(wrong);
    const digits = (await this.people.shop(user?.shopId ?? ''))?.secretDigits ?? 4;
    if (next.length < digits) return fail({ code: 'secretTooShort', digits });
    await this.people.setSecret(caller.person.id, await hashSecret(next));
    await this.people.endOtherSessions(caller.person.id, caller.tokenHash, this.now());
    await this.people.revokeKeys(caller.person.id, this.now());
    await this.changed();
    return ok(undefined);
  }

  /** Ends every session of a person; what devices hold of them counts no more. */
  async signOutEverywhere(personId: string): Promise<void> {
    await this.people.endOtherSessions(personId, '', this.now());
    await this.people.revokeKeys(personId, this.now());
    await this.changed();
  }

  /** What a person likes goes with them. */
  keepOwn(caller: Caller, own: OwnSettings): Promise<void> {
    return this.people.setOwn(caller.person.id, own);
  }

  setSecretRule(caller: Caller, digits: number): Promise<void> {
    return this.people.setSecretDigits(caller.shopId, digits);
  }

  /** Whether the caller's own secret is right, for an act that needs it. */
  async prove(caller: Caller, secret: string): Promise<Result<void, SignInError>> {
    const wrong = await this.checkSecret(await this.people.person(caller.person.id), caller.deviceId, secret);
    return wrong ? fail(wrong) : ok(undefined);
  }

  /** A key by its id; kept, for every command needs it. */
  async key(id: string): Promise<DeviceKeyEntity | undefined> {
    const known = this.keys.get(id);
    if (known) return known;
    const key = await this.people.key(id);
    if (key) {
      if (this.keys.size >= MOST_BELIEVED) this.keys.clear();
      this.keys.set(id, key);
    }
    return key;
  }

  /** A person of the caller's shop. */
  async personOf(caller: Caller, id: string): Promise<Person | undefined> {
    if (id === caller.person.id) return caller.person;
    const user = await this.people.person(id);
    if (user?.shopId === caller.shopId) return { id: user.id, name: user.name, role: user.role };
    const also = user !== undefined && (await this.people.placesOf(user)).includes(caller.shopId);
    return also ? { id: user.id, name: user.name, role: 'lead' } : undefined;
  }
}
