import type { PlanStep } from '../kit/plan.ts';
import type { Sharing } from './shared-things.ts';
import { type Graph, graphOf, isAcyclic, JOIN } from './step-graph.ts';
import { circlesOf } from './strongly-connected.ts';

/** Shared things that the sheets want closed in contrary order: no order keeps all of them. */
export interface Contradiction {
  /** The same for the same things, whatever else is in the visit. */
  id: string;
  /** Keys of the things. */
  keys: string[];
  /** The kits at odds, in the order they came. */
  kits: string[];
  /** The one whose order holds. */
  ruling: string;
  /** The steps caught in the circle, with those that others no longer wait for. */
  steps: string[];
}

export interface Untangled {
  /** The steps, those of the kits that do not rule without the waits that nobody can keep. */
  steps: readonly PlanStep[];
  /** What they wait for then, shared closings included. */
  graph: Graph;
  contradictions: Contradiction[];
}

/** What each node of a circle waits for, built up wait by wait. */
class Waits {
  private readonly on = new Map<string, Set<string>>();

  add(node: string, earlier: string): void {
    const waits = this.on.get(node) ?? new Set();
    waits.add(earlier);
    this.on.set(node, waits);
  }

  /** Whether a node waits for another, near or far. */
  reaches(node: string, earlier: string): boolean {
    const seen = new Set<string>();
    const left = [node];
    for (let here = left.pop(); here !== undefined; here = left.pop()) {
      if (here === earlier) return true;
      if (seen.has(here)) continue;
      seen.add(here);
      left.push(...(this.on.get(here) ?? []));
    }
    return false;
  }
}

/**
 * Takes out of the steps only the waits that contradict each other. What sheets share is closed once, so that the orders
 * they state may run in a circle; there one kit's order holds whole, and of the others' every wait that still can be
 * kept. A step that gives up a wait waits for what that one waited for.
 *
 * @param rules - the kit whose order holds, by the contradiction's id; else the first that came
 * @see Tarjan, Depth-first search and linear graph algorithms (1972): strongly connected components
 */
export function untangle(
  steps: readonly PlanStep[],
  shared: Sharing['touches'],
  kits: readonly string[],
  apart: ReadonlySet<string>,
  rules: (id: string) => string | undefined,
): Untangled {
  const graph = graphOf(steps, shared, kits, apart);
  // Nearly every visit: sheets seldom contradict each other.
  if (isAcyclic(graph)) return { steps, graph, contradictions: [] };
  const circles = circlesOf(graph);
  const byId = new Map(steps.map((step) => [step.id, step]));
  const after = new Map(steps.map((step) => [step.id, step.after]));
  const joinsOf = closingsOf(shared);
  const contradictions = circles.map((circle): Contradiction => {
    const caught = steps.filter(({ id }) => circle.has(id));
    const keys = [...circle].flatMap((node) => (node.startsWith(JOIN) ? [node.slice(JOIN.length)] : [])).sort();
    const id = keys.join(' / ');
    const own = kits.filter((kit) => caught.some((step) => step.kit === kit));
    if (own.length < 2) throw new Error('Steps of a kit wait for each other in a circle');
    const wanted = rules(id);
    const ruling = wanted !== undefined && own.includes(wanted) ? wanted : (own[0] as string);
    const waits = new Waits();
    // What is closed for all waits for every kit's closing: that is what sharing means.
    for (const { id: step } of caught)
      for (const join of joinsOf.get(step) ?? []) if (circle.has(join)) waits.add(join, step);
    for (const kit of [ruling, ...own.filter((other) => other !== ruling)])
      for (const step of caught) if (step.kit === kit) after.set(step.id, keep(step, { circle, waits, byId, joinsOf }));
    const left = caught.flatMap((step) => step.after.filter((earlier) => !after.get(step.id)?.includes(earlier)));
    return { id, keys, kits: own, ruling, steps: [...new Set([...caught.map((step) => step.id), ...left])] };
  });
  const untangled = steps.map((step) => ({ ...step, after: [...(after.get(step.id) ?? [])] }));
  return { steps: untangled, graph: graphOf(untangled, shared, kits, apart), contradictions };
}

interface Circle {
  circle: ReadonlySet<string>;
  waits: Waits;
  byId: ReadonlyMap<string, PlanStep>;
  joinsOf: ReadonlyMap<string, readonly string[]>;
}

/** The waits of a step that can be kept beside those kept already. */
function keep(step: PlanStep, { circle, waits, byId, joinsOf }: Circle): string[] {
  const kept = new Set<string>();
  const seen = new Set<string>();
  const left = [...step.after];
  for (let earlier = left.shift(); earlier !== undefined; earlier = left.shift()) {
    if (seen.has(earlier)) continue;
    seen.add(earlier);
    const joined = joinsOf.get(earlier) ?? [];
    const nodes = [earlier, ...joined].filter((node) => circle.has(node));
    if (nodes.some((node) => waits.reaches(node, step.id))) left.push(...(byId.get(earlier)?.after ?? []));
    else {
      for (const node of nodes) waits.add(step.id, node);
      kept.add(earlier);
    }
  }
  return [...kept];
}

/** The joint closings that each step is part of, as nodes of the graph. */
function closingsOf(shared: Sharing['touches']): Map<string, string[]> {
  const found = new Map<string, string[]>();
  for (const [key, touches] of shared) {
    const closing = touches.filter(({ bearing }) => bearing === 'close' || bearing === 'last');
    if (closing.length < 2) continue;
    for (const { step } of closing) found.set(step, [...(found.get(step) ?? []), JOIN + key]);
  }
  return found;
}
