import type { AnswerValue } from '../kit/condition.ts';
import type { ItemId, StationId, StepId } from '../kit/ids.ts';
import type { TrayPlace } from '../kit/tray-layout.ts';
import type { TorqueUnit } from '../quantity/unit.ts';
import type { PullVerdict } from '../tightening/judge-pull.ts';
import type { AddedWasher } from './added-washer.ts';
import type { ApartEnd } from './apart-end.ts';
import type { CalculationUsed } from './calculation-used.ts';
import type { LoadState } from './load-state.ts';
import type { LookTarget } from './look.ts';
import type { PullFacts } from './pull-facts.ts';
import type { SnugTool } from './snug-tool.ts';
import type { Stamp } from './stamp.ts';
import type { StockUsed } from './stock-used.ts';
import type { ThreadRung } from './thread-rung.ts';
import { emptyVisit, type MayDo, type VisitState } from './visit-state.ts';

/** A pull as recorded, with what happened to it later. Nothing is ever taken out of the list. */
export interface Pull extends PullFacts, Stamp {
  id: string;
  corrections: Array<{ from: number; to: number; reason: string } & Stamp>;
  /** Taken back by the one who made it. */
  withdrawn?: Stamp;
  /** Made before the station was loosened again: proves nothing now. */
  voided?: true;
  /** The joint beside it turned afterwards, at a re-torque: it is pulled once more. */
  beside?: string;
}

/** `empty`: hole with nothing in it · `started`: by hand · `snug`: parts in firm contact. Torque is told by the pulls. */
export type StationStage = 'empty' | 'started' | 'snug';

export interface StationState {
  stage: StationStage;
  started?: Stamp;
  bead?: Stamp & {
    compound: string;
    cleaned: boolean;
    holeClean?: boolean;
    bottle?: { id: string; name: string; lot: string };
  };
  snugged?: Stamp & { tool: SnugTool; runDownNm?: number };
  pulls: Pull[];
  /** Stages of a procedure, in the order they were done. */
  stages?: Array<
    {
      stage: number;
      torqueNm?: number;
      wrench?: string;
      entered?: { value: number; unit: TorqueUnit };
      verdict?: PullVerdict;
      /** Done before the station was loosened again. */
      voided?: true;
    } & Stamp
  >;
  /** Pulls for a pass that was done already, on another device: the bolt was pulled twice. */
  repeats?: Array<{ pass: number; torqueNm: number; wrench: string } & Stamp>;
  /** For joints without a figure: the stop was reached. */
  stopConfirmed?: Stamp & { reason?: string };
  /** What was tried on its thread, the gentlest first. */
  mending?: Array<{ rung: ThreadRung; runs: boolean; note?: string } & Stamp>;
  /** Washers no sheet asks for. */
  washers?: Array<AddedWasher & { reason: string; noThreadShows?: true } & Stamp>;
  /** Second looks at the mark, where the thread had set. `stale`: a joint beside it was tightened since. */
  marks?: Array<{ pass: number; stale?: true } & Stamp>;
  loosenings: Array<{ to: 'started' | 'out'; reason: string; spent: string[] } & Stamp>;
  /** Refusals a lead lifted for this station since it was last loosened, by code. */
  overrides: Record<string, { reason: string } & Stamp>;
  /** Those lifted before a loosening: they no longer count, and stay on the record. */
  earlierOverrides: Array<{ refusal: string; reason: string } & Stamp>;
}

