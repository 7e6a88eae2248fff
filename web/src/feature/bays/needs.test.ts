import { describe, expect, it } from '@jest/globals';
import type { JobCard } from '#contract/job.ts';
import { demoWrenches } from '#demo/shop.ts';
import { needsOf } from './needs.ts';

const NOW = Date.UTC(2026, 10, 25, 12);
const job = (over: Partial<JobCard['progress']> = {}, card: Partial<JobCard> = {}): JobCard => ({
  id: 'j',
  number: '261125-1',
  bay: 2,
  plannedStartMs: NOW - 3_600_000,
  estimatedMinutes: 60,
  kitTitle: 'Kit',
  vehicle: { make: 'Aldren', model: 'Tussock', plate: '14-208' },
  progress: {
    phase: 'torque',
    phases: [{ phase: 'checkIn', done: 1, of: 1 }],
    shortLines: [],
    openProblems: [],
    spoiled: [],
    lockers: [],
    ...over,
  },
  ...card,
});
const locker = (leftS: number, needsS: number) => ({
  group: 'g',
  compound: 'c',
  oldest: 's1',
  openedAtMs: NOW - 60_000,
  closesAtMs: NOW + leftS * 1000,
  pullsLeft: 3,
  needsS,
});

describe('what needs a hand', () => {
  it('says when what is short is promised, presses when that is past, and when what a job waited for is here', () => {
    const line = { line: '4', name: 'U-bolt', short: 1, stations: 0 };
    const [open] = needsOf([job({ shortLines: [{ ...line, promisedMs: NOW + 3_600_000 }] })], [], NOW);
    expect(open).toMatchObject({ title: '1 short of U-bolt', pressing: false });
    expect(open?.detail).toMatch(/Ordered, promised for \w{3} \d\d:\d\d\./);
    const [late] = needsOf([job({ shortLines: [{ ...line, promisedMs: NOW - 60_000 }] })], [], NOW);
    expect(late).toMatchObject({ title: '1 of U-bolt promised and not here', pressing: true });
    const [here] = needsOf([job({ partsHere: true })], [], NOW);
    expect(here).toMatchObject({ title: 'What it waited for is here', pressing: true });
  });

  it('puts the closing locker before everything, pressing when the pulls no longer fit in', () => {
    const needs = needsOf([job({ lockers: [locker(432, 60)], openProblems: [{ text: 'rough thread' }] })], [], NOW);
    expect(needs.map((need) => need.mark)).toEqual(['7:12', '!']);
    expect(needs[0]?.pressing).toBe(false);
    expect(needsOf([job({ lockers: [locker(50, 60)] })], [], NOW)[0]?.pressing).toBe(true);
    expect(needsOf([job({ lockers: [locker(-5, 60)] })], [], NOW)[0]).toMatchObject({
      mark: 'set',
      title: 'Locker has begun to set',
    });
  });
  it('asks a lead to settle what two kits are at odds about, until the job is closed', () => {
    expect(needsOf([job({ conflicts: 2 })], [], NOW)[0]).toMatchObject({
      title: '2 conflicts wait for a lead',
      to: '/jobs/j/conflicts',
      pressing: true,
    });
    expect(needsOf([job({ conflicts: 1 }, { closedAtMs: NOW })], [], NOW)).toEqual([]);
  });
  it('names a job that should have begun, and not a closed one', () => {
    const idle = { phases: [{ phase: 'checkIn' as const, done: 0, of: 3 }] };
    expect(needsOf([job(idle)], [], NOW)[0]).toMatchObject({ mark: '60 min', title: 'Not started yet' });
    expect(needsOf([job(idle, { closedAtMs: NOW })], [], NOW)).toEqual([]);
  });
  it('mentions a wrench out of calibration and one due within a fortnight', () => {
    const wrenches = demoWrenches(NOW).map((wrench) =>
      wrench.id === 'w-1' ? { ...wrench, calibrationDueOn: '2026-12-02' } : wrench,
    );
    expect(needsOf([], wrenches, NOW).map((need) => [need.key, need.mark])).toEqual([
      ['w-5', 'due'],
      ['w-1', '7 d'],
    ]);
  });
});
