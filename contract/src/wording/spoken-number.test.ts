import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { catalogueOf } from './catalogues.ts';
import { heardAsks, heardOf } from './heard-text.ts';
import { ENGLISH, speak } from './say.ts';
import { numberSaid } from './spoken-number.ts';

const ONES = ['', 'ein', 'zwei', 'drei', 'vier', 'fünf', 'sechs', 'sieben', 'acht', 'neun'];
const TEENS = [
  'zehn',
  'elf',
  'zwölf',
  'dreizehn',
  'vierzehn',
  'fünfzehn',
  'sechzehn',
  'siebzehn',
  'achtzehn',
  'neunzehn',
];
const TENS = ['', '', 'zwanzig', 'dreißig', 'vierzig', 'fünfzig', 'sechzig', 'siebzig', 'achtzig', 'neunzig'];

/** A German number in words, as schools teach it. */
function inGermanWords(value: number): string {
  const [thousands, hundreds, rest] = [Math.floor(value / 1000), Math.floor(value / 100) % 10, value % 100];
  const one = rest % 10;
  const below =
    rest === 1
      ? 'eins'
      : rest < 10
        ? ONES[rest]
        : rest < 20
          ? TEENS[rest - 10]
          : `${one > 0 ? `${ONES[one]}und` : ''}${TENS[Math.floor(rest / 10)]}`;
  return `${thousands > 0 ? `${ONES[thousands]}tausend` : ''}${hundreds > 0 ? `${ONES[hundreds]}hundert` : ''}${below}`;
}

describe('numbers said in German', () => {
  beforeAll(async () => {
    const german = await catalogueOf('de');
    speak(() => german);
  });
  afterAll(() => speak(() => ENGLISH));

  it('every whole number to 9999 said in full is that number', () => {
    for (let value = 1; value <= 9999; value++) expect(numberSaid(inGermanWords(value))).toBe(String(value));
  });
  it('said apart, as a listener may write it, it is the same (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), (value) => {
        const apart = inGermanWords(value)
          .replace(/tausend|hundert/g, ' $& ')
          .replace(/ +/g, ' ')
          .trim();
        expect(numberSaid(apart)).toBe(String(value));
      }),
    );
  });
  it.each([
    ['zweiundsechzig komma fünf', '62.5'],
    ['hundertzehn newtonmeter', '110'],
    ['null komma zwo fünf', '0.25'],
    ['zwölfhundert', '1200'],
    ['hundert und fünf', '105'],
    ['62,5', '62.5'],
    ['45 grad', '45'],
  ])('%j is %s', (said, number) => expect(numberSaid(said)).toBe(number));
  it.each([
    'einsundzwanzig',
    'zwanzig vierzig',
    'vier fünf schrauben',
    'nullhundert',
    'komma fünf',
    'hundertnull',
    '',
    'und',
    'drei komma',
    'sixty three',
  ])('%j is none', (said) => expect(numberSaid(said)).toBeUndefined());
  it('the words of the line are known, and what is asked back is said with the language’s own sign', () => {
    expect(heardOf('Fertig.')).toEqual({ word: 'done' });
    expect(heardOf('zurück')).toEqual({ word: 'takeBack' });
    expect(heardOf('Zweiundsechzig Komma fünf Newtonmeter')).toEqual({ word: 'number', number: '62.5' });
    expect(heardAsks({ word: 'number', number: '62.5' })).toMatch(/^62,5\. /);
  });
});

describe('numbers said in English', () => {
  it.each(['62,5', '1,200', 'zweiundsechzig'])('%j is none', (said) => expect(numberSaid(said)).toBeUndefined());
});
