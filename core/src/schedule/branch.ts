import { type Distances, distancesOf, NO_WAY, withArc } from './distances.ts';
import { inWindows } from './earliest.ts';
import { overfull, resourceBound } from './lower-bound.ts';
import type { Network } from './problem.ts';

/** Down to this depth stretches that are too full are looked for: deeper it costs more than it saves. Chosen by us. */
const LOOKED_AT = 4;

/** How the tree is gone through. */
export interface SearchManner {
  /** The first plan ends the search. */
  anyPlan?: boolean;
  /** Minutes added to what a branch promises before the best is gone into first: another tree each time. */
  jitter?: () => number;
}

/** Two that never run at once, by some resource. */
type Pair = readonly [a: number, b: number];

export interface Searched {
  /** The whole tree was looked through: what was found is the best, or nothing satisfies everything. */
  complete: boolean;
  nodes: number;
  /** The best that was found below the bound it was given. */
  starts?: Int32Array;
  makespan: number;
}

/**
 * Branch and bound over the orders of what cannot run at once. A node is a set of orders; with every start as early as
 * they allow, either nothing is overloaded, and the plan is the best of the node, or of the smallest set that is too
 * much one must end before another begins: a branch each.
 *
 * @param below - plans of this makespan and longer are of no interest
 * @param stop - asked at every node; the search ends where it holds
 * @see De Reyck and Herroelen, A branch-and-bound procedure for the resource-constrained project scheduling problem with generalized precedence relations, EJOR 111 (1998) 152–174
 * @see Brucker, Jurisch and Sievers, A branch and bound algorithm for the job-shop scheduling problem, Discrete Applied Mathematics 49 (1994) 107–127: immediate selection
 */
