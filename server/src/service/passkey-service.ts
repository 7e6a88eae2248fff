import { createHash, randomUUID } from 'node:crypto';
import {
  type AuthenticationResponseJSON,
  generateAuthenticationOptions,
  generateRegistrationOptions,
  type PublicKeyCredentialCreationOptionsJSON,
  type PublicKeyCredentialRequestOptionsJSON,
  type RegistrationResponseJSON,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
} from '@simplewebauthn/server';
import { z } from 'zod';
import type { PasskeyCard } from '#contract/session.ts';
import type { PasskeyEntity } from '../store/entities.ts';
import type { PersonRepository } from '../store/person-repository.ts';
import type { Caller, Site } from './caller.ts';
import type { Once } from './reading-proofs.ts';
import type { ServerCodes } from './server-codes.ts';

/** A question asked of a browser is answered within this, ms. */
const ANSWER_MS = 5 * 60_000;
/** Passkeys a person may have: a phone, a tablet, a key on the ring, and their spares. */
const MOST_PASSKEYS = 10;

const AskedSchema = z.strictObject({ id: z.uuid(), person: z.string().optional(), untilMs: z.number() });
type Asked = z.infer<typeof AskedSchema>;

/**
 * Passkeys (WebAuthn): signing in, and proof for one act, by what the browser keeps for a person.
 * @see W3C Web Authentication Level 2
 */
export class PasskeyService {
  constructor(
    private readonly people: PersonRepository,
    private readonly codes: ServerCodes,
    private readonly once: Once,
    private readonly now: () => number = Date.now,
  ) {}

  /** A question that any server of the shop knows again as its own. */
  private ask(person?: string): Uint8Array<ArrayBuffer> {
    const asked: Asked = { id: randomUUID(), person, untilMs: this.now() + ANSWER_MS };
    return new TextEncoder().encode(this.codes.write('passkey', asked));
  }

  /** Whether a challenge was asked, of this person where it was of one. It is answered once. */
  private async answered(challenge: string, person?: string): Promise<boolean> {
    const asked = AskedSchema.safeParse(
      this.codes.read('passkey', Buffer.from(challenge, 'base64url').toString()),
    ).data;
    if (!asked || asked.untilMs <= this.now() || asked.person !== person) return false;
    return this.once.spend(`passkey ${asked.id}`, randomUUID(), asked.untilMs);
  }

  async list(person: string): Promise<PasskeyCard[]> {
    const passkeys = await this.people.passkeys(person);
    return passkeys.map(({ id, name, madeAtMs }) => ({ id, name, madeAtMs }));
  }

  async registration(site: Site, caller: Caller): Promise<PublicKeyCredentialCreationOptionsJSON> {
    const known = await this.people.passkeys(caller.person.id);
    return generateRegistrationOptions({
      challenge: this.ask(caller.person.id),
      rpName: 'Wrenchman',
      rpID: site.host,
      userName: caller.person.name,
      userID: Buffer.from(caller.person.id),
      attestationType: 'none',
      excludeCredentials: known.map(({ id }) => ({ id })),
      authenticatorSelection: { residentKey: 'preferred', userVerification: 'required' },
    });
  }

  /** Keeps a new passkey. False where the answer does not hold, or there are many already. */
  async register(site: Site, caller: Caller, name: string, response: object): Promise<boolean> {
    if ((await this.people.passkeys(caller.person.id)).length >= MOST_PASSKEYS) return false;
    const verified = await verifyRegistrationResponse({
      response: response as RegistrationResponseJSON,
      expectedChallenge: (challenge) => this.answered(challenge, caller.person.id),
      expectedOrigin: site.origin,
      expectedRPID: site.host,
    }).catch(() => undefined);
    if (!verified?.verified || !verified.registrationInfo) return false;
    const { id, publicKey, counter } = verified.registrationInfo.credential;
    const row = { userId: caller.person.id, name, madeAtMs: this.now(), counter };
    await this.people.addPasskey({ ...row, id, publicKey: Buffer.from(publicKey).toString('base64url') });
    return true;
  }

  remove(caller: Caller, id: string): Promise<boolean> {
    return this.people.removePasskey(caller.person.id, id);
  }

  signInOptions(site: Site): Promise<PublicKeyCredentialRequestOptionsJSON> {
    return generateAuthenticationOptions({
      challenge: this.ask(),
      rpID: site.host,
      userVerification: 'required',
    });
  }

  /** The person a passkey signs in; undefined where its answer does not hold. */
  async signsIn(site: Site, response: object): Promise<string | undefined> {
    const passkey = await this.people.passkey((response as AuthenticationResponseJSON).id);
    if (!passkey) return undefined;
    const counter = await this.verify(
      site,
      passkey,
      response,
      (challenge) => this.answered(challenge),
      passkey.counter,
    );
    if (counter === undefined) return undefined;
    await this.people.usedPasskey(passkey.id, counter);
    return passkey.userId;
  }

  /**
   * Whether a passkey of this person was used for just this text: its hash was the challenge. Made without the network it
   * may come in after later ones, so its counter says nothing here; the text is used once anyway.
   */
  async proves(caller: Caller, person: string, text: string, response: { id: string }): Promise<boolean> {
    const passkey = await this.people.passkey(response.id);
    if (!passkey || passkey.userId !== person) return false;
    const expected = createHash('sha256').update(text).digest('base64url');
    return (await this.verify(caller.site, passkey, response, (given) => given === expected, 0)) !== undefined;
  }

  private async verify(
    site: Site,
    passkey: PasskeyEntity,
    response: object,
    expectedChallenge: (challenge: string) => boolean | Promise<boolean>,
    counter: number,
  ): Promise<number | undefined> {
    // The library throws where anything at all is not as it must be; all of it means the same: not shown.
    const verified = await verifyAuthenticationResponse({
      response: response as AuthenticationResponseJSON,
      expectedChallenge,
      expectedOrigin: site.origin,
      expectedRPID: site.host,
      credential: { id: passkey.id, publicKey: Buffer.from(passkey.publicKey, 'base64url'), counter },
    }).catch(() => undefined);
    return verified?.verified ? verified.authenticationInfo.newCounter : undefined;
  }
}
