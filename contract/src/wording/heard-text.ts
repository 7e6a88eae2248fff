import { HEARD_ASKS, HEARD_NUMBERS, HEARD_POINT, HEARD_UNIT, HEARD_WORDS } from './en/heard.ts';
import { say } from './say.ts';

/** Something said to the line. */
export type Heard = { word: keyof typeof HEARD_WORDS } | { word: 'number'; number: string };

/** What is done only after a yes. */
export type AskedHeard = Extract<Heard, { word: 'number' }> | { word: 'done' | 'takeBack' };

/** Longest number that is a reading: three places before the point, two behind. */
const READING = /^\d{1,4}(?:\.\d{1,2})?$/;

/**
 * What an utterance asks for, where all of it is one of the words; undefined for anything else, so that nothing is taken
 * from talk that only holds such a word.
 */
export function heardOf(said: string): Heard | undefined {
  const text = said
    .trim()
    .toLowerCase()
    .replace(/[.,!?]+$/, '')
    .replace(/\s+/g, ' ');
  for (const [word, ways] of Object.entries(HEARD_WORDS))
    if ((ways as readonly string[]).includes(text)) return { word: word as keyof typeof HEARD_WORDS };
  const number = numberSaid(text.replace(HEARD_UNIT, ''));
  return number === undefined ? undefined : { word: 'number', number };
}

/** `fifty four point five`, `a hundred and ten`, `62.5`: the number as it is typed; undefined where it is none. */
function numberSaid(text: string): string | undefined {
  if (READING.test(text)) return text;
  const words = text.replaceAll('-', ' ').split(' ');
  const at = words.findIndex((word) => HEARD_POINT.includes(word));
  const whole = wholeSaid(at < 0 ? words : words.slice(0, at));
  if (whole === undefined) return undefined;
  if (at < 0) return String(whole);
  const digits = words.slice(at + 1).map((word) => HEARD_NUMBERS[word]);
  if (digits.length === 0 || digits.some((digit) => digit === undefined || digit > 9)) return undefined;
  const typed = `${whole}.${digits.join('')}`;
  return READING.test(typed) ? typed : undefined;
}

/** `one hundred and twenty five`, `one twenty`: whole numbers up to 9999. */
function wholeSaid(words: readonly string[]): number | undefined {
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
    const value = HEARD_NUMBERS[word];
    if (value === undefined) return undefined;
    // `one twenty` is a hundred and twenty; `twenty one` one number.
    if (any && sum < 10 && value >= 10 && index === 1) sum = sum * 100 + value;
    else if (!any || (value < last && (last >= 100 || (last >= 20 && value < 10)))) sum += value;
    else return undefined;
    [last, any] = [value, true];
  }
  return any && sum <= 9999 ? sum : undefined;
}

/** What is asked back, for the eye and the ear. */
export const heardAsks = (heard: AskedHeard): string =>
  say(HEARD_ASKS[heard.word], { number: 'number' in heard ? heard.number : undefined });