export function branchAndBound(
  network: Network,
  below: number,
  stop: (nodes: number) => boolean,
  { anyPlan = false, jitter = () => 0 }: SearchManner = {},
): Searched {
  const { minutes, uses, resources } = network;
  const n = minutes.length;
  const root = distancesOf(network);
  const best: Searched = { complete: false, nodes: 0, makespan: below };
  if (!root) return { ...best, complete: true };
  const amounts = resources.map(() => new Float64Array(n));
  uses.forEach((list, activity) => {
    for (const [resource, amount] of list) (amounts[resource] as Float64Array)[activity] = amount;
  });
  const capacities = resources.map(({ capacity }) => capacity);
  if (
    resources.some((_, k) => (amounts[k] as Float64Array).some((amount) => amount > (capacities[k] as number) + 1e-9))
  )
    return { ...best, complete: true };
  const pairs: Pair[] = [];
  for (let a = 0; a < n; a++)
    for (let b = a + 1; b < n; b++)
      if ((minutes[a] as number) > 0 && (minutes[b] as number) > 0)
        if (
          amounts.some(
            (list, k) =>
              (list[a] as number) > 0 &&
              (list[b] as number) > 0 &&
              (list[a] as number) + (list[b] as number) > (capacities[k] as number) + 1e-9,
          )
        )
          pairs.push([a, b]);

  /** Earliest starts under all ways and windows, and the longest way from each to the end; undefined where none. */
  const startsOf = ({ d }: Distances, floor: Int32Array): Int32Array | undefined => {
    const starts = Int32Array.from(floor);
    for (let changed = true; changed; ) {
      changed = false;
      for (let b = 0; b < n; b++) {
        let least = starts[b] as number;
        for (let a = 0; a < n; a++) {
          const way = d[a * n + b] as number;
          if (way !== NO_WAY && (starts[a] as number) + way > least) least = (starts[a] as number) + way;
        }
        const open = inWindows(network, b, least);
        if (open > network.horizon) return undefined;
        if (open > (starts[b] as number)) {
          starts[b] = open;
          changed = true;
        }
      }
    }
    return starts;
  };
  const tailsOf = ({ d }: Distances): Int32Array => {
    const tail = new Int32Array(n);
    for (let a = 0; a < n; a++)
      for (let b = 0; b < n; b++) {
        const way = d[a * n + b] as number;
        if (way !== NO_WAY) tail[a] = Math.max(tail[a] as number, way + (minutes[b] as number));
      }
    return tail;
  };

  /** Orders that follow: the other way round is impossible, or too long. False where both ways are. */
  const settle = (node: Distances, starts: Int32Array, tail: Int32Array): boolean | 'changed' => {
    let changed = false;
    for (const [a, b] of pairs) {
      const [da, db] = [minutes[a] as number, minutes[b] as number];
      const { d } = node;
      const aFirst = (d[a * n + b] as number) >= da;
      const bFirst = (d[b * n + a] as number) >= db;
      if (aFirst || bFirst) continue;
      const back = d[b * n + a] as number;
      const forth = d[a * n + b] as number;
      const aCan =
        !(back !== NO_WAY && back + da > 0) && (starts[a] as number) + da + (tail[b] as number) < best.makespan;
      const bCan =
        !(forth !== NO_WAY && forth + db > 0) && (starts[b] as number) + db + (tail[a] as number) < best.makespan;
      if (!aCan && !bCan) return false;
      if (aCan && bCan) continue;
      if (!(aCan ? withArc(node, a, b, da) : withArc(node, b, a, db))) return false;
      changed = true;
    }
    return changed ? 'changed' : true;
  };

  /** The smallest set that is too much at once, first in time. */
  const conflict = (starts: Int32Array): number[] | undefined => {
    let found: number[] | undefined;
    let foundAt = Number.POSITIVE_INFINITY;
    for (let k = 0; k < resources.length; k++) {
      const list = amounts[k] as Float64Array;
      for (let at = 0; at < n; at++) {
        const instant = starts[at] as number;
        if ((list[at] as number) <= 0 || (minutes[at] as number) === 0 || instant > foundAt) continue;
        const running: number[] = [];
        let sum = 0;
        for (let other = 0; other < n; other++)
          if (
            (list[other] as number) > 0 &&
            (starts[other] as number) <= instant &&
            (starts[other] as number) + (minutes[other] as number) > instant
          ) {
            running.push(other);
            sum += list[other] as number;
          }
        if (sum <= (capacities[k] as number) + 1e-9) continue;
        running.sort((a, b) => (list[b] as number) - (list[a] as number));
        const few: number[] = [];
        let taken = 0;
        for (const one of running) {
          few.push(one);
          taken += list[one] as number;
          if (taken > (capacities[k] as number) + 1e-9) break;
        }
        if (instant < foundAt || (found && few.length < found.length)) {
          found = few;
          foundAt = instant;
        }
      }
    }
    return found;
  };

  let stopped = false;
  /** Where nothing is bound by a longest wait, no stretch can be too full. */
  const waits = network.arcs.some(({ side }) => side === 'max');
  const visit = (node: Distances, floor: Int32Array, depth: number): void => {
    best.nodes++;
    if (stop(best.nodes)) stopped = true;
    if (stopped) return;
    let starts = startsOf(node, floor);
    let tail: Int32Array;
    for (;;) {
      if (!starts) return;
      tail = tailsOf(node);
      for (let at = 0; at < n; at++) if ((starts[at] as number) + (tail[at] as number) >= best.makespan) return;
      const settled = settle(node, starts, tail);
      if (settled === false) return;
      if (settled === true) break;
      starts = startsOf(node, starts);
    }
    if (resourceBound(network, amounts, starts, tail) >= best.makespan) return;
    if (waits && depth <= LOOKED_AT && overfull(network, node, amounts)) return;
    const few = conflict(starts);
    if (!few) {
      let makespan = 0;
      for (let at = 0; at < n; at++) makespan = Math.max(makespan, (starts[at] as number) + (minutes[at] as number));
      if (makespan < best.makespan) {
        best.makespan = makespan;
        best.starts = starts;
        if (anyPlan) stopped = true;
      }
      return;
    }
    const children: Array<{ a: number; b: number; bound: number; order: number }> = [];
    for (const a of few)
      for (const b of few) {
        if (a === b) continue;
        const back = node.d[b * n + a] as number;
        if (back !== NO_WAY && back + (minutes[a] as number) > 0) continue;
        const later = Math.max(starts[b] as number, (starts[a] as number) + (minutes[a] as number));
        const promise = later + (tail[b] as number);
        children.push({ a, b, bound: promise, order: promise + jitter() });
      }
    children.sort((x, y) => x.order - y.order);
    for (const { a, b, bound } of children) {
      if (stopped) return;
      if (bound >= best.makespan) continue;
      const child = { n, d: Int32Array.from(node.d) };
      if (withArc(child, a, b, minutes[a] as number)) visit(child, starts, depth + 1);
    }
  };
  visit({ n, d: Int32Array.from(root.d) }, new Int32Array(n), 0);
  best.complete = !stopped;
  return best;
}
