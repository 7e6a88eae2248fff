import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { chainStretches } from './chain-stretch.ts';
import { type DayPlan, hangsOn, planDay } from './day-plan.ts';
import { type DayInput, dayProblem, fittersOf, stretchOf } from './day-problem.ts';
import type { StepWork, WorkLag } from './day-work.ts';
import { day, HOUR, inLine, job, MINUTE, step, work, ZERO } from './fixture/day.ts';

const EFFORT = { looks: 20 };
const planned = (input: DayInput, effort = EFFORT): DayPlan => {
  const found = planDay(input, effort);
  if (!found.ok || found.value.kind !== 'plan') throw new Error(`no plan: ${JSON.stringify(found)}`);
  return found.value.plan;
};
const at = (plan: DayPlan, name: string, of: string) => {
  const found = plan.steps.find((one) => one.job === of && one.step.step === name);
  if (!found) throw new Error(`${of} ${name} is not in the plan`);
  return found;
};
const minutesOf = (ms: number): number => (ms - ZERO) / MINUTE;

describe('a day', () => {
  it('works one job after the other in a bay, and two bays side by side', () => {
    const plan = planned(
      day([
        job('a', [step(1, 30), step(2, 30)]),
        job('b', [step(1, 20)], { fromMs: ZERO + 1 }),
        job('c', [step(1, 45)], { bay: 2 }),
      ]),
    );
    expect(minutesOf(at(plan, 's1', 'b').startMs)).toBeGreaterThanOrEqual(60);
    expect(minutesOf(at(plan, 's1', 'c').startMs)).toBe(0);
    expect(plan.optimal).toBe(true);
  });
  it('lets a wait be a wait: nobody is held, and another job goes on meanwhile', () => {
    const steps = [step(1, 10), step(2, 10)];
    const lags: WorkLag[] = [{ from: 's1', to: 's2', minMinutes: 30, why: 'wait', about: 'Soak' }];
    const input = day([job('a', steps, { work: work('a', steps, { lags }) }), job('b', [step(1, 25)], { bay: 2 })], {
      people: [{ id: 'mira', leads: true }],
    });
    const plan = planned(input);
    expect(minutesOf(plan.endMs)).toBe(50);
    expect(plan.waits).toMatchObject([{ job: 'a', fromMs: ZERO + 10 * MINUTE, toMs: ZERO + 40 * MINUTE }]);
    expect(minutesOf(at(plan, 's1', 'b').startMs)).toBe(10);
  });
  it('keeps a working window from the first bead to the last pull', () => {
    const steps = [step(1, 5), step(2, 8), step(3, 40)];
    const lags: WorkLag[] = [
      { from: 's1', to: 's2', maxMinutes: 3, why: 'window', about: 'Plate' },
      { from: 's2', to: 's3', minMinutes: 0, why: 'order' },
    ];
    const busy = job('b', [step(1, 30, { begun: { by: 'mira' }, free: true })], {
      bay: 2,
      begun: true,
      fitters: ['mira'],
    });
    const plan = planned(day([job('a', steps, { work: work('a', steps, { lags }), fitters: ['mira'] }), busy]));
    const [bead, pulls] = [at(plan, 's1', 'a'), at(plan, 's2', 'a')];
    expect(pulls.startMs - bead.endMs).toBeLessThanOrEqual(3 * MINUTE);
    expect(minutesOf(at(plan, 's1', 'b').startMs)).toBe(0);
  });
  it('holds what is in hand where it is, whatever would be shorter', () => {
    const input = day([
      job('a', [step(1, 60, { begun: { by: 'rafe' }, free: true })], { begun: true }),
      job('b', [step(1, 10)], { bay: 2, fitters: ['rafe'], promisedMs: ZERO + 15 * MINUTE }),
    ]);
    const plan = planned(input);
    expect(at(plan, 's1', 'a')).toMatchObject({ startMs: ZERO, people: ['rafe'] });
    expect(plan.jobs.find((one) => one.job === 'b')?.promise?.risk).toBe('late');
  });
  it('puts a promised job first where that keeps the promise', () => {
    const people = [{ id: 'mira', leads: true }];
    const jobs = [job('a', [step(1, 60)]), job('b', [step(1, 30)], { bay: 2, promisedMs: ZERO + 40 * MINUTE })];
    const plan = planned(day(jobs, { people }));
    expect(minutesOf(at(plan, 's1', 'b').startMs)).toBe(0);
    expect(plan.jobs.map((one) => one.promise?.risk)).toEqual([undefined, 'safe']);
  });
  it('goes as the line has it where that costs nothing', () => {
    const steps = [step(1, 9), step(2, 30), step(3, 3), step(4, 20)];
    const plan = planned(day([job('a', steps, { work: work('a', steps, { lags: [] }) })]));
    expect(plan.steps.map((one) => one.step.number)).toEqual([1, 2, 3, 4]);
    expect(plan.optimal).toBe(true);
  });
  it('calls two hands together, an apprentice to help first, and says where nobody is there', () => {
    const lift = step(1, 20, { people: 2 });
    const [two] = planned(day([job('a', [lift])])).steps;
    expect(two?.people).toHaveLength(2);
    expect(two?.people[1]).toBe('hob');
    const [alone] = planned(day([job('a', [lift])], { people: [{ id: 'mira', leads: true }] })).steps;
    expect(alone).toMatchObject({ people: ['mira'], missingHands: 1 });
  });
  it('stops at closing and goes on when the shop opens; what no day is long enough for is parted', () => {
    const open: Array<[number, number]> = [
      [ZERO, ZERO + 2 * HOUR],
      [ZERO + 24 * HOUR, ZERO + 34 * HOUR],
      [ZERO + 48 * HOUR, ZERO + 58 * HOUR],
    ];
    const plan = planned(day([job('a', [step(1, 90), step(2, 60), step(3, 700)])], { open }));
    expect(minutesOf(at(plan, 's2', 'a').startMs)).toBe(24 * 60);
    const parts = plan.steps.filter((one) => one.step.step === 's3');
    expect(parts.length).toBe(6);
    expect(parts.reduce((sum, one) => sum + (one.endMs - one.startMs) / MINUTE, 0)).toBe(700);
    for (const { startMs, endMs } of plan.steps)
      expect(open.some(([from, to]) => startMs >= from && endMs <= to)).toBe(true);
  });
  it('comes no sooner than vehicle, pieces and clocks', () => {
    const steps = [
      step(1, 10, { parts: { lines: ['A3'], promisedMs: ZERO + 50 * MINUTE } }),
      step(2, 10, { shutUntilMs: ZERO + 90 * MINUTE }),
    ];
    const plan = planned(day([job('a', steps, { fromMs: ZERO + 20 * MINUTE })]));
    expect(plan.steps.map(({ startMs }) => minutesOf(startMs))).toEqual([50, 90]);
  });
  it('shares one lift and one special tool', () => {
    const needs = ['lift' as const];
    const jobs = [1, 2].map((bay) => job(`j${bay}`, [step(1, 30, { needs, tools: ['puller'] })], { bay }));
    const starts = planned(day(jobs, { lifts: 1 })).steps.map(({ startMs }) => minutesOf(startMs));
    expect(starts).toEqual([0, 30]);
  });
  it('lets a job leave when what is on its threads has set, and for another temperature reckons anew', () => {
    const sets = { times: { workingWindowMin: 12, fixtureMin: 20, fullCureH: 24 }, part: 'fixture' as const };
    const steps = [step(1, 30)];
    const input = day([job('a', steps, { work: work('a', steps, { driveAfterMin: 20, driveSets: sets }) })]);
    expect(minutesOf(planned(input).jobs[0]?.readyMs ?? 0)).toBe(50);
    // Twice as long for every 10 K colder: rule of thumb for reaction rates.
    expect(minutesOf(planned({ ...input, tempC: 12 }).jobs[0]?.readyMs ?? 0)).toBe(70);
  });
  it('leaves a job alone that was put to later, though a step of it was in hand and a locker open', () => {
    const steps = [step(1, 10, { begun: { by: 'mira' } }), step(2, 20)];
    const lockers = [{ group: 'Plate', step: 's2', closesAtMs: ZERO + 60 * MINUTE, needsMin: 5 }];
    const later = ZERO + 24 * HOUR;
    const plan = planned(
      day([job('a', steps, { work: work('a', steps, { lockers }), fitters: ['mira'], fromMs: later, begun: false })]),
    );
    expect(Math.min(...plan.steps.map(({ startMs }) => startMs))).toBeGreaterThanOrEqual(later);
    expect(plan.lost).toMatchObject([{ job: 'a', group: 'Plate' }]);
  });
  it('tells a locker that sets before it can be pulled, and plans the rest', () => {
    const lockers = [{ group: 'Plate', step: 's1', closesAtMs: ZERO + 2 * MINUTE, needsMin: 5 }];
    const steps = [step(1, 10)];
    const plan = planned(day([job('a', steps, { work: work('a', steps, { lockers }) })]));
    expect(plan.lost).toMatchObject([{ job: 'a', group: 'Plate' }]);
  });
  it('two beads that run out at once, and one pair of hands: one is told as lost, and the day is planned', () => {
    const steps = [step(1, 10)];
    const bead = (job: string, closesInMin: number) =>
      work(job, steps, {
        lockers: [{ group: `Plate of ${job}`, step: 's1', closesAtMs: ZERO + closesInMin * MINUTE, needsMin: 5 }],
      });
    const jobs = ['a', 'b', 'c'].map((id, at) =>
      job(id, steps, { work: bead(id, 5 + at), fitters: ['mira'], begun: true }),
    );
    const plan = planned(day(jobs, { people: [{ id: 'mira', leads: true }] }));
    expect(plan.jobs.map(({ job: id }) => id).sort()).toEqual(['a', 'b', 'c']);
    // Whichever is held is begun in time; the others are told.
    expect(plan.lost).toHaveLength(2);
    const lost = new Set(plan.lost.map(({ job: id }) => id));
    const saved = plan.steps.find(({ job: id }) => !lost.has(id));
    expect(saved?.startMs).toBe(ZERO);
  });
  it('a step in hand that does not end before the shop shuts is gone on with when it opens, and the day is planned', () => {
    const open: Array<readonly [number, number]> = [
      [ZERO - HOUR, ZERO + 10 * MINUTE],
      [ZERO + 12 * HOUR, ZERO + 22 * HOUR],
    ];
    const long = job('a', [step(1, 60, { begun: { by: 'mira' }, free: true })], { fitters: ['mira'], begun: true });
    const plan = planned(
      day([long, job('b', [step(1, 5)], { bay: 2 })], { open, people: [{ id: 'mira', leads: true }] }),
    );
    expect(plan.steps.find(({ job: id }) => id === 'a')?.startMs).toBe(ZERO + 12 * HOUR);
    expect(plan.steps.map(({ job: id }) => id).sort()).toEqual(['a', 'b']);
    expect(plan.lost).toEqual([]);
  });
  it('says which facts contradict where nothing can be planned', () => {
    const steps = [step(1, 10), step(2, 10)];
    const lags: WorkLag[] = [
      { from: 's1', to: 's2', minMinutes: 30, why: 'wait' },
      { from: 's1', to: 's2', maxMinutes: 20, why: 'window' },
    ];
    const found = planDay(day([job('a', steps, { work: work('a', steps, { lags }) })]), EFFORT);
    expect(found.ok && found.value.kind === 'infeasible' && found.value.facts.map(({ kind }) => kind).sort()).toEqual([
      'atLeast',
      'atMost',
    ]);
  });
});