export interface LineState {
  /** `read`: the stamp that was read on the pieces, where others are alike. */
  count?: { found: number; damaged: number; read?: string } & Stamp;
  /** Counted again by somebody who was not shown the first count. */
  recount?: { found: number; damaged: number; agrees: boolean } & Stamp;
  /** Numbers of their own, piece by piece. */
  serials?: Array<{ piece: number; serial: string } & Stamp>;
  /** Pieces taken aside, and what became of them. */
  apart?: Array<{ quantity: number; reason: string; photo?: string } & Stamp>;
  apartEnded?: Array<{ quantity: number; to: ApartEnd; reason: string } & Stamp>;
  /** Where it was laid by hand. */
  tray?: TrayPlace & Stamp;
  /** Asked for at a supplier, and what came. */
  ordered?: Array<{ order: string; quantity: number; supplier: string; promisedMs: number } & Stamp>;
  arrived?: Array<{ quantity: number; order?: string } & Stamp>;
  /** Added from the shop's own stock. */
  shopStock: Array<{ quantity: number; reason: string; piece?: StockUsed } & Stamp>;
  scrapped: Array<{ quantity: number; reason: string } & Stamp>;
  /** Counted on the tray at the end. */
  spare?: { quantity: number } & Stamp;
}

export interface Problem extends Stamp {
  station?: string;
  text: string;
  /** The act whose check was not met; it is cleared when it is. */
  act?: string;
  cleared?: { how: string } & Stamp;
}

/** What this person may take back: only the last thing done, and only while nothing stands on it. */
export type Undoable = { commandId?: string; atMs?: number } & (
  | { act: 'countLine'; item: ItemId; previous?: { found: number; damaged: number; read?: string } }
  | { act: 'startByHand'; station: StationId }
  | { act: 'applyCompound'; station: StationId }
  | { act: 'snug'; station: StationId }
  | { act: 'pull'; station: StationId; pull: string }
  | { act: 'doStep'; step: StepId }
  | { act: 'doAct'; acts: string[] }
  | { act: 'waiveStep'; step: StepId }
  | { act: 'waiveCare'; care: string }
  | { act: 'lookAgain'; target: LookTarget }
);

/** A clock that still ran when the vehicle went, with what the driver was told in writing. */
export interface ClockRelease {
  clock: string;
  endsAtMs: number;
  condition: string;
}

export interface Unfinished {
  kind: 'handedBack' | 'oldParts';
  reason: string;
  may: MayDo;
  /** Steps that are open, by id. */
  open: string[];
}

/** A job as its events left it. Keyed by station and line, so that events on different stations commute. */
export interface JobState {
  answers: Record<string, AnswerValue>;
  answerChanges: Array<{ question: string; from?: AnswerValue; to: AnswerValue } & Stamp>;
  lines: Record<string, LineState>;
  /** A map, because a job may have hundreds and every decision looks many of them up. */
  stations: ReadonlyMap<string, StationState>;
  load?: { state: LoadState; measuredMm?: number; heights?: Record<string, number> } & Stamp;
  problems: Record<string, Problem>;
  /** Figures of the bench that a lead put to use. */
  calculations: Array<CalculationUsed & Stamp>;
  undoable: Record<string, Undoable | undefined>;
  /** What concerns the visit as a whole. */
  visit: VisitState;
  closed?: {
    signature: string;
    note?: string;
    releases?: ClockRelease[];
    /** Handed back before it was finished, or with the old parts on: what is open, and what the vehicle may do. */
    unfinished?: Unfinished;
  } & Stamp;
}

/** A job before anything happened. */
export const emptyJob = (answers: Record<string, AnswerValue> = {}, kits: string[] = ['']): JobState => ({
  answers,
  answerChanges: [],
  lines: {},
  stations: new Map(),
  problems: {},
  calculations: [],
  undoable: {},
  visit: emptyVisit(kits),
});

const EMPTY_STATION: StationState = { stage: 'empty', pulls: [], loosenings: [], overrides: {}, earlierOverrides: [] };
const EMPTY_LINE: LineState = { shopStock: [], scrapped: [] };

/** A station's state; one nobody touched is empty. */
export const stationState = (state: JobState, station: string): StationState =>
  state.stations.get(station) ?? EMPTY_STATION;

/** A line's state; one nobody touched is uncounted. */
export const lineState = (state: JobState, item: string): LineState => state.lines[item] ?? EMPTY_LINE;
