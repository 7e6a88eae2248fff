import { seriesOfPitch, standardPitchMm } from '../fastener/standard-thread.ts';
import { metricThread, unifiedThread } from '../fastener/thread.ts';
import { dimensionOf, MM_PER_INCH, toBase } from '../quantity/unit.ts';
import type { FactValue } from './fact.ts';
import { type Phrase, threadAt } from './fastener-phrase.ts';
import { NUMBER_WORDS } from './lexicon.ts';
import { quantityAt } from './quantity-phrase.ts';
import type { Token } from './token.ts';

/** Fractions of an inch in words. */
const INCH_WORDS: Record<string, string> = {
  quarter: '1/4',
  'five-sixteenths': '5/16',
  'three-eighths': '3/8',
  'seven-sixteenths': '7/16',
  half: '1/2',
  'nine-sixteenths': '9/16',
  'five-eighths': '5/8',
  'three-quarter': '3/4',
  'three-quarters': '3/4',
};

/** The size of a piece in inches that is said without its pitch: `half-inch nyloc nuts`, `3/8" washers`. */
export function inchSizeIn(text: string): string | undefined {
  const words = Object.keys(INCH_WORDS).join('|');
  const [, word, figures] =
    new RegExp(
      `\\b(?:(${words})[- ]inch|(?<![\\d/.-])([1-9]\\d?/(?:2|4|8|16))(?:["″]|[- ]?in(?:ch)?\\b)?)(?:[ -]+\\p{L}+){0,2}?[ -]+(?:lock)?(?:bolts?|nuts?|screws?|studs?|hardware|fasteners?)\\b`,
      'iu',
    ).exec(text) ?? [];
  return figures ?? INCH_WORDS[word?.toLowerCase() ?? ''];
}

const INCH_OPENERS = new Set(Object.keys(INCH_WORDS).map((word) => word.split('-')[0] ?? word));

/** A size in words with its series: `three-eighths coarse by one and a quarter`, `half-inch fine`, `half UNF`. */
function spokenInchAt(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  const first = tokens[at];
  if (first?.kind !== 'word' || !INCH_OPENERS.has(first.lower)) return undefined;
  const dashed =
    tokens[at + 1]?.text === '-'
      ? `${first.lower}-${tokens[at + 2]?.lower}`
      : `${first.lower}-${tokens[at + 1]?.lower}`;
  const two = INCH_WORDS[dashed] !== undefined;
  const size = two ? INCH_WORDS[dashed] : INCH_WORDS[first.lower];
  if (size === undefined) return undefined;
  let next = at + (two ? (tokens[at + 1]?.text === '-' ? 3 : 2) : 1);
  if (tokens[next]?.text === '-') next++;
  if (tokens[next]?.lower === 'inch' || tokens[next]?.lower === 'in') next++;
  // `half-inch by inch and a half fine`: the length may stand before the series.
  const before = tokens[next]?.lower === 'by' ? spokenLength(tokens, next, source) : undefined;
  if (before) next = before.next;
  const series = tokens[next]?.lower ?? '';
  if (!['coarse', 'fine', 'unc', 'unf'].includes(series)) return undefined;
  const [top, bottom] = size.split('/').map(Number);
  const inches = (top ?? 0) / (bottom ?? 1);
  const pitch = standardPitchMm(
    'unified',
    inches * MM_PER_INCH,
    series === 'fine' || series === 'unf' ? 'fine' : 'coarse',
  );
  if (pitch === undefined) return undefined;
  next++;
  const value: FactValue = {
    kind: 'thread',
    designation: unifiedThread(inches, Math.round(MM_PER_INCH / pitch)).designation,
  };
  const length = before ? { ...before, next } : spokenLength(tokens, next, source);
  return length
    ? { value: { ...value, lengthMm: length.lengthMm }, next: length.next, suspect: false }
    : { value, next, suspect: false };
}

