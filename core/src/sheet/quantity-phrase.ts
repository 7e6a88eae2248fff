import { unitFromSpelling } from '../quantity/parse-printed.ts';
import { dimensionOf, type UnitName } from '../quantity/unit.ts';
import { AFTER_PREPOSITION, NUMBER_WORDS, TENS_WORDS } from './lexicon.ts';
import { misreadNumber, type Token } from './token.ts';

/** A number or range with its unit, read at a place among the tokens. */
export interface QuantityPhrase {
  min: number;
  max: number;
  unit?: UnitName;
  /** Index after the last token. */
  next: number;
  suspect: boolean;
}

/** Longest unit in tokens: `ft . - lbs .` */
const UNIT_TOKENS = 6;
/** One letter is a unit only where it touches its number. */
const SINGLE = new Set(['m', 'g', 'l', 'c', 'f', 'n', 'h']);

/** What a scanner makes of unit letters, mended: `ft-1b`, `Nrn`, `in-Ib`. */
const mended = (text: string): string =>
  text
    .replace(/1b/gi, 'lb')
    .replace(/Ib/g, 'lb')
    .replace(/rn/g, 'm')
    .replace(/\bf1\b/gi, 'ft');

/** First words of every unit; nothing else can open one, and most tokens are told apart by this alone. */
const UNIT_OPENERS = new Set(
  "n nm nrn dan danm ncm kp kpm mkp # newton newtons newtonmetre newtonmetres newtonmeter newtonmeters kn kilonewton kilonewtons ft f foot feet lb lbs lbf ib ibs pound pounds in ins inch inches kg kgs kgf kgm kgfm kilo kilos kilogram kilograms kilogramme kilogrammes kilogrammetre kilogrammeter mkg m mm cm cmkg centimetre centimetres centimeter centimeters millimetre millimetres millimeter millimeters metre metres meter meters g gram grams deg degs degree degrees degc degf turn turns c celsius fahrenheit km kilometre kilometres kilometer kilometers mi mile miles ml cc millilitre millilitres milliliter milliliters l litre litres liter liters fl fluid \" ″ ' '' ′ ” ° ft' lbft ftlb ftlbs inlb inlbs rnm".split(
    ' ',
  ),
);

