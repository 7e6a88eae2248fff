import { z } from 'zod';
import type { Role } from '#core/job/role.ts';
import type { HouseRules } from '#core/kit/house-rules.ts';
import { Ref } from './act/fields.ts';
import type { OwnSettings } from './own-settings.ts';
import { textUpTo } from './text.ts';

/** A PIN of four to twelve digits, or a longer password. */
const Secret = z.string().min(4).max(200);
/** A P-256 public key: SPKI, base64. */
const PublicKey = z.base64().max(200);
/** An ECDSA signature over P-256 and SHA-256, IEEE P1363 form, base64. */
export const SignatureSchema = z.base64().max(100);

/** The public halves of the keys that a device made for a person: one for what they do, one for what needs their PIN. */
const KeysSchema = z.strictObject({ session: PublicKey, proof: PublicKey });
export type PublicKeys = z.infer<typeof KeysSchema>;

/** `shop`: where a lead of several shops wants to work; left out, the tablet's. */
export const SignInSchema = z.strictObject({
  person: Ref,
  secret: Secret,
  keys: KeysSchema.optional(),
  shop: Ref.optional(),
});
export type SignIn = z.infer<typeof SignInSchema>;

/** What a device signs with a person's proof key when they took over on it without the network. */
export const HandOverSchema = z.strictObject({
  purpose: z.literal('handOver'),
  device: z.uuid(),
  person: Ref,
  atMs: z.number().int().positive(),
});
export type HandOver = z.infer<typeof HandOverSchema>;

/** A {@link HandOver} as it was signed, for a session at the server. */
export const HandOverInputSchema = z.strictObject({
  text: z.string().max(500),
  key: z.uuid(),
  signature: SignatureSchema,
});
export type HandOverInput = z.infer<typeof HandOverInputSchema>;

export const ChangeSecretSchema = z.strictObject({ secret: Secret, next: Secret });
export type ChangeSecret = z.infer<typeof ChangeSecretSchema>;

/** Goes to work in another shop that the person leads. */
export const SwitchShopSchema = z.strictObject({ shop: Ref });

/** The least length of secrets in the shop, set by a lead. */
export const SecretRuleSchema = z.strictObject({ digits: z.number().int().min(4).max(12) });

/** Asks for leave to give one command without keys: over plain http a browser has none to make. */
export const ProofInputSchema = z.strictObject({ secret: Secret, command: z.uuid() });

export interface PersonCard {
  id: string;
  name: string;
  initials: string;
  role: Role;
}

export interface ShopCard {
  id: string;
  name: string;
}

export interface SignInOptions {
  /** Empty where there is none yet, or one has to be chosen first. */
  shop: string;
  /** The shop's id, where there is one. */
  shopId?: string;
  /** To choose from, where the installation has several. */
  shops?: ShopCard[];
  people: PersonCard[];
  /** PINs by person, in the demo only. */
  demoPins?: Record<string, string>;
}

export interface Session {
  person: PersonCard;
  /** `rules`: what the shop sets itself, as new jobs are opened with it. */
  shop: { id: string; name: string; bays: number; secretDigits: number; rules?: Partial<HouseRules> };
  /** Given by the server; a device keeps it. */
  device: string;
  /** The keys of this sign-in at the server, where the device made some. */
  key?: string;
  /** What the person likes, where they ever said. */
  own?: OwnSettings;
  /** Shops they lead, where it is more than one. */
  shops?: ShopCard[];
  /** The shop asks for a longer secret than this person's. */
  secretTooShort?: boolean;
}

/** A passkey as its owner sees it. */
export interface PasskeyCard {
  id: string;
  name: string;
  madeAtMs: number;
}

/** What a browser answers about a passkey, as WebAuthn has it; read by the library that checks it. */
const Credential = z.looseObject({ id: z.string().min(1).max(400) });
export const PasskeySignInSchema = z.strictObject({ response: Credential });
export const PasskeyRegisterSchema = z.strictObject({ name: textUpTo(80).min(1), response: Credential });