describe('what the end hangs on', () => {
  it('leads back from the last step by what held each', () => {
    const steps = [step(1, 10), step(2, 10), step(3, 15)];
    const lags: WorkLag[] = [
      { from: 's1', to: 's2', minMinutes: 25, why: 'wait', about: 'Soak' },
      { from: 's2', to: 's3', minMinutes: 0, why: 'order' },
    ];
    const input = day([job('a', steps, { work: work('a', steps, { lags, driveAfterMin: 5 }) })], {
      people: [{ id: 'mira', leads: true }],
    });
    const plan = planned(input);
    const chain = hangsOn(input, plan, 'a');
    expect(chain.map(({ because }) => because.kind)).toEqual(['drive', 'order', 'wait', 'now']);
    const stretches = chainStretches(chain);
    expect(stretches.map(({ links }) => links.length)).toEqual([1, 2, 1]);
    expect(stretches[0]?.startMs).toBe(ZERO);
  });
  it('goes over to the job that had the person or the bay', () => {
    const input = day([job('a', [step(1, 40)]), job('b', [step(1, 20)], { fromMs: ZERO + 1 })], {
      people: [{ id: 'mira', leads: true }],
    });
    const chain = hangsOn(input, planned(input), 'b');
    expect(chain[0]?.because).toMatchObject({ kind: 'person', job: 'a' });
    expect(chain[1]?.at.job).toBe('a');
    const other = day([
      job('a', [step(1, 40)], { fitters: ['rafe'] }),
      job('b', [step(1, 20)], { fromMs: ZERO + 1, fitters: ['mira'] }),
    ]);
    expect(hangsOn(other, planned(other), 'b')[0]?.because).toMatchObject({ kind: 'bay', bay: 1, job: 'a' });
  });
  it('says that pieces or the vehicle were waited for', () => {
    const late = day([job('a', [step(1, 10)], { fromMs: ZERO + 30 * MINUTE })]);
    expect(hangsOn(late, planned(late), 'a')[0]?.because).toMatchObject({ kind: 'comes' });
    const short = day([job('a', [step(1, 10, { parts: { lines: ['A3'], promisedMs: ZERO + 30 * MINUTE } })])]);
    expect(hangsOn(short, planned(short), 'a')[0]?.because).toMatchObject({ kind: 'pieces', lines: ['A3'] });
  });
  it('has nothing to say of a job that is not in it', () =>
    expect(hangsOn(day([]), planned(day([])), 'x')).toEqual([]));
});

