import { askedBy } from './asked.ts';
import { sidesAsConditions } from './bought-sides.ts';
import { type Answers, type AnswerValue, answerId, type Condition, evaluate, questionsIn } from './condition.ts';
import type { KitDocument, Question } from './kit-document.ts';

/** One question with the answers that can make a difference. */
export interface AnswerAxis {
  question: Question;
  values: AnswerValue[];
}

/** Most combinations that are gone through; a kit with more has its conditions checked one by one. */
export const MOST_COMBINATIONS = 4096;

/** Every comparison inside a condition. */
function leaves(
  condition: Condition | undefined,
): Array<Exclude<Condition, { all: unknown } | { any: unknown } | { not: unknown }>> {
  if (condition === undefined) return [];
  if ('all' in condition) return condition.all.flatMap(leaves);
  if ('any' in condition) return condition.any.flatMap(leaves);
  if ('not' in condition) return leaves(condition.not);
  return [condition];
}

/** Every condition of a kit, fits included. */
export const conditionsOf = (document: KitDocument): Condition[] => {
  const kit = sidesAsConditions(document);
  const lists: ReadonlyArray<ReadonlyArray<{ when?: Condition }>> = [
    kit.fits,
    kit.items,
    kit.items.flatMap((item) => [...(item.quantities ?? []), ...(item.facings ?? [])]),
    kit.compounds,
    kit.stations,
    kit.stations.flatMap((station) => station.specs),
    kit.stations.flatMap((station) => station.stack),
    kit.items.flatMap((item) => item.leftover ?? []),
    kit.groups,
    kit.cautions,
    kit.aftercare,
    kit.prerequisites,
    kit.baselines,
    kit.choices,
    kit.irreversible,
    kit.temporary,
    kit.neighbours,
    kit.removed,
    kit.removed.flatMap((entry) => entry.specs ?? []),
    kit.disconnects,
    kit.checks,
    kit.tools,
    kit.steps,
  ];
  return lists.flatMap((list) => list.flatMap((entry) => entry.when ?? []));
};

/**
 * Numbers that stand for every stretch between the thresholds of a question: each threshold and its neighbour.
 * Thresholds that are whole, as model years are, have whole neighbours.
 */
function numberValues(question: Question, conditions: readonly Condition[]): number[] {
  const found = new Set<number>();
  for (const leaf of conditions.flatMap(leaves)) {
    if (answerId(leaf.question, leaf.at) !== question.id) continue;
    const at = 'atLeast' in leaf ? leaf.atLeast : 'atMost' in leaf ? leaf.atMost : leaf.is;
    if (typeof at !== 'number') continue;
    const step = Number.isInteger(at) ? 1 : 0.01;
    for (const value of [at, 'atMost' in leaf ? at + step : at - step]) found.add(value);
    if ('is' in leaf) found.add(at + step);
  }
  const { min = Number.NEGATIVE_INFINITY, max = Number.POSITIVE_INFINITY } = question;
  const inside = [...found].filter((value) => value >= min && value <= max).sort((a, b) => a - b);
  // A question whose answer nothing asks about still has one.
  return inside.length > 0 ? inside : [question.min ?? question.max ?? 0];
}

/** The answers of each question that can make a difference, in the order the kit asks them. */
export function answerSpace(kit: KitDocument): AnswerAxis[] {
  const conditions = conditionsOf(kit);
  const asked = new Set(conditions.flatMap(questionsIn));
  return askedBy(kit)
    .filter((question) => asked.has(question.id))
    .map((question) => ({
      question,
      values:
        question.kind === 'yesNo'
          ? [true, false]
          : question.kind === 'choice'
            ? (question.choices ?? []).map((choice) => choice.value)
            : numberValues(question, conditions),
    }));
}

/** How many combinations of answers there are. */
export const combinationCount = (axes: readonly AnswerAxis[]): number =>
  axes.reduce((product, axis) => product * axis.values.length, 1);

/** Every combination of answers, in order. The caller sees to it that there are not too many. */
export function combinations(axes: readonly AnswerAxis[]): Answers[] {
  return axes.reduce<Answers[]>(
    (made, { question, values }) =>
      made.flatMap((answers) => values.map((value) => ({ ...answers, [question.id]: value }))),
    [{}],
  );
}

/** The axes that some conditions ask about. */
export const axesOf = (axes: readonly AnswerAxis[], conditions: ReadonlyArray<Condition | undefined>): AnswerAxis[] => {
  const asked = new Set(conditions.flatMap(questionsIn));
  return axes.filter((axis) => asked.has(axis.question.id));
};

/** Whether a vehicle with these answers is one the kit is made for. */
export const fitsWith = (kit: KitDocument, answers: Answers): boolean =>
  kit.fits.every((fit) => evaluate(fit.when, answers).truth !== 'false');

/** Every combination of a vehicle the kit fits; undefined when there are too many to go through. */
export function variants(kit: KitDocument): Answers[] | undefined {
  const axes = answerSpace(kit);
  if (combinationCount(axes) > MOST_COMBINATIONS) return undefined;
  return combinations(axes).filter((answers) => fitsWith(kit, answers));
}

/**
 * Every combination of the answers that some conditions ask about, of vehicles the kit fits. The other questions do not
 * matter to them and are left out, so that this stays small however many questions a kit asks.
 *
 * @returns empty where even these are more than {@link MOST_COMBINATIONS}
 */
export function combinationsFor(
  kit: KitDocument,
  axes: readonly AnswerAxis[],
  conditions: ReadonlyArray<Condition | undefined>,
): Answers[] {
  const some = axesOf(axes, [...conditions, ...kit.fits.map((fit) => fit.when)]);
  // With too many of them the fits are left aside: what is found then may concern a vehicle the kit is not for.
  const narrow = combinationCount(some) > MOST_COMBINATIONS ? axesOf(axes, conditions) : some;
  if (combinationCount(narrow) > MOST_COMBINATIONS) return [];
  return combinations(narrow).filter((answers) => fitsWith(kit, answers));
}
