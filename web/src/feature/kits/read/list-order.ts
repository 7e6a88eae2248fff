import type { Doubt } from '#core/sheet/doubt.ts';
import type { Fact } from '#core/sheet/fact.ts';

/** What the reader doubted of a fact, by its index. */
export interface Doubtful {
  index: number;
  doubt: Doubt;
}

/** Sides stand with what they belong to; on their own they would only lengthen the list. */
export const isShown = (fact: Fact): boolean => fact.value.kind !== 'side';

/** What would hurt most if it were wrong is asked first. */
const weightOf = (doubt: Doubt | undefined): number =>
  doubt === undefined ? 0 : (WEIGHT.indexOf(doubt.code) + 1 || WEIGHT.length) / WEIGHT.length;
const WEIGHT: ReadonlyArray<Doubt['code']> = [
  'assumed',
  'threadNotSaid',
  'onlyEnd',
  'carried',
  'nearEnough',
  'mended',
  'unsaid',
  'noUnit',
  'forceForTorque',
  'pairDisagrees',
  'twelveTimes',
];

/** What is to be checked, worst first. */
export const toCheckFirst = (facts: readonly Fact[], doubtful: readonly Doubtful[]): number[] =>
  doubtful
    .filter(({ index }) => isShown(facts[index] as Fact))
    .sort((a, b) => weightOf(b.doubt) - weightOf(a.doubt) || a.index - b.index)
    .map(({ index }) => index);

/** The facts in the order of the list: what is to be checked, then the rest as the sheet has them. */
export function listOrder(facts: readonly Fact[], doubtful: readonly Doubtful[]): number[] {
  const first = new Set(toCheckFirst(facts, doubtful));
  const rest = facts.flatMap((fact, index) => (isShown(fact) && !first.has(index) ? [index] : []));
  return [...first, ...rest];
}
