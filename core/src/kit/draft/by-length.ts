import type { Item } from '../kit-document.ts';

/** `the long one`, `the longer bolts` */
const LONG_ONE = /\blong(?:er|est)? (?:one|bolt|screw)s?\b/i;

/** The line of the list that has the longest bolts; undefined where two have. */
function longestOf(bolts: readonly Item[]): Item | undefined {
  const [first, second] = bolts
    .filter(({ lengthMm }) => lengthMm !== undefined)
    .toSorted((a, b) => (b.lengthMm ?? 0) - (a.lengthMm ?? 0));
  return second && (second.lengthMm ?? 0) < (first?.lengthMm ?? 0) ? first : undefined;
}

/** `the short ones`, `the shorter bolts` */
const SHORT_ONE = /\bshort(?:er|est)? (?:one|bolt|screw)s?\b/i;

/** The shortest bolts of a size the list has in several lengths; undefined where it has no such size, or two. */
function shortestOf(bolts: readonly Item[]): Item | undefined {
  const shorter = bolts.filter(
    (bolt) =>
      bolt.lengthMm !== undefined &&
      bolts.some(({ thread, lengthMm }) => thread === bolt.thread && (lengthMm ?? 0) > (bolt.lengthMm ?? 0)) &&
      !bolts.some((one) => one.thread === bolt.thread && (one.lengthMm ?? Number.NaN) < (bolt.lengthMm ?? 0)),
  );
  return shorter.length === 1 ? shorter[0] : undefined;
}

/**
 * The bolts of the list that a phrase calls by their length alone, `then the long one, 55`; undefined where it calls none
 * so, or where the list does not tell which they are.
 */
export const calledByLength = (phrase: string, bolts: readonly Item[]): Item | undefined =>
  LONG_ONE.test(phrase) ? longestOf(bolts) : SHORT_ONE.test(phrase) ? shortestOf(bolts) : undefined;
