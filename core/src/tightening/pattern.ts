import { unreachable } from '../result.ts';
import { centroid, distanceMm, loadImbalance, type Point } from './load-imbalance.ts';

/** The orders the trade names. `asListed` is the sheet's own numbering; it always wins where it is printed. */
export type Pattern = 'asListed' | 'star' | 'cross' | 'middleOut' | 'outsideIn' | 'rowZigZag' | 'circular';

/** Two distances closer than this are the same, mm: holes drawn by hand are never exact. */
const SAME_MM = 0.5;

interface Placed<Station> {
  station: Station;
  at: Point;
  /** Place in the sheet's list; breaks every tie, so that one input gives one order everywhere. */
  listed: number;
}

const angleAbout = (centre: Point, at: Point): number => Math.atan2(at.yMm - centre.yMm, at.xMm - centre.xMm);

/** Round the bolt circle, starting at the first listed station. */
function round<S>(stations: ReadonlyArray<Placed<S>>): Array<Placed<S>> {
  const centre = centroid(stations.map((s) => s.at));
  const sorted = [...stations].sort(
    (a, b) => angleAbout(centre, a.at) - angleAbout(centre, b.at) || a.listed - b.listed,
  );
  const start = sorted.findIndex((s) => s.listed === Math.min(...sorted.map((t) => t.listed)));
  return [...sorted.slice(start), ...sorted.slice(0, start)];
}

/**
 * True alternation on a bolt circle. Odd counts walk the star polygon {n/k} with k = (n−1)/2, which visits every
 * point once because n and k share no factor. Even counts take opposite pairs, each next pair as far as possible
 * from those done, and enter it at the end that keeps the load most central.
 */
function star<S>(stations: ReadonlyArray<Placed<S>>): Array<Placed<S>> {
  const ring = round(stations);
  const n = ring.length;
  if (n < 4) return ring;
  const at = (index: number) => ring[((index % n) + n) % n] as Placed<S>;
  if (n % 2 === 1) return Array.from({ length: n }, (_, turn) => at(turn * ((n - 1) / 2)));

  const half = n / 2;
  const gap = (a: number, b: number) => Math.min(Math.abs(a - b), half - Math.abs(a - b));
  const pairs = [0];
  const free = new Set(Array.from({ length: half - 1 }, (_, index) => index + 1));
  // Distance of every free pair to the nearest one taken; kept up rather than worked out anew.
  const spread = Array.from({ length: half }, (_, index) => gap(index, 0));
  while (free.size > 0) {
    let next = -1;
    for (const index of free) if (next < 0 || (spread[index] ?? 0) > (spread[next] ?? 0)) next = index;
    free.delete(next);
    pairs.push(next);
    for (const index of free) spread[index] = Math.min(spread[index] ?? 0, gap(index, next));
  }
  const order: Array<Placed<S>> = [];
  for (const pair of pairs) {
    const ends = [at(pair), at(pair + half)];
    const last = order.at(-1);
    // The longer jump keeps away from the bolt just pulled; equal jumps keep the ring's own direction.
    if (
      last &&
      distanceMm(last.at, (ends[1] as Placed<S>).at) > distanceMm(last.at, (ends[0] as Placed<S>).at) + SAME_MM
    )
      ends.reverse();
    order.push(...ends);
  }
  return order;
}

/** Takes stations one by one by `distance` rank; among equals the one farthest from the last, then as listed. */
function byRank<S>(stations: ReadonlyArray<Placed<S>>, rankMm: (at: Point) => number): Array<Placed<S>> {
  const rest = [...stations].sort((a, b) => a.listed - b.listed);
  const order: Array<Placed<S>> = [];
  while (rest.length > 0) {
    const least = Math.min(...rest.map((s) => rankMm(s.at)));
    const equals = rest.filter((s) => rankMm(s.at) <= least + SAME_MM);
    const last = order.at(-1);
    const next = equals.reduce((best, s) =>
      last && distanceMm(last.at, s.at) > distanceMm(last.at, best.at) + SAME_MM ? s : best,
    );
    rest.splice(rest.indexOf(next), 1);
    order.push(next);
  }
  return order;
}

