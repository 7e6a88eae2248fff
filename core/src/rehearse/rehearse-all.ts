import { type AnswerAxis, answerSpace, conditionsOf, fitsWith, variants } from '../kit/answer-space.ts';
import { type Answers, type Condition, evaluate } from '../kit/condition.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { type DeadEnd, type Leftover, type Rehearsal, rehearse } from './rehearsal.ts';

/** So many combinations are played at most: more differ from these in one or two answers. */
export const MOST_PLAYED = 256;
/** Tries at a combination that fits, where there are too many to list. */
const TRIES = 20;

/** A dead end and every combination that runs into it. */
export interface DeadEndFound {
  deadEnd: DeadEnd;
  /** The combinations, the first one played first. */
  answers: Answers[];
}

/** A kit played on every combination of answers that makes a difference. */
export interface RehearsalVerdict {
  /** Combinations played, and how many there are that differ; `of` left out where they were not counted. */
  played: number;
  of?: number;
  deadEnds: DeadEndFound[];
  /** Steps and packing lines that no combination has. */
  unseenSteps: string[];
  unseenItems: string[];
  /** What is left over otherwise than the sheet says, or without its saying so, with the first combination where it is so. */
  leftovers: Array<Leftover & { answers: Answers }>;
  /** Stations whose figure somebody has to look up. */
  figuresLookedUp: string[];
  /** Lockers whose strength a lead has to name. */
  productsNamed: string[];
  /** The quickest and the longest, with all waiting, minutes. */
  shortest?: Timed;
  longest?: Timed;
}

export interface Timed {
  answers: Answers;
  workMinutes: number;
  statedMinutes: number;
  waitMinutes: number;
}

/** A generator of the same numbers each time, 0 to 1: a verdict must not change between two looks (Park and Miller, 1988). */
function evenNumbers(): () => number {
  let seed = 20_260_105;
  return () => {
    seed = (seed * 48_271) % 2_147_483_647;
    return seed / 2_147_483_647;
  };
}

/** Some of very many combinations: each answer once beside the first ones, then any, the same ones each time. */
function sampled(kit: KitDocument, axes: readonly AnswerAxis[]): Answers[] {
  const next = evenNumbers();
  const first = Object.fromEntries(axes.map(({ question, values }) => [question.id, values[0] ?? true]));
  const any = (fixed: Answers = {}): Answers => ({
    ...Object.fromEntries(
      axes.map(({ question, values }) => [question.id, values[Math.floor(next() * values.length)] ?? true]),
    ),
    ...fixed,
  });
  const fitting = (fixed: Answers, begin: Answers): Answers[] => {
    let tried = begin;
    for (let left = TRIES; left > 0 && !fitsWith(kit, tried); left -= 1) tried = any(fixed);
    return fitsWith(kit, tried) ? [tried] : [];
  };
  const single = axes.flatMap(({ question, values }) =>
    values.flatMap((value) => fitting({ [question.id]: value }, { ...first, [question.id]: value })),
  );
  return [...single, ...Array.from({ length: MOST_PLAYED * 2 }, () => fitting({}, any())).flat()];
}

/** One combination for each way the kit's conditions can turn out: others would be the same job. */
function different(conditions: readonly Condition[], all: readonly Answers[]): Answers[] {
  const seen = new Map<string, Answers>();
  for (const answers of all) {
    const turnsOut = conditions.map((condition) => evaluate(condition, answers).truth[0]).join('');
    if (!seen.has(turnsOut)) seen.set(turnsOut, answers);
  }
  return [...seen.values()];
}

/** The combinations worth playing. */
export function combinationsToPlay(kit: KitDocument): { play: Answers[]; of?: number } {
  const axes = answerSpace(kit);
  const listed = variants(kit);
  const all = different(conditionsOf(kit), listed ?? sampled(kit, axes));
  return { play: all.slice(0, MOST_PLAYED), ...(listed ? { of: all.length } : {}) };
}

/** Dead ends are the same where they happen at the same place for the same reason. */
const sameEnd = (deadEnd: DeadEnd): string => JSON.stringify(deadEnd);

/** Puts together what was played. */
export function verdictOf(
  kit: KitDocument,
  played: ReadonlyArray<{ answers: Answers; rehearsal: Rehearsal }>,
  of?: number,
): RehearsalVerdict {
  const ends = new Map<string, DeadEndFound>();
  const leftovers = new Map<string, Leftover & { answers: Answers }>();
  const steps = new Set<string>();
  const items = new Set<string>();
  const figures = new Set<string>();
  const products = new Set<string>();
  const timed: Timed[] = [];
  for (const { answers, rehearsal } of played) {
    const { deadEnd, workMinutes, statedMinutes, waitMinutes } = rehearsal;
    for (const id of rehearsal.steps) steps.add(id);
    for (const id of rehearsal.items) items.add(id);
    for (const id of rehearsal.figuresLookedUp) figures.add(id);
    for (const name of rehearsal.productsNamed) products.add(name);
    if (deadEnd) {
      const known = ends.get(sameEnd(deadEnd));
      if (known) known.answers.push(answers);
      else ends.set(sameEnd(deadEnd), { deadEnd, answers: [answers] });
      continue;
    }
    timed.push({ answers, workMinutes, statedMinutes, waitMinutes });
    for (const leftover of rehearsal.leftovers)
      if (leftover.stated !== leftover.left && !leftovers.has(`${leftover.item} ${leftover.left}`))
        leftovers.set(`${leftover.item} ${leftover.left}`, { ...leftover, answers });
  }
  const whole = (one: Timed): number => one.workMinutes + one.waitMinutes;
  const byTime = timed.sort((a, b) => whole(a) - whole(b));
  return {
    played: played.length,
    ...(of === undefined ? {} : { of }),
    deadEnds: [...ends.values()],
    unseenSteps: kit.steps.filter(({ id }) => !steps.has(id)).map(({ id }) => id),
    unseenItems: kit.items.filter(({ id }) => !items.has(id)).map(({ id }) => id),
    leftovers: [...leftovers.values()],
    figuresLookedUp: [...figures],
    productsNamed: [...products],
    ...(byTime.length > 0 ? { shortest: byTime[0], longest: byTime.at(-1) } : {}),
  };
}

/**
 * Plays a kit on every combination of answers that makes a difference, as far as there are not too many.
 *
 * @param told - called after each one with how many are played, of how many
 */
export function rehearseAll(kit: KitDocument, told?: (played: number, of: number) => void): RehearsalVerdict {
  const { play, of } = combinationsToPlay(kit);
  const played = play.map((answers, index) => {
    const rehearsal = rehearse(kit, answers);
    told?.(index + 1, play.length);
    // What was done in each is not needed together, and would be a lot.
    return { answers, rehearsal: { ...rehearsal, events: [], moves: [] } };
  });
  return verdictOf(kit, played, of);
}