/** `48# (inch pounds!)`: what pounds they are is said in brackets. */
const POUNDS_SAID = /^[^\n(]*\((inch|in\.?|foot|ft\.?)[- ]?(?:pounds|lbs?)\b/i;

/** A unit at a place among the tokens, the longest that can be read. */
export function unitAt(
  tokens: readonly Token[],
  at: number,
  source: string,
  touching: boolean,
): { unit: UnitName; next: number; suspect: boolean } | undefined {
  const first = tokens[at];
  if (!first || first.kind === 'break' || !UNIT_OPENERS.has(first.lower)) return undefined;
  for (let length = UNIT_TOKENS; length >= 1; length--) {
    const last = tokens[at + length - 1];
    if (!last || tokens.slice(at, at + length).some((token) => token.kind === 'break')) continue;
    // A closing full stop belongs to the sentence unless it stands inside the unit.
    if (
      last.kind === 'mark' &&
      last.text !== '"' &&
      last.text !== '″' &&
      last.text !== "'" &&
      last.text !== '°' &&
      last.text !== '#'
    )
      continue;
    const text = source.slice(first.start, last.end);
    if (text.length > 20) continue;
    const plain = unitFromSpelling(text);
    const unit = plain ?? unitFromSpelling(mended(text));
    if (unit === undefined) continue;
    // Foot-pounds are written `ft #`; a single mark is none.
    if (length === 1 && first.text === '#') {
      const said = POUNDS_SAID.exec(source.slice(first.end, first.end + 60))?.[1]?.toLowerCase();
      return said === undefined || !touching
        ? undefined
        : { unit: said.startsWith('i') ? 'lbf·in' : 'lbf·ft', next: at + 1, suspect: false };
    }
    if (length === 1 && SINGLE.has(first.lower) && !touching && first.text !== 'N') continue;
    if (length === 1 && first.lower === 'in') {
      const after = tokens[at + 1];
      if (after && AFTER_PREPOSITION.has(after.lower)) continue;
    }
    // `9/16 in. socket`: the point belongs to the abbreviation where the sentence goes on.
    const point = tokens[at + length];
    const goesOn = tokens[at + length + 1];
    const abbreviated =
      length === 1 &&
      first.lower === 'in' &&
      point?.text === '.' &&
      goesOn !== undefined &&
      /^\p{Ll}/u.test(goesOn.text);
    return { unit, next: at + length + (abbreviated ? 1 : 0), suspect: plain === undefined };
  }
  return undefined;
}

const numberAt = (token: Token | undefined): { value: number; suspect: boolean } | undefined => {
  if (token?.kind === 'number' && token.value !== undefined) return { value: token.value, suspect: false };
  const misread = token?.kind === 'word' ? misreadNumber(token.text) : undefined;
  return misread === undefined ? undefined : { value: misread, suspect: true };
};

/** A number in words: `sixteen`, `fifty five`, `one hundred and ten`. Alone `a` is no number. */
function spelled(tokens: readonly Token[], at: number): { value: number; suspect: boolean; next: number } | undefined {
  let next = at;
  const word = () => tokens[next]?.lower ?? '';
  const dashed = () => {
    if (tokens[next]?.text === '-' && NUMBER_WORDS[tokens[next + 1]?.lower ?? ''] !== undefined) next++;
  };
  let value = 0;
  const first = word() === 'both' ? undefined : NUMBER_WORDS[word()];
  if (first !== undefined && first < 10 && tokens[next + 1]?.lower === 'hundred') {
    value = first * 100;
    next += 2;
    if (word() === 'and') next++;
  }
  const tens = TENS_WORDS[word()];
  if (tens !== undefined) {
    value += tens;
    next++;
    dashed();
  }
  const unit = word() === 'a' || word() === 'both' ? undefined : NUMBER_WORDS[word()];
  if (unit !== undefined && (tens === undefined || unit < 10)) {
    value += unit;
    next++;
  }
  return value > 0 ? { value, suspect: false, next } : undefined;
}

/** Before `one` it is a thing and no number: `the long one fifty five`. */
const THIS_ONE =
  /^(?:the|this|that|each|every|other|last|first|next|long|short|big|small|little|single|centre|center|middle|top|bottom|upper|lower|front|rear|left|right|inner|outer|old|new|red|blue)$/;

/** `one thirty five`, `two ten`: hundreds as a fitter says them; undefined where it is two numbers or none. */
export function saidHundreds(
  tokens: readonly Token[],
  at: number,
): { value: number; suspect: boolean; next: number } | undefined {
  const hundreds = NUMBER_WORDS[tokens[at]?.lower ?? ''];
  const rest = hundreds !== undefined && hundreds >= 1 && hundreds <= 6 ? spelled(tokens, at + 1) : undefined;
  const begins = tokens[at + 1]?.lower ?? '';
  if (rest === undefined || hundreds === undefined || rest.value < 10 || rest.value > 99) return undefined;
  if (tokens[at]?.lower === 'one' && THIS_ONE.test(tokens[at - 1]?.lower ?? '')) return undefined;
  if (tokens[at]?.lower === 'a' || (TENS_WORDS[begins] === undefined && (NUMBER_WORDS[begins] ?? 0) < 10))
    return undefined;
  return { value: 100 * hundreds + rest.value, suspect: false, next: rest.next };
}

/** `4 0 Nm`, `1 2 0 Nm`: a scanner's digits with a space between, before a torque's unit; likely one number, and doubted. */
function spacedDigits(
  tokens: readonly Token[],
  at: number,
): { value: number; suspect: boolean; next: number } | undefined {
  let [next, value] = [at, 0];
  while (next < at + MOST_SPACED && /^\d$/.test(tokens[next]?.text ?? '')) {
    const gap = (tokens[next]?.start ?? 0) - (tokens[next - 1]?.end ?? 0);
    if (next > at && gap > 2) break;
    value = 10 * value + Number(tokens[next]?.text);
    next++;
  }
  return next > at + 1 && value >= 10 && TORQUE_WORD.has(tokens[next]?.lower ?? '')
    ? { value, suspect: true, next }
    : undefined;
}
/** Digits a torque has at most. */
const MOST_SPACED = 3;

/** A misread number may be split by the tokenizer: `1O` is a number and a word that touch. */
function looseNumber(
  tokens: readonly Token[],
  at: number,
): { value: number; suspect: boolean; next: number } | undefined {
  const [first, second, third] = [tokens[at], tokens[at + 1], tokens[at + 2]];
  // `l2O`: three pieces that touch.
  if (first && second && third && first.end === second.start && second.end === third.start && first.kind === 'word') {
    const joined = misreadNumber(first.text + second.text + third.text);
    if (joined !== undefined) return { value: joined, suspect: true, next: at + 3 };
  }
  if (first && second && first.end === second.start && first.kind === 'number' && second.kind === 'word') {
    const joined = misreadNumber(first.text + second.text);
    if (joined !== undefined) return { value: joined, suspect: true, next: at + 2 };
  }
  if (first && second && first.end === second.start && first.kind === 'word' && second.kind === 'number') {
    const joined = misreadNumber(first.text + second.text);
    if (joined !== undefined) return { value: joined, suspect: true, next: at + 2 };
  }
  const apart = spacedDigits(tokens, at);
  if (apart) return apart;
  const plain = numberAt(first);
  if (plain) return { ...plain, next: at + 1 };
  // Only before a torque's unit: `one twenty mil bolt` is one bolt.
  const hundreds = saidHundreds(tokens, at);
  return hundreds && TORQUE_WORD.has(tokens[hundreds.next]?.lower ?? '') ? hundreds : spelled(tokens, at);
}

const DASH = new Set(['-', '–', '—', '~', '…', '÷']);
/** What a torque's unit begins with, and how far the ends of one said loosely lie apart (chosen by us). */
const TORQUE_WORD = new Set([
  'nm',
  'n',
  'newton',
  'ft',
  'foot',
  'lb',
  'lbf',
  'pound',
  'pounds',
  'inch',
  'in',
  'kgm',
  'kgf',
]);
const MOST_APART = 1.4;
const RANGE_WORDS: ReadonlyArray<readonly string[]> = [
  ['nor', 'more', 'than'],
  ['and', 'not', 'more', 'than'],
  ['nor', 'over'],
];

/** The index after what joins the two ends of a range: a dash, `to`, `...`, `nor more than`; undefined without. */
function afterJoint(tokens: readonly Token[], at: number, between: boolean): number | undefined {
  const joint = tokens[at];
  if (joint === undefined) return undefined;
  // A dash in a column of its own joins nothing.
  const [before, behind] = [tokens[at - 1], tokens[at + 1]];
  const apart = before && behind && joint.start - before.end > 1 && behind.start - joint.end > 1;
  if (
    (DASH.has(joint.text) && !apart) ||
    joint.lower === 'to' ||
    joint.lower === 'till' ||
    (between && joint.lower === 'and')
  )
    return at + 1;
  // `6 or 7 foot pounds`: close together, and of a torque.
  if (joint.lower === 'or' && TORQUE_WORD.has(tokens[at + 2]?.lower ?? '')) {
    const [low, high] = [numberAt(tokens[at - 1])?.value, numberAt(tokens[at + 1])?.value];
    if (low !== undefined && high !== undefined && high > low && high <= MOST_APART * low) return at + 1;
  }
  // `3...4` and `17..20`: points that touch.
  let points = at;
  // `23 . . . 27` is set wide.
  while (
    tokens[points]?.text === '.' &&
    (points === at || (tokens[points]?.start ?? 0) - (tokens[points - 1]?.end ?? 0) <= 1)
  )
    points++;
  if (points - at >= 2 && points - at <= 3 && tokens[points]?.kind === 'number') return points;
  const words = RANGE_WORDS.find((list) => list.every((word, index) => tokens[at + index]?.lower === word));
  return words && at + words.length;
}

/**
 * Reads `[between] number [unit] [(- | to | and) number] [unit]`. The unit may stand after either number; a range in
 * two units is two quantities.
 *
 * @returns undefined where no number stands
 */
export function quantityAt(tokens: readonly Token[], start: number, source: string): QuantityPhrase | undefined {
  if (!mayOpen(tokens[start])) return undefined;
  // Several phrases ask for the quantity at one place; it is read once.
  let known = readQuantities.get(tokens);
  if (!known) {
    known = [];
    readQuantities.set(tokens, known);
  }
  known[start] ??= readQuantity(tokens, start, source) ?? 'none';
  const phrase = known[start];
  return phrase === 'none' ? undefined : phrase;
}

/** Whether a token can open a quantity: a number, a number in words, or what a scanner made of one. */
const mayOpen = (token: Token | undefined): boolean =>
  token !== undefined &&
  (token.kind === 'number' ||
    (token.kind === 'word' &&
      (token.lower === 'between' ||
        token.lower === 'not' ||
        token.lower === 'from' ||
        NUMBER_WORDS[token.lower] !== undefined ||
        TENS_WORDS[token.lower] !== undefined ||
        'lIO'.includes(token.text[0] ?? ' '))));

const readQuantities = new WeakMap<readonly Token[], Array<QuantityPhrase | 'none' | undefined>>();

function readQuantity(tokens: readonly Token[], start: number, source: string): QuantityPhrase | undefined {
  const notLess = ['not', 'less', 'than'].every((word, index) => tokens[start + index]?.lower === word);
  const between = notLess || tokens[start]?.lower === 'between' || tokens[start]?.lower === 'from';
  const at = notLess ? start + 3 : between ? start + 1 : start;
  const first = looseNumber(tokens, at);
  if (!first) return undefined;
  const touch = (index: number) => tokens[index - 1]?.end === tokens[index]?.start;
  // A unit may stand in the next cell of a table.
  const firstUnit =
    unitAt(tokens, first.next, source, touch(first.next)) ??
    (tokens[first.next]?.text === '|' ? unitAt(tokens, first.next + 1, source, false) : undefined) ??
    // `thirty eight, newton metres`: a breath between.
    (tokens[first.next]?.text === ',' &&
    /^(?:newton|foot|inch|ft|lb)/.test(tokens[first.next + 1]?.lower ?? '') &&
    tokens[at]?.kind === 'word'
      ? unitAt(tokens, first.next + 1, source, false)
      : undefined);
  let next = firstUnit?.next ?? first.next;
  const joined = afterJoint(tokens, next, between);
  const slashed = joined === undefined && tokens[next]?.text === '/' && firstUnit === undefined;
  const second =
    joined !== undefined ? looseNumber(tokens, joined) : slashed ? looseNumber(tokens, next + 1) : undefined;
  if (second && second.value > first.value) {
    const secondUnit = unitAt(tokens, second.next, source, touch(second.next));
    const unit = secondUnit?.unit ?? firstUnit?.unit;
    const sameUnit = !firstUnit || !secondUnit || firstUnit.unit === secondUnit.unit;
    // Without any unit `10 - 20` may be a bolt and a socket; only a unit makes it a range.
    const asRange = !slashed || (unit !== undefined && dimensionOf(unit) === 'torque');
    if (unit !== undefined && sameUnit && asRange) {
      next = secondUnit?.next ?? second.next;
      const suspect =
        // `50/60 Nm` is a range to one writer and two values to the next.
        slashed || first.suspect || second.suspect || (firstUnit?.suspect ?? false) || (secondUnit?.suspect ?? false);
      return { min: first.value, max: second.value, unit, next, suspect };
    }
  }
  const suspect = first.suspect || (firstUnit?.suspect ?? false);
  // A misread number counts only with a unit behind it; alone it is a word.
  if (first.suspect && !firstUnit) return undefined;
  return { min: first.value, max: first.value, unit: firstUnit?.unit, next, suspect };
}

/** A quantity of one dimension, or undefined. */
export function quantityOf(
  tokens: readonly Token[],
  start: number,
  source: string,
  dimension: ReturnType<typeof dimensionOf>,
): (QuantityPhrase & { unit: UnitName }) | undefined {
  const phrase = quantityAt(tokens, start, source);
  return phrase?.unit !== undefined && dimensionOf(phrase.unit) === dimension
    ? { ...phrase, unit: phrase.unit }
    : undefined;
}
