import { dimensionOf, type TorqueUnit, toBase } from '../quantity/unit.ts';
import type { TorqueValue } from './fact.ts';
import { TURN_DEG } from './lexicon.ts';
import { type QuantityPhrase, quantityAt, quantityOf, unitAt } from './quantity-phrase.ts';
import type { Token } from './token.ts';

/** Two writings of one torque never differ by more than this, however coarsely they are printed (chosen by us). */
const MOST_PAIR_DIFFERENCE = 0.06;

/** Half a unit of the last place that is printed, as a share of the value. */
const roundingShare = (value: number): number => {
  const decimals = /\.(\d+)$/.exec(String(value))?.[1]?.length ?? 0;
  return (0.5 * 10 ** -decimals) / value;
};

/** Whether two writings of one torque differ by no more than printing each to its last place would make, and 1 %. */
export function pairAgrees(
  first: { value: number; unit: TorqueUnit },
  second: { value: number; unit: TorqueUnit },
): boolean {
  const ratio = toBase(second.value, second.unit) / toBase(first.value, first.unit);
  const rounding = roundingShare(first.value) + roundingShare(second.value) + 0.01;
  return Math.abs(ratio - 1) <= Math.min(MOST_PAIR_DIFFERENCE, rounding);
}

/** Words that open a limit: `do not exceed`, `never over`, `max`. */
const LIMIT_OPENERS: ReadonlyArray<readonly string[]> = [
  ['do', 'not', 'exceed'],
  ['not', 'to', 'exceed'],
  ['never', 'exceed'],
  ['never', 'over'],
  ['never', 'more', 'than'],
  ['not', 'over'],
  ['not', 'above'],
  ['never', 'above'],
  ['not', 'beyond'],
  ['at', 'most'],
  ['at', 'the', 'most'],
  ['no', 'more', 'than'],
  ['not', 'more', 'than'],
  ['absolute', 'maximum'],
  ['maximum'],
  ['max'],
];

const QUIET = new Set([
  ',',
  ';',
  '(',
  ')',
  ':',
  '.',
  'of',
  'and',
  'but',
  'is',
  'it',
  'at',
  'the',
  'with',
  'a',
  'torque',
  '-',
]);

const wordsAt = (tokens: readonly Token[], at: number, words: readonly string[]): boolean =>
  words.every((word, index) => tokens[at + index]?.lower === word);

/** Index after quiet words and marks. */
function skipQuiet(tokens: readonly Token[], at: number, most = 4): number {
  let next = at;
  while (next - at < most && tokens[next] && QUIET.has(tokens[next]?.lower ?? '')) next++;
  return next;
}

export function limitAt(tokens: readonly Token[], at: number, source: string, unit: TorqueUnit) {
  const from = skipQuiet(tokens, at, 3);
  const opener = LIMIT_OPENERS.find((words) => wordsAt(tokens, from, words));
  if (!opener) return undefined;
  const number = skipQuiet(tokens, from + opener.length, 3);
  const phrase = quantityAt(tokens, number, source);
  if (!phrase) return undefined;
  const torque = quantityOf(tokens, number, source, 'torque');
  if (phrase.unit !== undefined && !torque) return undefined;
  const limit = (torque?.unit ?? unit) as TorqueUnit;
  // The limit's second unit belongs to it: `max 118 lbf·ft (160 N·m)`.
  const pair = torque ? pairAt(tokens, phrase.next, source, limit) : undefined;
  return { limitNm: toBase(phrase.max, limit), next: pair?.next ?? phrase.next };
}

