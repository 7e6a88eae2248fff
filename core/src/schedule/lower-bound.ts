import { type Distances, NO_WAY } from './distances.ts';
import type { Network, Resource } from './problem.ts';

/** The instant at which a resource has been there for so long since another; its windows left out otherwise. */
export function thereFor({ windows }: Pick<Resource, 'windows'>, from: number, long: number): number {
  if (!windows) return from + long;
  let left = long;
  for (const [start, end] of windows) {
    if (end <= from) continue;
    const begin = Math.max(from, start);
    if (left <= end - begin) return begin + left;
    left -= end - begin;
  }
  return Number.POSITIVE_INFINITY;
}

/**
 * Nothing ends before the work of a resource is done: of all that begins from an instant on and has so much behind it,
 * the work over what there is of the resource.
 *
 * @param amounts - by resource, what each activity takes of it
 * @param tail - longest way from each start to the end of everything
 * @see Klein and Scholl, Computing lower bounds by destructive improvement, EJOR 112 (1999) 322–346: capacity bounds
 */
export function resourceBound(
  { minutes, resources }: Network,
  amounts: readonly Float64Array[],
  starts: Int32Array,
  tail: Int32Array,
): number {
  let bound = 0;
  for (const [k, resource] of resources.entries()) {
    const list = amounts[k] as Float64Array;
    const own: number[] = [];
    for (let at = 0; at < list.length; at++) if ((list[at] as number) > 0 && (minutes[at] as number) > 0) own.push(at);
    if (own.length < 2 || resource.capacity <= 0) continue;
    const behind = (at: number) => (tail[at] as number) - (minutes[at] as number);
    const byBehind = [...own].sort((a, b) => behind(b) - behind(a));
    for (const from of new Set(own.map((at) => starts[at] as number))) {
      let work = 0;
      for (const at of byBehind) {
        if ((starts[at] as number) < from) continue;
        work += (list[at] as number) * (minutes[at] as number);
        const end = thereFor(resource, from, Math.ceil(work / resource.capacity - 1e-9)) + behind(at);
        if (end > bound) bound = end;
      }
    }
  }
  return bound;
}

/**
 * Whether more work must lie in some stretch of time than a resource does in it: of all that is bound to one activity by
 * longest waits, what begins no earlier than one of them and ends no later than another, whenever that activity is.
 *
 * @param amounts - by resource, what each activity takes of it
 * @see Baptiste, Le Pape and Nuijten, Constraint-Based Scheduling (2001), 3.3: energetic reasoning on the intervals of the activities
 */
export function overfull(
  { minutes, resources }: Network,
  { n, d }: Distances,
  amounts: readonly Float64Array[],
): boolean {
  for (let anchor = 0; anchor < n; anchor++) {
    const bound: Array<{ at: number; head: number; end: number }> = [];
    for (let at = 0; at < n; at++) {
      const [out, back] = [d[anchor * n + at] as number, d[at * n + anchor] as number];
      if (out !== NO_WAY && back !== NO_WAY && (minutes[at] as number) > 0)
        bound.push({ at, head: out, end: -back + (minutes[at] as number) });
    }
    if (bound.length < 2) continue;
    bound.sort((a, b) => a.end - b.end);
    for (const [k, { capacity }] of resources.entries()) {
      const list = amounts[k] as Float64Array;
      for (const { head: from } of bound) {
        let work = 0;
        for (const { at, head, end } of bound) {
          if (head < from) continue;
          work += (list[at] as number) * (minutes[at] as number);
          if (work > capacity * (end - from) + 1e-9) return true;
        }
      }
    }
  }
  return false;
}
