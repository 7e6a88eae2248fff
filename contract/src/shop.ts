import { z } from 'zod';
import { ROLES, type Role } from '#core/job/role.ts';
import { SKILLS, type Skill } from '#core/job/skill.ts';
import type { HouseRules } from '#core/kit/house-rules.ts';
import { HouseRulesSchema } from './house-rules.ts';
import type { Book } from './moving-in/book.ts';

const Name = z.string().trim().min(1).max(120);
/** Two or three letters that stand for a person on cards and stamps. */
const Initials = z
  .string()
  .trim()
  .regex(/^\p{L}{1,4}$/u, 'one to four letters');
const Secret = z.string().min(4).max(200);

/** Most bays of a shop. */
export const MOST_BAYS = 60;

/** What a person is, as a lead writes it. */
export const PersonInputSchema = z.strictObject({
  name: Name,
  initials: Initials,
  role: z.enum(ROLES),
  /** Who answers for an apprentice. */
  mentor: z.string().min(1).max(64).optional(),
  skills: z.array(z.enum(SKILLS)).max(SKILLS.length).optional(),
});
export type PersonInput = z.infer<typeof PersonInputSchema>;

/** What a lead does to a person's access, proven by their own secret. */
export const AccessChangeSchema = z.strictObject({
  do: z.enum(['resetPin', 'lock', 'unlock', 'leave', 'return']),
  secret: Secret,
});
export type AccessChange = z.infer<typeof AccessChangeSchema>;

/** A person as the people screen shows them; who has left stays, with all they did. */
export interface ShopPerson {
  id: string;
  name: string;
  initials: string;
  role: Role;
  mentor?: string;
  skills: Skill[];
  leftAtMs?: number;
  lockedAtMs?: number;
}

/** How long a sign-in lasts where the shop says nothing, hours: a shift and its overtime; and the longest it may say. */
export const USUAL_SESSION_HOURS = 14;
export const MOST_SESSION_HOURS = 24;

/** A shop's own settings. */
export const ShopInputSchema = z.strictObject({
  name: Name,
  bays: z.number().int().min(1).max(MOST_BAYS),
  /** Left out, as it is. */
  sessionHours: z.number().int().min(1).max(MOST_SESSION_HOURS).optional(),
  rules: HouseRulesSchema,
});
export type ShopInput = z.infer<typeof ShopInputSchema>;

/** Opens an empty installation: the code off the console, the shop, and its first lead. */
export const OpeningSchema = z.strictObject({
  code: z.string().trim().min(4).max(40),
  shop: ShopInputSchema,
  lead: z.strictObject({ name: Name, initials: Initials, secret: Secret }),
});
export type Opening = z.infer<typeof OpeningSchema>;

/** One change of a shop's settings or people, as its log tells it. */
export type ShopChangeWhat =
  | { what: 'opened'; name: string }
  | { what: 'setting'; field: string; from?: string; to?: string }
  | { what: 'movedIn'; book: Book; file: string; rows: number; did: 'taken' | 'undone' }
  | { what: 'program'; name: string; did: 'keyMade' | 'keyRevoked' | 'hookMade' | 'hookOff' }
  | { what: 'tablet'; name: string; did: 'invited' | 'paired' | 'named' | 'putOut'; from?: string }
  | { what: 'otherLead'; person: string; shop: string; did: 'letIn' | 'putOut' }
  | { what: 'person'; person: string; did: 'added' | 'changed' | AccessChange['do']; from?: string; to?: string };

export interface ShopChange {
  id: number;
  atMs: number;
  byName: string;
  change: ShopChangeWhat;
}

/** How tablets reach the server. */
export interface ShopNetwork {
  /** SHA-256 of the authority they must trust; left out where it listens to its own machine alone. */
  fingerprint?: string;
  /** Where a tablet fetches it, by each address, the likeliest first. */
  trustUrls: string[];
}

export interface ShopSettings {
  network: ShopNetwork;
  name: string;
  bays: number;
  sessionHours: number;
  rules: Partial<HouseRules>;
  people: ShopPerson[];
  changes: ShopChange[];
}