/** `± 5`, `+/- 5 Nm`: how far the torque may lie from its value. */
function toleranceAt(tokens: readonly Token[], from: number, source: string, nominal: number): Tolerance | undefined {
  // `25 N m, tolerance ±2`
  const named = from + (tokens[from]?.text === ',' ? 1 : 0);
  const start = /^tol(?:erance)?$/.test(tokens[named]?.lower ?? '') ? named + 1 : from;
  const bracketed = tokens[start]?.text === '(';
  const at = bracketed ? start + 1 : start;
  const closed = (next: number) => (bracketed && tokens[next]?.text === ')' ? next + 1 : next);
  // `+5/-0`, `+5 -0`
  if (tokens[at]?.text === '+' && tokens[at + 1]?.kind === 'number') {
    const minus = tokens[at + 2]?.text === '/' ? at + 3 : at + 2;
    const [plus, less] = [tokens[at + 1]?.value, tokens[minus + 1]?.value];
    if (tokens[minus]?.text === '-' && plus !== undefined && less !== undefined)
      return { plus, minus: less, next: closed(minus + 2) };
  }
  // `-5/+0`, and no range: `65 N·m, tolerance -5/+0`
  const minusFirst = tokens[at]?.text === '-' && tokens[at + 1]?.kind === 'number' ? at + 2 : undefined;
  if (minusFirst !== undefined) {
    const plusAt = tokens[minusFirst]?.text === '/' ? minusFirst + 1 : minusFirst;
    const [less, plus] = [tokens[at + 1]?.value, tokens[plusAt + 1]?.value];
    if (tokens[plusAt]?.text === '+' && plus !== undefined && less !== undefined)
      return { plus, minus: less, next: closed(plusAt + 2) };
  }
  const signs = ['±', '+/-', '+-'];
  const sign = signs.find((text) => [...text].every((mark, index) => tokens[at + index]?.text === mark));
  const giveOrTake = ['give', 'or', 'take'].every((word, index) => tokens[at + index]?.lower === word);
  if (sign === undefined && !giveOrTake) return undefined;
  const number = quantityAt(tokens, at + (giveOrTake ? 3 : [...(sign ?? '')].length), source);
  if (!number || number.min !== number.max) return undefined;
  const value = number.max;
  if (number.unit === undefined) {
    // `55 Nm ± 10 %`
    const percent = tokens[number.next]?.text === '%' || tokens[number.next]?.lower === 'percent';
    const way = percent ? (nominal * value) / 100 : value;
    return { plus: way, minus: way, next: closed(number.next + (percent ? 1 : 0)) };
  }
  return dimensionOf(number.unit) === 'torque'
    ? { plus: value, minus: value, unit: number.unit as TorqueUnit, next: closed(number.next) }
    : undefined;
}

/** How far a torque may lie above and below its value, in the printed unit. */
interface Tolerance {
  plus: number;
  minus: number;
  unit?: TorqueUnit;
  next: number;
}

/** A torque with its tolerance: `60 Nm ± 5`, and `120 ± 5 Nm`, whose unit stands behind. */
function valueAt(
  tokens: readonly Token[],
  at: number,
  source: string,
): (QuantityPhrase & { unit: TorqueUnit; tolerance?: Tolerance; second?: SecondWriting }) | undefined {
  const two = twoWritings(tokens, at, source);
  if (two) return two;
  const bare = quantityAt(tokens, at, source);
  if (!bare) return undefined;
  const spread = bare.min === bare.max ? toleranceAt(tokens, bare.next, source, bare.max) : undefined;
  // `120 (+10/-0) lbf-ft`
  const behind =
    spread && bare.unit === undefined && spread.unit === undefined
      ? unitAt(tokens, spread.next, source, false)
      : undefined;
  const unit = bare.unit ?? spread?.unit ?? behind?.unit;
  if (unit === undefined || dimensionOf(unit) !== 'torque') return undefined;
  return {
    ...bare,
    unit: unit as TorqueUnit,
    next: behind?.next ?? spread?.next ?? bare.next,
    ...(spread ? { tolerance: spread } : {}),
  };
}

/** The same torque in another unit. */
interface SecondWriting {
  min: number;
  max: number;
  unit: TorqueUnit;
}

/** `35 (26) Nm (ft-lb)` and `70/95 lbf.ft/Nm`: two numbers, and their two units behind. */
function twoWritings(tokens: readonly Token[], at: number, source: string) {
  const first = tokens[at];
  const opener = tokens[at + 1]?.text;
  const second = tokens[at + 2];
  if (first?.kind !== 'number' || second?.kind !== 'number' || (opener !== '(' && opener !== '/')) return undefined;
  const closes = opener === '(' ? 1 : 0;
  if (closes && tokens[at + 3]?.text !== ')') return undefined;
  const main = quantityUnit(tokens, at + 3 + closes, source);
  if (!main || tokens[main.next]?.text !== opener) return undefined;
  const other = quantityUnit(tokens, main.next + 1, source);
  if (!other || other.unit === main.unit || first.value === undefined || second.value === undefined) return undefined;
  if (closes && tokens[other.next]?.text !== ')') return undefined;
  return {
    min: first.value,
    max: first.value,
    unit: main.unit,
    next: other.next + closes,
    suspect: false,
    second: { min: second.value, max: second.value, unit: other.unit },
  };
}

