import type { Graph } from './step-graph.ts';

/**
 * The circles of a graph: its strongly connected components of more than one node, each as a set. Found without
 * recursion, since a long visit's chain of waits is deeper than a call stack need be.
 *
 * @param graph - what each node waits for; waits for nodes that are not in it are looked past
 * @see Tarjan, Depth-first search and linear graph algorithms, SIAM J. Comput. 1 (1972)
 */
export function circlesOf(graph: Graph): Array<ReadonlySet<string>> {
  const found: Array<ReadonlySet<string>> = [];
  const index = new Map<string, number>();
  const low = new Map<string, number>();
  const stack: string[] = [];
  const onStack = new Set<string>();
  for (const root of graph.keys()) {
    if (index.has(root)) continue;
    const calls: Array<{ node: string; next: Iterator<string> }> = [];
    const enter = (node: string) => {
      index.set(node, index.size);
      low.set(node, index.get(node) as number);
      stack.push(node);
      onStack.add(node);
      calls.push({ node, next: (graph.get(node) ?? new Set<string>()).values() });
    };
    enter(root);
    for (let call = calls.at(-1); call !== undefined; call = calls.at(-1)) {
      const { node, next } = call;
      const step = next.next();
      if (!step.done) {
        const other = step.value;
        if (!graph.has(other)) continue;
        if (!index.has(other)) enter(other);
        else if (onStack.has(other)) low.set(node, Math.min(low.get(node) as number, index.get(other) as number));
        continue;
      }
      calls.pop();
      const parent = calls.at(-1)?.node;
      if (parent !== undefined) low.set(parent, Math.min(low.get(parent) as number, low.get(node) as number));
      if (low.get(node) !== index.get(node)) continue;
      const circle = new Set<string>();
      for (let top = stack.pop(); top !== undefined; top = stack.pop()) {
        onStack.delete(top);
        circle.add(top);
        if (top === node) break;
      }
      if (circle.size > 1) found.push(circle);
    }
  }
  return found;
}
