import type { Locker } from '../compound/compound.ts';
import type { AnswerValue } from '../kit/condition.ts';
import type { Settlement } from '../kit/plan-conflict.ts';
import type { Answers } from '../line/ask.ts';
import type { AddedStep } from '../visit/with-added-steps.ts';
import type { Arranged } from './arranged-tool.ts';
import type { Chocks } from './chocks.ts';
import type { AddedDebt, DebtEnd } from './debt-kind.ts';
import type { GivenFigure } from './figure.ts';
import type { KeyHeld } from './key-held.ts';
import type { Look } from './look.ts';
import type { Stamp } from './stamp.ts';

/** What became of something owed. */
export interface DebtState {
  opened?: Stamp;
  ends: Array<{ count: number; end: DebtEnd; note?: string; newPieces?: boolean } & Stamp>;
  /** For a debt that no sheet speaks of. */
  added?: AddedDebt;
}

export interface Measurement extends Stamp {
  value: number;
  photo?: string;
}

/** One time an act was done, with what was said. `failed`: answers that mean it is not met; `wrong`: those that do harm. */
export interface ActTry extends Stamp {
  answers: Answers;
  failed: string[];
  wrong: string[];
}

/** How far an act of the line is. The last try counts. */
export interface ActState {
  tries: ActTry[];
  /** How many of its tries count no more: something it had set was measured and was not so. */
  reopened?: number;
  /** A clock that was started: since when it counts. */
  begun?: { sinceMs: number } & Stamp;
}

/** Which figure holds for a thread that the sheet's did not count on. */
export interface SettledBasis {
  use: 'asPrinted' | 'sameLoad';
  factorFrom?: 'friction' | 'product' | 'house';
  factor: number;
  printedNm: number;
  sameLoadNm: number;
  reason: string;
}

/** What may be done with a vehicle that is not finished. */
export const MAY_DO = ['stand', 'roll', 'drive', 'tow'] as const;
export type MayDo = (typeof MAY_DO)[number];

/** The part of a job's state that concerns the visit as a whole. */
export interface VisitState {
  /** Prefixes of the kits in the visit, in the order they came. */
  kits: string[];
  droppedKits: Array<{ prefix: string; reason: string } & Stamp>;
  prerequisites: Record<string, { met: boolean; value?: number; note?: string } & Stamp>;
  /** By baseline and place. */
  measurements: Record<string, Record<string, { before?: Measurement; after?: Measurement }>>;
  choices: Record<string, { option: string; chosenBy: string } & Stamp>;
  /** What was found on the way, by the answer's id. */
  findings: Record<string, { value: AnswerValue } & Stamp>;
  /** Tools that were got for this job, by the list's name. */
  tools: Record<string, Arranged & Stamp>;
  /** What was bought for it, by the shopping list's name. */
  bought: Record<string, { quantity: number; expiresOn?: string } & Stamp>;
  /** Steps that leads put into the line. */
  addedSteps: Array<AddedStep & { problem?: string } & Stamp>;
  /** Steps that were ticked, and those of other kits done with them. */
  steps: Record<string, { helper?: string; chocks?: Chocks } & Stamp>;
  stepOverrides: Record<string, Record<string, { reason: string } & Stamp>>;
  debts: Record<string, DebtState>;
  refitOrder?: string[];
  figures: Record<string, GivenFigure & Stamp>;
  /** Lockers whose strength the sheet left open, by compound. */
  compounds?: Record<string, { grade: Locker; product: string } & Stamp>;
  /** Figures aimed at for another thread than the one they count on, by station. */
  bases?: Record<string, SettledBasis & Stamp>;
  /** Added after the job was signed. */
  addenda?: Array<{ text: string; foundBy: string; redone?: string; station?: string } & Stamp>;
  settled: Record<string, { settlement: Settlement; reason: string } & Stamp>;
  split: Record<string, { reason: string } & Stamp>;
  /** Keys, bits and codes that must not stay behind in a pocket, by their id. */
  keys?: Record<string, KeyHeld>;
  /** Photos by their id, with the hash of their bytes. */
  photos: Record<string, { sha256: string; type: string; bytes: number } & Stamp>;
  /** Acts of the line, by their id. */
  acts: Record<string, ActState>;
  /** Steps a lead let go without. */
  waived: Record<string, { reason: string } & Stamp>;
  /** Second looks, by what was looked at. */
  looks?: Record<string, Array<Look & Stamp>>;
  /** What the owner is not asked to come back for, by its key. */
  careWaived?: Record<string, { reason: string } & Stamp>;
  /** Steps somebody has in hand. */
  taken: Record<string, { from?: string } & Stamp>;
  /** How the vehicle was last held up. */
  heldUpBy?: string;
  /** Temperature in the bay, °C. */
  bay?: { tempC: number } & Stamp;
  /** Put aside, until it is taken up again. */
  parked?: { reason: string; may: MayDo } & Stamp;
  parkings: Array<{ reason: string; may: MayDo; open: string[]; resumedAtMs?: number } & Stamp>;
  /** Breaks of the record's chain that a lead has looked at. */
  acknowledged: Array<{ breaks: number[]; reason: string } & Stamp>;
}

export const emptyVisit = (kits: string[]): VisitState => ({
  kits,
  droppedKits: [],
  prerequisites: {},
  measurements: {},
  choices: {},
  findings: {},
  tools: {},
  bought: {},
  addedSteps: [],
  steps: {},
  stepOverrides: {},
  debts: {},
  figures: {},
  settled: {},
  split: {},
  photos: {},
  acts: {},
  waived: {},
  taken: {},
  parkings: [],
  acknowledged: [],
});

const NO_DEBT: DebtState = { ends: [] };

/** A debt's state; one nobody touched is not open. */
export const debtState = (visit: VisitState, id: string): DebtState => visit.debts[id] ?? NO_DEBT;
