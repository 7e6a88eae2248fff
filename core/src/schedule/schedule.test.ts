import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { randomFrom } from '../quantity/random.ts';
import type { ScheduleFact } from './explain.ts';
import { networkOf, type ScheduleProblem } from './problem.ts';
import { type Scheduled, solveSchedule } from './solve.ts';

const solved = (problem: ScheduleProblem, seconds = 1, seed = 1): Scheduled => {
  const result = solveSchedule(problem, { seconds, seed });
  if (!result.ok) throw new Error(JSON.stringify(result.error));
  return result.value;
};

/** What of a problem a plan does not keep; nothing for a sound one. */
function broken({ activities, lags, resources }: ScheduleProblem, starts: Record<string, number>): string[] {
  const faults: string[] = [];
  const start = (id: string) => starts[id] as number;
  const end = (id: string) => start(id) + (activities.find((one) => one.id === id)?.minutes as number);
  for (const { id } of activities)
    if (!(Number.isInteger(start(id)) && start(id) >= 0)) faults.push(`${id} at ${start(id)}`);
  for (const { from, to, minMinutes = 0, maxMinutes = Number.POSITIVE_INFINITY } of lags) {
    const lag = start(to) - end(from);
    if (lag < minMinutes || lag > maxMinutes) faults.push(`${from} to ${to}: ${lag}`);
  }
  for (const { id, capacity, windows } of resources) {
    const own = activities.filter(({ uses = {}, minutes }) => (uses[id] ?? 0) > 0 && minutes > 0);
    for (const { id: at } of own) {
      const used = own.reduce(
        (sum, other) => sum + (start(other.id) <= start(at) && end(other.id) > start(at) ? (other.uses?.[id] ?? 0) : 0),
        0,
      );
      if (used > capacity + 1e-9) faults.push(`${id} at ${start(at)}: ${used}`);
      if (windows && !windows.some(([from, to]) => start(at) >= from && end(at) <= to))
        faults.push(`${at} outside ${id}`);
    }
  }
  return faults;
}

/** The shortest plan by trying every start of every activity; nothing where none is sound. */
function enumerated(problem: ScheduleProblem, horizon: number): number | undefined {
  const { activities } = problem;
  let best: number | undefined;
  const starts: Record<string, number> = {};
  const place = (at: number): void => {
    const activity = activities[at];
    if (!activity) {
      const makespan = Math.max(0, ...activities.map(({ id, minutes }) => (starts[id] as number) + minutes));
      if ((best === undefined || makespan < best) && broken(problem, starts).length === 0) best = makespan;
      return;
    }
    for (let start = 0; start + activity.minutes < (best ?? horizon + 1); start++) {
      starts[activity.id] = start;
      const soFar = activities.slice(0, at + 1);
      const ids = new Set(soFar.map(({ id }) => id));
      const part = {
        ...problem,
        activities: soFar,
        lags: problem.lags.filter(({ from, to }) => ids.has(from) && ids.has(to)),
      };
      if (broken(part, starts).length === 0) place(at + 1);
    }
    delete starts[activity.id];
  };
  place(0);
  return best;
}

