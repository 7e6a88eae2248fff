import { IntlMessageFormat } from 'intl-messageformat';

/** What stands in the places of a message. */
export type Values = Readonly<Record<string, string | number | undefined>>;

/** Language of the catalogue beside this file: a second one is another folder like `en`, file by file. */
const LANGUAGE = 'en';
const parsed = new Map<string, IntlMessageFormat>();

/**
 * A message of the catalogue in words: ICU MessageFormat with plurals and selects. A value that is not there stands in
 * a select as `none`.
 *
 * @throws where a message wants a value that it was not given: a fault of ours, found by the tests over every code
 */
export function say(message: string, values: Values = {}): string {
  if (!message.includes('{')) return message;
  let format = parsed.get(message);
  if (!format) {
    format = new IntlMessageFormat(message, LANGUAGE, undefined, { ignoreTag: true });
    parsed.set(message, format);
  }
  const given = Object.fromEntries(Object.entries(values).map(([name, value]) => [name, value ?? 'none']));
  return String(format.format(given));
}