describe('who works on what', () => {
  it('is who is named, who has it in hand, else who has least to do and may work alone', () => {
    const found = fittersOf(
      day([
        job('named', [step(1, 60)], { fitters: ['gone', 'rafe'] }),
        job('held', [step(1, 10, { begun: { by: 'mira' } })], { bay: 2, begun: true }),
        job('free', [step(1, 30)], { bay: 3 }),
      ]),
    );
    expect(Object.fromEntries(found)).toEqual({ named: 'rafe', held: 'mira', free: 'mira' });
  });
  it('names the step an activity stands for, also a part of one', () => {
    const input = day([job('a', [step(1, 10)])]);
    expect(stretchOf(input, 'a s1 ~1')).toMatchObject({ job: 'a', step: { number: 1 } });
    expect(stretchOf(input, '@done a')).toBeUndefined();
  });
});

/** A day made up: jobs in bays with steps that wait, need hands and have windows. */
const anyDay = fc
  .record({
    seed: fc.nat(1000),
    jobs: fc.array(
      fc.record({
        bay: fc.integer({ min: 1, max: 3 }),
        from: fc.nat(90),
        steps: fc.array(
          fc.record({
            minutes: fc.integer({ min: 3, max: 40 }),
            people: fc.constantFrom(1, 1, 1, 2),
            wait: fc.constantFrom(0, 0, 0, 15, 45),
            window: fc.constantFrom(undefined, undefined, 10),
          }),
          { minLength: 1, maxLength: 6 },
        ),
      }),
      { minLength: 1, maxLength: 5 },
    ),
  })
  .map(
    ({ jobs }): DayInput =>
      day(
        jobs.map(({ bay, from, steps }, at) => {
          const list = steps.map(({ minutes, people }, number): StepWork => step(number + 1, minutes, { people }));
          const lags = inLine(list).map((lag, number): WorkLag => {
            const { wait = 0, window } = steps[number] ?? {};
            return window === undefined || wait > 0
              ? { ...lag, minMinutes: wait, why: wait > 0 ? 'wait' : 'order' }
              : { from: lag.from, to: lag.to, maxMinutes: window, why: 'window' };
          });
          const id = `j${at}`;
          return job(id, list, { bay, fromMs: ZERO + from * MINUTE, work: work(id, list, { lags }) });
        }),
      ),
  );

