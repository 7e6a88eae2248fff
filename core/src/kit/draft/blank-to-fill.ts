import type { Check } from '../kit-preparation.ts';

/** What a work card leaves a blank for: where it is read, in what, and how far the readings may lie apart. */
export type BlankToFill = Required<Pick<Check, 'unit'>> & Pick<Check, 'places' | 'spread' | 'target' | 'tolerance'>;

const UNIT = String.raw`(mm|in(?:ch(?:es)?)?|"|°|V)(?![\p{L}\d])`;
/** `at front ______ mm`: the words before it, and the unit behind it. */
const BLANK = new RegExp(String.raw`((?:\p{L}+[ \t]+){0,4})[:=]?[ \t]*_{3,}[ \t]*${UNIT}`, 'giu');
/** `max difference 2 mm`, `difference at most 2 mm`. */
const APART = new RegExp(
  String.raw`\b(?:max(?:imum)?\.?|largest|at most|no more than)\s+diff(?:erence|\.)?\s*(?:of|:)?\s*(\d+(?:[.,]\d+)?)\s*${UNIT}|\bdiff(?:erence|\.)?\s*(?:max\.?|at most|no more than|not over|up to|≤)\s*(\d+(?:[.,]\d+)?)\s*${UNIT}`,
  'iu',
);
/** `: 18 mm at front`: what the readings are aimed at. */
const AIM = new RegExp(String.raw`^[^_]*?(\d+(?:[.,]\d+)?)\s*${UNIT}`, 'iu');
const numberIn = (printed: string | undefined): number => Number((printed ?? '').replace(',', '.'));
const unitOf = (printed: string | undefined): BlankToFill['unit'] =>
  /^in|^"/i.test(printed ?? '') ? 'in' : printed === '°' ? '°' : /^v$/i.test(printed ?? '') ? 'V' : 'mm';

/** Without what leads to a place: `18 mm at the front` is the front; `reading` is none. */
const placeIn = (words: string): string =>
  words
    .trim()
    .replace(/^.*\b(?:mm|in|inch(?:es)?|at|on|the)\b\s*/i, '')
    .replace(/^(?:reading|measured|actual|value|is|and)$/i, '')
    .trim();

/**
 * The readings a sentence leaves blanks for; undefined where it leaves none that has a unit. A press on such a step would
 * sign a number that nobody read. Where it aims at something and says how far the readings may differ, none is further off
 * than that: assumed, and shown as such. An aim alone stays in its words.
 */
export function blankToFill(text: string): BlankToFill | undefined {
  const blanks = [...text.matchAll(BLANK)];
  const [first] = blanks;
  if (!first) return undefined;
  // A single reading needs no place.
  const places = blanks.length < 2 ? [] : [...new Set(blanks.map(([, words = '']) => placeIn(words)))];
  const apart = APART.exec(text);
  const unit = unitOf(first[2]);
  // Of other units than the readings it limits something else.
  const limits = places.length > 1 && unitOf(apart?.[2] ?? apart?.[4]) === unit;
  const spread = apart && limits ? numberIn(apart[1] ?? apart[3]) : undefined;
  const aim = AIM.exec(text.replace(APART, ''));
  const target = aim && unitOf(aim[2]) === unit && spread !== undefined ? numberIn(aim[1]) : undefined;
  return {
    unit,
    ...(places.length > 1 && places.length === blanks.length && places.every(Boolean) ? { places } : {}),
    ...(spread === undefined ? {} : { spread }),
    ...(target === undefined ? {} : { target, tolerance: spread }),
  };
}
