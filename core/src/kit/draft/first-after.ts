import type { Fact } from '../../sheet/fact.ts';
import { countBefore } from '../../sheet/place-in.ts';

/**
 * Finds the first of some facts behind a place that has any of some words, without a search of all.
 *
 * @param facts - in the order of the sheet
 */
export function firstAfter<F extends Fact>(
  facts: readonly F[],
  wordsOf: (fact: F) => ReadonlySet<string>,
): (words: ReadonlySet<string>, start: number) => F | undefined {
  const found = new Map<string, { facts: F[]; starts: number[] }>();
  for (const fact of facts)
    for (const word of wordsOf(fact)) {
      const there = found.get(word) ?? { facts: [], starts: [] };
      there.facts.push(fact);
      there.starts.push(fact.start);
      found.set(word, there);
    }
  return (words, start) => {
    let first: F | undefined;
    for (const word of words) {
      const there = found.get(word);
      const next = there?.facts[countBefore(there.starts, start + 1)];
      if (next && (!first || next.start < first.start)) first = next;
    }
    return first;
  };
}