/** `by one and a quarter`, `, 3 in. long` */
function spokenLength(
  tokens: readonly Token[],
  at: number,
  source: string,
): { lengthMm: number; next: number } | undefined {
  const by = tokens[at]?.lower === 'by';
  if (!by && tokens[at]?.text !== ',') return undefined;
  const printed = quantityAt(tokens, at + 1, source);
  if (
    printed?.unit !== undefined &&
    dimensionOf(printed.unit) === 'length' &&
    (by || tokens[printed.next]?.lower === 'long' || tokens[printed.next + 1]?.lower === 'long')
  )
    return { lengthMm: toBase(printed.max, printed.unit), next: printed.next };
  if (!by) return undefined;
  // `by an inch and a half`, `by inch and a quarter`
  let from = at + 1;
  if (/^an?$/.test(tokens[from]?.lower ?? '') && tokens[from + 1]?.lower === 'inch') from++;
  const whole = tokens[from]?.lower === 'inch' ? 1 : NUMBER_WORDS[tokens[from]?.lower ?? ''];
  if (whole === undefined)
    return printed && printed.unit === undefined
      ? { lengthMm: printed.max * MM_PER_INCH, next: printed.next }
      : undefined;
  const share = ['and', 'a'].every((word, index) => tokens[from + 1 + index]?.lower === word)
    ? { quarter: 0.25, half: 0.5 }[tokens[from + 3]?.lower ?? '']
    : undefined;
  return { lengthMm: (whole + (share ?? 0)) * MM_PER_INCH, next: from + (share === undefined ? 1 : 4) };
}

/** A pitch in words behind its size: `one point seven five`; only one that the size has. */
function spokenPitch(
  tokens: readonly Token[],
  at: number,
  nominalMm: number,
): { pitchMm: number; next: number } | undefined {
  const whole = NUMBER_WORDS[tokens[at]?.lower ?? ''];
  if (whole === undefined || tokens[at + 1]?.lower !== 'point') return undefined;
  let digits = '';
  let found: { pitchMm: number; next: number } | undefined;
  for (let next = at + 2; next < at + 5; next++) {
    const digit = NUMBER_WORDS[tokens[next]?.lower ?? ''];
    if (digit === undefined || digit > 9) break;
    digits += String(digit);
    const pitchMm = Number(`${whole}.${digits}`);
    // The longest that is a pitch: `one point two five`, and never `one point two`.
    if (seriesOfPitch('metric', nominalMm, pitchMm) !== 'other') found = { pitchMm, next: next + 1 };
  }
  return found;
}

/** Dictated: `m ten by thirty five`, `m twelve by one point seven five by fifty`, `m eight`. */
function spokenMetricAt(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  if (tokens[at]?.lower !== 'm' || tokens[at + 1]?.kind !== 'word') return undefined;
  const plural = NUMBER_WORDS[(tokens[at + 1]?.lower ?? '').replace(/(?<=t|en|x|lve)s$/, '')];
  const size =
    quantityAt(tokens, at + 1, source) ??
    (plural === undefined ? undefined : { min: plural, max: plural, next: at + 2, suspect: false, unit: undefined });
  const nominal = size?.unit === undefined ? size?.max : undefined;
  const pitch = nominal === undefined ? undefined : standardPitchMm('metric', nominal, 'coarse');
  if (size === undefined || nominal === undefined || pitch === undefined) return undefined;
  const said = tokens[size.next]?.lower === 'by' ? spokenPitch(tokens, size.next + 1, nominal) : undefined;
  if (said) {
    const from = tokens[said.next]?.lower === 'by' ? said.next + 1 : said.next;
    const length = quantityAt(tokens, from, source);
    const isLength =
      length !== undefined &&
      (length.unit === 'mm' ||
        (length.unit === undefined && (from > said.next || tokens[length.next]?.lower === 'long')));
    const designation = metricThread(nominal, said.pitchMm).designation;
    return isLength
      ? { value: { kind: 'thread', designation, lengthMm: length.max }, next: length.next, suspect: false }
      : { value: { kind: 'thread', designation }, next: said.next, suspect: false };
  }
  const value: FactValue = {
    kind: 'thread',
    designation: metricThread(nominal, pitch).designation,
    pitchAssumed: true,
  };
  const long = tokens[size.next]?.lower === 'by' ? quantityAt(tokens, size.next + 1, source) : undefined;
  return long && (long.unit === undefined || long.unit === 'mm')
    ? { value: { ...value, lengthMm: long.max }, next: long.next, suspect: false }
    : { value, next: size.next, suspect: false };
}

/** A thread callout, those in words too. */
export const anyThreadAt = (tokens: readonly Token[], at: number, source: string): Phrase | undefined =>
  threadAt(tokens, at) ?? spokenInchAt(tokens, at, source) ?? spokenMetricAt(tokens, at, source);
