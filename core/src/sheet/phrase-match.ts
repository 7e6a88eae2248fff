import type { FactValue } from './fact.ts';
import type { Phrase } from './fastener-phrase.ts';
import type { Token } from './token.ts';

export type Matcher = (tokens: readonly Token[], at: number, source: string) => Phrase | undefined;

export const found = (value: FactValue, next: number): Phrase => ({ value, next, suspect: false });
export const lower = (tokens: readonly Token[], at: number): string => tokens[at]?.lower ?? '';

/** Whether words stand from a place on, a hyphen between them or not. Gives the index after them. */
export function phraseAt(tokens: readonly Token[], at: number, words: readonly string[]): number | undefined {
  let next = at;
  for (const [index, word] of words.entries()) {
    if (index > 0 && tokens[next]?.text === '-') next++;
    if (lower(tokens, next) !== word) return undefined;
    next++;
  }
  return next;
}

export const firstOf = (
  tokens: readonly Token[],
  at: number,
  phrases: ReadonlyArray<readonly string[]>,
): number | undefined => {
  for (const words of phrases) {
    const next = phraseAt(tokens, at, words);
    if (next !== undefined) return next;
  }
  return undefined;
};

/** First words of phrases: most tokens open none of them and are passed by at once. */
export const openersOf = (...lists: ReadonlyArray<ReadonlyArray<readonly string[]>>): ReadonlySet<string> =>
  new Set(lists.flat().map((words) => words[0] ?? ''));
