import { HARDWARE } from '../../sheet/lexicon.ts';

const PLAIN = new Set(
  'the and both all each again back off out aside side one two with from into onto old new original existing factory stock standard'.split(
    ' ',
  ),
);

/** Words that tell one thing from another: no articles, no hardware, no `all`. */
export const nounsOf = (text: string): string[] =>
  (text.toLowerCase().match(/\p{L}{3,}/gu) ?? []).filter((word) => !PLAIN.has(word) && !HARDWARE.has(word));

/** The words of things by their names, which do not change: a long sheet asks for each many times. */
const known = new WeakMap<{ readonly name: string }, ReadonlySet<string>>();
function wordsOf(thing: { readonly name: string }): ReadonlySet<string> {
  const made = known.get(thing) ?? new Set(nounsOf(thing.name));
  known.set(thing, made);
  return made;
}

/** Those of some things that a text names, in their order. */
export function namedIn<T extends { readonly name: string }>(things: readonly T[], text: string): T[] {
  const words = nounsOf(text);
  return words.length === 0 ? [] : things.filter((thing) => words.some((word) => wordsOf(thing).has(word)));
}
