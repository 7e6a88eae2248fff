import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';

/** Something to do, without a break, in whole minutes. What it uses is held from its start to its end and no longer. */
export interface Activity {
  id: string;
  minutes: number;
  /** Resource to how much of it. */
  uses?: Readonly<Record<string, number>>;
}

/** End to start: the later one begins at least so long after the earlier one's end, and at most so long. Nothing is held meanwhile. */
export interface Lag {
  from: string;
  to: string;
  minMinutes?: number;
  maxMinutes?: number;
}

export interface Resource {
  id: string;
  capacity: number;
  /** When it is there, from and to, in minutes; always where left out. What uses it lies in one of them whole. */
  windows?: ReadonlyArray<readonly [from: number, to: number]>;
}

/** What is to be planned; time begins at 0. */
export interface ScheduleProblem {
  activities: readonly Activity[];
  lags: readonly Lag[];
  resources: readonly Resource[];
}

/** An arc of the network: `to` starts at least `weight` after `from` starts. */
export interface Arc {
  from: number;
  to: number;
  weight: number;
  /** The lag it comes from, and which side of it; undefined for an order the search made. */
  lag?: number;
  side?: 'min' | 'max';
}

/** The same by numbers, as it is worked on. */
export interface Network {
  ids: readonly string[];
  minutes: Int32Array;
  /** By activity: pairs of resource and amount. */
  uses: ReadonlyArray<ReadonlyArray<readonly [resource: number, amount: number]>>;
  arcs: readonly Arc[];
  resources: readonly Resource[];
  /** Nothing starts later in a plan that is pushed as early as it goes. */
  horizon: number;
}

export const MOST_ACTIVITIES = 2000;
const MOST_MINUTES = 1_000_000;

const whole = (field: string, value: number, min: number, max: number): InputFault | undefined =>
  outOfRange(field, value, min, max) ??
  (Number.isInteger(value)
    ? undefined
    : { code: 'contradiction', field, with: 'whole minutes', reason: `it is ${value}` });

/** A problem by numbers; names that nothing has, and figures that cannot be, are refused. */
export function networkOf({ activities, lags, resources }: ScheduleProblem): Result<Network, InputFault> {
  const numberOf = new Map(activities.map(({ id }, at) => [id, at]));
  const resourceOf = new Map(resources.map(({ id }, at) => [id, at]));
  const known = (map: ReadonlyMap<string, number>) => [...map.keys()].slice(0, 8);
  const twice = (list: ReadonlyArray<{ id: string }>, field: string): InputFault | undefined => {
    const at = list.findIndex(({ id }, index) => list.findIndex((other) => other.id === id) < index);
    return at < 0
      ? undefined
      : {
          code: 'contradiction',
          field: `${field}[${at}].id`,
          with: 'another',
          reason: `${list[at]?.id} is there twice`,
        };
  };
  const unknown = (field: string, value: string, map: ReadonlyMap<string, number>): InputFault | undefined =>
    map.has(value) ? undefined : { code: 'notListed', field, value, known: known(map) };
  const fault =
    outOfRange('activities', activities.length, 0, MOST_ACTIVITIES) ??
    twice(activities, 'activities') ??
    twice(resources, 'resources') ??
    firstFault(
      ...activities.flatMap(({ minutes, uses = {} }, at) => [
        whole(`activities[${at}].minutes`, minutes, 0, MOST_MINUTES),
        ...Object.entries(uses).flatMap(([id, amount]) => [
          unknown(`activities[${at}].uses`, id, resourceOf),
          outOfRange(`activities[${at}].uses.${id}`, amount, 0, MOST_MINUTES),
        ]),
      ]),
      ...resources.flatMap(({ capacity, windows = [] }, at) => [
        outOfRange(`resources[${at}].capacity`, capacity, 0, MOST_MINUTES),
        ...windows.flatMap(([from, to], index) => [
          whole(`resources[${at}].windows[${index}][0]`, from, 0, MOST_MINUTES),
          whole(`resources[${at}].windows[${index}][1]`, to, from, MOST_MINUTES),
        ]),
      ]),
      ...lags.flatMap(({ from, to, minMinutes = 0, maxMinutes = minMinutes }, at) => [
        unknown(`lags[${at}].from`, from, numberOf),
        unknown(`lags[${at}].to`, to, numberOf),
        whole(`lags[${at}].minMinutes`, minMinutes, -MOST_MINUTES, MOST_MINUTES),
        whole(`lags[${at}].maxMinutes`, maxMinutes, -MOST_MINUTES, MOST_MINUTES),
      ]),
    );
  if (fault) return fail(fault);
  const minutes = Int32Array.from(activities, (activity) => activity.minutes);
  const arcs = lags.flatMap(({ from, to, minMinutes, maxMinutes }, lag): Arc[] => {
    const [a, b] = [numberOf.get(from) as number, numberOf.get(to) as number];
    const length = minutes[a] as number;
    return [
      // A lag that only says at most still says that the one comes before the other.
      { from: a, to: b, weight: length + (minMinutes ?? 0), lag, side: 'min' },
      ...(maxMinutes === undefined
        ? []
        : [{ from: b, to: a, weight: -(length + maxMinutes), lag, side: 'max' } as const]),
    ];
  });
  const work = minutes.reduce((sum, value) => sum + value, 0);
  const waits = lags.reduce((sum, { minMinutes = 0 }) => sum + Math.max(0, minMinutes), 0);
  const opens = Math.max(0, ...resources.flatMap(({ windows = [] }) => windows.map(([, to]) => to)));
  return ok({
    ids: activities.map(({ id }) => id),
    minutes,
    uses: activities.map(({ uses = {} }) =>
      Object.entries(uses).flatMap(
        ([id, amount]): Array<readonly [number, number]> =>
          amount > 0 ? [[resourceOf.get(id) as number, amount]] : [],
      ),
    ),
    arcs,
    resources: resources.map((resource) => ({
      ...resource,
      ...(resource.windows ? { windows: joined(resource.windows) } : {}),
    })),
    horizon: work + waits + opens + 1,
  });
}

/** Windows in order, those that touch made one. */
function joined(windows: NonNullable<Resource['windows']>): Array<readonly [number, number]> {
  const sorted = [...windows].sort(([a], [b]) => a - b);
  const list: Array<[number, number]> = [];
  for (const [from, to] of sorted) {
    const last = list.at(-1);
    if (last && from <= last[1]) last[1] = Math.max(last[1], to);
    else list.push([from, to]);
  }
  return list;
}
