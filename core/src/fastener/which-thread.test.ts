import { describe, expect, it } from '@jest/globals';
import { allThreads } from './identify.ts';
import { parseThread, type Thread } from './thread.ts';
import { crestsOf, nextMeasurement, sigmaOf, USUAL_SPREAD, whichThread } from './which-thread.ts';

/** The same numbers each time (Park and Miller, 1988). */
function evenNumbers(seed = 11): () => number {
  let state = seed;
  return () => {
    state = (state * 48_271) % 2_147_483_647;
    return state / 2_147_483_647;
  };
}
const next = evenNumbers();
/** A reading that scatters normally (Box and Muller, 1958). */
const scattered = (about: number, sigma: number): number =>
  about + sigma * Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next());
const threadOf = (text: string): Thread => {
  const read = parseThread(text);
  if (!read.ok) throw new Error(text);
  return read.value.thread;
};
const best = (measured: Parameters<typeof whichThread>[0]) => whichThread(measured).threads[0];

/** M4 to M20 and #6 to 3/4 in, coarse and fine. */
const USUAL = allThreads().filter(
  ({ system, series, nominalMm }) =>
    series !== 'other' &&
    (system === 'metric' ? nominalMm >= 4 && nominalMm <= 20 : nominalMm >= 3.5 && nominalMm <= 19.1),
);

describe('which thread it is', () => {
  it('chances add up to one', () => {
    for (const measured of [{ majorMm: 9.9 }, { pitchMm: 1.25 }, { acrossFlatsMm: 17 }, {}]) {
      const { threads, onNoList } = whichThread(measured);
      expect(threads.reduce((sum, { chance }) => sum + chance, onNoList)).toBeCloseTo(1, 9);
    }
  });
  it.each([
    [{ majorMm: 9.85, pitchMm: 1.5 }, 'M10 x 1.5'],
    [{ majorMm: 9.85, pitchMm: 1.25 }, 'M10 x 1.25'],
    [{ majorMm: 9.42, pitchMm: 1.5875 }, '3/8-16'],
    [{ majorMm: 7.85, pitchMm: 1.25 }, 'M8 x 1.25'],
    [{ majorMm: 7.83, pitchMm: 1.411 }, '5/16-18'],
    [{ majorMm: 6.25, pitchMm: 1.27 }, '1/4-20'],
  ])('%j is %s, nearly for certain', (measured, designation) => {
    const found = best(measured);
    expect(found?.thread.designation).toBe(threadOf(designation).designation);
    expect(found?.chance).toBeGreaterThan(0.95);
  });
  it('every usual size, diameter and pitch read with a spread of 0.05 mm: right first 99 times in 100, and never wrong for certain', () => {
    const TRIES = 60;
    const wrong = new Map<string, number>();
    let sure = 0;
    for (const thread of USUAL)
      for (let left = TRIES; left > 0; left -= 1) {
        const { minMm, maxMm } = crestsOf(thread);
        const real = minMm + next() * (maxMm - minMm);
        const found = best({
          majorMm: scattered(real, sigmaOf(USUAL_SPREAD, 'majorMm')),
          pitchMm: scattered(thread.pitchMm, sigmaOf(USUAL_SPREAD, 'pitchMm')),
        });
        if (found?.thread.designation === thread.designation) continue;
        const pair = `${thread.designation} taken for ${found?.thread.designation}`;
        wrong.set(pair, (wrong.get(pair) ?? 0) + 1);
        if ((found?.chance ?? 0) > 0.95) sure += 1;
      }
    const missed = [...wrong.values()].reduce((sum, times) => sum + times, 0);
    expect(missed / (USUAL.length * TRIES)).toBeLessThan(0.01);
    expect(sure).toBe(0);
  });
  it('pairs that the tables themselves show as close are told apart by another reading, or called undecided', () => {
    // Both crests and pitches of these overlap within what a calliper tells: found in the tables, not chosen.
    const close = USUAL.flatMap((a) =>
      USUAL.filter(
        (b) =>
          a.nominalMm < b.nominalMm &&
          Math.abs(a.pitchMm - b.pitchMm) < 2 * USUAL_SPREAD.pitchMm &&
          crestsOf(b).minMm - crestsOf(a).maxMm < 2 * USUAL_SPREAD.majorMm,
      ).map((b) => [a, b] as const),
    );
    expect(close.map((pair) => pair.map(({ designation }) => designation).join(' / '))).toContain(
      `${threadOf('#10-32').designation} / ${threadOf('M5 x 0.8').designation}`,
    );
    for (const [a, b] of close) {
      const between = (crestsOf(a).maxMm + crestsOf(b).minMm) / 2;
      const { threads } = whichThread({ majorMm: between, pitchMm: (a.pitchMm + b.pitchMm) / 2 });
      expect(threads[0]?.chance).toBeLessThan(0.95);
      const names = threads.slice(0, 2).map(({ thread }) => thread.designation);
      expect(names.sort()).toEqual([a.designation, b.designation].sort());
      // Their heads tell them apart where the standards give both another width.
      expect(nextMeasurement(threads, { majorMm: between, pitchMm: a.pitchMm })).toBe('acrossFlatsMm');
    }
  });
  it('a width alone is no thread: several share it, and the thread itself is asked for', () => {
    const { threads } = whichThread({ acrossFlatsMm: 13 });
    expect(threads[0]?.chance).toBeLessThan(0.95);
    expect(['majorMm', 'pitchMm']).toContain(nextMeasurement(threads, { acrossFlatsMm: 13 }));
  });
  it('with the diameter known the pitch is what tells the rest apart', () => {
    const measured = { majorMm: 9.85 };
    expect(nextMeasurement(whichThread(measured).threads, measured)).toBe('pitchMm');
  });
  it('what no list has is said to be on none', () => {
    const { threads, onNoList } = whichThread({ majorMm: 11.05, pitchMm: 2.6 });
    expect(onNoList).toBeGreaterThan(0.9);
    expect(threads[0]?.chance).toBeLessThan(0.1);
  });
});
