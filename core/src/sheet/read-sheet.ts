import { dimensionOf, type TorqueUnit, toBase } from '../quantity/unit.ts';
import type { Fact, FactValue, TorqueValue } from './fact.ts';
import { countAt, type Phrase, sizedAt, threadAt, trailingCountAt } from './fastener-phrase.ts';
import { HARDWARE } from './lexicon.ts';
import { quantityAt, quantityOf } from './quantity-phrase.ts';
import { type ShopLexicon, shopWords } from './shop-lexicon.ts';
import { columnSenses } from './table.ts';
import { type Span, type Token, tokenize } from './token.ts';
import { pairAgrees, torqueAt } from './torque-phrase.ts';
import { WORD_MATCHERS } from './word-phrase.ts';

/** One action of the sheet, in its order. */
export interface SheetStep extends Span {
  text: string;
  /** As the sheet numbers it: `3`, `3a`; none for prose. */
  number?: string;
}

export interface SheetReading {
  text: string;
  steps: SheetStep[];
  facts: Fact[];
  /** Steps in which nothing was found: shown, never dropped. */
  unread: number[];
}

/** Longest text that is read, characters: about a hundred pages. */
export const LONGEST_SHEET = 600_000;

// `3.`, `3a)`, `Step 3:`, `Step 3  `, `B.`
const NUMBERED = /^\s*(?:(?:step\s+)?(\d{1,3}[a-z]?|[A-Z])\s*[.):|]\s+|step\s+(\d{1,3}[a-z]?)\s*[-–]?\s+)/i;
/** A full stop that ends an abbreviation of the trade and not a sentence. */
const ABBREVIATION = /\b(?:ea|pcs|pc|ft|lb|lbs|in|approx|max|min|no|fig|qty|incl|dia|oz|hrs?|mins?|e\.g|i\.e|nos)$/i;

/**
 * Splits a sheet into steps: one line is one step where lines are numbered or bulleted; prose is split at the ends of
 * its sentences, and a line that goes on in the next is joined to it.
 */
