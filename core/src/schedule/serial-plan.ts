import type { ArcsFrom } from './earliest.ts';
import { inWindows } from './earliest.ts';
import type { Arc, Network } from './problem.ts';

/** Rounds in which something that came too early for a longest wait is held back. */
const HELD_BACK = 80;

/** What is taken of one resource over time, as steps: instants and the amount from each on. */
class Profile {
  private readonly at: number[] = [0];
  private readonly used: number[] = [0];

  /** The first instant from `from` on at which so much is free for so long. */
  fits(from: number, length: number, amount: number, capacity: number): number {
    let start = from;
    let step = this.stepAt(start);
    for (;;) {
      if ((this.used[step] as number) + amount > capacity + 1e-9) {
        step++;
        if (step >= this.at.length) return start;
        start = this.at[step] as number;
        continue;
      }
      let next = step + 1;
      while (next < this.at.length && (this.at[next] as number) < start + length) {
        if ((this.used[next] as number) + amount > capacity + 1e-9) break;
        next++;
      }
      if (next >= this.at.length || (this.at[next] as number) >= start + length) return start;
      step = next;
    }
  }

  take(start: number, length: number, amount: number): void {
    if (length === 0) return;
    const [from, to] = [this.cut(start), this.cut(start + length)];
    for (let step = from; step < to; step++) this.used[step] = (this.used[step] as number) + amount;
  }

  private stepAt(instant: number): number {
    let [low, high] = [0, this.at.length - 1];
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((this.at[middle] as number) <= instant) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  private cut(instant: number): number {
    const step = this.stepAt(instant);
    if (this.at[step] === instant) return step;
    this.at.splice(step + 1, 0, instant);
    this.used.splice(step + 1, 0, this.used[step] as number);
    return step + 1;
  }
}

/** Whether an arc says which of the two is first: a longest wait does not. */
const orders = ({ side, weight, from, to }: Arc): boolean => side !== 'max' && weight >= 0 && from !== to;

/** Arcs into each activity, too: what a start must be after, and what it must not be too late for. */
export interface Directed {
  from: ArcsFrom;
  into: ArcsFrom;
}

/**
 * A plan in the order of a priority: of those whose predecessors are placed the most urgent is placed as early as its
 * resources and windows have room. What then comes too late for a longest wait holds back what the wait began with, and
 * the plan is made anew.
 *
 * @param urgency - the smallest first
 * @param earliest - a floor for every start
 * @returns starts, or nothing where holding back did not help
 * @see Neumann, Schwindt and Zimmermann, Project Scheduling with Time Windows and Scarce Resources, 2nd edition (2003), 2.6
 */
export function serialPlan(
  network: Network,
  { from, into }: Directed,
  urgency: Float64Array,
  earliest: Int32Array,
): Int32Array | undefined {
  const { minutes, uses, resources, horizon } = network;
  const count = minutes.length;
  const floor = Int32Array.from(earliest);
  for (let round = 0; round < HELD_BACK; round++) {
    const starts = new Int32Array(count).fill(-1);
    const profiles = resources.map(() => new Profile());
    const missing = new Int32Array(count);
    for (let at = 0; at < count; at++)
      for (const arc of into[at] ?? []) if (orders(arc)) missing[at] = (missing[at] as number) + 1;
    const ready: number[] = [];
    for (let at = 0; at < count; at++) if (missing[at] === 0) ready.push(at);
    let placed = 0;
    let held = false;
    while (ready.length > 0 && !held) {
      let best = 0;
      for (let k = 1; k < ready.length; k++)
        if ((urgency[ready[k] as number] as number) < (urgency[ready[best] as number] as number)) best = k;
      const activity = ready[best] as number;
      ready[best] = ready[ready.length - 1] as number;
      ready.pop();
      let start = floor[activity] as number;
      let latest = Number.POSITIVE_INFINITY;
      for (const arc of into[activity] ?? [])
        if ((starts[arc.from] as number) >= 0) start = Math.max(start, (starts[arc.from] as number) + arc.weight);
      // Placed before it, and to be within so much of it: s_to ≥ s + weight.
      for (const arc of from[activity] ?? [])
        if ((starts[arc.to] as number) >= 0) latest = Math.min(latest, (starts[arc.to] as number) - arc.weight);
      const length = minutes[activity] as number;
      for (let moved = true; moved; ) {
        moved = false;
        const open = inWindows(network, activity, start);
        if (open > horizon * 2) return undefined;
        if (open > start) {
          start = open;
          moved = true;
        }
        for (const [resource, amount] of uses[activity] ?? []) {
          const { capacity } = resources[resource] as { capacity: number };
          if (amount > capacity + 1e-9) return undefined;
          if (length === 0) continue;
          const free = (profiles[resource] as Profile).fits(start, length, amount, capacity);
          if (free > start) {
            start = free;
            moved = true;
          }
        }
      }
      if (start > latest) {
        held = true;
        for (const arc of from[activity] ?? []) {
          const other = starts[arc.to] as number;
          if (other >= 0 && other - arc.weight < start) {
            const least = start + arc.weight;
            if (least > horizon * 2 || arc.to === activity) return undefined;
            floor[arc.to] = Math.max(floor[arc.to] as number, least);
          }
        }
        break;
      }
      starts[activity] = start;
      placed++;
      for (const [resource, amount] of uses[activity] ?? [])
        (profiles[resource] as Profile).take(start, length, amount);
      for (const arc of from[activity] ?? [])
        if (orders(arc)) {
          missing[arc.to] = (missing[arc.to] as number) - 1;
          if (missing[arc.to] === 0) ready.push(arc.to);
        }
    }
    if (placed === count) return starts;
    // A circle of orders that are all at least nothing: nothing in it can be first.
    if (!held) return undefined;
  }
  return undefined;
}
