import type { ShelfBottle } from '../../compound/shelf-bottle.ts';
import type { Plan } from '../../kit/plan.ts';
import type { VisitQuestion } from '../../visit/visit.ts';
import type { Wrench } from '../../wrench/wrench.ts';
import {
  type JobState,
  type LineState,
  lineState,
  type StationState,
  stationState,
  type Undoable,
} from '../job-state.ts';
import type { Refusal } from '../refusal.ts';
import type { Person, Role } from '../role.ts';
import type { Stamp } from '../stamp.ts';

/** What a decision needs beside the job's own state. */
export interface DecideContext {
  plan: Plan;
  /** The visit's questions, each asked once. */
  questions: readonly VisitQuestion[];
  wrenches: readonly Wrench[];
  /** Bottles of the shop's shelf; left out where nobody knows them. */
  bottles?: readonly ShelfBottle[];
  /** Things of the crib lent for this job and not back, by name. */
  toolsOut?: readonly string[];
  /** Apprentices who have yet to show in practice what a bad pull feels like, by id; left out where nobody knows. */
  unpractised?: readonly string[];
  /** Where the job's record was altered and no lead has looked at it yet. */
  breaks?: readonly number[];
}

/** All that one decision is made from. */
export interface Ask extends DecideContext {
  job: JobState;
  commandId: string;
  atMs: number;
  by: Person;
  /** The job as these facts of the same command leave it. */
  after(facts: ReadonlyArray<{ type: string }>): JobState;
}

/** Either the facts that now hold, or why not. */
export type Outcome<Fact> = { facts: Fact[] } | { refusal: Refusal };

export const done = <Fact>(...facts: Fact[]): Outcome<Fact> => ({ facts });
export const refuse = (refusal: Refusal): { refusal: Refusal } => ({ refusal });

/** A state whose own maps may be written; what stands in the maps is never changed, only replaced. */
export type Draft = Omit<JobState, 'stations'> & { stations: Map<string, StationState> };

/** A fact with the command that caused it, who and when. The server adds sequence number and hash. */
export type Stamped<Fact> = Fact & Stamp;

/**
 * Everything said about one act: who may give it, what it becomes, and what its facts do to the job.
 *
 * @typeParam Command - what is asked, with its name in `type`
 * @typeParam Own - the facts this act alone makes
 * @typeParam Other - facts of other acts that it makes too
 */
export interface Act<Command extends { type: string }, Own extends { type: string }, Other = never> {
  may: readonly Role[];
  decide(ask: Ask, command: Command): Outcome<Own | Other>;
  /** What each of its facts does to the job: to a draft, so that many are folded at the cost of their own. */
  fold: { [Fact in Own as Fact['type']]: (draft: Draft, fact: Stamped<Fact>) => void };
  /** Takes it back, for the person whose last act it was. Left out where nothing is taken back. */
  undo?(ask: Ask, last: Undoable): Outcome<Own | Other>;
  /** What others answer for lies in it: the person gives their PIN or passkey for this one act. */
  needsProof?: true;
  /** It may be given on a job that is signed: it adds, and changes nothing. */
  afterClose?: true;
  /** The plan is made anew after it. */
  replans?: true;
}

/** An act, with its types written out once. */
export const act = <Command extends { type: string }, Own extends { type: string } = never, Other = never>(
  definition: Act<Command, Own, Other>,
): Act<Command, Own, Other> => definition;

export const stampOf = ({ commandId, atMs, by }: Stamp): Stamp => ({ commandId, atMs, by });

export function setStation(draft: Draft, id: string, change: (station: StationState) => StationState): void {
  draft.stations.set(id, change(stationState(draft, id)));
}

export function setLine(draft: Draft, id: string, change: (line: LineState) => LineState): void {
  draft.lines[id] = change(lineState(draft, id));
}

export const blank = (text: string | undefined): boolean => text === undefined || text.trim() === '';
const LARGEST = 100_000;
export const wholeFromZero = (value: number): boolean => Number.isInteger(value) && value >= 0 && value <= LARGEST;
export const wholeFromOne = (value: number): boolean => value !== 0 && wholeFromZero(value);
