import type { Fact } from '../../sheet/fact.ts';

/**
 * Finds the first of some facts behind a place that has any of some words, without a search of all.
 *
 * @param facts - in the order of the sheet
 */
export function firstAfter<F extends Fact>(
  facts: readonly F[],
  wordsOf: (fact: F) => ReadonlySet<string>,
): (words: ReadonlySet<string>, start: number) => F | undefined {
  const places = new Map<string, F[]>();
  for (const fact of facts)
    for (const word of wordsOf(fact)) {
      const there = places.get(word);
      if (there) there.push(fact);
      else places.set(word, [fact]);
    }
  return (words, start) => {
    let first: F | undefined;
    for (const word of words) {
      const there = places.get(word) ?? [];
      let [low, high] = [0, there.length];
      while (low < high) {
        const middle = (low + high) >> 1;
        if ((there[middle]?.start ?? 0) <= start) low = middle + 1;
        else high = middle;
      }
      const next = there[low];
      if (next && (!first || next.start < first.start)) first = next;
    }
    return first;
  };
}
