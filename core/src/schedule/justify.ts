import { arcsFrom, arcsInto } from './earliest.ts';
import type { Arc, Network } from './problem.ts';
import { type Directed, serialPlan } from './serial-plan.ts';

/** A network with time running backwards: ends are starts, and every arc points the other way. */
export function reversed(network: Network): { network: Network; directed: Directed } {
  const { minutes } = network;
  const arcs = network.arcs.map(
    ({ from, to, weight, ...arc }): Arc => ({
      ...arc,
      from: to,
      to: from,
      weight: weight + (minutes[to] as number) - (minutes[from] as number),
    }),
  );
  const back = { ...network, arcs };
  return { network: back, directed: { from: arcsFrom(back), into: arcsInto(back) } };
}

/**
 * A plan pushed against its end and then against its beginning: what stood in the way of others moves aside, and the
 * whole is often shorter, never longer than it must be.
 *
 * @param back - the network of {@link reversed}; only where nothing has windows, which do not run backwards
 * @see Valls, Ballestín and Quintanilla, Justification and RCPSP: a technique that pays, EJOR 165 (2005) 375–386
 */
export function justified(
  network: Network,
  directed: Directed,
  back: ReturnType<typeof reversed>,
  starts: Int32Array,
  earliest: Int32Array,
): Int32Array | undefined {
  const { minutes } = network;
  const byEnd = Float64Array.from(starts, (start, at) => -(start + (minutes[at] as number)));
  const late = serialPlan(back.network, back.directed, byEnd, new Int32Array(starts.length));
  if (!late) return undefined;
  const byStart = Float64Array.from(late, (start, at) => -(start + (minutes[at] as number)));
  return serialPlan(network, directed, byStart, earliest);
}
