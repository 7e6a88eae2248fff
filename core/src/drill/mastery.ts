import { type Card, createEmptyCard, fsrs, type Grade, Rating } from 'ts-fsrs';
import { FAULT_KINDS, FAULTS, type FaultKind, kindsOfRoom } from './fault-kind.ts';
import type { Catch, DrillVerdict } from './judge-drill.ts';

/** One meeting of a learner with a kind of fault. */
export interface Meeting {
  kind: FaultKind;
  catch: Catch;
  atMs: number;
}

/** How well a learner tells one kind of fault. */
export interface Mastery {
  kind: FaultKind;
  met: number;
  caught: number;
  /** The chance that it would be told today, 0 to 1; 0 for what was never met. */
  recall: number;
  /** Days until that chance has fallen to nine in ten. */
  stabilityDays: number;
  /** When it is to be practised again; undefined before it was met. */
  dueMs?: number;
  mastered: boolean;
}

/**
 * When what was learned is asked again: the Free Spaced Repetition Scheduler, version 6, without its random spread of
 * dates (J. Ye, J. Su and Y. Cao, A Stochastic Shortest Path Algorithm for Optimizing Spaced Repetition Scheduling,
 * KDD 2022).
 */
const scheduler = fsrs({ request_retention: 0.9, enable_fuzz: false, enable_short_term: false });

/** What a catch is worth to the scheduler: found late is remembered with difficulty, missed is forgotten. */
const GRADE: Record<Catch, Grade> = { caught: Rating.Good, late: Rating.Hard, missed: Rating.Again };

/** Caught at least so often, and likely to be today (chosen by us). */
const MASTERED = { caught: 2, recall: 0.8 };

/** What a learner masters today, kind by kind, from all that was met; the same meetings give the same answer. */
export function masteryOf(meetings: readonly Meeting[], nowMs: number): Mastery[] {
  return FAULT_KINDS.map((kind): Mastery => {
    const own = meetings.filter((meeting) => meeting.kind === kind).sort((a, b) => a.atMs - b.atMs);
    const caught = own.filter((meeting) => meeting.catch === 'caught').length;
    if (own.length === 0) return { kind, met: 0, caught, recall: 0, stabilityDays: 0, mastered: false };
    const card = own.reduce<Card>(
      (before, meeting) => scheduler.next(before, new Date(meeting.atMs), GRADE[meeting.catch]).card,
      createEmptyCard(new Date(own[0]?.atMs ?? nowMs)),
    );
    const recall = scheduler.get_retrievability(card, new Date(Math.max(nowMs, own.at(-1)?.atMs ?? nowMs)), false);
    const last = own.at(-1)?.catch;
    return {
      kind,
      met: own.length,
      caught,
      recall: last === 'missed' ? 0 : recall,
      stabilityDays: card.stability,
      dueMs: card.due.getTime(),
      mastered: caught >= MASTERED.caught && last === 'caught' && recall >= MASTERED.recall,
    };
  });
}

/** The meetings of a drill that was judged. */
export const meetingsOf = ({ faults }: Pick<DrillVerdict, 'faults'>, atMs: number): Meeting[] =>
  faults.map(({ fault, catch: caught }) => ({ kind: fault.kind, catch: caught, atMs }));

/**
 * The kinds to put into the next drill, those first that want it most: what is due, then what was never met from the
 * easiest on, then what is known.
 */
export function kindsToPractise(mastery: readonly Mastery[], nowMs: number): FaultKind[] {
  const weight = ({ met, dueMs, recall }: Mastery): number => {
    if (met > 0 && (dueMs ?? 0) <= nowMs) return recall - 2;
    return met === 0 ? 0 : 1 + recall;
  };
  return [...mastery]
    .sort((a, b) => weight(a) - weight(b) || FAULTS[a.kind].level - FAULTS[b.kind].level)
    .map(({ kind }) => kind);
}

/** The most faults a drill holds. */
const MOST_FAULTS = 5;

/** How many faults a learner can take in one drill: one more for every four kinds mastered. */
export const faultsToTake = (mastery: readonly Mastery[]): number =>
  Math.min(MOST_FAULTS, 1 + Math.floor(mastery.filter(({ mastered }) => mastered).length / 4));

/** What a pull can feel like when it is not right. */
export const FELT: readonly FaultKind[] = kindsOfRoom('pull');

/** Whether a learner may make the final pull of what is safety-critical by a house rule: all kinds of these rooms mastered. */
export const masters = (mastery: readonly Mastery[], kinds: readonly FaultKind[]): boolean =>
  kinds.every((kind) => mastery.find((entry) => entry.kind === kind)?.mastered === true);
