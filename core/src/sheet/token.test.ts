import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { misreadNumber, tokenize } from './token.ts';

const texts = (text: string): string[] => tokenize(text).map((token) => token.text);
const values = (text: string): Array<number | undefined> =>
  tokenize(text).flatMap((token) => (token.kind === 'number' ? [token.value] : []));

describe('tokens of a sheet', () => {
  it.each([
    ['16mm socket', ['16', 'mm', 'socket']],
    ['M10x1.5', ['M', '10', 'x', '1.5']],
    ['10/13/16 mm', ['10', '/', '13', '/', '16', 'mm']],
    ['1-1/4"', ['1-1/4', '"']],
    ['90°', ['90', '°']],
    ["driver's side", ["driver's", 'side']],
    ['Schlüssel 13', ['Schlüssel', '13']],
    ['MlO', ['M', 'lO']],
    ['a\r\nb', ['a', '\r\n', 'b']],
  ])('%s', (text, expected) => expect(texts(text)).toEqual(expected));
  it.each([
    ['3/8', [0.375]],
    ['1 1/2', [1.5]],
    ['2½', [2.5]],
    ['¾', [0.75]],
    ['27,5', [27.5]],
    ['5,000', [5000]],
    ['1/0', [1, 0]],
    ['50/60', [50, 60]],
    ['2.400 and 1,5', [2400, 1.5]],
    ['1.250,5', [1250.5]],
    ['10 000 km', [10_000]],
  ])('the number %s', (text, expected) => expect(values(text)).toEqual(expected));
  it('what a scanner makes of digits, and what is a word after all', () => {
    expect([misreadNumber('lO'), misreadNumber('4O'), misreadNumber('oil'), misreadNumber('SOS')]).toEqual([
      10,
      40,
      undefined,
      undefined,
    ]);
  });
  it('hold every character that is not space exactly once, in order, whatever the text', () => {
    fc.assert(
      fc.property(
        fc.oneof(fc.string({ unit: 'grapheme' }), fc.string({ unit: fc.constantFrom(...'aM1lO0/½ .,-\n\r"°é') })),
        (text) => {
          const tokens = tokenize(text);
          let at = 0;
          for (const token of tokens) {
            expect(text.slice(at, token.start).trim()).toBe('');
            expect(text.slice(token.start, token.end)).toBe(token.text);
            expect(token.end).toBeGreaterThan(token.start);
            at = token.end;
          }
          expect(text.slice(at).trim()).toBe('');
        },
      ),
    );
  });
});
