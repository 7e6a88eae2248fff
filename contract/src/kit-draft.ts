import { z } from 'zod';
import { COMPOUND_KINDS } from '#core/compound/compound.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { ShopWord } from '#core/sheet/shop-lexicon.ts';
import { KitDocumentSchema } from './kit.ts';
import { withinLimits } from './kit-limits.ts';

/** A draft in a list. */
export interface DraftCard {
  id: string;
  title: string;
  maker: string;
  version: number;
  stations: number;
  changedAtMs: number;
  changedBy: string;
}

/** A kit being written. `version` rises with every save; a save must name the one it was made from. */
export interface KitDraft {
  document: KitDocument;
  version: number;
  changedAtMs: number;
  changedBy: string;
  /** Text of the sheet it was read from. */
  sheet?: string;
}

/** A warning that a lead let stand. */
export interface Waiver {
  /** The finding's own name within the kit. */
  key: string;
  reason: string;
  by: string;
}

/** One released revision in a list. */
export interface RevisionCard {
  /** Taken back by a lead. */
  withdrawn?: { atMs: number; because: string };
  revision: number;
  addedAtMs: number;
  note?: string;
  releasedBy?: string;
  waivers: Waiver[];
}

/** A job a kit stands in: its revision there, and the vehicle. */
export interface KitUse {
  job: string;
  number: string;
  revision: number;
  vehicle: { id: string; model: string; plate: string };
  closedAtMs?: number;
}

/** Whom a revised sheet concerns: jobs that are open with an earlier revision, and vehicles it was fitted to. */
export interface KitReach {
  open: KitUse[];
  fitted: KitUse[];
}

/** A kit of the library in a list: its newest revision, and whether someone is writing the next. */
export interface KitCard {
  id: string;
  title: string;
  maker: string;
  revision: number;
  stations: number;
  groups: number;
  statedMinutes?: number;
  addedAtMs: number;
  errors: number;
  warnings: number;
}

/** Longest sheet kept with a draft, characters. */
const SHEET_KEPT = 700_000;

/** The shop's own words for compounds. No two lines alike; none empty. */
export const ShopLexiconSchema: z.ZodType<ShopWord[]> = z
  .array(
    z.strictObject({
      words: z.string().trim().min(2).max(60).regex(/\p{L}/u, 'needs a letter'),
      compound: z.enum([...COMPOUND_KINDS, 'penetrant', 'oil']),
    }),
  )
  .max(200);

export const DraftInputSchema = z.object({
  document: withinLimits(KitDocumentSchema),
  sheet: z.string().max(SHEET_KEPT).optional(),
});
export type DraftInput = z.infer<typeof DraftInputSchema>;

export const DraftSaveSchema = z.object({
  document: withinLimits(KitDocumentSchema),
  version: z.number().int().positive(),
});
export type DraftSave = z.infer<typeof DraftSaveSchema>;

export const ReleaseSchema = z.object({
  version: z.number().int().positive(),
  note: z.string().trim().min(1).max(500),
  waivers: z.array(z.object({ key: z.string().min(1).max(300), reason: z.string().trim().min(1).max(500) })).max(500),
});
export type ReleaseInput = z.infer<typeof ReleaseSchema>;

/** Why a released revision is taken back. */
export const WithdrawSchema = z.strictObject({ because: z.string().trim().min(1).max(500) });
