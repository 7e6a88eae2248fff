import { describe, expect, it } from '@jest/globals';
import { bestChange, changed, helperCalls, secondHand, usefulNow, worthOf } from './day-advice.ts';
import { type DayPlan, planDay } from './day-plan.ts';
import type { DayInput } from './day-problem.ts';
import type { WorkLag } from './day-work.ts';
import { day, job, MINUTE, step, work, ZERO } from './fixture/day.ts';

const planned = (input: DayInput): DayPlan => {
  const found = planDay(input, { looks: 10 });
  if (!found.ok || found.value.kind !== 'plan') throw new Error('no plan');
  return found.value.plan;
};

describe('useful now', () => {
  const steps = [step(1, 10, { begun: { by: 'mira' } }), step(2, 20)];
  const lags: WorkLag[] = [{ from: 's1', to: 's2', minMinutes: 40, why: 'wait' }];
  const input = day([
    job('a', steps, { work: work('a', steps, { lags }), fitters: ['mira'] }),
    job('b', [step(1, 25), step(2, 10)], { bay: 2, fitters: ['rafe'], begun: true, fromMs: ZERO }),
    job('c', [step(1, 55)], { bay: 3, fitters: ['rafe'], begun: true }),
    job('d', [step(1, 15)], { bay: 4, fitters: ['rafe'], fromMs: ZERO + 300 * MINUTE }),
  ]);
  const plan = planned(input);
  it('is what is free, fits before the plan wants the person again, and whose vehicle is there', () => {
    const { untilMs, list } = usefulNow(input, plan, 'mira', ZERO + 12 * MINUTE);
    expect(untilMs).toBe(ZERO + 50 * MINUTE);
    expect(list.map((one) => one.job)).toEqual(['b']);
  });
  it('is nothing while the person works', () =>
    expect(usefulNow(input, plan, 'mira', ZERO + 2 * MINUTE).list).toEqual([]));
  it('does not offer what takes two while nobody else is free', () => {
    const two = [step(1, 20, { people: 2 })];
    const alone = day(
      [
        job('a', two, { begun: true, fitters: ['rafe'] }),
        job('b', [step(1, 60)], { bay: 2, fitters: ['rafe'], begun: true }),
      ],
      {
        people: [
          { id: 'mira', leads: true },
          { id: 'rafe', leads: true },
        ],
      },
    );
    const at = planned(alone);
    // Rafe is at work on one of his: nobody is there to help Mira with the other.
    const offered = usefulNow(alone, at, 'mira', ZERO + MINUTE).list.filter((one) => one.step.people > 1);
    expect(offered).toEqual([]);
  });
});

describe('helper calls', () => {
  it('say when, for what, and who; and where nobody is free', () => {
    const input = day([job('a', [step(1, 30), step(2, 15, { people: 2 })])]);
    expect(helperCalls(planned(input))).toMatchObject([
      { helper: 'hob', missing: 0, step: { startMs: ZERO + 30 * MINUTE } },
    ]);
    const alone = planned({ ...input, people: [{ id: 'mira', leads: true }] });
    expect(helperCalls(alone)[0]).toMatchObject({ missing: 1 });
    expect(helperCalls(alone)[0]).not.toHaveProperty('helper');
  });
});

describe('a second hand', () => {
  const input = day([
    job('a', [step(1, 30)], { fitters: ['mira'] }),
    job('b', [step(1, 20), step(2, 25)], { bay: 2, fitters: ['rafe'] }),
  ]);
  const plan = planned(input);
  it('is whoever has nothing in hand, an apprentice before others', () =>
    expect(secondHand(input, plan, 'mira', ZERO + MINUTE)).toEqual({ who: 'hob', fromMs: ZERO + MINUTE }));
  it('is free for a step the plan gives the two together', () => {
    const two = day([job('a', [step(1, 30, { people: 2 })], { fitters: ['mira'] })]);
    const alone = { ...two, people: two.people.filter(({ id }) => id !== 'rafe') };
    expect(planned(alone).steps[0]?.people).toHaveLength(2);
    expect(secondHand(alone, planned(alone), 'mira', ZERO + MINUTE)).toEqual({ who: 'hob', fromMs: ZERO + MINUTE });
  });
  it('is the first who will be free, and when, over all that follows without a gap', () => {
    const alone = { ...input, people: input.people.filter(({ id }) => id !== 'hob') };
    expect(secondHand(alone, plan, 'mira', ZERO + MINUTE)).toEqual({ who: 'rafe', fromMs: ZERO + 45 * MINUTE });
    expect(secondHand({ people: [{ id: 'mira', leads: true }] }, plan, 'mira', ZERO)).toBeUndefined();
  });
});

describe('changes that are tried', () => {
  const input = day([
    job('long', [step(1, 120)]),
    job('short', [step(1, 20)], { fromMs: ZERO + 1, promisedMs: ZERO + 60 * MINUTE }),
  ]);
  it('leave the day as it is, and change the one thing', () => {
    const before = JSON.stringify(input);
    expect(changed(input, { kind: 'swap', first: 'long', second: 'short' }).jobs.map(({ fromMs }) => fromMs)).toEqual([
      ZERO + 2,
      ZERO,
    ]);
    expect(changed(input, { kind: 'bay', job: 'short', bay: 3 }).jobs[1]?.bay).toBe(3);
    expect(changed(input, { kind: 'fitter', job: 'short', person: 'rafe' }).jobs[1]?.fitters).toEqual(['rafe']);
    expect(changed(input, { kind: 'without', person: 'hob' }).people).toHaveLength(2);
    expect(changed(input, { kind: 'temperature', tempC: 8 }).tempC).toBe(8);
    expect(changed(input, { kind: 'comes', job: 'long', atMs: 9 }).jobs[0]?.fromMs).toBe(9);
    expect(changed(input, { kind: 'swap', first: 'long', second: 'gone' })).toBe(input);
    expect(JSON.stringify(input)).toBe(before);
  });
  it('are proposed where they save most: another bay before another order', () => {
    const plan = planned(input);
    expect(worthOf(plan).lateMin).toBe(80);
    const proposal = bestChange(input, plan, 2, { looks: 2 });
    expect(proposal).toMatchObject({ change: { kind: 'bay', bay: 2 }, savesLateMin: 80 });
    const oneBay = bestChange(input, plan, 1, { looks: 2 });
    expect(oneBay).toMatchObject({ change: { kind: 'swap' }, savesLateMin: 80 });
  });
  it('are not proposed for a few minutes, nor for what has begun', () => {
    const fine = day([job('a', [step(1, 30)]), job('b', [step(1, 30)], { bay: 2 })]);
    expect(bestChange(fine, planned(fine), 4, { looks: 2 })).toBeUndefined();
    const begun = { ...input, jobs: input.jobs.map((one) => ({ ...one, begun: true })) };
    expect(bestChange(begun, planned(begun), 4, { looks: 2 })).toBeUndefined();
  });
});
