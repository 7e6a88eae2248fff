import { describe, expect, it } from '@jest/globals';
import { fittedLine, readFittedLine } from './fitted-line.ts';

describe('a line of what a vehicle carries', () => {
  it.each([
    ['roof rack', { word: 'roof rack' }],
    ['  lowered: 40 mm ', { word: 'lowered', amount: { value: 40, printed: '40 mm' } }],
    // 1 in is 25.4 mm by definition (ISO 31-1).
    ['lifted: 2 in', { word: 'lifted', amount: { value: 50.8, printed: '2 in' } }],
    ['long-range tank: 60 kg', { word: 'long-range tank', amount: { value: 60, printed: '60 kg' } }],
    // What is no length or mass stays part of the word, and so do two figures.
    ['tow bar: swan neck', { word: 'tow bar: swan neck' }],
    ['lowered: 30-40 mm', { word: 'lowered: 30-40 mm' }],
    [': 40 mm', { word: ': 40 mm' }],
  ])('%s', (typed, expected) => {
    const read = readFittedLine(typed);
    expect(read?.amount?.value ?? 0).toBeCloseTo('amount' in expected ? (expected.amount?.value ?? 0) : 0, 9);
    expect(read?.word).toBe(expected.word);
    if (read) expect(readFittedLine(fittedLine(read))).toEqual(read);
  });
  it('nothing is no line', () => expect(readFittedLine('  ')).toBeUndefined());
});
