import type { SentCommand } from '#contract/job.ts';
import { needsProof } from '#core/job/decide.ts';
import type { Refusal } from '#core/job/refusal.ts';
import type { Person } from '#core/job/role.ts';
import type { ProofKind } from '#core/job/stamp.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { DeviceKeyEntity } from '../store/entities.ts';
import type { Caller } from './caller.ts';
import type { Leaves } from './leaves.ts';
import type { PasskeyService } from './passkey-service.ts';
import type { SessionService } from './session-service.ts';
import { isSignedBy } from './signature.ts';

/** A tablet may stay without the network this long after its key ran out and still bring in what was done before. */
const GRACE_MS = 7 * 86_400_000;

type ReadCommand = Exclude<SentCommand, { unreadable: unknown }>;

/** What was found out about where a command came from. */
export interface Authority {
  by: Person;
  device: string;
  signingKey?: string;
  proof?: ProofKind;
  /** The person cannot have given it on this device before, Unix ms. */
  notBeforeMs: number;
  /** What is kept to show it by, as text. */
  kept?: string;
}

/** The text over which the key behind a PIN signs. Not the command's own, so that one signature never serves for the other. */
const proofText = (text: string): string => `proof\n${text}`;

/**
 * Who a command is from. A signed one is from the person whose key signed it, on the device whose key that is, whoever's
 * session brings it in; one without a signature can only be from the person whose session it comes in.
 */
export class CommandAuthority {
  constructor(
    private readonly sessions: SessionService,
    private readonly passkeys: PasskeyService,
    private readonly leaves: Leaves,
    private readonly now: () => number = Date.now,
  ) {}

  async of(caller: Caller, job: string, input: ReadCommand): Promise<Result<Authority, Refusal>> {
    const notTheirs = fail<Refusal>({ code: 'notSignedInThen', person: input.by });
    const key = input.signed ? await this.sessions.key(input.signed.key) : undefined;
    if (input.signed ? !this.holds(caller, job, input, key) : input.by !== caller.person.id) return notTheirs;
    const by = await this.sessions.personOf(caller, input.by);
    if (!by) return notTheirs;
    const proof = await this.proofOf(caller, input, key);
    if (needsProof(input.command.type) && !proof) return fail({ code: 'proofMissing' });
    return ok({
      by,
      device: caller.deviceId,
      signingKey: key?.id,
      proof,
      notBeforeMs: key?.madeAtMs ?? caller.sessionStartedAtMs,
      kept: input.signed && JSON.stringify({ ...input.signed, proof: input.proof }),
    });
  }

  private holds(
    caller: Caller,
    job: string,
    { job: said, by, signed }: ReadCommand,
    key: DeviceKeyEntity | undefined,
  ): boolean {
    if (!key || !signed || key.revokedAtMs || key.userId !== by || key.deviceId !== caller.deviceId) return false;
    return (
      said === job &&
      key.expiresAtMs > this.now() - GRACE_MS &&
      isSignedBy(key.sessionKey, signed.text, signed.signature)
    );
  }

  private async proofOf(
    caller: Caller,
    input: ReadCommand,
    key: DeviceKeyEntity | undefined,
  ): Promise<ProofKind | undefined> {
    const { proof, signed } = input;
    if (!proof) return undefined;
    switch (proof.kind) {
      case 'pin':
        return key && signed && isSignedBy(key.proofKey, proofText(signed.text), proof.signature) ? 'pin' : undefined;
      case 'passkey':
        return signed && (await this.passkeys.proves(caller, input.by, signed.text, proof.response))
          ? 'passkey'
          : undefined;
      case 'leave':
        return this.leaves.stands(proof.leave, caller.person.id, input.id) ? 'pin' : undefined;
    }
  }
}