/** A unit of torque that stands without a number. */
function quantityUnit(tokens: readonly Token[], at: number, source: string) {
  const unit = unitAt(tokens, at, source, false);
  return unit && dimensionOf(unit.unit) === 'torque' ? { unit: unit.unit as TorqueUnit, next: unit.next } : undefined;
}

const ANGLE_OPENERS = new Set(['plus', '+', 'then', 'and', 'followed', 'turn', 'rotate', 'angle', ',']);
const ANGLE_FILL = new Set([
  'give',
  'go',
  'by',
  'a',
  'an',
  'another',
  'further',
  'additional',
  'turn',
  'rotate',
  'tighten',
  'it',
  'them',
  'through',
  'of',
  'to',
  'each',
  'bolt',
  'nut',
  'the',
  'plus',
  'then',
  'extra',
  'more',
]);

/** An angle that is turned after a torque: `plus 90°`, `then a further quarter turn`, `+ 60 deg`. */
/** Words between the strokes of a turn. */
const BETWEEN_STROKES = new Set([
  ',',
  '+',
  'plus',
  'then',
  'and',
  'by',
  'turn',
  'another',
  'a',
  'further',
  'again',
  'once',
  'more',
  'finally',
  'through',
]);
const LEADS_TO_STROKE = new Set(['+', 'plus', 'then', 'and', 'another', 'further', 'again']);
const MOST_BETWEEN = 6;

/** Where the next stroke of a turn begins behind the one before; undefined where none is led to. */
function strokeFrom(tokens: readonly Token[], end: number): number | undefined {
  let next = end;
  let led = false;
  while (next - end < MOST_BETWEEN && BETWEEN_STROKES.has(tokens[next]?.lower ?? '')) {
    led ||= LEADS_TO_STROKE.has(tokens[next]?.lower ?? '');
    next++;
  }
  return led ? next : undefined;
}

export function angleAt(tokens: readonly Token[], at: number, source: string) {
  const opener = tokens[at];
  if (!opener || !ANGLE_OPENERS.has(opener.lower)) return undefined;
  let next = at + 1;
  while (next - at < 9 && tokens[next] && ANGLE_FILL.has(tokens[next]?.lower ?? '')) next++;
  const angle = quantityOf(tokens, next, source, 'angle');
  if (angle) {
    const strokes = [toBase(angle.max, angle.unit)];
    let end = angle.next;
    // `+ 90° + 90°`, `then 60 degrees, then 60 degrees more`: two strokes of one turn.
    for (;;) {
      const from = strokeFrom(tokens, end);
      const more = from === undefined ? undefined : quantityOf(tokens, from, source, 'angle');
      if (!more || /^(?:back|off)$/.test(tokens[more.next]?.lower ?? '')) break;
      strokes.push(toBase(more.max, more.unit));
      end = more.next;
    }
    const angleDeg = strokes.reduce((sum, stroke) => sum + stroke, 0);
    return { angleDeg, next: end, ...(strokes.length > 1 ? { strokesDeg: strokes } : {}) };
  }
  // `plus 2 flats`: sixths of a turn
  const flats = quantityAt(tokens, next, source);
  if (flats && flats.unit === undefined && /^flats?$/.test(tokens[flats.next]?.lower ?? '') && flats.max <= 12)
    return { angleDeg: flats.max * 60, next: flats.next + 1 };
  const words = TURN_DEG[tokens[next]?.lower ?? ''];
  // `quarter turn`, `quarter-turn`, `half a turn`
  for (let k = next + 1; k <= next + 3; k++) {
    if (words !== undefined && tokens[k]?.lower.startsWith('turn')) return { angleDeg: words, next: k + 1 };
  }
  const fraction = tokens[next];
  if (
    fraction?.kind === 'number' &&
    fraction.value !== undefined &&
    fraction.value <= 3 &&
    tokens[next + 1]?.lower.startsWith('turn')
  )
    return { angleDeg: fraction.value * 360, next: next + 2 };
  return undefined;
}

/** Past the name of a stage: `70 Nm, stage 3 +30°`. */
const afterStage = (tokens: readonly Token[], at: number): number =>
  /^(?:stage|step|pass)$/.test(tokens[at]?.lower ?? '') && tokens[at + 1]?.kind === 'number' ? at + 2 : at;

