import { describe, expect, it } from '@jest/globals';
import { FAULT_KINDS } from './fault-kind.ts';
import { faultsToTake, kindsToPractise, type Meeting, masters, masteryOf } from './mastery.ts';

const DAY = 86_400_000;
const T0 = Date.UTC(2026, 0, 5);
const met = (kind: Meeting['kind'], caught: Meeting['catch'], day: number): Meeting => ({
  kind,
  catch: caught,
  atMs: T0 + day * DAY,
});
const of = (meetings: Meeting[], kind: Meeting['kind'], day: number) => {
  const found = masteryOf(meetings, T0 + day * DAY).find((entry) => entry.kind === kind);
  if (!found) throw new Error('no mastery');
  return found;
};

describe('mastery', () => {
  it('is of every kind, none before it was met', () => {
    const none = masteryOf([], T0);
    expect(none.map(({ kind }) => kind)).toEqual([...FAULT_KINDS]);
    expect(none.every(({ mastered, recall, dueMs }) => !mastered && recall === 0 && dueMs === undefined)).toBe(true);
  });
  it('is there once a kind was told twice, and gone when it is missed', () => {
    const twice = [met('crossed', 'caught', 0), met('crossed', 'caught', 3)];
    expect(of(twice.slice(0, 1), 'crossed', 0).mastered).toBe(false);
    expect(of(twice, 'crossed', 3).mastered).toBe(true);
    expect(of([...twice, met('crossed', 'missed', 5)], 'crossed', 5)).toMatchObject({
      mastered: false,
      recall: 0,
      met: 3,
      caught: 2,
    });
  });
  it('fades: recall is nine in ten when as many days have gone as it is stable for', () => {
    // The definition of stability in FSRS: R(S) = 0.9 (Ye, Su and Cao 2022).
    const { stabilityDays } = of([met('soft', 'caught', 0)], 'soft', 0);
    expect(of([met('soft', 'caught', 0)], 'soft', stabilityDays).recall).toBeCloseTo(0.9, 1);
    expect(of([met('soft', 'caught', 0)], 'soft', 20 * stabilityDays).recall).toBeLessThan(0.75);
  });
  it('is asked again later each time it is told, and soon when it was missed', () => {
    const gap = (meetings: Meeting[], day: number) => ((of(meetings, 'short', day).dueMs ?? 0) - T0) / DAY - day;
    const once = gap([met('short', 'caught', 0)], 0);
    const again = gap([met('short', 'caught', 0), met('short', 'caught', Math.round(once))], Math.round(once));
    expect(again).toBeGreaterThan(once);
    expect(gap([met('short', 'missed', 0)], 0)).toBeLessThan(once);
  });
  it('does not hang on the order meetings are given in', () => {
    const meetings = [met('crossed', 'missed', 0), met('crossed', 'caught', 2), met('crossed', 'caught', 6)];
    expect(masteryOf([...meetings].reverse(), T0 + 7 * DAY)).toEqual(masteryOf(meetings, T0 + 7 * DAY));
  });
});

describe('what comes next', () => {
  it('is what is due, then what is new from the easiest on, then what is known', () => {
    const meetings = [met('soft', 'missed', 0), met('short', 'caught', 0), met('short', 'caught', 30)];
    const order = kindsToPractise(masteryOf(meetings, T0 + 31 * DAY), T0 + 31 * DAY);
    expect(order[0]).toBe('soft');
    expect(order.at(-1)).toBe('short');
    expect(order).toHaveLength(FAULT_KINDS.length);
  });
  it('grows with what is mastered, to a bound', () => {
    const mastered = (count: number) =>
      masteryOf(
        FAULT_KINDS.slice(0, count).flatMap((kind) => [met(kind, 'caught', 0), met(kind, 'caught', 3)]),
        T0 + 3 * DAY,
      );
    expect([0, 4, 8, FAULT_KINDS.length].map((count) => faultsToTake(mastered(count)))).toEqual([1, 2, 3, 5]);
    expect(masters(mastered(4), FAULT_KINDS.slice(0, 4))).toBe(true);
    expect(masters(mastered(4), FAULT_KINDS.slice(0, 5))).toBe(false);
  });
});
