import { z } from 'zod';
import { Ref } from './act/fields.ts';
import type { ShopCard } from './session.ts';
import { MOST_BAYS } from './shop.ts';

const Secret = z.string().min(4).max(200);

/** Opens another shop of the same owner, proven by the lead's own secret. */
export const OpenAnotherSchema = z.strictObject({
  name: z.string().trim().min(1).max(120),
  bays: z.number().int().min(1).max(MOST_BAYS),
  secret: Secret,
});
export type OpenAnother = z.infer<typeof OpenAnotherSchema>;

/** What a shop lets the others have; each says so for itself, and may take it back. */
export const ConsentSchema = z.strictObject({
  /** Its released kits may be taken into their libraries. */
  sharesKits: z.boolean(),
  /** It uses the wrenches of those that say the same, and they its own. */
  wrenchPool: z.boolean(),
});
export type Consent = z.infer<typeof ConsentSchema>;

/** Lets a lead of another shop lead here too. */
export const AlsoLeadSchema = z.strictObject({ person: Ref, secret: Secret });

/** Takes a kit over; `because` answers its warnings, as with a kit file. */
export const TakeKitSchema = z.strictObject({
  shop: Ref,
  kit: z.string().min(1).max(64),
  because: z.string().trim().min(1).max(500).optional(),
});
export type TakeKit = z.infer<typeof TakeKitSchema>;

/** A lead whose own shop is another. */
export interface OtherLead {
  id: string;
  name: string;
  initials: string;
  shop: string;
}

/** What a lead sees of the owner's shops: those they lead, and of this one what it has to do with them. */
export interface OtherShops extends Consent {
  shops: Array<ShopCard & { here: boolean }>;
  /** Leads of other shops who lead here too. */
  leads: OtherLead[];
  /** Leads who could be let in: of the shops that whoever asks leads as well. */
  candidates: OtherLead[];
}

/** A kit that another shop offers. */
export interface OfferedKit {
  shop: ShopCard;
  id: string;
  title: string;
  maker: string;
  revision: number;
  /** The newest revision that is here already. */
  here?: number;
}