/** A small problem at random: lags with and without a longest wait, two resources, sometimes windows. */
const small = fc
  .record({
    minutes: fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 2, maxLength: 4 }),
    lags: fc.array(
      fc.record({
        from: fc.nat(3),
        to: fc.nat(3),
        min: fc.option(fc.integer({ min: 0, max: 2 })),
        more: fc.option(fc.integer({ min: 0, max: 2 })),
      }),
      { maxLength: 4 },
    ),
    uses: fc.array(fc.tuple(fc.nat(2), fc.nat(2)), { minLength: 4, maxLength: 4 }),
    windows: fc.option(
      fc.constantFrom<ReadonlyArray<[number, number]>>(
        [
          [0, 4],
          [6, 11],
        ],
        [
          [2, 5],
          [6, 9],
        ],
        [[1, 3]],
      ),
    ),
  })
  .map(({ minutes, lags, uses, windows }): ScheduleProblem => {
    const id = (at: number) => `a${at % minutes.length}`;
    return {
      activities: minutes.map((length, at) => ({
        id: id(at),
        minutes: length,
        uses: { hands: uses[at]?.[0] ?? 0, lift: Math.min(1, uses[at]?.[1] ?? 0) },
      })),
      lags: lags
        .filter(({ from, to }) => from % minutes.length !== to % minutes.length)
        .map(({ from, to, min, more }) => ({
          from: id(from),
          to: id(to),
          ...(min === null ? {} : { minMinutes: min }),
          ...(more === null ? {} : { maxMinutes: (min ?? 0) + more }),
        })),
      resources: [
        { id: 'hands', capacity: 2 },
        { id: 'lift', capacity: 1, ...(windows ? { windows } : {}) },
      ],
    };
  });

/** A day in a shop, made from a seed: chains with waits and windows, hands, lifts, a helper. */
function day(count: number, seed: number): ScheduleProblem {
  const random = randomFrom(seed);
  const pick = (from: number, to: number) => from + Math.floor(random() * (to - from + 1));
  const activities = Array.from({ length: count }, (_, at) => ({
    id: `s${at}`,
    minutes: pick(5, 40),
    uses: {
      fitter: 1,
      ...(random() < 0.25 ? { helper: 1 } : {}),
      ...(random() < 0.5 ? { lift: 1 } : {}),
    },
  }));
  const lags = activities.flatMap(({ id }, at) => {
    const chain = at % 3 === 0 ? [] : [{ from: `s${at - 1}`, to: id, minMinutes: random() < 0.3 ? pick(5, 30) : 0 }];
    const far = at > 4 && random() < 0.35 ? [{ from: `s${pick(0, at - 4)}`, to: id, minMinutes: 0 }] : [];
    const window =
      chain.length > 0 && random() < 0.2 ? [{ from: `s${at - 1}`, to: id, maxMinutes: pick(60, 120) }] : [];
    return [...chain, ...far, ...window];
  });
  return {
    activities,
    lags,
    resources: [
      { id: 'fitter', capacity: 3 },
      { id: 'helper', capacity: 1 },
      { id: 'lift', capacity: 2 },
    ],
  };
}

