import { fail, ok, type Result } from '../result.ts';
import {
  ABSOLUTE_ZERO_C,
  type Dimension,
  dimensionOf,
  TORQUE_UNITS,
  type TorqueUnit,
  toBase,
  type UnitName,
} from './unit.ts';

/** A quantity as a sheet prints it: one value or a range, kept in the printed unit and in the base unit. */
export interface PrintedQuantity {
  /** The text as it was printed, trimmed. Shown first, the conversion second. */
  printed: string;
  unit: UnitName;
  dimension: Dimension;
  /** In the printed unit; `min` equals `max` for a single value. */
  min: number;
  max: number;
  /** In the base unit of the dimension (N·m, mm, kg, N, °, °C, km, mL). */
  minBase: number;
  maxBase: number;
}

export type ParseError =
  | { code: 'empty' }
  | { code: 'numberMissing'; text: string }
  | { code: 'unitMissing'; text: string }
  | { code: 'unitUnknown'; unit: string }
  | { code: 'wrongDimension'; expected: Dimension; unit: UnitName }
  /** `1,500` may be fifteen hundred or one and a half; the reader must not choose. */
  | { code: 'ambiguousComma'; text: string; asDecimal: number; asThousands: number }
  | { code: 'rangeReversed'; min: number; max: number }
  | { code: 'zeroDenominator'; text: string }
  /** A minus before anything but a temperature. */
  | { code: 'negative'; text: string }
  | { code: 'belowAbsoluteZero'; text: string }
  /** More digits than any fastener, fluid or road has. */
  | { code: 'tooLarge'; text: string };

