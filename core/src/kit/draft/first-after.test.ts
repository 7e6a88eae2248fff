import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Fact } from '../../sheet/fact.ts';
import { countBefore } from '../../sheet/place-in.ts';
import { firstAfter } from './first-after.ts';

const factAt = (start: number, printed: string): Fact => ({
  start,
  end: start + 1,
  step: 0,
  printed,
  confidence: 1,
  value: { kind: 'side', side: 'left' },
});

describe('the first fact behind a place', () => {
  it('is what a search of all would find', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(60), fc.constantFrom('a', 'b', 'c')), { maxLength: 30 }),
        fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd')),
        fc.nat(60),
        (places, words: readonly string[], start) => {
          const facts = places.map(([at, word]) => factAt(at, word)).sort((a, b) => a.start - b.start);
          const found = firstAfter(facts, ({ printed }) => new Set([printed]))(new Set(words), start);
          const searched = facts.find((fact) => fact.start > start && words.includes(fact.printed));
          expect(found?.start).toBe(searched?.start);
        },
      ),
    ));
});

describe('how many places lie before one', () => {
  it('is as many as are smaller', () =>
    fc.assert(
      fc.property(fc.array(fc.nat(100), { maxLength: 40 }), fc.nat(100), (places, before) => {
        const sorted = places.toSorted((a, b) => a - b);
        expect(countBefore(sorted, before)).toBe(places.filter((place) => place < before).length);
      }),
    ));
});
