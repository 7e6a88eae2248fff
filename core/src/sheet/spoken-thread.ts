import { seriesOfPitch, standardPitchMm } from '../fastener/standard-thread.ts';
import { metricThread, unifiedThread } from '../fastener/thread.ts';
import { dimensionOf, MM_PER_INCH, toBase } from '../quantity/unit.ts';
import type { FactValue } from './fact.ts';
import { type Phrase, threadAt } from './fastener-phrase.ts';
import { NUMBER_WORDS, TENS_WORDS } from './lexicon.ts';
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
  // `5/8s got 150 ft-lbs`
  const [, alone] = /(?<![\d/.-])([1-9]\d?\/(?:2|4|8|16))["″]?'?s\b/.exec(text) ?? [];
  return figures ?? INCH_WORDS[word?.toLowerCase() ?? ''] ?? alone;
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
  const [top, bottom] = size.split('/').map(Number);
  const inches = (top ?? 0) / (bottom ?? 1);
  // `five sixteenths eighteen`: its threads to the inch, as one of its series has them.
  const said = NUMBER_WORDS[tokens[next]?.lower ?? ''] ?? TENS_WORDS[tokens[next]?.lower ?? ''];
  const spoken = (['coarse', 'fine'] as const).find((one) => {
    const pitchMm = standardPitchMm('unified', inches * MM_PER_INCH, one);
    return said !== undefined && pitchMm !== undefined && Math.round(MM_PER_INCH / pitchMm) === said;
  });
  const series = spoken ?? tokens[next]?.lower ?? '';
  if (!['coarse', 'fine', 'unc', 'unf'].includes(series)) return undefined;
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

/** `one and a quarter pitch`, `one and a half`: quarters of a millimetre as they are said. */
const SAID_SHARES: Record<string, number> = { quarter: 0.25, half: 0.5 };
/** A pitch in words behind its size: `one point seven five`; only one that the size has. */
function spokenPitch(
  tokens: readonly Token[],
  at: number,
  nominalMm: number,
): { pitchMm: number; next: number } | undefined {
  const whole = NUMBER_WORDS[tokens[at]?.lower ?? ''];
  if (whole === undefined) return undefined;
  // `one and a quarter`
  const share = SAID_SHARES[tokens[at + 3]?.lower ?? ''];
  if (share !== undefined && tokens[at + 1]?.lower === 'and' && tokens[at + 2]?.lower === 'a') {
    const next = tokens[at + 4]?.lower === 'pitch' ? at + 5 : at + 4;
    return seriesOfPitch('metric', nominalMm, whole + share) === 'other' ? undefined : { pitchMm: whole + share, next };
  }
  if (tokens[at + 1]?.lower !== 'point') return undefined;
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

/** A pitch behind `by` or behind the word for it, in figures or in words; only one that the size has. */
function pitchAt(
  tokens: readonly Token[],
  at: number,
  nominalMm: number,
): { pitchMm: number; next: number } | undefined {
  const figure = tokens[at];
  if (figure?.kind === 'number' && figure.value !== undefined)
    return seriesOfPitch('metric', nominalMm, figure.value) === 'other'
      ? undefined
      : { pitchMm: figure.value, next: at + 1 };
  return spokenPitch(tokens, at, nominalMm);
}

/** `fine thread one point two five`, `, fine pitch, 1.25` behind a size: its pitch, printed or the fine one. */
function finePitch(
  tokens: readonly Token[],
  at: number,
  nominalMm: number,
): { pitchMm: number; next: number } | undefined {
  let next = at + (tokens[at]?.text === ',' ? 1 : 0);
  if (tokens[next]?.lower !== 'fine') return undefined;
  next++;
  if (/^(?:thread|pitch)$/.test(tokens[next]?.lower ?? '')) next++;
  const printed = pitchAt(tokens, tokens[next]?.text === ',' ? next + 1 : next, nominalMm);
  if (printed) return printed;
  const pitchMm = standardPitchMm('metric', nominalMm, 'fine');
  return pitchMm === undefined ? undefined : { pitchMm, next };
}

/** Bolts by their size alone, as a fitter says it: `four sixteens`. */
const BY_SIZE: Record<string, number> = {
  sixes: 6,
  eights: 8,
  tens: 10,
  twelves: 12,
  fourteens: 14,
  sixteens: 16,
  eighteens: 18,
};
/** `sixteen by fifty`: said of a bolt, with its length. */
const SAID_SIZES: Record<string, number> = { eight: 8, ten: 10, twelve: 12, fourteen: 14, sixteen: 16 };
/** Shortest bolt that is said by size and length alone, mm. */
const SAID_LENGTH = 16;

/** `four sixteens`, and then `sixteen by fifty`: sizes without their letter, and doubted. */
function sizeAloneAt(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  const word = tokens[at]?.lower ?? '';
  const many = BY_SIZE[word];
  const before = tokens[at - 1]?.lower ?? '';
  if (many !== undefined && (before === 'the' || NUMBER_WORDS[before] !== undefined || /^\d{1,2}$/.test(before)))
    return sized(many, undefined, at + 1);
  const one = tokens[at]?.kind === 'word' ? SAID_SIZES[word] : undefined;
  if (one === undefined || tokens[at + 1]?.lower !== 'by') return undefined;
  const length = quantityAt(tokens, at + 2, source);
  return length && length.min === length.max && length.max >= SAID_LENGTH && (length.unit ?? 'mm') === 'mm'
    ? sized(one, length.max, length.next)
    : undefined;
}

/** A coarse thread that is only said by its size. */
function sized(nominalMm: number, lengthMm: number | undefined, next: number): Phrase | undefined {
  const pitch = standardPitchMm('metric', nominalMm, 'coarse');
  if (pitch === undefined) return undefined;
  const { designation } = metricThread(nominalMm, pitch);
  return {
    value: { kind: 'thread', designation, pitchAssumed: true, ...(lengthMm === undefined ? {} : { lengthMm }) },
    next,
    suspect: true,
  };
}

/** Dictated: `m ten by thirty five`, `m twelve by one point seven five by fifty`, `m eight`, `M12 by one point five`. */
function spokenMetricAt(tokens: readonly Token[], at: number, source: string): Phrase | undefined {
  if (tokens[at]?.lower !== 'm') return undefined;
  const written = tokens[at + 1]?.kind === 'number';
  if (written && tokens[at + 1]?.start !== tokens[at]?.end) return undefined;
  const plural = NUMBER_WORDS[(tokens[at + 1]?.lower ?? '').replace(/(?<=x)es$|(?<=t|en|x|lve)s$/, '')];
  const size = written
    ? { max: tokens[at + 1]?.value, next: at + 2, unit: undefined }
    : (quantityAt(tokens, at + 1, source) ??
      (plural === undefined ? undefined : { max: plural, next: at + 2, unit: undefined }));
  const nominal = size?.unit === undefined ? size?.max : undefined;
  const pitch = nominal === undefined ? undefined : standardPitchMm('metric', nominal, 'coarse');
  if (size === undefined || nominal === undefined || pitch === undefined) return undefined;
  const shared = tokens[size.next + 1]?.lower === 'and' ? spokenPitch(tokens, size.next, nominal) : undefined;
  const said = tokens[size.next]?.lower === 'by' ? pitchAt(tokens, size.next + 1, nominal) : shared;
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
  const long = tokens[size.next]?.lower === 'by' ? quantityAt(tokens, size.next + 1, source) : undefined;
  const length = long && (long.unit === undefined || long.unit === 'mm') ? long : undefined;
  const fine = finePitch(tokens, length?.next ?? size.next, nominal);
  // In figures, a plain callout is read for itself; `M12 by thirty five` is half said.
  const half = length !== undefined && tokens[size.next + 1]?.kind === 'word';
  if (written && !fine && !half) return undefined;
  return {
    value: {
      kind: 'thread',
      designation: metricThread(nominal, fine?.pitchMm ?? pitch).designation,
      ...(fine ? {} : { pitchAssumed: true as const }),
      ...(length ? { lengthMm: length.max } : {}),
    },
    next: fine?.next ?? length?.next ?? size.next,
    suspect: false,
  };
}

/** A thread callout, those in words too. */
export const anyThreadAt = (tokens: readonly Token[], at: number, source: string): Phrase | undefined =>
  spokenMetricAt(tokens, at, source) ??
  threadAt(tokens, at) ??
  spokenInchAt(tokens, at, source) ??
  sizeAloneAt(tokens, at, source);
