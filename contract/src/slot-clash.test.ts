import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { JobCard } from './job.ts';
import { slotClashes } from './slot-clash.ts';

const HOUR = 3_600_000;
const NINE = Date.UTC(2026, 10, 27, 9);
const card = (over: Partial<JobCard> = {}): JobCard => ({
  id: 'a',
  number: '261127-1',
  bay: 1,
  plannedStartMs: NINE,
  estimatedMinutes: 120,
  kitTitle: 'Front recovery points',
  vehicle: { make: 'Aldren', model: 'Tussock', plate: 'US 1' },
  progress: { phase: 'checkIn', phases: [], shortLines: [], openProblems: [], spoiled: [], lockers: [] },
  ...over,
});
const put = (over: object = {}) => ({ id: 'b', bay: 1, plannedStartMs: NINE + HOUR, estimatedMinutes: 60, ...over });
const kinds = (jobs: JobCard[], over?: object) => slotClashes(jobs, put(over)).map(({ kind }) => kind);

describe('what a job gets in the way of', () => {
  it('is another in the same bay at the same time, not one that ends as it begins', () => {
    expect(kinds([card()])).toEqual(['bay']);
    expect(kinds([card()], { plannedStartMs: NINE + 2 * HOUR })).toEqual([]);
    expect(kinds([card()], { bay: 2 })).toEqual([]);
    expect(kinds([card({ id: 'b' })])).toEqual([]);
  });
  it('is nothing of one that is closed, called off, or not in the bay', () => {
    expect(kinds([card({ closedAtMs: NINE })])).toEqual([]);
    expect(kinds([card({ calledOff: { as: 'noShow', by: 'Isa', atMs: NINE } })])).toEqual([]);
    expect(kinds([card({ slot: { place: 'yard' } })])).toEqual([]);
    expect(kinds([card()], { place: 'customer' })).toEqual([]);
  });
  it('is somebody who works on another then, whichever bay that is in', () => {
    const busy = card({ bay: 3, slot: { fitters: ['mira', 'tam'] } });
    expect(slotClashes([busy], put({ fitters: ['tam', 'rafe'] }))).toEqual([
      { kind: 'fitter', other: busy, person: 'tam' },
    ]);
  });
  it('is its own promise, by as many minutes as it would be late', () => {
    expect(slotClashes([], put({ promisedMs: NINE + 1.5 * HOUR }))).toEqual([{ kind: 'promise', lateMinutes: 30 }]);
    expect(kinds([], { promisedMs: NINE + 2 * HOUR })).toEqual([]);
  });
  it('is mutual: two jobs that clash over a bay do so whichever is put (property)', () => {
    const job = fc.record({ bay: fc.integer({ min: 1, max: 3 }), start: fc.nat(12), minutes: fc.nat(300) });
    const as = (id: string, { bay, start, minutes }: { bay: number; start: number; minutes: number }) =>
      card({ id, bay, plannedStartMs: NINE + start * HOUR, estimatedMinutes: minutes });
    fc.assert(
      fc.property(job, job, (one, other) => {
        const [first, second] = [as('1', one), as('2', other)];
        expect(slotClashes([first], second).length).toBe(slotClashes([second], first).length);
      }),
    );
  });
});
