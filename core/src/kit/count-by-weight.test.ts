import { describe, expect, it } from '@jest/globals';
import { countByWeight, type Weighed } from './count-by-weight.ts';

const weighed = (over: Partial<Weighed> = {}): Weighed => ({
  tareG: 20,
  sampleG: 20 + 10 * 31.4,
  samplePieces: 10,
  allG: 20 + 24 * 31.4,
  divisionG: 0.1,
  ...over,
});

describe('a count by weight', () => {
  it('of two dozen M10 bolts, from a sample of ten, is 24', () => {
    const counted = countByWeight(weighed());
    expect(counted).toMatchObject({ ok: true, value: { pieces: 24 } });
    if (counted.ok) expect(counted.value.sure).toBeGreaterThan(0.995);
  });
  it('the empty bowl is none', () => {
    expect(countByWeight(weighed({ allG: 20 }))).toMatchObject({ ok: true, value: { pieces: 0 } });
  });
  it('is refused where a reading falls between two numbers', () => {
    expect(countByWeight(weighed({ allG: 20 + 24.5 * 31.4 }))).toMatchObject({
      ok: false,
      error: { code: 'cannotTell' },
    });
  });
  it('of many from a small sample is refused, and the sample that tells is named', () => {
    const many = countByWeight(weighed({ samplePieces: 2, sampleG: 20 + 2 * 31.4, allG: 20 + 60 * 31.4 }));
    if (many.ok || many.error.code !== 'cannotTell') throw new Error('it was taken');
    const { wantedSample = 0 } = many.error;
    expect(wantedSample).toBeGreaterThan(2);
    expect(
      countByWeight(weighed({ samplePieces: wantedSample, sampleG: 20 + wantedSample * 31.4, allG: 20 + 60 * 31.4 })),
    ).toMatchObject({ ok: true, value: { pieces: 60 } });
  });
  it('a kitchen scale does not count washers of a gram', () => {
    expect(countByWeight({ tareG: 20, sampleG: 30, samplePieces: 10, allG: 60, divisionG: 5 })).toMatchObject({
      ok: false,
      error: { code: 'cannotTell', pieces: 40 },
    });
  });
  it.each<[keyof Weighed, number]>([
    ['tareG', -1],
    ['samplePieces', 0],
    ['samplePieces', 2.5],
    ['divisionG', 0],
    ['sampleG', 20],
    ['allG', 19],
    ['allG', Number.NaN],
  ])('%s of %f cannot be', (field, value) => {
    expect(countByWeight(weighed({ [field]: value }))).toEqual({
      ok: false,
      error: { code: 'readingImpossible', field },
    });
  });
  it('is right at least 99 times in 100 where it is taken: bags that scatter as bags do, on a scale that rounds', () => {
    let state = 5;
    const even = () => {
      state = (state * 48_271) % 2_147_483_647;
      return state / 2_147_483_647;
    };
    const normal = () => Math.sqrt(-2 * Math.log(even())) * Math.cos(2 * Math.PI * even());
    let [taken, right] = [0, 0];
    for (let bag = 0; bag < 600; bag += 1) {
      const pieces = 4 + Math.floor(even() * 40);
      const each = Array.from({ length: pieces }, () => 12 * (1 + 0.012 * normal()));
      const samplePieces = Math.min(pieces, 8);
      const sum = (list: number[]) => list.reduce((total, one) => total + one, 0);
      const shown = (g: number) => Math.round(g / 0.5) * 0.5;
      const counted = countByWeight({
        tareG: 20,
        sampleG: shown(20 + sum(each.slice(0, samplePieces))),
        samplePieces,
        allG: shown(20 + sum(each)),
        divisionG: 0.5,
      });
      if (!counted.ok) continue;
      taken += 1;
      if (counted.value.pieces === pieces) right += 1;
    }
    expect(taken).toBeGreaterThan(200);
    expect(right / taken).toBeGreaterThan(0.99);
  });
});
