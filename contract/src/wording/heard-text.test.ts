import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { heardAsks, heardOf } from './heard-text.ts';

const number = (text: string) => {
  const heard = heardOf(text);
  return heard?.word === 'number' ? heard.number : undefined;
};
const ONES = ['', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
const TEENS = [
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
  'sixteen',
  'seventeen',
  'eighteen',
  'nineteen',
];
const TENS = ['', '', 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];
/** A number in words, as schools teach it. */
const inWords = (value: number): string => {
  const below = (rest: number): string =>
    rest < 10
      ? (ONES[rest] ?? '')
      : rest < 20
        ? (TEENS[rest - 10] ?? '')
        : `${TENS[Math.floor(rest / 10)]} ${ONES[rest % 10]}`.trim();
  const hundreds = Math.floor(value / 100);
  const rest = value % 100;
  return [hundreds > 0 ? `${ONES[hundreds]} hundred` : '', rest > 0 ? below(rest) : ''].filter(Boolean).join(' and ');
};

describe('what is said to the line', () => {
  it.each([
    ['Done.', 'done'],
    ['take it back', 'takeBack'],
    ['Problem', 'problem'],
    ['say again', 'again'],
    ['yes', 'yes'],
    ['never mind', 'no'],
  ])('%j is %s', (text, word) => expect(heardOf(text)).toEqual({ word }));
  it.each([
    'I am done with this car',
    'he said take it back tomorrow',
    'no problem',
    'done done',
    '',
    'four five bolts',
    'twenty forty',
    'one two three',
    'hundred',
  ])('%j is nothing', (text) => expect(heardOf(text)).toBeUndefined());
  it.each([
    ['sixty three', '63'],
    ['sixty-three newton metres', '63'],
    ['fifty four point five', '54.5'],
    ['a hundred and ten', '110'],
    ['one twenty', '120'],
    ['zero point two five', '0.25'],
    ['62.5', '62.5'],
    ['eight foot pounds', '8'],
    ['one hundred and five point oh five', '105.05'],
  ])('%j is %s', (text, value) => expect(number(text)).toBe(value));
  it('every whole number to 999 said in full is that number (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 999 }), (value) => {
        expect(number(inWords(value))).toBe(String(value));
      }),
    );
  });
  it('asks back what it is about to do', () => {
    expect(heardAsks({ word: 'done' })).toBe('Done? Say yes or no.');
    expect(heardAsks({ word: 'number', number: '54.5' })).toBe('54.5. Say yes or no.');
  });
});
