import type { PlanStep } from '../kit/plan.ts';
import type { Sharing } from './shared-things.ts';

/** What each node waits for. Nodes are steps, and one joint closing for each shared thing that several kits close. */
export type Graph = ReadonlyMap<string, ReadonlySet<string>>;

export const JOIN = 'join ';
export const OPEN = 'open ';

/**
 * What each step waits for. A thing closed for all is closed when every kit is ready to close it, and what comes after
 * the closing in any kit comes after it in all.
 */
export function graphOf(
  steps: readonly PlanStep[],
  shared: Sharing['touches'],
  kits: readonly string[],
  apart: ReadonlySet<string>,
): Graph {
  const before = new Map(steps.map((step) => [step.id, new Set(step.after)]));
  const joinsOf = new Map<string, string[]>();
  for (const [key, touches] of shared) {
    const closing = touches.filter(({ bearing }) => bearing === 'close' || bearing === 'last');
    if (closing.length < 2) continue;
    before.set(JOIN + key, new Set(closing.map(({ step }) => step)));
    for (const { step } of closing) joinsOf.set(step, [...(joinsOf.get(step) ?? []), JOIN + key]);
  }
  if (joinsOf.size > 0)
    for (const step of steps)
      for (const earlier of step.after) for (const join of joinsOf.get(earlier) ?? []) before.get(step.id)?.add(join);
  // Kits that are worked apart follow one after another behind all the rest.
  let wait = steps.filter((step) => !apart.has(step.kit)).map((step) => step.id);
  for (const kit of kits) {
    if (!apart.has(kit)) continue;
    const own = steps.filter((step) => step.kit === kit);
    for (const step of own) if (step.after.length === 0) for (const id of wait) before.get(step.id)?.add(id);
    if (own.length > 0) wait = own.map((step) => step.id);
  }
  return before;
}

/**
 * The graph with shared openings waiting for whatever any kit wants done before, where the sheets' orders allow it: the
 * wheels come off only once the vehicle is up, even if one sheet does not say so. Sheets that take things off in contrary
 * order are each right by themselves, and the first in order does it.
 *
 * @returns the graph, and the keys whose opening waits for all
 */
export function withOpenings(
  graph: Graph,
  steps: readonly PlanStep[],
  shared: Sharing['touches'],
): { graph: Graph; waited: ReadonlySet<string> } {
  const after = new Map(steps.map((step) => [step.id, step.after]));
  const openings = [...shared].flatMap(([key, touches]) => {
    const opening = touches.filter(({ bearing }) => bearing === 'open' || bearing === 'once').map(({ step }) => step);
    return opening.length < 2 ? [] : [{ key, opening }];
  });
  const joined = (to: Graph, some: typeof openings): Graph => {
    const tried = new Map(to);
    for (const { key, opening } of some) {
      tried.set(OPEN + key, new Set(opening.flatMap((step) => after.get(step) ?? [])));
      for (const step of opening) tried.set(step, new Set([...(tried.get(step) ?? []), OPEN + key]));
    }
    return tried;
  };
  const all = joined(graph, openings);
  if (isAcyclic(all)) return { graph: all, waited: new Set(openings.map(({ key }) => key)) };
  if (!isAcyclic(graph)) return { graph, waited: new Set() };
  // Not all at once: one by one, those that fit.
  return openings.reduce<{ graph: Graph; waited: ReadonlySet<string> }>(
    (so, opening) => {
      const tried = joined(so.graph, [opening]);
      return isAcyclic(tried) ? { graph: tried, waited: new Set([...so.waited, opening.key]) } : so;
    },
    { graph, waited: new Set() },
  );
}

/** How many nodes each node waits for, and who waits for it. */
export function counted(graph: Graph): { waiting: Map<string, number>; followers: Map<string, string[]> } {
  const waiting = new Map<string, number>();
  const followers = new Map<string, string[]>();
  for (const [id, earlier] of graph) {
    let count = 0;
    for (const one of earlier) {
      if (!graph.has(one)) continue;
      count += 1;
      const list = followers.get(one);
      if (list) list.push(id);
      else followers.set(one, [id]);
    }
    waiting.set(id, count);
  }
  return { waiting, followers };
}

/** Whether nothing in a graph waits for itself, near or far. */
export function isAcyclic(graph: Graph): boolean {
  const { waiting, followers } = counted(graph);
  const ready = [...waiting].flatMap(([id, left]) => (left === 0 ? [id] : []));
  let done = 0;
  for (let id = ready.pop(); id !== undefined; id = ready.pop()) {
    done += 1;
    for (const next of followers.get(id) ?? []) {
      const left = (waiting.get(next) ?? 0) - 1;
      waiting.set(next, left);
      if (left === 0) ready.push(next);
    }
  }
  return done === graph.size;
}
