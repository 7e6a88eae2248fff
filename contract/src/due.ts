import { z } from 'zod';
import { Ref } from './act/fields.ts';
import type { OwnerReport } from './owner-page.ts';

/** How something due ended: done here, told to be done elsewhere, not wanted; `open` takes that back. */
export const SETTLED_HOW = ['here', 'elsewhere', 'notWanted', 'open'] as const;
export type SettledHow = (typeof SETTLED_HOW)[number];

export const SettleDueSchema = z.strictObject({
  job: z.uuid(),
  /** Its key in the job's list of what is to be come back for. */
  care: Ref,
  how: z.enum(SETTLED_HOW),
  note: z.string().trim().max(300).optional(),
  /** As it was read then; what repeats is counted on from it. */
  odometerKm: z.number().min(0).max(3_000_000).optional(),
});
export type SettleDue = z.infer<typeof SettleDueSchema>;

/** Something an owner is to come back for, with when that is likely to be. */
export interface DueItem {
  job: string;
  number: string;
  care: string;
  text: string;
  vehicle: {
    id: string;
    make: string;
    model: string;
    plate: string;
    owner: string;
    contact?: string;
    odometerUnit?: 'km' | 'mi';
  };
  closedAtMs: number;
  /** The distance after which it is due, km. */
  afterKm?: number;
  /** The reading of the odometer then; absent where nobody read it. */
  atKm?: number;
  atMs?: number;
  /** It comes with something that happens: the first tow. */
  event?: true;
  repeats?: true;
  /** What it is about, and how long it takes where its joints are known, minutes. */
  about?: string;
  minutes?: number;
  /** The odometer as it was read last, and how far the vehicle goes in a day. */
  lastKm?: number;
  lastReadMs?: number;
  kmPerDay?: number;
  rateFrom?: 'history' | 'usual';
  expected?: { expectedMs: number; earliestMs: number; latestMs: number; by: 'distance' | 'date' };
  /** How it ended, where it did; what repeats is due again from then. */
  /** What its owner said of it since, by their link. */
  reported?: OwnerReport;
  settled?: { how: SettledHow; atMs: number; by: string; note?: string; odometerKm?: number };
}

/** How what an owner says becomes what the shop says: the day it was done is kept in the note. */
export const reportNote = ({ doneOn, note }: OwnerReport): string =>
  `The owner, for ${doneOn}${note ? `: ${note}` : ''}`.slice(0, 300);

/** For how long what is settled is still shown, days. */
export const SETTLED_SHOWN_DAYS = 30;
/** How far back jobs are looked at, days: two years. */
export const DUE_BACK_DAYS = 730;