describe('a plan', () => {
  it('of two that need one pair of hands comes one after the other', () => {
    const plan = solved({
      activities: [
        { id: 'a', minutes: 30, uses: { hands: 1 } },
        { id: 'b', minutes: 20, uses: { hands: 1 } },
      ],
      lags: [],
      resources: [{ id: 'hands', capacity: 1 }],
    });
    expect(plan).toMatchObject({ kind: 'plan', makespan: 50, lowerBound: 50, optimal: true });
  });
  it('lets somebody else’s work go on while a cure runs: nothing is held during a lag', () => {
    const plan = solved({
      activities: [
        { id: 'bead', minutes: 5, uses: { fitter: 1 } },
        { id: 'load', minutes: 5, uses: { fitter: 1 } },
        { id: 'other', minutes: 25, uses: { fitter: 1 } },
      ],
      lags: [{ from: 'bead', to: 'load', minMinutes: 30 }],
      resources: [{ id: 'fitter', capacity: 1 }],
    });
    expect(plan).toMatchObject({ kind: 'plan', makespan: 40, optimal: true });
  });
  it('keeps a working window: the last pull comes before the locker sets', () => {
    const plan = solved({
      activities: [
        { id: 'bead', minutes: 2, uses: { fitter: 1 } },
        { id: 'pull', minutes: 8, uses: { fitter: 1 } },
        { id: 'long', minutes: 60, uses: { fitter: 1 } },
      ],
      lags: [{ from: 'bead', to: 'pull', maxMinutes: 10 }],
      resources: [{ id: 'fitter', capacity: 1 }],
    });
    expect(plan).toMatchObject({ kind: 'plan', makespan: 70, optimal: true });
  });
  it('lies whole in the windows of what it uses', () => {
    const plan = solved({
      activities: [
        { id: 'a', minutes: 50, uses: { bay: 1 } },
        { id: 'b', minutes: 50, uses: { bay: 1 } },
      ],
      lags: [],
      resources: [
        {
          id: 'bay',
          capacity: 1,
          windows: [
            [0, 90],
            [120, 200],
          ],
        },
      ],
    });
    expect(plan).toMatchObject({ kind: 'plan', makespan: 170, optimal: true });
  });
  it('of nothing takes nothing', () =>
    expect(solved({ activities: [], lags: [], resources: [] })).toMatchObject({
      kind: 'plan',
      makespan: 0,
      starts: {},
    }));

  it('is as short as trying every start finds, and where that finds none it is infeasible (500 small problems)', () => {
    fc.assert(
      fc.property(small, (problem) => {
        const best = enumerated(problem, 26);
        const plan = solved(problem);
        if (best === undefined) expect(plan.kind).toBe('infeasible');
        else expect(plan).toMatchObject({ kind: 'plan', makespan: best, lowerBound: best, optimal: true });
        if (plan.kind === 'plan') expect(broken(problem, plan.starts)).toEqual([]);
      }),
      { numRuns: 500, seed: 22 },
    );
  });
  it('keeps every order, window and capacity, and its bound is below it (property, days of a shop)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 30 }), fc.nat(1000), (count, seed) => {
        const problem = day(count, seed);
        const plan = solved(problem, 0.05);
        if (plan.kind !== 'plan') return;
        expect(broken(problem, plan.starts)).toEqual([]);
        expect(plan.lowerBound).toBeLessThanOrEqual(plan.makespan);
      }),
      { numRuns: 40 },
    );
  });
  it('is never longer for another pair of hands, where both are proven', () => {
    for (const seed of [1, 2, 3, 4, 5, 6]) {
      const problem = day(10, seed);
      const more = { ...problem, resources: problem.resources.map((one) => ({ ...one, capacity: one.capacity + 1 })) };
      const [a, b] = [solved(problem), solved(more)];
      if (a.kind === 'plan' && b.kind === 'plan' && a.optimal && b.optimal)
        expect(b.makespan).toBeLessThanOrEqual(a.makespan);
    }
  });
  it('is the same for the same seed where it is proven', () => {
    const [a, b] = [solved(day(9, 7), 2, 5), solved(day(9, 7), 2, 5)];
    expect(a).toEqual(b);
  });
});

