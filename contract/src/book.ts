import { z } from 'zod';
import type { UsePoint, WrenchDrift } from '#core/crib/wrench-drift.ts';
import type { KeptCurve } from '#core/record/curve-spread.ts';
import type { StationSpread } from '#core/record/station-spread.ts';
import type { StepSpread } from '#core/record/step-times.ts';
import { PULL_VERDICTS } from '#core/tightening/judge-pull.ts';
import { Ref } from './act/fields.ts';

const Ms = z.coerce.number().int().min(0).max(8.64e15);
/** How many pulls one answer of a search holds. */
export const BOOK_PAGE = 50;

/** What is looked for among everything ever pulled; words are of plate, owner, kit, station, wrench and person. */
export const BookSearchSchema = z.strictObject({
  words: z.string().trim().max(200).default(''),
  verdict: z.enum(PULL_VERDICTS).optional(),
  kit: Ref.optional(),
  revision: z.coerce.number().int().positive().optional(),
  from: Ms.optional(),
  to: Ms.optional(),
  /** Goes on behind the last of the answer before: its time, its job and its id. */
  beforeMs: Ms.optional(),
  beforeJob: Ref.optional(),
  beforeId: Ref.optional(),
});
export type BookSearch = z.output<typeof BookSearchSchema>;

/** A pull as the book has it. */
export interface BookPull {
  id: string;
  job: string;
  number: string;
  atMs: number;
  vehicle: { id: string; plate: string; model: string };
  kit: { id: string; revision: number; title: string };
  station: string;
  torqueNm: number;
  targetNm: number;
  minNm: number;
  maxNm?: number;
  verdict: (typeof PULL_VERDICTS)[number];
  /** Taken back, loosened since, or another joint turned beside it. */
  stands: boolean;
  wrench: string;
  person: string;
}

export interface BookAnswer {
  pulls: BookPull[];
  /** There are more behind the last. */
  more: boolean;
  /** Jobs whose newest entries are not in the book yet. */
  behind: number;
}

export const KitBookSchema = z.strictObject({ kit: Ref, revision: z.coerce.number().int().positive().optional() });

export const KitCurvesSchema = z.strictObject({ kit: Ref, station: z.string().min(1).max(200) });
/** The curves of a station's final pulls, the newest first, over all revisions of its kit. */
export interface KitCurves {
  station: string;
  curves: KeptCurve[];
}

/** Where jobs with one kit went otherwise than planned, by kind and place. */
export interface KitTrouble {
  kind: string;
  /** The station, line or step it is of, in words; empty for the job as a whole. */
  place: string;
  /** The words of the last of them. */
  text: string;
  times: number;
  jobs: number;
  lastMs: number;
}

/** What the book says of one kit. */
export interface KitBook {
  title: string;
  jobs: number;
  retorques: number;
  spread: StationSpread[];
  /** What its steps took, those that ran over by most first. */
  steps: StepSpread[];
  troubles: KitTrouble[];
  behind: number;
}

export const WrenchBookSchema = z.strictObject({ wrench: Ref });

/** How a wrench read at its checks against how much it had pulled. */
export interface WrenchBook {
  label: string;
  /** What its deviation may be, as a fraction. */
  permissible: number;
  points: UsePoint[];
  /** Left out while too few checks are on record. */
  drift?: WrenchDrift;
  /** Pulls on record since the last check. */
  pullsSince: number;
  behind: number;
}
