import { NUMBER_WORDS, TENS_WORDS } from '#core/sheet/lexicon.ts';
import { type Language, language } from './say.ts';

/** How a language says a number. */
interface SpokenNumbers {
  /** What may stand behind a number and says no more: the unit is the screen's. */
  unit: RegExp;
  /** Digits, where a listener writes them. */
  typed: RegExp;
  /** What parts the whole from its tenths. */
  point: ReadonlySet<string>;
  /** Each digit behind it. */
  digits: Readonly<Record<string, number>>;
  /** A whole number up to 9999; undefined where the words are none. */
  whole(words: readonly string[]): number | undefined;
}

/** Longest number that is a reading: four places before the point, two behind. */
const READING = /^\d{1,4}(?:\.\d{1,2})?$/;

/** `A` and `both` count pieces, and are no number that is read off. */
const { a: _a, both: _both, ...ONES_AND_TEENS } = NUMBER_WORDS;
const ENGLISH_NUMBERS: Readonly<Record<string, number>> = { zero: 0, oh: 0, ...ONES_AND_TEENS, ...TENS_WORDS };

/** `one hundred and twenty five`, `one twenty`. */
function englishWhole(words: readonly string[]): number | undefined {
  let [sum, last, any] = [0, Number.POSITIVE_INFINITY, false];
  for (const [index, word] of words.entries()) {
    if (word === 'and' && any) continue;
    if (word === 'a' && words[index + 1] === 'hundred') {
      [sum, last, any] = [1, 1, true];
      continue;
    }
    if (word === 'hundred' && any && sum < 100) {
      [sum, last] = [sum * 100, 100];
      continue;
    }
    const value = ENGLISH_NUMBERS[word];
    if (value === undefined) return undefined;
    // `one twenty` is a hundred and twenty; `twenty one` one number.
    if (any && sum < 10 && value >= 10 && index === 1) sum = sum * 100 + value;
    else if (!any || (value < last && (last >= 100 || (last >= 20 && value < 10)))) sum += value;
    else return undefined;
    [last, any] = [value, true];
  }
  return any && sum <= 9999 ? sum : undefined;
}

const GERMAN_NUMBERS: Readonly<Record<string, number>> = {
  null: 0,
  ein: 1,
  eins: 1,
  zwei: 2,
  zwo: 2,
  drei: 3,
  vier: 4,
  fünf: 5,
  sechs: 6,
  sieben: 7,
  acht: 8,
  neun: 9,
  zehn: 10,
  elf: 11,
  zwölf: 12,
  dreizehn: 13,
  vierzehn: 14,
  fünfzehn: 15,
  sechzehn: 16,
  siebzehn: 17,
  achtzehn: 18,
  neunzehn: 19,
  zwanzig: 20,
  dreißig: 30,
  vierzig: 40,
  fünfzig: 50,
  sechzig: 60,
  siebzig: 70,
  achtzig: 80,
  neunzig: 90,
};

/** Up to 99: `sieben`, `siebzehn`, `siebenundzwanzig`. */
function germanBelowHundred(text: string): number | undefined {
  const [, unit, tens] = /^(.+)und(.+)$/.exec(text) ?? [];
  if (unit === undefined || tens === undefined) return GERMAN_NUMBERS[text];
  const [one, ten] = [GERMAN_NUMBERS[unit], GERMAN_NUMBERS[tens]];
  return one && ten && one < 10 && ten >= 20 && unit !== 'eins' ? ten + one : undefined;
}

/** `hundertzehn`, `ein hundert fünfundzwanzig`, `zwölfhundert`, `eintausendzweihundert`: one word, or said apart. */
function germanWhole(words: readonly string[]): number | undefined {
  const places = /^(?:(?<thousands>.*)tausend)?(?:(?<hundreds>.*)hundert)?(?:und)?(?<rest>.*)$/.exec(words.join(''));
  const { thousands, hundreds, rest = '' } = places?.groups ?? {};
  let sum = 0;
  for (const [many, worth] of [
    [thousands, 1000],
    [hundreds, 100],
  ] as const) {
    if (many === undefined) continue;
    const count = many === '' ? 1 : germanBelowHundred(many);
    if (count === undefined || count === 0) return undefined;
    sum += count * worth;
  }
  if (rest === '') return sum > 0 && sum <= 9999 ? sum : undefined;
  const below = germanBelowHundred(rest);
  return below === undefined || (below === 0 && sum > 0) || sum + below > 9999 ? undefined : sum + below;
}

const SPOKEN: Readonly<Record<Language, SpokenNumbers>> = {
  en: {
    unit: /\s+(?:newton met(?:re|er)s?|foot pounds?|pound (?:feet|foot)|inch pounds?|pound inch(?:es)?|millimet(?:re|er)s?|degrees?)$/,
    typed: READING,
    point: new Set(['point', 'decimal']),
    digits: ENGLISH_NUMBERS,
    whole: englishWhole,
  },
  de: {
    unit: /\s+(?:newton ?meter|fuß ?pfund|zoll ?pfund|milli ?meter|grad)$/,
    typed: /^\d{1,4}(?:[.,]\d{1,2})?$/,
    point: new Set(['komma', 'punkt']),
    digits: GERMAN_NUMBERS,
    whole: germanWhole,
  },
};

/**
 * `fifty four point five`, `a hundred and ten`, `62.5`; `zweiundsechzig komma fünf`: the number as it is typed, with a
 * point, in the language that is spoken; undefined where it is none.
 *
 * @param said - in small letters, one space between words
 */
export function numberSaid(said: string): string | undefined {
  const { unit, typed, point, digits, whole } = SPOKEN[language()];
  const text = said.replace(unit, '');
  if (typed.test(text)) return text.replace(',', '.');
  const words = text.replaceAll('-', ' ').split(' ');
  const at = words.findIndex((word) => point.has(word));
  const before = whole(at < 0 ? words : words.slice(0, at));
  if (before === undefined) return undefined;
  if (at < 0) return String(before);
  const places = words.slice(at + 1).map((word) => digits[word]);
  if (places.length === 0 || places.some((place) => place === undefined || place > 9)) return undefined;
  const number = `${before}.${places.join('')}`;
  return READING.test(number) ? number : undefined;
}
