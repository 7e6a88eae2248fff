import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { circlesOf } from './strongly-connected.ts';

const graphOf = (edges: ReadonlyArray<readonly [number, number]>, size: number) => {
  const graph = new Map(Array.from({ length: size }, (_, node) => [String(node), new Set<string>()]));
  for (const [from, to] of edges) graph.get(String(from % size))?.add(String(to % size));
  return graph;
};
/** What can be reached from a node, itself aside; the plain way. */
function reached(graph: ReadonlyMap<string, ReadonlySet<string>>, from: string): Set<string> {
  const seen = new Set<string>();
  const left = [...(graph.get(from) ?? [])];
  for (let node = left.pop(); node !== undefined; node = left.pop()) {
    if (seen.has(node)) continue;
    seen.add(node);
    left.push(...(graph.get(node) ?? []));
  }
  return seen;
}

describe('the circles of a graph', () => {
  it('are the nodes that reach each other (property, against plain reachability)', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.array(fc.tuple(fc.nat(11), fc.nat(11)), { maxLength: 24 }),
        (size, edges) => {
          const graph = graphOf(edges, size);
          const circles = circlesOf(graph);
          const nodes = [...graph.keys()];
          const circleOf = (node: string) => circles.findIndex((circle) => circle.has(node));
          for (const a of nodes)
            for (const b of nodes) {
              if (a === b) continue;
              const mutual = reached(graph, a).has(b) && reached(graph, b).has(a);
              expect(circleOf(a) >= 0 && circleOf(a) === circleOf(b)).toBe(mutual);
            }
          expect(circles.every(({ size: many }) => many > 1)).toBe(true);
        },
      ),
    ));
  it('of a chain as long as the longest visit are none, and cost no stack', () => {
    const chain = new Map(
      Array.from({ length: 20_000 }, (_, node) => [String(node), new Set(node > 0 ? [String(node - 1)] : [])]),
    );
    expect(circlesOf(chain)).toEqual([]);
    chain.get('0')?.add('19999');
    expect(circlesOf(chain)[0]?.size).toBe(20_000);
  });
  it('look past what is not in the graph', () => {
    expect(circlesOf(new Map([['a', new Set(['gone'])]]))).toEqual([]);
  });
});
