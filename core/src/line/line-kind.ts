import type { Plan, PlanAction, PlanStep } from '../kit/plan.ts';
import type { Answers, Ask } from './ask.ts';

/** What the line knows of the job so far: recorded answers and measurements. */
export interface Known {
  /** The last accepted answers of an act, by its id. */
  answersOf(act: string): Answers | undefined;
  measured(baseline: string, place: string): number | undefined;
  /** What a baseline was measured with before. */
  instrument(baseline: string): string | undefined;
  /** How many pieces of a line have their number noted. */
  serials?(item: string): number;
  /** How the vehicle was last held up. */
  heldUpBy?: string;
}

/** An act where it stands. */
export interface At<A extends PlanAction = PlanAction> {
  plan: Plan;
  step: PlanStep;
  action: A;
  known: Known;
}

/** What is drawn in the middle of the screen, from the act's own data. */
export type Picture =
  | 'map'
  | 'outline'
  | 'part'
  | 'stack'
  | 'rule'
  | 'clock'
  | 'adjuster'
  | 'hole'
  | 'list'
  | 'eccentric';

/** The actions of one type; those that share their data with another type too. */
export type ActionOf<T extends PlanAction['type'], A = PlanAction> = A extends { type: infer Types }
  ? T extends Types
    ? A & { type: T }
    : never
  : never;

/** Everything said about one kind of act on the floor. */
export interface LineKind<A extends PlanAction> {
  picture: Picture;
  /** What is asked beside the press, given what was answered so far. */
  asks?(at: At<A>, answers: Answers): Ask[];
  /** What the answers together come to, where one by one does not say it: keys that are not met. */
  fails?(at: At<A>, answers: Answers): string[];
  /** The stations do it, one by one; the act follows from them. */
  byStations?: true;
  /** Said again it replaces what was said: measurements, answers. */
  again?: true;
  /** A clock that must run out first, minutes; none where only a temperature ends it. */
  clock?(action: A): { minutes?: number };
}

/** A kind of act, with its action's type written out once. */
export const kindOf = <A extends PlanAction>(definition: LineKind<A>): LineKind<A> => definition;

export const tick = (key: string, about: Ask['about'], what?: string): Ask => ({ kind: 'tick', key, about, what });
export const words = (key: string, about: Ask['about'], what?: string, suggested?: string): Ask => ({
  kind: 'words',
  key,
  about,
  what,
  suggested,
});
/** Each place ticked by itself. */
export const tickEach = (places: readonly string[]): Ask[] =>
  places.map((place) => tick(`at ${place}`, 'place', place));
/** Met or not; a press says met. */
export const verdict = (what?: string): Ask => ({
  kind: 'oneOf',
  key: 'verdict',
  about: 'verdict',
  what,
  usual: 'met',
  options: [
    { value: 'met', is: 'right' },
    { value: 'notMet', is: 'fails' },
  ],
});
