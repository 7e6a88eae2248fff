import { z } from 'zod';
import { Ref } from './act/fields.ts';
import { AnswersSchema } from './condition.ts';
import { textUpTo } from './text.ts';

/** What another program may do with a key. */
export const SCOPES = ['kits:read', 'visits:read', 'visits:write', 'due:read'] as const;
export type Scope = (typeof SCOPES)[number];

/** What other programs are told of. */
export const TOLD = ['visit.opened', 'visit.closed'] as const;
export type Told = (typeof TOLD)[number];

const Name = textUpTo(80).trim().min(1);
/** Anything that is answered for with the lead's own secret. */
const Proven = { secret: z.string().min(4).max(200) };

export const KeyInputSchema = z.strictObject({
  name: Name,
  scopes: z.array(z.enum(SCOPES)).min(1).max(SCOPES.length),
  ...Proven,
});
export const RevokeSchema = z.strictObject(Proven);

/** Where a program listens. Its own machines may be in the house, so plain HTTP is taken too. */
const HookUrl = z
  .url({ protocol: /^https?$/ })
  .max(500)
  .refine((text) => !/^\w+:\/\/[^/?#]*@/.test(text), 'must not carry a name and password');
export const HookInputSchema = z.strictObject({
  url: HookUrl,
  events: z.array(z.enum(TOLD)).min(1).max(TOLD.length),
  ...Proven,
});

/** A key as its list shows it: never the key itself. */
export interface KeyCard {
  id: string;
  name: string;
  scopes: Scope[];
  madeAtMs: number;
  madeBy: string;
  usedAtMs?: number;
  revokedAtMs?: number;
}

/** What became of one telling. */
export interface TellingCard {
  id: number;
  event: Told;
  madeAtMs: number;
  tries: number;
  /** When it is tried again, where it has not arrived and is not given up. */
  nextAtMs?: number;
  doneAtMs?: number;
  /** The last answer: an HTTP status, or why there was none. */
  answer?: string;
  givenUp?: true;
}

export interface HookCard {
  id: string;
  url: string;
  events: Told[];
  madeAtMs: number;
  madeBy: string;
  offAtMs?: number;
  /** The last tellings, the newest first. */
  tellings: TellingCard[];
}

export interface Outside {
  keys: KeyCard[];
  hooks: HookCard[];
}

/** A vehicle the till knows by its plate: made where the shop has none of that plate. */
const VisitVehicleSchema = z.union([
  z.strictObject({ id: Ref }),
  z.strictObject({
    plate: z.string().trim().min(1).max(120),
    make: z.string().trim().min(1).max(120),
    model: z.string().trim().min(1).max(120),
    owner: z.string().trim().min(1).max(120),
    contact: z.string().trim().max(120).optional(),
    modelYear: z.number().int().min(1886).max(2100).optional(),
  }),
]);

/** A visit another program opens. */
export const VisitInputSchema = z.strictObject({
  vehicle: VisitVehicleSchema,
  kits: z.array(Ref).min(1).max(12),
  /** By question id; what is left out must have an answer in the vehicle. */
  answers: AnswersSchema.optional(),
  bay: z.number().int().min(1).max(99).optional(),
  /** ISO 8601 with its offset; left out, now. */
  plannedStart: z.iso.datetime({ offset: true }).optional(),
  odometerKm: z.number().min(0).max(5_000_000).optional(),
});
export type VisitInput = z.infer<typeof VisitInputSchema>;

/** Twice the same key is one visit: a till that heard no answer asks again. */
export const IDEMPOTENCY_KEY = 'idempotency-key';
export const IdempotencySchema = z.object({ [IDEMPOTENCY_KEY]: z.string().min(8).max(100) });

export const VisitSchema = z.object({
  id: z.uuid(),
  number: z.string(),
  state: z.enum(['open', 'calledOff', 'closed']),
  plannedStart: z.iso.datetime(),
  bay: z.number().int(),
  vehicle: z.object({ make: z.string(), model: z.string(), plate: z.string() }),
  kits: z.string(),
  closedAt: z.iso.datetime().optional(),
});
export type Visit = z.infer<typeof VisitSchema>;

export const OpenedVisitSchema = z.object({ id: z.uuid(), repeated: z.boolean() });

export const OfferedKitSchema = z.object({
  id: z.string(),
  revision: z.number().int(),
  title: z.string(),
  maker: z.string(),
  statedMinutes: z.number().optional(),
  /** What has to be answered to open a visit with it. */
  questions: z.array(z.object({ id: z.string(), text: z.string() })),
});
export type OfferedKit = z.infer<typeof OfferedKitSchema>;

/** What an owner is to come back for after a visit. */
export const VisitDueSchema = z.object({
  visit: z.uuid(),
  number: z.string(),
  closedAt: z.iso.datetime(),
  vehicle: z.object({ make: z.string(), model: z.string(), plate: z.string() }),
  due: z.array(
    z.object({
      /** In the words of the record. */
      text: z.string(),
      /** Where the odometer was read, and a distance is given. */
      atKm: z.number().optional(),
      at: z.iso.datetime().optional(),
    }),
  ),
});
export type VisitDue = z.infer<typeof VisitDueSchema>;
/** Longest stretch of time that is asked for at once, days. */
export const DUE_DAYS = 92;
export const DueRangeSchema = z
  .object({ from: z.iso.datetime({ offset: true }), to: z.iso.datetime({ offset: true }) })
  .refine(({ from, to }) => Date.parse(to) > Date.parse(from), 'to comes before from')
  .refine(({ from, to }) => Date.parse(to) - Date.parse(from) <= DUE_DAYS * 86_400_000, `at most ${DUE_DAYS} days`);

export const VisitRangeSchema = z.object({
  from: z.iso.datetime({ offset: true }),
  to: z.iso.datetime({ offset: true }),
});

/** What a program that listens is sent. */
const TellingSchema = z.object({
  id: z.string(),
  event: z.enum(TOLD),
  at: z.iso.datetime(),
  visit: z.object({
    id: z.uuid(),
    number: z.string(),
    vehicle: z.object({ make: z.string(), model: z.string(), plate: z.string() }),
  }),
});
export type Telling = z.infer<typeof TellingSchema>;
/** Headers of a telling: its time, Unix seconds, and HMAC-SHA256 of `time.body` under the hook's secret, hex. */
export const TELLING_TIME = 'wrenchman-time';
export const TELLING_SIGNATURE = 'wrenchman-signature';
