import { type PullNeeds, type WrenchFault, wrenchFaults } from './suitable-wrench.ts';
import type { Wrench } from './wrench.ts';

/** One pull of the day, in the order of the plan: what the wrench is set to, and which station it is for. */
export interface PlannedPull extends PullNeeds {
  station: string;
}

export interface UncoveredTarget {
  targetNm: number;
  stations: string[];
  /** What speaks against each wrench of the shop. */
  faults: WrenchFault[];
}

export interface WrenchSet {
  /** The fewest wrenches that cover every target that can be covered; of those, the set changed least often. */
  wrenches: Wrench[];
  /** Settings made along the plan, the first of each wrench included. */
  settings: number;
  /** Targets no wrench of the shop may pull, smallest first. */
  uncovered: UncoveredTarget[];
  /** Which wrench pulls which targets. */
  pulls: Array<{ wrench: string; targetsNm: number[] }>;
}

/** Sets of equal size that are compared by their changes of setting; more would take longer than it is worth. */
const MOST_COMPARED = 200;
/** States followed while counting changes: beyond these the cheapest are kept. */
const MOST_STATES = 256;

/** Two pulls that want the same of a wrench. */
const same = (a: PullNeeds, b: PullNeeds): boolean =>
  Math.abs(a.targetNm - b.targetNm) < 1e-6 &&
  (a.peakNm ?? a.targetNm) === (b.peakNm ?? b.targetNm) &&
  (a.gradient === undefined) === (b.gradient === undefined);

/** Every set of `size` indexes below `count`, in order. */
function* choose(count: number, size: number, from = 0): Generator<number[]> {
  if (size === 0) {
    yield [];
    return;
  }
  for (let first = from; first <= count - size; first += 1)
    for (const rest of choose(count, size - 1, first + 1)) yield [first, ...rest];
}

/**
 * The fewest settings along a sequence of pulls with a set of wrenches, each keeping its setting until it is changed, and
 * which wrench pulls what. Worked through all states a set of wrenches can be in; with very many the cheapest are kept.
 */
function fewestSettings(
  sequence: readonly number[],
  wrenches: ReadonlyArray<(targetNm: number) => boolean>,
): { settings: number; by: number[] } {
  interface State {
    set: ReadonlyArray<number | undefined>;
    cost: number;
    by: number[];
  }
  let states = new Map<string, State>([['', { set: wrenches.map(() => undefined), cost: 0, by: [] }]]);
  for (const target of sequence) {
    const next = new Map<string, State>();
    for (const state of states.values())
      wrenches.forEach((may, index) => {
        if (!may(target)) return;
        const changed = state.set[index] !== target;
        const set = changed ? state.set.map((value, at) => (at === index ? target : value)) : state.set;
        const cost = state.cost + (changed ? 1 : 0);
        const key = set.join('|');
        const known = next.get(key);
        if (!known || cost < known.cost) next.set(key, { set, cost, by: [...state.by, index] });
      });
    states =
      next.size <= MOST_STATES
        ? next
        : new Map([...next].sort(([, a], [, b]) => a.cost - b.cost).slice(0, MOST_STATES));
  }
  const best = [...states.values()].reduce((a, b) => (b.cost < a.cost ? b : a));
  return { settings: best.cost, by: best.by };
}

/**
 * The smallest set of the shop's torque wrenches that covers every target in band and in calibration; among the smallest,
 * the one whose settings are changed least along the plan.
 *
 * @param wrenches - the shop's, whatever their state
 * @param pulls - in the order of the plan
 * @param nowMs - decides on calibration
 */
export function smallestWrenchSet(
  wrenches: readonly Wrench[],
  pulls: readonly PlannedPull[],
  nowMs: number,
): WrenchSet {
  const targets: Array<PullNeeds & { stations: string[] }> = [];
  for (const { station, ...needs } of pulls) {
    const known = targets.find((entry) => same(entry, needs));
    if (known) known.stations.push(station);
    else targets.push({ ...needs, stations: [station] });
  }
  const may = wrenches.map((wrench) => targets.map((needs) => wrenchFaults(wrench, needs, nowMs)[0]));
  const covered = targets.map((_, index) => may.some((faults) => faults[index] === undefined));
  const uncovered = targets
    .flatMap((target, index) =>
      covered[index]
        ? []
        : [
            {
              targetNm: target.targetNm,
              stations: target.stations,
              faults: may.flatMap((faults) => faults[index] ?? []),
            },
          ],
    )
    .sort((a, b) => a.targetNm - b.targetNm);
  const wanted = targets.flatMap((_, index) => (covered[index] ? [index] : []));
  if (wanted.length === 0) return { wrenches: [], settings: 0, uncovered, pulls: [] };
  const useful = wrenches.flatMap((wrench, index) =>
    wanted.some((target) => may[index]?.[target] === undefined) ? [{ wrench, faults: may[index] ?? [] }] : [],
  );
  const sets: number[][] = [];
  for (let size = 1; size <= useful.length && sets.length === 0; size += 1)
    for (const some of choose(useful.length, size)) {
      const covers = wanted.every((target) => some.some((index) => useful[index]?.faults[target] === undefined));
      if (covers) sets.push(some);
      if (sets.length >= MOST_COMPARED) break;
    }
  // A run of equal targets is one setting; what cannot be pulled is left out.
  const sequence = pulls
    .map((pull) => targets.findIndex((entry) => same(entry, pull)))
    .filter((target, index, all) => covered[target] && target !== all[index - 1]);
  const judged = sets.map((some) => {
    const able = some.map((index) => (target: number) => useful[index]?.faults[target] === undefined);
    return { some, ...fewestSettings(sequence, able) };
  });
  const best = judged.reduce((a, b) => (b.settings < a.settings ? b : a));
  const chosen = best.some.flatMap((index) => useful[index]?.wrench ?? []);
  return {
    wrenches: chosen,
    settings: best.settings,
    uncovered,
    pulls: chosen.map((wrench, index) => ({
      wrench: wrench.id,
      targetsNm: [
        ...new Set(sequence.flatMap((target, at) => (best.by[at] === index ? (targets[target]?.targetNm ?? []) : []))),
      ].sort((a, b) => a - b),
    })),
  };
}
