import type { Network } from './problem.ts';

/** No way between two. */
export const NO_WAY = -1_000_000_000;

/** Longest ways between all starts, row by row: `d[a * n + b]` is how long after `a` starts `b` starts at least. */
export interface Distances {
  n: number;
  d: Int32Array;
}

/** Longest ways over all arcs (Floyd and Warshall); undefined where a way back to itself is longer than nothing: then no times satisfy them. */
export function distancesOf({ ids, arcs }: Pick<Network, 'ids' | 'arcs'>): Distances | undefined {
  const n = ids.length;
  const d = new Int32Array(n * n).fill(NO_WAY);
  for (let at = 0; at < n; at++) d[at * n + at] = 0;
  for (const { from, to, weight } of arcs) {
    if (from === to && weight > 0) return undefined;
    if (weight > (d[from * n + to] as number)) d[from * n + to] = weight;
  }
  for (let via = 0; via < n; via++)
    for (let a = 0; a < n; a++) {
      const first = d[a * n + via] as number;
      if (first === NO_WAY) continue;
      for (let b = 0; b < n; b++) {
        const second = d[via * n + b] as number;
        if (second !== NO_WAY && first + second > (d[a * n + b] as number)) d[a * n + b] = first + second;
      }
    }
  for (let at = 0; at < n; at++) if ((d[at * n + at] as number) > 0) return undefined;
  return { n, d };
}

/** Adds an arc to all ways; false where it closes a way back that is longer than nothing. */
export function withArc({ n, d }: Distances, from: number, to: number, weight: number): boolean {
  const back = d[to * n + from] as number;
  if (back !== NO_WAY && back + weight > 0) return false;
  if ((d[from * n + to] as number) >= weight) return true;
  for (let a = 0; a < n; a++) {
    const first = d[a * n + from] as number;
    if (first === NO_WAY) continue;
    const reach = first + weight;
    for (let b = 0; b < n; b++) {
      const second = d[to * n + b] as number;
      if (second !== NO_WAY && reach + second > (d[a * n + b] as number)) d[a * n + b] = reach + second;
    }
  }
  return true;
}