/** A second writing of the same torque: in brackets, after a slash or a comma, after `or`. */
function pairAt(tokens: readonly Token[], at: number, source: string, unit: TorqueUnit) {
  const opener = tokens[at];
  // `150 Nm    111 lb-ft`: a cell for each unit.
  const beside = opener?.kind === 'number' ? valueAt(tokens, at, source) : undefined;
  if (beside && beside.unit !== unit && (opener?.start ?? 0) - (tokens[at - 1]?.end ?? 0) >= 2)
    return { ...beside, bracketed: false };
  if (!opener || !['(', '/', '[', '{', 'or', '=', ','].includes(opener.lower)) return undefined;
  const second = valueAt(tokens, at + 1, source);
  if (!second || second.unit === unit) return undefined;
  // `{6.0 kgf.m, 43 ft.lbf}`: a third writing says no more.
  const opened = ['(', '[', '{'].includes(opener.text);
  const third =
    opened && [',', '/', ';'].includes(tokens[second.next]?.text ?? '')
      ? valueAt(tokens, second.next + 1, source)
      : undefined;
  if (third) second.next = third.next;
  const closes = [')', ']', '}'].includes(tokens[second.next]?.text ?? '');
  return {
    ...second,
    next: second.next + (closes ? 1 : 0),
    bracketed: ['(', '{', '['].includes(opener.text),
  };
}

/** Past `, then on to the next slot`, which a castle nut's torque says before its ceiling. */
function pastNextSlot(tokens: readonly Token[], at: number): number {
  for (let next = at; next < at + 9; next++) {
    if (tokens[next]?.lower === 'slot' && tokens[next - 1]?.lower === 'next') return next + 1;
    if (tokens[next]?.kind === 'break' || tokens[next]?.kind === 'number') return at;
  }
  return at;
}

/** Words that draw a bolt to its yield point, after `to`, `until`, `into`: `to yield`, `until it yields`. */
const YIELD = new Set(['yield', 'yields', 'yielding', 'yield-controlled', 'yield-point']);
/** How far from a torque the word may stand, in tokens of one sentence. */
const YIELD_REACH = 14;
const closesSentence = (token: Token | undefined): boolean =>
  token === undefined || token.kind === 'break' || token.text === '.' || token.text === ';';

/** The index after the word for yield, where it stands in the same sentence after `at`, before another torque. */
function pastYield(tokens: readonly Token[], at: number, source: string): number | undefined {
  for (let next = at; next < at + YIELD_REACH && !closesSentence(tokens[next]); next++) {
    if (YIELD.has(tokens[next]?.lower ?? '')) return next + 1;
    if (valueAt(tokens, next, source)) return undefined;
  }
  return undefined;
}

/** Whether the words before a torque draw to yield and make of it a limit: `to yield (…, not over 165 Nm)`. */
function limitOfYield(tokens: readonly Token[], at: number): boolean {
  const opener = LIMIT_OPENERS.some((words) => {
    for (let from = at - words.length; from >= at - words.length - 3 && from >= 0; from--)
      if (wordsAt(tokens, from, words) && skipQuiet(tokens, from + words.length, 3) === at) return true;
    return false;
  });
  if (!opener) return false;
  for (let before = at - 1; before >= at - YIELD_REACH - 4 && !closesSentence(tokens[before]); before--)
    if (YIELD.has(tokens[before]?.lower ?? '')) return true;
  return false;
}

/** A limit behind a torque; behind one that is drawn to yield a bracket may stand between. */
function yieldLimitAt(
  tokens: readonly Token[],
  at: number,
  source: string,
  unit: TorqueUnit,
  toYield: TorqueValue['toYield'],
) {
  if (toYield !== 'from') return limitAt(tokens, at, source, unit);
  for (let next = at; next < at + YIELD_REACH && !closesSentence(tokens[next]); next++) {
    const limit = limitAt(tokens, next, source, unit);
    if (limit) return limit;
  }
  return undefined;
}

/** Nouns whose number is their name: one of them, or several that are counted off. */
const NAMED = /^(?:bolts?|nuts?|studs?|screws?|items?|positions?|points?|stations?|joints?|nos?|order|sequence)$/;

