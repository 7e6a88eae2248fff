import type { CompoundKind } from '../compound/compound.ts';
import type { Phrase } from './fastener-phrase.ts';
import type { Token } from './token.ts';

/** What a shop calls a compound: its own words, which no lexicon that ships has. */
export interface ShopWord {
  words: string;
  compound: CompoundKind | 'penetrant' | 'oil';
}
export type ShopLexicon = readonly ShopWord[];

/** Looks the shop's words up at a place among the tokens, the longest first. Hyphens between words do not matter. */
export function shopWords(lexicon: ShopLexicon): (tokens: readonly Token[], at: number) => Phrase | undefined {
  const byFirst = new Map<string, Array<{ words: string[]; compound: ShopWord['compound'] }>>();
  for (const { words, compound } of lexicon) {
    // Cut as the tokenizer cuts, so that letters and figures that touch are found.
    const parts = words.toLowerCase().match(/\p{L}+|\d+/gu) ?? [];
    const first = parts[0];
    if (first === undefined) continue;
    byFirst.set(
      first,
      [...(byFirst.get(first) ?? []), { words: parts, compound }].sort((a, b) => b.words.length - a.words.length),
    );
  }
  return (tokens, at) => {
    for (const { words, compound } of byFirst.get(tokens[at]?.lower ?? '') ?? []) {
      let next = at;
      const all = words.every((word, index) => {
        if (index > 0 && tokens[next]?.text === '-') next++;
        return tokens[next++]?.lower === word;
      });
      if (all) return { value: { kind: 'compound', compound }, next, suspect: false };
    }
    return undefined;
  };
}
