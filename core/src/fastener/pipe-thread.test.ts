import { describe, expect, it } from '@jest/globals';
import { identified } from '../bench/identify.ts';
import { identifyPipe } from './identify.ts';
import { nptSmallEndInch, PIPE_THREADS } from './pipe-thread.ts';

const found = (majorMm: number, pitchMm?: number) =>
  identifyPipe({ majorMm, pitchMm }).map(({ pipe }) => pipe.designation);

describe('pipe threads', () => {
  it.each([
    // ASME B1.20.1-2013 table 2, pitch diameter at the small end E0, inches (from memory).
    [0.405, 27, 0.36351],
    [0.54, 18, 0.47739],
    [0.675, 18, 0.61201],
    [0.84, 14, 0.75843],
    [1.05, 14, 0.96768],
    [1.315, 11.5, 1.21363],
  ])('of %d in pipe with %d to the inch begin at E0 = %d', (pipe, perInch, e0) =>
    expect(nptSmallEndInch(pipe, perInch)).toBeCloseTo(e0, 5),
  );
  it.each([
    // ISO 228-1 minor diameters, mm (from memory): d1 = d − 1.280654 P.
    ['G 1/8', 8.566],
    ['G 1/4', 11.445],
    ['G 3/8', 14.95],
    ['G 1/2', 18.631],
    ['G 3/4', 24.117],
    ['G 1', 30.291],
  ])('%s has the minor diameter of its table by its own formula', (name, d1) => {
    const pipe = PIPE_THREADS.find(({ designation }) => designation === name);
    expect((pipe?.crests.maxMm ?? 0) - 1.280654 * (pipe?.pitchMm ?? 0)).toBeCloseTo(d1, 2);
  });
  it('a tapered one measures less at its small end', () => {
    for (const { crests, taper } of PIPE_THREADS) {
      expect(crests.maxMm).toBeGreaterThan(crests.minMm);
      if (taper) expect(crests.maxMm - crests.minMm).toBeGreaterThan(0.2);
    }
  });
});

describe('a pipe thread is no bolt', () => {
  it('28 to the inch over 9.7 mm is G 1/8 or R 1/8, and no bolt is sure', () => {
    expect(found(9.7, 25.4 / 28)).toEqual(expect.arrayContaining(['G 1/8', 'R 1/8']));
    const bolt = identified({ majorMm: 9.7, pitchMm: 25.4 / 28 });
    expect(bolt.ok && [bolt.value.sure, bolt.value.remarks[0]?.code]).toEqual([false, 'pipeThread']);
  });
  it('27 to the inch over 10.2 mm is 1/8 NPT', () => expect(found(10.2, 25.4 / 27)).toEqual(['1/8 NPT']));
  it('an M10 × 1.5 is none, and stays sure', () => {
    expect(found(9.85, 1.5)).toEqual([]);
    const bolt = identified({ majorMm: 9.85, pitchMm: 1.5 });
    expect(bolt.ok && bolt.value.sure).toBe(true);
  });
  it('every pipe thread is found from the middle of its crests and its pitch', () => {
    for (const { designation, crests, pitchMm } of PIPE_THREADS)
      expect(found((crests.minMm + crests.maxMm) / 2, pitchMm)).toContain(designation);
  });
});

describe('coats and wear', () => {
  const best = (majorMm: number, surface: Parameters<typeof identified>[1]) => {
    const read = identified({ majorMm, pitchMm: 1.5 }, surface);
    return read.ok ? read.value.candidates[0] : undefined;
  };
  it('a hot-dip coat explains crests above the nominal diameter', () => {
    expect(best(10.22, {})?.votesAgainst).toContain('majorMm');
    expect(best(10.22, { coat: 'hotDip' })).toMatchObject({ votesAgainst: [], thread: { designation: 'M10 × 1.5' } });
  });
  it('wear explains crests below the limits', () => {
    expect(best(9.5, {})?.votesAgainst).toContain('majorMm');
    expect(best(9.5, { wornMm: 0.2 })?.votesAgainst).toEqual([]);
  });
});
