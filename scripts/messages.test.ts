import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from '@jest/globals';
import { IntlMessageFormat } from 'intl-messageformat';
import { messagesInCode } from './messages.mjs';

const GERMAN: Record<string, string> = JSON.parse(readFileSync('contract/src/wording/de.json', 'utf8'));

type Part = { type: number; value: string; options?: Record<string, { value: Part[] }> };

/** The places of a message: what each is called, whether it counts or selects, and by what. */
function placesOf(message: string): string[] {
  const found = new Set<string>();
  const visit = (parts: readonly Part[]) => {
    for (const { type, value, options } of parts) {
      // 0 is text, 7 the number of a plural.
      if (type !== 0 && type !== 7) found.add(`${type} ${value} ${options ? Object.keys(options).sort().join() : ''}`);
      for (const option of Object.values(options ?? {})) visit(option.value);
    }
  };
  visit(new IntlMessageFormat(message, 'en', undefined, { ignoreTag: true }).getAst() as Part[]);
  return [...found].sort();
}

const SENSE = / ‖ \w+$/;

describe('the catalogue', () => {
  let said: ReturnType<typeof messagesInCode>;
  beforeAll(() => {
    said = messagesInCode();
  });

  it('has a German for each message that is said, and none that nobody says', () => {
    expect(said.messages.size).toBeGreaterThan(7000);
    expect([...said.messages].filter(([message]) => GERMAN[message] === undefined)).toEqual([]);
    expect(Object.keys(GERMAN).filter((message) => !said.messages.has(message))).toEqual([]);
  });

  it('has the same places in both languages, with the same choices', () => {
    const differ = Object.entries(GERMAN).filter(([english, german]) => {
      const message = english.replace(SENSE, '');
      return placesOf(message).join() !== placesOf(german).join();
    });
    expect(differ).toEqual([]);
  });

  it('keeps the blanks at both ends, by which pieces are joined', () => {
    const ends = (text: string) => [/^\s*/.exec(text)?.[0], /\s*$/.exec(text)?.[0]];
    const differ = Object.entries(GERMAN).filter(
      ([english, german]) => ends(english.replace(SENSE, '')).join('|') !== ends(german).join('|'),
    );
    expect(differ).toEqual([]);
  });

  // A book is called as it is called.
  it('leaves no sentence in English', () => {
    const english = Object.entries(GERMAN).filter(
      ([message, german]) =>
        message === german &&
        !message.startsWith('Bickford') &&
        /\b(?:the|of|is|are|and|this|that|not)\b/.test(message.replace(/\{[^}]*\}/g, '')),
    );
    expect(english).toEqual([]);
  });

  it('is asked for every text between the tags of a screen', () => {
    expect(said.bare).toEqual([]);
  });
});
