import { z } from 'zod';
import { Ref } from './act/fields.ts';
import type { HandOverSheet } from './hand-over.ts';
import type { ClockRules } from './wording/shop-time.ts';

/** Shortest and longest a link counts, days; usual is until the second yearly service. */
export const LINK_DAYS = { least: 1, most: 1095, usual: 400 } as const;

export const MakeLinkSchema = z.strictObject({
  days: z.number().int().min(LINK_DAYS.least).max(LINK_DAYS.most).default(LINK_DAYS.usual),
});
export type MakeLink = z.input<typeof MakeLinkSchema>;

/** A link to an owner's page, as the shop sees it. */
export interface OwnerLink {
  id: string;
  url: string;
  madeAtMs: number;
  madeBy: string;
  expiresAtMs: number;
  revokedAtMs?: number;
  revokedBy?: string;
  /** How often the page was opened, and when last. */
  opened: number;
  lastOpenedMs?: number;
}

/** A link that opens nothing: none of ours, past its day, or taken back by the shop. */
export type LinkFault = 'linkUnknown' | 'linkExpired' | 'linkRevoked';

const Day = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/, 'is a day as 2026-11-27')
  .refine((day) => !Number.isNaN(Date.parse(`${day}T00:00:00Z`)), 'is no day of the calendar');

/** What an owner says was done elsewhere. A picture comes with it as a file of its own. */
export const DoneElsewhereSchema = z.strictObject({
  care: Ref,
  doneOn: Day,
  odometerKm: z.coerce.number().min(0).max(3_000_000).optional(),
  note: z.string().trim().max(300).optional(),
});
export type DoneElsewhere = z.infer<typeof DoneElsewhereSchema>;

/** What an owner said of something due, until the shop has looked at it. */
export interface OwnerReport {
  atMs: number;
  doneOn: string;
  odometerKm?: number;
  note?: string;
  /** A photo of the job's, by its id. */
  photo?: string;
}

/** Something due as its owner sees it. */
export interface OwnerDue {
  care: string;
  text: string;
  when: string;
  expected?: { expectedMs: number; earliestMs: number; latestMs: number };
  settled?: { how: 'here' | 'elsewhere' | 'notWanted'; atMs: number };
  reported?: Pick<OwnerReport, 'atMs' | 'doneOn'>;
}

/** All that an owner's page holds: nothing of any other job, and of this one nothing that the pack does not say. */
export interface OwnerPage {
  sheet: Omit<HandOverSheet, 'due'>;
  due: OwnerDue[];
  expiresAtMs: number;
  /** The shop's public key, SPKI in base64, and the head of the record's chain. */
  proof: { publicKey: string; seq: number; hash?: string };
  /** How the shop writes days. */
  clock: ClockRules;
}
