import type { Arc, Network } from './problem.ts';

/** Arcs by where they begin, for spreading a change. */
export type ArcsFrom = ReadonlyArray<ReadonlyArray<Arc>>;

export function arcsFrom({ ids, arcs }: Pick<Network, 'ids' | 'arcs'>): Arc[][] {
  const from: Arc[][] = ids.map(() => []);
  for (const arc of arcs) from[arc.from]?.push(arc);
  return from;
}

/** Arcs by where they end. */
export function arcsInto({ ids, arcs }: Pick<Network, 'ids' | 'arcs'>): Arc[][] {
  const into: Arc[][] = ids.map(() => []);
  for (const arc of arcs) into[arc.to]?.push(arc);
  return into;
}

/** The first instant from which an activity lies whole in windows of all it uses; infinite where there is none. */
export function inWindows({ uses, minutes, resources }: Network, activity: number, from: number): number {
  let at = from;
  const length = minutes[activity] as number;
  for (let moved = true; moved; ) {
    moved = false;
    for (const [resource] of uses[activity] ?? []) {
      const windows = resources[resource]?.windows;
      if (!windows) continue;
      const open = windows.find(([, to]) => to >= at + length && to - length >= 0);
      if (!open) return Number.POSITIVE_INFINITY;
      const first = Math.max(at, open[0]);
      if (first + length > open[1]) {
        // Not whole in this one: the next that is long enough.
        const later = windows.find(([start, to]) => start > open[0] && to - start >= length);
        if (!later) return Number.POSITIVE_INFINITY;
        at = later[0];
        moved = true;
      } else if (first > at) {
        at = first;
        moved = true;
      }
    }
  }
  return at;
}

/**
 * Earliest starts under all arcs and windows: every start is pushed until nothing pushes it, which is the least that
 * satisfies them all. Undefined where something is pushed past the horizon: then nothing satisfies them.
 *
 * @param starts - a floor for each; changed to the answer
 * @param first - those whose floor was raised; all where left out
 */
export function pushEarliest(
  network: Network,
  from: ArcsFrom,
  starts: Int32Array,
  first?: readonly number[],
): Int32Array | undefined {
  const { horizon } = network;
  const queue = first ? [...first] : [...starts.keys()];
  const waiting = new Uint8Array(starts.length);
  for (const activity of queue) waiting[activity] = 1;
  for (let head = 0; head < queue.length; head++) {
    const activity = queue[head] as number;
    waiting[activity] = 0;
    const at = inWindows(network, activity, starts[activity] as number);
    if (at > horizon) return undefined;
    starts[activity] = at;
    for (const { to, weight } of from[activity] ?? []) {
      const least = at + weight;
      if (least <= (starts[to] as number)) continue;
      if (least > horizon) return undefined;
      starts[to] = least;
      if (!waiting[to]) {
        waiting[to] = 1;
        queue.push(to);
      }
    }
    // Half of a long queue is behind: it is cut off.
    if (head > 4096 && head * 2 > queue.length) {
      queue.splice(0, head + 1);
      head = -1;
    }
  }
  return starts;
}

/** Longest way from each start to the end of everything, its own length included: nobody ends earlier behind it. */
export function tails({ minutes }: Network, from: ArcsFrom): Int32Array {
  const tail = Int32Array.from(minutes);
  for (let changed = true, round = 0; changed && round <= tail.length; round++) {
    changed = false;
    for (const arcs of from)
      for (const { from: a, to, weight } of arcs) {
        const long = weight + (tail[to] as number);
        if (long > (tail[a] as number)) {
          tail[a] = long;
          changed = true;
        }
      }
  }
  return tail;
}

/** End of the last one. */
export const makespanOf = (minutes: Int32Array, starts: Int32Array): number => {
  let most = 0;
  for (let at = 0; at < starts.length; at++) most = Math.max(most, (starts[at] as number) + (minutes[at] as number));
  return most;
};
