import { IntlMessageFormat } from 'intl-messageformat';

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

/**
 * Which language is spoken from now on.
 *
 * @param find - gives the catalogue at each message: one for a whole page, another for each request of a server
 */
export function speak(find: () => Catalogue): void {
  spoken = find;
}

/** The language that is spoken now. */
export const language = (): Language => spoken().language;

/** A message in the language that is spoken, with its places still open. */
const translated = (message: string): string => spoken().messages.get(message) ?? message;

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
 * @throws where a message wants a value that it was not given: a fault of ours, found by the tests over every code
 */
export function say(message: string, values: Values = {}): string {
  if (!message.includes('{')) return translated(message);
  const given = Object.fromEntries(Object.entries(values).map(([name, value]) => [name, value ?? 'none']));
  return String(formatOf(message).format(given));
}

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