/** Ways to write a unit, after lower-casing and dropping spaces, dots, middle dots, hyphens and stars. */
const SPELLINGS: ReadonlyArray<readonly [RegExp, UnitName]> = [
  [/^(nm|newton-?met(er|re)s?|newtonmet(er|re)s?)$/, 'N·m'],
  [
    /^((ft|foot|feet)(lb|lbs|lbf|pound|pounds|#)|(lb|lbs|lbf|pound|pounds|#)f?(ft|foot|feet)|(ft|foot)\/(lb|lbs)|(lb|lbs)\/(ft|foot))$/,
    'lbf·ft',
  ],
  [
    /^((in|inch|inches)(lb|lbs|lbf|pound|pounds|#)|(lb|lbs|lbf|pound|pounds|#)(in|inch|inches)|(in|inch)\/(lb|lbs)|(lb|lbs)\/(in|inch))$/,
    'lbf·in',
  ],
  [/^(kgf?m|mkgf?|kpm|mkp|kilopondmet(er|re)s?|kilogrammet(er|re)s?)$/, 'kgf·m'],
  [/^(kgf?cm|cmkgf?|kpcm|cmkp)$/, 'kgf·cm'],
  [/^(cnm|ncm)$/, 'cN·m'],
  [/^danm$/, 'daN·m'],
  [/^(mm|millimet(er|re)s?)$/, 'mm'],
  [/^(cm|centimet(er|re)s?)$/, 'cm'],
  [/^(m|met(er|re)s?)$/, 'm'],
  [/^(in|ins|inch|inches|"|″|''|”)$/, 'in'],
  [/^(ft|foot|feet|'|′)$/, 'ft'],
  [/^(thou|thous|mils?)$/, 'thou'],
  [/^(kg|kgs|kilos?|kilograms?)$/, 'kg'],
  [/^(g|grams?)$/, 'g'],
  [/^(lb|lbs|pounds?)$/, 'lb'],
  [/^(oz|ounces?)$/, 'oz'],
  [/^(n|newtons?)$/, 'N'],
  [/^(kn|kilonewtons?)$/, 'kN'],
  [/^lbf$/, 'lbf'],
  [/^kgf$/, 'kgf'],
  [/^(°|deg|degs|degrees?)$/, '°'],
  [/^turns?$/, 'turn'],
  [/^(°c|degc|c|celsius)$/, '°C'],
  [/^(°f|degf|f|fahrenheit)$/, '°F'],
  [/^(km|kilomet(er|re)s?)$/, 'km'],
  [/^(mi|miles?)$/, 'mi'],
  [/^(ml|millilit(er|re)s?|cc)$/, 'mL'],
  [/^(l|lit(er|re)s?)$/, 'L'],
  [/^(floz|fluidounces?)$/, 'fl oz'],
  [/^(qt|qts|quarts?)$/, 'qt'],
  [/^bars?$/, 'bar'],
  [/^kpa$/, 'kPa'],
  [/^mpa$/, 'MPa'],
  [/^n\/mm(²|2|\^2)$/, 'N/mm²'],
  [/^(psi|lbf\/in(²|2|\^2))$/, 'psi'],
  [/^ksi$/, 'ksi'],
  [/^(mm(²|2|\^2)|sqmm|squaremillimet(er|re)s?)$/, 'mm²'],
  [/^(cm(²|2|\^2)|sqcm)$/, 'cm²'],
  [/^(in(²|2|\^2)|sqin|squareinch(es)?)$/, 'in²'],
  [/^(km\/h|kmh|kph)$/, 'km/h'],
  [/^(mph|mi\/h)$/, 'mph'],
  [/^m\/s$/, 'm/s'],
  [/^n\/mm$/, 'N/mm'],
  [/^lbf\/in$/, 'lbf/in'],
];

const VULGAR: Record<string, string> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/** The unit a spelling stands for: `ft. lbs.` → `lbf·ft`; undefined when it is not one we know. */
export function unitFromSpelling(spelling: string): UnitName | undefined {
  const met = spellingsMet.get(spelling);
  if (met !== undefined || spellingsMet.has(spelling)) return met;
  const unit = spelledUnit(spelling);
  if (spellingsMet.size < MOST_SPELLINGS) spellingsMet.set(spelling, unit);
  return unit;
}

/** A sheet writes its few units over and over; each spelling is looked up once. */
const spellingsMet = new Map<string, UnitName | undefined>();
const MOST_SPELLINGS = 5_000;

function spelledUnit(spelling: string): UnitName | undefined {
  const bare = spelling.toLowerCase().replace(/[\s.·•*⋅∙‧-]/g, '');
  return SPELLINGS.find(([pattern]) => pattern.test(bare))?.[1];
}

/** Above this a printed number is a slip, and products of it may overflow. Chosen by us. */
const MOST_PRINTED = 1e12;

// One number: a mixed number (1-1/2, 1 1/2), a fraction (25/64), or a decimal with point or comma.
const NUMBER = String.raw`[-−]?(?:\d+(?:[-\s]\d+\/\d+)|\d+\/\d+|\d*[.,]?\d+(?:,\d{3})*(?:\.\d+)?(?:e[+-]?\d+)?)`;
const QUANTITY = new RegExp(
  String.raw`^(${NUMBER})\s*(.*?)(?:\s*(?:-|–|—|\bto\b|\band\b)\s*(${NUMBER})\s*(.*))?$`,
  'i',
);

function readNumber(signed: string): Result<number, ParseError> {
  if (!/^[-−]/.test(signed)) return readUnsigned(signed);
  const read = readUnsigned(signed.slice(1));
  return read.ok ? ok(-read.value) : read;
}

function readUnsigned(text: string): Result<number, ParseError> {
  const mixed = /^(?:(\d+)[-\s])?(\d+)\/(\d+)$/.exec(text);
  if (mixed) {
    const [, whole = '0', numerator = '', denominator = ''] = mixed;
    if (Number(denominator) === 0) return fail({ code: 'zeroDenominator', text });
    return ok(Number(whole) + Number(numerator) / Number(denominator));
  }
  const commas = text.split(',').length - 1;
  if (commas === 0) return ok(Number(text));
  // A comma before exactly three digits, and no point: both readings are in use, so neither is taken.
  if (commas === 1 && /^[1-9]\d{0,2},\d{3}$/.test(text)) {
    const asDecimal = Number(text.replace(',', '.'));
    return fail({ code: 'ambiguousComma', text, asDecimal, asThousands: asDecimal * 1000 });
  }
  if (commas === 1 && !text.includes('.')) return ok(Number(text.replace(',', '.')));
  return ok(Number(text.replaceAll(',', '')));
}

/** `120/130 lbf ft`: no torque is a fraction with such a bottom, so it is a range. */
const SLASHED_RANGE = /^(\d{2,3})\/(\d{2,3})\s*(\p{L}.*)$/u;
/** Bottoms of the fractions a rule or a turn is divided in. */
const RULE_PARTS = new Set(['16', '32', '64']);

/**
 * Reads one printed quantity or range: `80-100 in-lb`, `90 ft. lbs.`, `27,5 Nm`, `25/64"`, `1-1/2 in`, `½ in`.
 *
 * A hyphen before a proper fraction joins a mixed number (`1-1/2 in` is 1.5 in); any other hyphen makes a range.
 *
 * @param text - the printed text, one quantity only
 * @param expected - refuse another dimension than this; leave out to accept any
 * @returns the quantity, or a {@link ParseError} naming what could not be read. Nothing is guessed.
 */
export function parsePrinted(text: string, expected?: Dimension): Result<PrintedQuantity, ParseError> {
  const printed = text.trim();
  if (printed === '') return fail({ code: 'empty' });
  const plain = printed
    .replace(
      /(\d)?([¼½¾⅛⅜⅝⅞])/g,
      (_, whole: string | undefined, glyph: string) => `${whole ? `${whole} ` : ''}${VULGAR[glyph]}`,
    )
    .replace(/^between\s+/i, '')
    .replace(/\s+/g, ' ')
    .replace(SLASHED_RANGE, (all, low: string, high: string, rest: string) => {
      const unit = RULE_PARTS.has(high) || Number(low) >= Number(high) ? undefined : unitFromSpelling(rest);
      return unit !== undefined && dimensionOf(unit) === 'torque' ? `${low}-${high} ${rest}` : all;
    });
  const match = QUANTITY.exec(plain);
  if (!match) return fail({ code: 'numberMissing', text: printed });
  const [, first = '', middle = '', second, end = ''] = match;

  const spelling = second === undefined ? middle : end || middle;
  if (spelling.trim() === '') return fail({ code: 'unitMissing', text: printed });
  const unit = unitFromSpelling(spelling);
  if (unit === undefined) return fail({ code: 'unitUnknown', unit: spelling.trim() });
  // `80 Nm - 100 in-lb`: two units in one range are not one quantity.
  if (second !== undefined && middle.trim() !== '' && unitFromSpelling(middle) !== unit) {
    return fail({ code: 'unitUnknown', unit: `${middle.trim()} … ${end.trim()}` });
  }
  const dimension = dimensionOf(unit);
  if (expected !== undefined && dimension !== expected) return fail({ code: 'wrongDimension', expected, unit });

  const low = readNumber(first);
  if (!low.ok) return low;
  const high = second === undefined ? low : readNumber(second);
  if (!high.ok) return high;
  const [min, max] = [low.value, high.value];
  if (min > max) return fail({ code: 'rangeReversed', min, max });
  if (min < 0 && dimension !== 'temperature') return fail({ code: 'negative', text: printed });
  if (dimension === 'temperature' && toBase(min, unit) < ABSOLUTE_ZERO_C)
    return fail({ code: 'belowAbsoluteZero', text: printed });
  if (max > MOST_PRINTED) return fail({ code: 'tooLarge', text: printed });
  return ok({ printed, unit, dimension, min, max, minBase: toBase(min, unit), maxBase: toBase(max, unit) });
}

/** The unit a printed torque speaks in: of `74 lbf·ft + 90°` foot-pounds; undefined where none can be read. */
export function printedTorqueUnit(printed: string): TorqueUnit | undefined {
  for (const [, word = ''] of printed.matchAll(/\d\s*([A-Za-z][A-Za-z\s·.•*⋅-]*)/g)) {
    const letters = word.trim();
    // The unit may be followed by words: the longest reading that is one counts.
    for (let end = letters.length; end > 0; end -= 1) {
      const unit = unitFromSpelling(letters.slice(0, end));
      const torque = TORQUE_UNITS.find((known) => known === unit);
      if (torque) return torque;
    }
  }
  return undefined;
}
