import { countBefore } from '../../sheet/place-in.ts';
import type { SheetReading } from '../../sheet/read-sheet.ts';
import type { ItemKind } from '../piece-kind.ts';
import { bareLabels, kindsIn, partKeys, placedOnes, tellingWords } from './joint-words.ts';

/** How far a sentence about the same joint may stand, in sentences that share its word. */
const NEAREST = 24;

/** A question that the next sentence answers. */
const ASKS_SHORTLY = /^[^.!?\n]{6,60}\?$/;

/** Sentences of a sheet by the words and labels they name, so that those of one joint are found without a search. */
export interface SentenceIndex {
  words(at: number): readonly string[];
  /** The parts it names: a joint may be called by one alone. */
  parts(at: number): readonly string[];
  /** Labels in brackets it names, whether or not a list has them. */
  labels(at: number): readonly string[];
  /** Kinds of pieces that are tightened, which it names. */
  kinds(at: number): readonly ItemKind[];
  /** Sentences that hold any of some words or labels, near a place, in the order of the sheet. */
  near(keys: readonly string[], at: number): number[];
}

const known = new WeakMap<SheetReading['steps'], SentenceIndex>();

/** The index of a sheet's sentences, made when first asked for. */
export function sentenceIndex(steps: SheetReading['steps']): SentenceIndex {
  const made = known.get(steps);
  if (made) return made;
  const own = steps.map((step) => [...tellingWords(step.text), ...placedOnes(step.text)]);
  // `And the clamp?`, and the answer does not name it again.
  const words = own.map((told, at) =>
    ASKS_SHORTLY.test(steps[at - 1]?.text ?? '') ? [...told, ...(own[at - 1] ?? [])] : told,
  );
  const kinds = steps.map((step) => kindsIn(step.text));
  const parts = steps.map((step) => partKeys(step.text));
  const labels = steps.map((): string[] => []);
  const places = new Map<string, number[]>();
  const put = (key: string, at: number) => {
    const list = places.get(key);
    if (list === undefined) places.set(key, [at]);
    else if (list.at(-1) !== at) list.push(at);
  };
  steps.forEach((step, at) => {
    if (step.list) return;
    for (const word of [...(words[at] ?? []), ...(parts[at] ?? [])]) put(word, at);
    for (const match of step.text.matchAll(
      /\((\w{1,3})\)|\bitems? (\w{1,3})\b|\b([A-Z])(?=[+/][A-Z]\b)|(?<=\b[A-Z][+/])([A-Z])\b/g,
    )) {
      const label = (match[1] ?? match[2] ?? match[3] ?? match[4] ?? '').toLowerCase();
      labels[at]?.push(label);
      put(`(${label})`, at);
    }
    for (const label of bareLabels(step.text)) {
      labels[at]?.push(label);
      put(`(${label})`, at);
    }
  });
  const index: SentenceIndex = {
    words: (at) => words[at] ?? [],
    parts: (at) => parts[at] ?? [],
    labels: (at) => labels[at] ?? [],
    kinds: (at) => kinds[at] ?? [],
    near(keys, at) {
      const found = new Set<number>();
      for (const key of keys) {
        const list = places.get(key) ?? [];
        const from = countBefore(list, at);
        for (const place of list.slice(Math.max(0, from - NEAREST), from + NEAREST)) found.add(place);
      }
      return [...found].sort((a, b) => a - b);
    },
  };
  known.set(steps, index);
  return index;
}