function splitSteps(text: string): SheetStep[] {
  const steps: SheetStep[] = [];
  let offset = 0;
  let open: { start: number; number?: string } | undefined;
  const close = (end: number) => {
    if (!open) return;
    const raw = text.slice(open.start, end);
    const lead = raw.length - raw.trimStart().length;
    const trimmed = raw.trim();
    if (trimmed !== '')
      steps.push({
        start: open.start + lead,
        end: open.start + lead + trimmed.length,
        text: trimmed,
        number: open.number,
      });
    open = undefined;
  };
  const lines = text.split('\n');
  const written = lines.filter((line) => /\p{L}/u.test(line));
  // Dictated notes have no capitals; each line is a breath of its own.
  const dictated = written.filter((line) => /^\s*\p{Ll}/u.test(line)).length > 0.6 * written.length;
  for (const line of lines) {
    const start = offset;
    offset += line.length + 1;
    const plain = line.trim();
    if (plain === '') {
      close(start);
      continue;
    }
    const number = NUMBERED.exec(line);
    const bullet = /^\s*[-•*–]\s+/.test(line);
    // A table row, a heading or a numbered line begins anew; a line in lower case goes on with the one before.
    const goesOn = !dictated && open !== undefined && !number && !bullet && /^(?:[a-z]|\((?!\d+\)))/.test(plain);
    if (!goesOn) close(start);
    open ??= { start: number ? start + number[0].length : start, number: number?.[1] ?? number?.[2] };
    // Sentences end inside the line.
    for (const match of line.matchAll(/[.!?](?=\s+[A-Z(])|;\s/g)) {
      const at = start + match.index;
      if (match[0] !== ';' && ABBREVIATION.test(text.slice(Math.max(0, at - 8), at))) continue;
      if (at < (open?.start ?? 0)) continue;
      const number: string | undefined = open?.number;
      close(at + 1);
      open = { start: at + 1, number };
    }
  }
  close(text.length);
  return steps;
}

/** A number that may take the unit of a later one: `M12 90, M10 40 and M8 20 ft-lb`. */
interface Waiting {
  value: number;
  span: Span;
  about?: string;
}

const SEPARATORS = new Set([':', '=', '-', '–', 'to', 'at', 'is', 'bolt', 'bolts', 'nut', 'nuts', '..', '.']);

/**
 * Reads an instruction sheet's text into facts, each with its place in the text.
 *
 * A tokenizer, and small phrases tried at each token in a fixed order; what is read is not read twice. Linear in the
 * length of the text. Nothing is guessed silently: mended scans and carried-over units lower the confidence.
 *
 * @param text - the sheet's text, at most {@link LONGEST_SHEET} characters
 * @param lexicon - what this shop calls its compounds
 */
export function readSheet(text: string, lexicon: ShopLexicon = []): SheetReading {
  const shopWordAt = shopWords(lexicon);
  const steps = splitSteps(text);
  const tokens = tokenize(text);
  const senses = columnSenses(text);
  const facts: Fact[] = [];
  let step = 0;
  let waiting: Waiting[] = [];
  /** Thread or noun a torque most likely belongs to, in this step. */
  let about: string | undefined;
  /** Piece last named in this line, for a count behind it. */
  let named: string | undefined;
  let at = 0;
  const add = (value: FactValue, span: Span, confidence: number, belongs?: string) =>
    facts.push({ value, ...span, printed: text.slice(span.start, span.end), confidence, about: belongs, step });
  const spanOf = (from: number, next: number): Span => ({
    start: tokens[from]?.start ?? 0,
    end: tokens[next - 1]?.end ?? 0,
  });
  const overSized = (index: number): number | undefined => {
    const phrase = threadAt(tokens, index) ?? sizedAt(tokens, index, text);
    // `(4) 5/8" washers`: a size of no kind stands between too.
    return (
      phrase?.next ?? (tokens[index]?.kind === 'number' ? quantityOf(tokens, index, text, 'length')?.next : undefined)
    );
  };

  while (at < tokens.length) {
    const token = tokens[at] as Token;
    while (step + 1 < steps.length && token.start >= (steps[step + 1]?.start ?? Number.POSITIVE_INFINITY)) {
      step++;
      waiting = [];
      about = undefined;
    }
    if (token.kind === 'break') {
      named = undefined;
      at++;
      continue;
    }
    // `bracket bolts (4)`: the last noun said is the one counted behind it.
    const piece = HARDWARE.get(token.lower);
    if (piece !== undefined) named = piece;
    const own = lexicon.length > 0 ? shopWordAt(tokens, at) : undefined;
    if (own) {
      add(own.value, spanOf(at, own.next), 1);
      at = own.next;
      continue;
    }
    const thread = threadAt(tokens, at);
    if (thread && thread.value.kind === 'thread') {
      add(thread.value, spanOf(at, thread.next), thread.suspect ? 0.6 : 1);
      about = thread.value.designation;
      at = thread.next;
      // A bare number right behind may wait for a unit further on.
      let next = at;
      while (SEPARATORS.has(tokens[next]?.lower ?? '')) next++;
      const bare = quantityAt(tokens, next, text);
      if (
        bare &&
        bare.unit === undefined &&
        bare.min === bare.max &&
        tokens[next]?.kind === 'number' &&
        thread.value.lengthMm === undefined
      )
        waiting.push({ value: bare.min, span: spanOf(next, next + 1), about });
      continue;
    }
    const sense = senses.get(token.start);
    if (sense !== undefined) {
      const cell = quantityAt(tokens, at, text);
      const next = rangeEnd(tokens, at);
      if (sense === 'count' && token.value !== undefined && Number.isInteger(token.value) && named !== undefined) {
        add({ kind: 'count', count: token.value, noun: named }, spanOf(at, next), 1);
        at = next;
        continue;
      }
      if (sense === 'label') {
        at = next;
        continue;
      }
      if (sense !== 'count' && cell !== undefined && cell.unit === undefined) {
        const value = tabled(token.value ?? 0, tokens[next - 1]?.value ?? token.value ?? 0, sense.torque);
        const before = facts.at(-1);
        // The same value in the next column's unit.
        const second =
          before?.value.kind === 'torque' &&
          before.value.pair === undefined &&
          before.value.unit !== value.unit &&
          senses.has(before.start) &&
          !text.slice(before.end, token.start).includes('\n');
        if (second && before.value.kind === 'torque') {
          const agrees = pairAgrees(
            { value: before.value.max, unit: before.value.unit },
            { value: value.max, unit: value.unit },
          );
          before.value = { ...before.value, pair: { min: value.min, max: value.max, unit: value.unit, agrees } };
          if (!agrees) before.confidence = 0.5;
        } else add({ kind: 'torque', ...value }, spanOf(at, next), 0.85, about);
        waiting = [];
        at = next;
        continue;
      }
    }
    const torque = torqueAt(tokens, at, text);
    if (torque) {
      const belongs = about;
      for (const { value, span, about: whose } of waiting) {
        const { unit } = torque.value;
        add(carried(value, unit), span, 0.85, whose);
      }
      waiting = [];
      const doubt = torque.suspect ? 0.6 : torque.value.pair?.agrees === false ? 0.5 : 1;
      add({ kind: 'torque', ...torque.value }, spanOf(at, torque.next), doubt, belongs);
      at = torque.next;
      continue;
    }
    const count = countAt(tokens, at, overSized) ?? (named ? trailingCountAt(tokens, at, named) : undefined);
    if (count && count.value.kind === 'count') {
      const behind = countAt(tokens, at, overSized) === undefined;
      const span = spanOf(at, at + (token.text === '(' ? 3 : 1));
      const before = facts.at(-1);
      // `four (4) bolts`, `four bolts (4)`: said twice.
      const twice =
        before?.value.kind === 'count' &&
        before.value.count === count.value.count &&
        before.value.noun === count.value.noun &&
        before.step === step &&
        (behind || token.start - before.start < 12);
      if (behind) {
        if (!twice) add(count.value, spanOf(at, count.next), 1);
        named = undefined;
        at = count.next;
        continue;
      }
      if (twice) {
        at += token.text === '(' ? 3 : 1;
        continue;
      }
      add(count.value, { start: span.start, end: tokens[count.next - 1]?.end ?? span.end }, 1);
      about ??= count.value.noun;
      // What stands between number and noun is read for itself.
      at += token.text === '(' ? 3 : 1;
      if (tokens[at]?.lower === 'pair') at += 1;
      continue;
    }
    const sized = sizedAt(tokens, at, text);
    if (sized) {
      add(sized.value, spanOf(at, sized.next), sized.suspect ? 0.6 : 1);
      at = sized.next;
      continue;
    }
    let word: Phrase | undefined;
    for (const matcher of WORD_MATCHERS) {
      word = matcher(tokens, at, text);
      if (word) break;
    }
    if (word) {
      const assumed = word.suspect ? 0.7 : 1;
      if (word.value.kind === 'sameAsAbove') {
        const above = facts.findLast((fact) => fact.value.kind === 'torque');
        add(above ? above.value : word.value, spanOf(at, word.next), 0.7, about);
      } else add(word.value, spanOf(at, word.next), assumed);
      at = word.next;
      continue;
    }
    const other = otherQuantity(tokens, at, text);
    if (other) {
      add(other.value, spanOf(at, other.next), other.suspect ? 0.6 : 0.9);
      at = other.next;
      continue;
    }
    at++;
  }
  const touched = new Set(facts.filter((fact) => fact.value.kind !== 'side').map((fact) => fact.step));
  return { text, steps, facts, unread: steps.flatMap((_, index) => (touched.has(index) ? [] : [index])) };
}

/** A value or range whose unit stands elsewhere. */
const tabled = (min: number, max: number, unit: TorqueUnit): TorqueValue => ({
  min,
  max,
  unit,
  minNm: toBase(min, unit),
  maxNm: toBase(max, unit),
});

const carried = (value: number, unit: TorqueUnit): FactValue => ({ kind: 'torque', ...tabled(value, value, unit) });

/** Index after `45` or `45-50`. */
const rangeEnd = (tokens: readonly Token[], at: number): number =>
  /^[-–]$/.test(tokens[at + 1]?.text ?? '') && tokens[at + 2]?.kind === 'number' ? at + 3 : at + 1;

const TORQUE_WORDS = new Set(['torque', 'tighten', 'torqued', 'tightened', 'torques']);

/** A length that no noun claimed, or a force where the sentence speaks of torque. */
function otherQuantity(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  if (tokens[at]?.kind !== 'number') return undefined;
  const phrase = quantityAt(tokens, at, source);
  if (phrase?.unit === undefined) return undefined;
  const dimension = dimensionOf(phrase.unit);
  if (dimension === 'force' || dimension === 'mass') {
    const before = tokens.slice(Math.max(0, at - 8), at).map((token) => token.lower);
    if (before.some((word) => TORQUE_WORDS.has(word)))
      return {
        value: { kind: 'forceForTorque', value: phrase.max, unit: phrase.unit },
        next: phrase.next,
        suspect: true,
      };
    return undefined;
  }
  const length = quantityOf(tokens, at, source, 'length');
  return (
    length && {
      value: { kind: 'length', lengthMm: toBase(length.max, length.unit) },
      next: length.next,
      suspect: length.suspect,
    }
  );
}