/** Opposite corners in turn: from each station to the one left that is farthest from it, pairs in listed order. */
function cross<S>(stations: ReadonlyArray<Placed<S>>): Array<Placed<S>> {
  const rest = [...stations].sort((a, b) => a.listed - b.listed);
  const order: Array<Placed<S>> = [];
  while (rest.length > 0) {
    const first = rest.shift() as Placed<S>;
    order.push(first);
    if (rest.length === 0) break;
    const opposite = rest.reduce((best, s) =>
      distanceMm(first.at, s.at) > distanceMm(first.at, best.at) + SAME_MM ? s : best,
    );
    rest.splice(rest.indexOf(opposite), 1);
    order.push(opposite);
  }
  return order;
}

/** Row by row (rows lie along the longer side), every second row backwards, as a hand travels over a long plate. */
function rowZigZag<S>(stations: ReadonlyArray<Placed<S>>): Array<Placed<S>> {
  const span = (pick: (at: Point) => number) =>
    Math.max(...stations.map((s) => pick(s.at))) - Math.min(...stations.map((s) => pick(s.at)));
  const wide = span((at) => at.xMm) >= span((at) => at.yMm);
  const along = (at: Point) => (wide ? at.xMm : at.yMm);
  const across = (at: Point) => (wide ? at.yMm : at.xMm);
  const sorted = [...stations].sort((a, b) => across(a.at) - across(b.at) || a.listed - b.listed);
  const rows: Array<Array<Placed<S>>> = [];
  for (const station of sorted) {
    const row = rows.at(-1);
    const head = row?.[0];
    // A row is whatever lies within a tenth of its length across.
    if (row && head && Math.abs(across(head.at) - across(station.at)) <= Math.max(SAME_MM, span(along) / 10))
      row.push(station);
    else rows.push([station]);
  }
  return rows.flatMap((row, index) => {
    const forward = row.sort((a, b) => along(a.at) - along(b.at) || a.listed - b.listed);
    return index % 2 === 0 ? forward : forward.reverse();
  });
}

/**
 * The order in which a group is tightened.
 *
 * @param stations - any count, in the sheet's order
 * @param pattern - which order
 * @param position - where a station lies on the bolt map, mm
 * @returns the same stations, each exactly once; equal inputs give equal orders on every machine
 */
export function tighteningOrder<S>(stations: readonly S[], pattern: Pattern, position: (station: S) => Point): S[] {
  const placed = stations.map((station, listed) => ({ station, at: position(station), listed }));
  const centre = centroid(placed.map((s) => s.at));
  const ordered = (): Array<Placed<S>> => {
    switch (pattern) {
      case 'asListed':
        return placed;
      case 'circular':
        return round(placed);
      case 'star':
        return star(placed);
      case 'cross':
        return cross(placed);
      case 'middleOut':
        return byRank(placed, (at) => distanceMm(at, centre));
      case 'outsideIn':
        return byRank(placed, (at) => -distanceMm(at, centre));
      case 'rowZigZag':
        return rowZigZag(placed);
      default:
        return unreachable(pattern);
    }
  };
  return ordered().map((s) => s.station);
}

const CHOICES: readonly Pattern[] = ['star', 'cross', 'middleOut', 'outsideIn', 'rowZigZag'];

/** The pattern with the lowest load imbalance, for a group whose sheet prints no order; ties go to the earlier name. */
export function mostEvenPattern<S>(stations: readonly S[], position: (station: S) => Point): Pattern {
  const imbalance = (pattern: Pattern) => loadImbalance(tighteningOrder(stations, pattern, position).map(position));
  return CHOICES.reduce((best, pattern) => (imbalance(pattern) < imbalance(best) - 1e-9 ? pattern : best));
}
