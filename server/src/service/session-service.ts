import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import type { PersonCard, Session, SignIn, SignInOptions } from '#contract/session.ts';
import type { Person } from '#core/job/role.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { ShopEntity, UserEntity } from '../store/entities.ts';
import type { PersonRepository } from '../store/person-repository.ts';

/** A shift and its overtime; a tablet left lying is signed out after it. */
export const SESSION_MS = 14 * 3_600_000;
/** A session read from the store is believed for this long, so that a tablet's every pull need not ask again. */
const BELIEVED_MS = 2000;
/** Wrong secrets in a row before a person is locked, and for how long. */
const ATTEMPTS = 5;
const LOCK_MS = 60_000;

/** Who is asking: the person, their shop and the device. */
export interface Caller {
  person: Person;
  card: PersonCard;
  shopId: string;
  deviceId: string;
  tokenHash: string;
}

const tokenHashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
const cardOf = ({ id, name, initials, role }: UserEntity): PersonCard => ({ id, name, initials, role });

/** Hashes a PIN or password with argon2id. @see RFC 9106 */
export const hashSecret = (secret: string): Promise<string> => hash(secret);

export class SessionService {
  private readonly believed = new Map<string, { caller: Caller; untilMs: number }>();
  /** Verified against when the person does not exist, so that both answers take equally long. */
  private readonly decoy = hash(randomBytes(16).toString('hex'));

  constructor(
    private readonly people: PersonRepository,
    private readonly demoPins: Record<string, string> | undefined,
    private readonly now: () => number = Date.now,
  ) {}

  async options(): Promise<SignInOptions> {
    const shop = await this.people.shop();
    if (!shop) return { shop: '', people: [] };
    const people = (await this.people.people(shop.id)).map(cardOf);
    return { shop: shop.name, people, demoPins: this.demoPins };
  }

  /** Signs in and gives a fresh token; `previous` is the token to end, so that tokens rotate. */
  async signIn(
    { person, secret, device }: SignIn,
    previous?: string,
  ): Promise<
    Result<
      { token: string; session: Session },
      { code: 'wrongSecret' } | { code: 'tooManyAttempts'; retryAfterS: number }
    >
  > {
    const nowMs = this.now();
    const user = await this.people.person(person);
    if (user?.lockedUntilMs && user.lockedUntilMs > nowMs) {
      return fail({ code: 'tooManyAttempts', retryAfterS: Math.ceil((user.lockedUntilMs - nowMs) / 1000) });
    }
    const right = await verify(user?.secretHash ?? (await this.decoy), secret);
    if (!user || !right) {
      if (user) {
        // The count starts afresh after each lock.
        const locks = (user.failedAttempts + 1) % ATTEMPTS === 0;
        await this.people.noteFailure(user.id, locks ? nowMs + LOCK_MS : null);
      }
      return fail({ code: 'wrongSecret' });
    }
    if (user.failedAttempts > 0) await this.people.clearFailures(user.id);
    if (previous) {
      this.believed.delete(tokenHashOf(previous));
      await this.people.endSession(tokenHashOf(previous), nowMs);
    }
    const token = randomBytes(32).toString('base64url');
    await this.people.startSession({
      tokenHash: tokenHashOf(token),
      userId: user.id,
      deviceId: device,
      startedAtMs: nowMs,
      expiresAtMs: nowMs + SESSION_MS,
    });
    const shop = await this.people.shop();
    return ok({ token, session: this.describe(cardOf(user), shop) });
  }

  private describe(person: PersonCard, shop: ShopEntity | undefined): Session {
    return { person, shop: { id: shop?.id ?? '', name: shop?.name ?? '', bays: shop?.bays ?? 0 } };
  }

  async session(caller: Caller): Promise<Session> {
    return this.describe(caller.card, await this.people.shop());
  }

  async caller(token: string | undefined): Promise<Caller | undefined> {
    if (!token) return undefined;
    const tokenHash = tokenHashOf(token);
    const nowMs = this.now();
    const believed = this.believed.get(tokenHash);
    if (believed && believed.untilMs > nowMs) return believed.caller;
    this.believed.delete(tokenHash);
    const found = await this.people.openSession(tokenHash, nowMs);
    if (!found) return undefined;
    const { session, user } = found;
    const caller: Caller = {
      person: { id: user.id, name: user.name, role: user.role },
      card: cardOf(user),
      shopId: user.shopId,
      deviceId: session.deviceId,
      tokenHash,
    };
    for (const [known, { untilMs }] of this.believed) if (untilMs <= nowMs) this.believed.delete(known);
    this.believed.set(tokenHash, { caller, untilMs: Math.min(nowMs + BELIEVED_MS, session.expiresAtMs) });
    return caller;
  }

  async signOut(caller: Caller): Promise<void> {
    this.believed.delete(caller.tokenHash);
    await this.people.endSession(caller.tokenHash, this.now());
  }

  /**
   * The person a queued command is from: the caller, or someone who was signed in on the caller's device when the
   * command was given.
   */
  async actor(caller: Caller, personId: string, atMs: number): Promise<Person | undefined> {
    if (personId === caller.person.id) return caller.person;
    if (!(await this.people.wasSignedIn(personId, caller.deviceId, atMs))) return undefined;
    const user = await this.people.person(personId);
    return user && user.shopId === caller.shopId ? { id: user.id, name: user.name, role: user.role } : undefined;
  }
}