describe('every plan', () => {
  it('keeps order, waits, windows, bays, people and hands (property)', () => {
    fc.assert(
      fc.property(anyDay, (input) => {
        const plan = planned(input, { looks: 5 });
        const when = new Map(plan.steps.map((one) => [`${one.job} ${one.step.step}`, one]));
        for (const { id, work: own, fromMs, bay } of input.jobs) {
          for (const { from, to, minMinutes, maxMinutes } of own.lags) {
            const [a, b] = [when.get(`${id} ${from}`), when.get(`${id} ${to}`)];
            const gap = ((b?.startMs ?? 0) - (a?.endMs ?? 0)) / MINUTE;
            expect(gap).toBeGreaterThanOrEqual(minMinutes ?? 0);
            if (maxMinutes !== undefined) expect(gap).toBeLessThanOrEqual(maxMinutes);
          }
          const mine = plan.steps.filter((one) => one.job === id);
          expect(Math.min(...mine.map(({ startMs }) => startMs))).toBeGreaterThanOrEqual(fromMs);
          // One vehicle at a time in a bay.
          for (const other of input.jobs.filter((one) => one.id !== id && one.bay === bay)) {
            const theirs = plan.steps.filter((one) => one.job === other.id);
            const [s1, e1] = [
              Math.min(...mine.map(({ startMs }) => startMs)),
              Math.max(...mine.map(({ endMs }) => endMs)),
            ];
            const [s2, e2] = [
              Math.min(...theirs.map(({ startMs }) => startMs)),
              Math.max(...theirs.map(({ endMs }) => endMs)),
            ];
            expect(e1 <= s2 || e2 <= s1).toBe(true);
          }
        }
        for (const one of plan.steps)
          for (const other of plan.steps)
            if (one !== other && one.startMs < other.endMs && other.startMs < one.endMs)
              expect(one.people.some((person) => other.people.includes(person))).toBe(false);
        for (const { startMs } of plan.steps) {
          const hands = plan.steps
            .filter((one) => one.startMs <= startMs && startMs < one.endMs)
            .reduce((sum, one) => sum + Math.min(3, one.step.people), 0);
          expect(hands).toBeLessThanOrEqual(input.people.length);
        }
      }),
      { numRuns: 60 },
    );
  }, 60_000);
  it('is the same for the same day, on every machine (property)', () => {
    fc.assert(
      fc.property(anyDay, (input) =>
        expect(planned(input, { looks: 5 })).toEqual(planned(structuredClone(input), { looks: 5 })),
      ),
      { numRuns: 20 },
    );
  }, 60_000);
  it('is not longer for more hands, where both are proven (property)', () => {
    fc.assert(
      fc.property(anyDay, (input) => {
        const fitters = fittersOf(input);
        // The same people on the same jobs: only a hand more to help.
        const named = {
          ...input,
          jobs: input.jobs.map((one) => ({ ...one, fitters: [fitters.get(one.id) ?? 'mira'] })),
        };
        const more = { ...named, people: [...named.people, { id: 'zoe', leads: false }] };
        const [less, with1] = [planned(named, { looks: 30 }), planned(more, { looks: 30 })];
        if (less.optimal && with1.optimal) expect(with1.endMs).toBeLessThanOrEqual(less.endMs);
      }),
      { numRuns: 30 },
    );
  }, 60_000);
  it('is within the bound that stands beside it', () => {
    const steps = Array.from({ length: 12 }, (_, number) => step(number + 1, 5 + ((number * 7) % 13)));
    const jobs = [1, 2, 3].map((bay) => job(`j${bay}`, steps, { bay }));
    const plan = planned(day(jobs));
    const work1 = steps.reduce((sum, one) => sum + one.leftMin, 0);
    expect(plan.gap).toBeLessThan(0.05);
    // Two may work alone and three jobs are to be done: nobody is faster than their own share.
    expect(minutesOf(plan.endMs)).toBeGreaterThanOrEqual(work1 * 2);
  });
  it('puts its problem in numbers that the solver takes', () => {
    const { problem } = dayProblem(day([job('a', [step(1, 10.4)])]));
    expect(problem.activities.every(({ minutes }) => Number.isInteger(minutes))).toBe(true);
  });
});

describe('who can do it', () => {
  const people = [
    { id: 'mira', leads: true, skills: ['wheels' as const] },
    { id: 'rafe', leads: true, skills: ['wheels' as const, 'welding' as const] },
  ];
  const welding = job('weld', [step(1, 90)], { work: work('weld', [step(1, 90)], { skills: ['welding'] }) });
  it('gets the job that asks for it, though another has less to do', () => {
    const busy = job('busy', [step(1, 60)], { bay: 2, fitters: ['rafe'] });
    expect(fittersOf(day([busy, welding], { people })).get('weld')).toBe('rafe');
  });
  it('is nobody in particular in a shop that keeps no skills, nor where nobody has it', () => {
    const plain = people.map(({ id, leads }) => ({ id, leads }));
    expect(fittersOf(day([welding], { people: plain })).get('weld')).toBe('mira');
    const without = [{ id: 'mira', leads: true, skills: ['wheels' as const] }];
    expect(fittersOf(day([welding], { people: without })).get('weld')).toBe('mira');
  });
});
