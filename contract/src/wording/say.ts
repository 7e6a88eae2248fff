import { IntlMessageFormat } from 'intl-messageformat';
import { writeDecimalsWith, written } from '#core/quantity/display.ts';

/** What stands in the places of a message. */
export type Values = Readonly<Record<string, string | number | boolean | null | undefined>>;

/** Languages the product speaks. */
export const LANGUAGES = ['en', 'de'] as const;
export type Language = (typeof LANGUAGES)[number];

/**
 * The messages of a language, each by its English. English stands where it is said and needs no messages: a message
 * without a translation is said in English.
 */
export interface Catalogue {
  language: Language;
  messages: ReadonlyMap<string, string>;
}
export const ENGLISH: Catalogue = { language: 'en', messages: new Map() };

let spoken: () => Catalogue = () => ENGLISH;
/** What stands between a whole and its parts. @see CLDR, symbols of numbers */
const DECIMAL_SIGN: Record<Language, string> = { en: '.', de: ',' };

/**
 * Which language is spoken from now on.
 *
 * @param find - gives the catalogue at each message: one for a whole page, another for each request of a server
 */
export function speak(find: () => Catalogue): void {
  spoken = find;
  writeDecimalsWith(() => DECIMAL_SIGN[find().language]);
}

/** The language that is spoken now. */
export const language = (): Language => spoken().language;

/** A message as the catalogue has it; one that English uses in two senses is there once for each. */
const keyOf = (message: string, sense?: string): string => (sense === undefined ? message : `${message} ‖ ${sense}`);
/** A message in the language that is spoken, with its places still open. */
const translated = (message: string, sense?: string): string => spoken().messages.get(keyOf(message, sense)) ?? message;

/** A value as a message tells it: parts of a whole by the sign of the language, whole numbers as they are counted by. */
export const told = <Value>(value: Value): Value | string =>
  typeof value === 'number' && !Number.isInteger(value) ? written(value) : value;

const parsed = new Map<string, IntlMessageFormat>();

/** A message of the catalogue, parsed: ICU MessageFormat with plurals and selects. */
export function formatOf(message: string): IntlMessageFormat {
  const text = translated(message);
  const key = `${language()} ${text}`;
  let format = parsed.get(key);
  if (!format) {
    format = new IntlMessageFormat(text, language(), undefined, { ignoreTag: true });
    parsed.set(key, format);
  }
  return format;
}

/**
 * A message in words of the language that is spoken, by its English: ICU MessageFormat with plurals and selects. A value
 * that is not there stands in a select as `none`.
 *
 * @param sense - which of two senses, where English has one word for both: the record, and to record
 * @throws where a message wants a value that it was not given: a fault of ours, found by the tests over every code
 */
export function say(message: string, values: Values = {}, sense?: string): string {
  if (!message.includes('{')) return translated(message, sense);
  const given = Object.fromEntries(Object.entries(values).map(([name, value]) => [name, told(value) ?? 'none']));
  return String(formatOf(message).format(given));
}

/** A whole number with its thousands parted as the language parts them: `104,890`, `104.890`. */
export const thousands = (value: number): string =>
  Math.round(value).toLocaleString(language() === 'en' ? 'en-GB' : language());

/** Words as they stand inside a sentence: English gives up its capital there, a language that writes its nouns with one does not. */
export const midSentence = (text: string): string => (language() === 'en' ? text.toLowerCase() : text);

const inOtherWords = new WeakMap<object, object>();
/** Properties of a table that hold no words, though what they hold may look like one: `star` is a kind and a pattern. */
const NO_WORDS: ReadonlySet<PropertyKey> = new Set(['id', 'kind', 'type', 'field', 'code', 'value', 'picture']);

/**
 * A table of words in the language that is spoken when it is read, and not when it is loaded: a server speaks to each
 * request in its own. What is no message of the catalogue, an id or a source, stays as it is.
 */
export function inLanguage<Table extends object>(table: Table): Table {
  const known = inOtherWords.get(table);
  if (known) return known as Table;
  const read = new Proxy(table, {
    get(target, key, receiver) {
      const value: unknown = Reflect.get(target, key, receiver);
      if (typeof value === 'string') return NO_WORDS.has(key) ? value : translated(value);
      return typeof value === 'object' && value !== null ? inLanguage(value) : value;
    },
  });
  inOtherWords.set(table, read);
  return read;
}
