import { type DayPlanned, planDay } from '#core/day/day-plan.ts';
import type { DayInput } from '#core/day/day-problem.ts';
import { day, inLine, job, step, work, ZERO } from '#core/day/fixture/day.ts';
import { randomFrom } from '#core/quantity/random.ts';
import type { ScheduleProblem } from '#core/schedule/problem.ts';
import { solveSchedule } from '#core/schedule/solve.ts';

/** Fitters, helpers and lifts of a small shop and of a larger one. */
const SHOPS = [
  [2, 1, 1],
  [3, 1, 2],
] as const;

/** A day made by chance, the same for a seed: jobs of some steps each, with waits, longest waits, helpers and lifts. */
function dayOf(steps: number, stepsAJob: number, seed: number, [fitters, helpers, lifts]: readonly number[]) {
  const random = randomFrom(seed);
  const pick = (from: number, to: number): number => from + Math.floor(random() * (to - from + 1));
  const activities = Array.from({ length: steps }, (_, at) => ({
    id: `step ${at}`,
    minutes: pick(5, 40),
    uses: {
      fitter: random() < 0.2 ? 2 : 1,
      ...(random() < 0.25 ? { helper: 1 } : {}),
      ...(random() < 0.5 ? { lift: 1 } : {}),
    },
  }));
  const lags = activities.flatMap(({ id }, at): ScheduleProblem['lags'] => {
    if (at % stepsAJob === 0) return [];
    const from = `step ${at - 1}`;
    return [
      { from, to: id, minMinutes: random() < 0.3 ? pick(5, 30) : 0 },
      ...(random() < 0.2 ? [{ from, to: id, maxMinutes: pick(60, 120) }] : []),
      ...(at > 4 && random() < 0.35 ? [{ from: `step ${pick(0, at - 4)}`, to: id, minMinutes: 0 }] : []),
    ];
  });
  return {
    activities,
    lags,
    resources: [
      { id: 'fitter', capacity: fitters ?? 1 },
      { id: 'helper', capacity: helpers ?? 1 },
      { id: 'lift', capacity: lifts ?? 1 },
    ],
  };
}

/** Time to the first plan, ms, and the plan's length over its bound when the time is over, %. */
function solved(problem: ScheduleProblem, seconds: number): { firstMs: number; overBound: number; optimal: boolean } {
  const began = performance.now();
  let firstMs = Number.POSITIVE_INFINITY;
  const answer = solveSchedule(problem, {
    seconds,
    onBetter: () => {
      firstMs = Math.min(firstMs, performance.now() - began);
    },
  });
  if (!answer.ok || answer.value.kind !== 'plan') throw new Error(JSON.stringify(answer));
  const { makespan, lowerBound, optimal } = answer.value;
  return { firstMs, overBound: (makespan / lowerBound - 1) * 100, optimal };
}

const median = (list: readonly number[]): number => list.toSorted((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;

/** Thirty days of 12 to 40 steps, a second each. */
export function measureDays(): { proven: number; medianOver: number; worstOver: number; slowestFirstMs: number } {
  const days = Array.from({ length: 30 }, (_, at) =>
    solved(dayOf(12 + at, 3, at + 1, SHOPS[at % 2] as readonly number[]), 1),
  );
  return {
    proven: days.filter(({ optimal }) => optimal).length,
    medianOver: median(days.map(({ overBound }) => overBound)),
    worstOver: Math.max(...days.map(({ overBound }) => overBound)),
    slowestFirstMs: Math.max(...days.map(({ firstMs }) => firstMs)),
  };
}

/** Time to the first plan of so many jobs of 60 steps, ms. */
export const measureFirstPlan = (jobs: number): number =>
  median([1, 2, 3].map((seed) => solved(dayOf(jobs * 60, 60, seed, [5, 2, 4]), 2).firstMs));

/** A shop's day with so many jobs of so many steps, with waits and helpers, four bays and five people. */
function shopDay(jobs: number, steps: number, seed: number): DayInput {
  const random = randomFrom(seed);
  const pick = (from: number, to: number): number => from + Math.floor(random() * (to - from + 1));
  return day(
    Array.from({ length: jobs }, (_, at) => {
      const list = Array.from({ length: steps }, (_unused, number) =>
        step(number + 1, pick(2, 12), { people: random() < 0.1 ? 2 : 1 }),
      );
      const lags = inLine(list).map((lag) =>
        random() < 0.1 ? { ...lag, minMinutes: pick(5, 30), why: 'wait' as const } : lag,
      );
      const id = `job ${at}`;
      return job(id, list, { bay: 1 + (at % 4), fromMs: ZERO + at * 60_000, work: work(id, list, { lags }) });
    }),
    { people: ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id, leads: id !== 'e' })) },
  );
}

/** Time to a shop's first whole plan (promises, people, bays, what each job hangs on), ms. */
export const measureShopDay = (jobs: number, steps: number): number =>
  median(
    [1, 2, 3].map((seed) => {
      const input = shopDay(jobs, steps, seed);
      const began = performance.now();
      const found = planDay(input, { looks: 1, promises: false });
      const took = performance.now() - began;
      const value: DayPlanned | undefined = found.ok ? found.value : undefined;
      if (value?.kind !== 'plan') throw new Error(JSON.stringify(found));
      return took;
    }),
  );
