import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { JobCard } from '#contract/job.ts';
import { dayScale, inLanes, MINUTE_MS, QUARTER_MS } from './day-scale.ts';
import { bayId, dayId, putAt, TRACK_ID } from './drag-job.ts';

const DAY = new Date(2026, 10, 27).getTime();
const HOUR = 3_600_000;
const card = (over: Partial<JobCard> = {}): JobCard => ({
  id: 'a',
  number: '261127-1',
  bay: 1,
  plannedStartMs: DAY + 9 * HOUR,
  estimatedMinutes: 45,
  kitTitle: 'Front recovery points',
  vehicle: { make: 'Aldren', model: 'Tussock', plate: 'US 1' },
  progress: { phase: 'checkIn', phases: [], shortLines: [], openProblems: [], spoiled: [], lockers: [] },
  ...over,
});
const FAR = DAY - 100 * 24 * HOUR;
const scale = dayScale([], DAY, FAR);

describe('the rule of a day', () => {
  it('goes from eight to six, and as far as a job or now reaches', () => {
    expect(scale).toMatchObject({ fromMs: DAY + 8 * HOUR, toMs: DAY + 18 * HOUR });
    const early = dayScale([card({ plannedStartMs: DAY + 6.5 * HOUR })], DAY, FAR);
    expect(early.fromMs).toBe(DAY + 6 * HOUR);
    expect(dayScale([card({ plannedStartMs: DAY + 17 * HOUR, estimatedMinutes: 180 })], DAY, FAR).toMs).toBe(
      DAY + 20 * HOUR,
    );
    expect(dayScale([], DAY, DAY + 21.2 * HOUR).toMs).toBe(DAY + 22 * HOUR);
    expect([scale.percent(scale.fromMs), scale.percent(scale.toMs)]).toEqual([0, 100]);
  });
  it('lays jobs of a bay so that neither bars nor names lie over each other (property)', () => {
    const job = fc.record({ start: fc.nat(40), minutes: fc.integer({ min: 5, max: 300 }) });
    fc.assert(
      fc.property(fc.array(job, { maxLength: 12 }), (jobs) => {
        const cards = jobs.map(({ start, minutes }, at) =>
          card({ id: `${at}`, plannedStartMs: DAY + 8 * HOUR + start * QUARTER_MS, estimatedMinutes: minutes }),
        );
        const day = dayScale(cards, DAY, FAR);
        const placed = inLanes(cards, day);
        const nameMs = (day.toMs - day.fromMs) * 0.27;
        for (const one of placed)
          for (const other of placed) {
            if (one === other || one.lane !== other.lane) continue;
            const from = ({ job, nameMs: name }: typeof one) => Math.min(job.plannedStartMs, name);
            const to = ({ job, lengthMs, nameMs: name }: typeof one) =>
              Math.max(job.plannedStartMs + lengthMs, name + nameMs);
            expect(to(one) <= from(other) || to(other) <= from(one)).toBe(true);
          }
      }),
    );
  });
});

describe('where a job is put', () => {
  const hand = (alongPx: number) => ({ alongPx, rulePx: 1000, scale });
  it('is the nearest quarter of an hour, in the bay it lies over', () => {
    // 1000 px are ten hours: 100 px an hour.
    expect(putAt(card(), bayId(3), hand(100))).toEqual({ plannedStartMs: DAY + 10 * HOUR, bay: 3 });
    expect(putAt(card(), bayId(1), hand(11))).toEqual({ plannedStartMs: DAY + 9 * HOUR, bay: 1 });
    expect(putAt(card(), bayId(1), hand(-38))).toEqual({ plannedStartMs: DAY + 8.5 * HOUR, bay: 1 });
  });
  it('is another day over its button, and nowhere beside every place', () => {
    expect(putAt(card(), dayId(1), hand(500))).toEqual({ days: 1 });
    expect(putAt(card(), dayId(-1), hand(500))).toEqual({ days: -1 });
    expect(putAt(card(), undefined, hand(500))).toBeUndefined();
    expect(putAt(card(), TRACK_ID, hand(500))).toBeUndefined();
    expect(putAt(card(), bayId(1), { ...hand(5), rulePx: 0 })).toBeUndefined();
  });
  it('always begins on a quarter, however it was moved (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: -900, max: 900 }), fc.nat(59), (alongPx, minute) => {
        const job = card({ plannedStartMs: DAY + 9 * HOUR + minute * MINUTE_MS });
        const put = putAt(job, bayId(2), hand(alongPx));
        expect(put && 'plannedStartMs' in put && put.plannedStartMs % QUARTER_MS).toBe(0);
      }),
    );
  });
});