/** Whether the first number of a range is the name of a bolt, and only the second a torque. */
function isName(tokens: readonly Token[], at: number, { min, max }: QuantityPhrase): boolean {
  if (tokens[at + 1]?.lower !== 'to' || !Number.isInteger(min) || min > 40) return false;
  let back = at - 1;
  while (tokens[back]?.kind === 'number' || ['to', 'and', ',', '-', '&', 'through'].includes(tokens[back]?.lower ?? ''))
    back--;
  const noun = tokens[back]?.lower ?? '';
  const listed = tokens.slice(back + 1, at).some((token) => token.kind === 'number');
  return NAMED.test(noun) && (listed || max / min > 2.5);
}

export interface TorquePhrase {
  value: TorqueValue;
  next: number;
  suspect: boolean;
}

/**
 * A torque with everything said of it in one breath: a range, its second unit, a limit, an angle.
 * @returns undefined where no torque stands
 */
export function torqueAt(tokens: readonly Token[], at: number, source: string): TorquePhrase | undefined {
  const phrase = valueAt(tokens, at, source);
  if (!phrase) return undefined;
  const { unit } = phrase;
  // `a wrench in lb-in and one in lb-ft` has no figure.
  if (tokens[at]?.lower === 'one' && unit === 'lbf·in' && tokens[at + 1]?.lower === 'in') return undefined;
  // `bolt 4 to 35 Nm`, `nuts 1 to 4 to 35 Nm`: the first number is a name.
  if (phrase.min < phrase.max && isName(tokens, at, phrase)) return undefined;
  const value: TorqueValue = {
    min: phrase.min,
    max: phrase.max,
    unit,
    minNm: toBase(phrase.min, unit),
    maxNm: toBase(phrase.max, unit),
  };
  let { next } = phrase;
  const { tolerance } = phrase;
  if (tolerance) {
    value.nominal = value.max;
    value.min = value.nominal - tolerance.minus;
    value.max = value.nominal + tolerance.plus;
    value.minNm = toBase(value.min, unit);
    value.maxNm = toBase(value.max, unit);
    if (tolerance.plus === tolerance.minus) value.toleranceNm = toBase(tolerance.plus, unit);
  }
  const pair = phrase.second
    ? { ...phrase.second, next, bracketed: true }
    : (pairAt(tokens, next, source, unit) ??
      // Below its line, or behind the stop of `ft-lbs.`
      ((tokens[next]?.kind === 'break' || tokens[next]?.text === '.') && tokens[next + 1]?.text === '('
        ? pairAt(tokens, next + 1, source, unit)
        : undefined));
  if (pair) {
    // A pair inside a tolerance is the middle's, or its ends'.
    const middle = value.nominal ?? value.max;
    const agrees =
      pairAgrees({ value: middle, unit }, { value: pair.max, unit: pair.unit }) ||
      pairAgrees({ value: value.max, unit }, { value: pair.max, unit: pair.unit });
    // After a comma or a slash two torques of one breath are one value only if they agree.
    if (agrees || pair.bracketed) {
      value.pair = { min: pair.min, max: pair.max, unit: pair.unit, agrees };
      next = pair.next;
    }
  }
  next = pastNextSlot(tokens, next);
  const yields = pastYield(tokens, next, source);
  if (yields !== undefined) {
    value.toYield = 'from';
    next = yields;
  } else if (limitOfYield(tokens, at)) value.toYield = 'onlyLimit';
  const limit = yieldLimitAt(tokens, next, source, unit, value.toYield);
  if (limit) {
    value.limitNm = limit.limitNm;
    next = limit.next;
  }
  const angle =
    angleAt(tokens, next, source) ??
    (tokens[next]?.text === ',' ? angleAt(tokens, afterStage(tokens, next + 1), source) : undefined);
  if (angle) {
    value.angleDeg = angle.angleDeg;
    if (angle.strokesDeg) value.strokesDeg = angle.strokesDeg;
    next = angle.next;
  }
  // `1,500` is fifteen hundred or one and a half: read as thousands, and not trusted.
  const comma = /^\d{1,3},\d{3}$/.test(tokens[at]?.text ?? '');
  // `▒5 N·m`: a stain or a sign nobody could read stands where its first digit may have been.
  const stained = /[▒░▓█�□¿]$/.test(source.slice(Math.max(0, (tokens[at]?.start ?? 0) - 1), tokens[at]?.start ?? 0));
  return { value, next, suspect: phrase.suspect || comma || stained };
}
