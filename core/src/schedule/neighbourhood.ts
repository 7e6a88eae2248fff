import { branchAndBound } from './branch.ts';
import type { Arc, Network } from './problem.ts';

/** Nodes of one look: enough for a stretch of a dozen, few enough for many looks. Chosen by us. */
const NODES = 220;
/** How far the order of branches is shaken, of the makespan. Chosen by us. */
const JITTER = 0.06;

/**
 * Takes a stretch of a plan apart and puts it together better: all that share a resource keep their order but for those
 * in the stretch, and branch and bound looks for a shorter whole.
 *
 * @param freed - which may change their order among each other
 * @returns starts of a shorter plan or of one as long, or nothing
 * @see Shaw, Using constraint programming and local search methods to solve vehicle routing problems, CP 1998: large neighbourhood search
 */
export function rebuilt(
  network: Network,
  starts: Int32Array,
  makespan: number,
  freed: Uint8Array,
  random: () => number,
  stop: () => boolean,
): Int32Array | undefined {
  const { minutes, uses, arcs } = network;
  const kept: Arc[] = [...arcs];
  const count = minutes.length;
  for (let a = 0; a < count; a++)
    for (let b = 0; b < count; b++) {
      if (a === b || (freed[a] && freed[b])) continue;
      const end = (starts[a] as number) + (minutes[a] as number);
      if (end > (starts[b] as number) || !share(uses, a, b)) continue;
      kept.push({ from: a, to: b, weight: minutes[a] as number });
    }
  // As often as not another plan of the same length will do: from there the next look leads elsewhere.
  const sideways = random() < 0.5;
  return branchAndBound(
    { ...network, arcs: kept },
    sideways ? makespan + 1 : makespan,
    (nodes) => nodes > NODES || (nodes % 16 === 0 && stop()),
    { anyPlan: true, jitter: () => random() * JITTER * makespan },
  ).starts;
}

const share = (uses: Network['uses'], a: number, b: number): boolean =>
  (uses[a] ?? []).some(([resource]) => (uses[b] ?? []).some(([other]) => other === resource));