describe('what cannot be planned', () => {
  const facts = (problem: ScheduleProblem): ScheduleFact[] => {
    const answer = solved(problem);
    if (answer.kind !== 'infeasible') throw new Error(answer.kind);
    return answer.facts;
  };
  it('names a circle, and nothing beside it', () => {
    const told = facts({
      activities: ['a', 'b', 'c', 'd'].map((id) => ({ id, minutes: 5 })),
      lags: [
        { from: 'a', to: 'b', minMinutes: 1 },
        { from: 'b', to: 'c', minMinutes: 1 },
        { from: 'c', to: 'a', minMinutes: 0 },
        { from: 'c', to: 'd', minMinutes: 9 },
      ],
      resources: [],
    });
    expect(told).toHaveLength(3);
    expect(told.every((fact) => fact.kind === 'atLeast' && fact.to !== 'd')).toBe(true);
  });
  it('names the window against the work that must be done in it', () => {
    // Twelve pulls of 2 minutes by one fitter, all within 10 minutes of the bead.
    const pulls = Array.from({ length: 12 }, (_, at) => ({ id: `pull${at}`, minutes: 2, uses: { fitter: 1 } }));
    const told = facts({
      activities: [{ id: 'bead', minutes: 1, uses: { fitter: 1 } }, ...pulls],
      lags: pulls.map(({ id }) => ({ from: 'bead', to: id, maxMinutes: 10 })),
      resources: [{ id: 'fitter', capacity: 1 }],
    });
    expect(told.some((fact) => fact.kind === 'capacity' && fact.resource === 'fitter')).toBe(true);
    // Six would fit: seven are enough to contradict.
    expect(told.filter(({ kind }) => kind === 'atMost')).toHaveLength(7);
  });
  it('names a helper nobody has, and work longer than any window', () => {
    expect(
      facts({
        activities: [{ id: 'a', minutes: 5, uses: { helper: 2 } }],
        lags: [],
        resources: [{ id: 'helper', capacity: 1 }],
      }),
    ).toEqual([
      { kind: 'activity', id: 'a', minutes: 5, uses: { helper: 2 } },
      { kind: 'capacity', resource: 'helper', capacity: 1 },
    ]);
    expect(
      facts({
        activities: [{ id: 'a', minutes: 50, uses: { bay: 1 } }],
        lags: [],
        resources: [
          {
            id: 'bay',
            capacity: 1,
            windows: [
              [0, 40],
              [60, 90],
            ],
          },
        ],
      }).map(({ kind }) => kind),
    ).toEqual(['activity', 'windows']);
  });
  it('is told by facts that contradict by themselves, none of which can be spared (property)', () => {
    let seen = 0;
    fc.assert(
      fc.property(small, (problem) => {
        const answer = solved(problem);
        if (answer.kind !== 'infeasible') return;
        seen++;
        expect(answer.facts.length).toBeGreaterThan(0);
        const only = (kept: readonly ScheduleFact[]): ScheduleProblem => ({
          activities: problem.activities,
          resources: problem.resources.map(({ id, capacity, windows }) => ({
            id,
            capacity: kept.some((fact) => fact.kind === 'capacity' && fact.resource === id) ? capacity : 1000,
            ...(windows && kept.some((fact) => fact.kind === 'windows' && fact.resource === id) ? { windows } : {}),
          })),
          lags: kept.flatMap((fact): ScheduleProblem['lags'] =>
            fact.kind === 'atLeast'
              ? [{ from: fact.from, to: fact.to, minMinutes: fact.minMinutes }]
              : fact.kind === 'atMost'
                ? [{ from: fact.from, to: fact.to, maxMinutes: fact.maxMinutes }]
                : [],
          ),
        });
        if (answer.facts.some(({ kind }) => kind === 'activity')) return;
        expect(solved(only(answer.facts)).kind).toBe('infeasible');
        answer.facts.forEach((_, at) => {
          expect(solved(only(answer.facts.filter((__, other) => other !== at))).kind).toBe('plan');
        });
      }),
      { numRuns: 300, seed: 5 },
    );
    expect(seen).toBeGreaterThan(20);
  });
});

describe('a problem that cannot be read', () => {
  it.each([
    [
      'an unknown resource',
      { activities: [{ id: 'a', minutes: 5, uses: { bay: 1 } }], lags: [], resources: [] },
      'activities[0].uses',
    ],
    [
      'an unknown activity',
      { activities: [{ id: 'a', minutes: 5 }], lags: [{ from: 'a', to: 'b' }], resources: [] },
      'lags[0].to',
    ],
    ['half a minute', { activities: [{ id: 'a', minutes: 2.5 }], lags: [], resources: [] }, 'activities[0].minutes'],
    [
      'an id twice',
      {
        activities: [
          { id: 'a', minutes: 5 },
          { id: 'a', minutes: 6 },
        ],
        lags: [],
        resources: [],
      },
      'activities[1].id',
    ],
    [
      'a window that runs back',
      { activities: [], lags: [], resources: [{ id: 'r', capacity: 1, windows: [[9, 3] as const] }] },
      'resources[0].windows[0][1]',
    ],
  ])('%s is refused by its place', (_, problem, field) =>
    expect(networkOf(problem)).toMatchObject({ error: { field } }),
  );
});
