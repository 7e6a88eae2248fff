import { branchAndBound } from './branch.ts';
import { arcsFrom, arcsInto, pushEarliest, tails } from './earliest.ts';
import { type Lag, networkOf, type Resource, type ScheduleProblem } from './problem.ts';
import { serialPlan } from './serial-plan.ts';

/** One thing that was asked for, and contradicts others. */
export type ScheduleFact =
  | { kind: 'atLeast'; from: string; to: string; minMinutes: number }
  | { kind: 'atMost'; from: string; to: string; maxMinutes: number }
  | { kind: 'capacity'; resource: string; capacity: number }
  | { kind: 'windows'; resource: string; windows: NonNullable<Resource['windows']> }
  /** One activity by itself asks for more than there is, or for longer than any window. */
  | { kind: 'activity'; id: string; minutes: number; uses: Record<string, number> };

interface Limits {
  endsAt: number;
  now: () => number;
}

const NODES = 2000;
const UNLIMITED = 1_000_000;

/** Whether nothing satisfies a problem, as far as that can be told in the time: `undefined` where it cannot. */
function contradicts(problem: ScheduleProblem, { endsAt, now }: Limits): boolean | undefined {
  const read = networkOf(problem);
  if (!read.ok) return undefined;
  const network = read.value;
  const from = arcsFrom(network);
  const earliest = pushEarliest(network, from, new Int32Array(network.ids.length));
  if (!earliest) return true;
  const into = arcsInto(network);
  const urgency = Float64Array.from(tails(network, from), (tail) => -tail);
  if (serialPlan(network, { from, into }, urgency, earliest)) return false;
  const searched = branchAndBound(network, network.horizon + 1, (nodes) => nodes > NODES || now() > endsAt, {
    anyPlan: true,
  });
  if (searched.starts) return false;
  return searched.complete ? true : undefined;
}

/** The facts of a problem, and the problem without some of them. */
function factsOf({ activities, lags, resources }: ScheduleProblem): {
  facts: ScheduleFact[];
  without: (left: ReadonlySet<number>) => ScheduleProblem;
} {
  const facts: ScheduleFact[] = [];
  const put = (fact: ScheduleFact): number => facts.push(fact) - 1;
  const ofResources = resources.map((resource) => ({
    resource,
    capacity: put({ kind: 'capacity', resource: resource.id, capacity: resource.capacity }),
    windows: resource.windows && put({ kind: 'windows', resource: resource.id, windows: resource.windows }),
  }));
  const ofLags = lags.map((lag) => {
    const { from, to, minMinutes, maxMinutes } = lag;
    return {
      lag,
      // A lag that only says at most has no least of its own.
      least:
        minMinutes === undefined && maxMinutes !== undefined
          ? undefined
          : put({ kind: 'atLeast', from, to, minMinutes: minMinutes ?? 0 }),
      most: maxMinutes === undefined ? undefined : put({ kind: 'atMost', from, to, maxMinutes }),
    };
  });
  return {
    facts,
    without: (left) => ({
      activities,
      resources: ofResources.map(({ resource: { windows: open, ...resource }, capacity, windows }) => ({
        ...resource,
        ...(left.has(capacity) ? { capacity: UNLIMITED } : {}),
        ...(open && windows !== undefined && !left.has(windows) ? { windows: open } : {}),
      })),
      lags: ofLags.flatMap(({ lag, least, most }): Lag[] => {
        const { from, to, minMinutes, maxMinutes } = lag;
        const noLeast = least === undefined || left.has(least);
        const noMost = most === undefined || left.has(most);
        if (noLeast && noMost) return [];
        return [
          {
            from,
            to,
            ...(noLeast || minMinutes === undefined ? {} : { minMinutes }),
            ...(noMost || maxMinutes === undefined ? {} : { maxMinutes }),
          },
        ];
      }),
    }),
  };
}

/**
 * The smallest set of facts that contradict: one after the other is left out, and stays out where the rest still does.
 * What the time does not suffice to judge stays in, so the set always contradicts and is as small as could be told.
 *
 * @see Chinneck and Dravnieks, Locating minimal infeasible constraint sets in linear programs, ORSA Journal on Computing 3 (1991) 157–168: the deletion filter
 */
export function explain(problem: ScheduleProblem, limits: Limits): ScheduleFact[] {
  // One activity that asks for what there is not needs no others.
  for (const { id, minutes, uses = {} } of problem.activities) {
    const asked = { kind: 'activity' as const, id, minutes, uses: { ...uses } };
    for (const [name, amount] of Object.entries(uses)) {
      const resource = problem.resources.find((one) => one.id === name);
      if (!resource || amount <= 0) continue;
      if (amount > resource.capacity) return [asked, { kind: 'capacity', resource: name, capacity: resource.capacity }];
      if (resource.windows && !resource.windows.some(([from, to]) => to - from >= minutes))
        return [asked, { kind: 'windows', resource: name, windows: resource.windows }];
    }
  }
  const { facts, without } = factsOf(problem);
  const left = new Set<number>();
  facts.forEach((_, at) => {
    if (limits.now() > limits.endsAt) return;
    left.add(at);
    if (contradicts(without(left), limits) !== true) left.delete(at);
  });
  return facts.filter((_, at) => !left.has(at));
}
