import type { InputFault } from '../quantity/input-fault.ts';
import { randomFrom } from '../quantity/random.ts';
import { ok, type Result } from '../result.ts';
import { branchAndBound } from './branch.ts';
import { type ArcsFrom, arcsFrom, arcsInto, makespanOf, pushEarliest, tails } from './earliest.ts';
import { explain, type ScheduleFact } from './explain.ts';
import { justified, reversed } from './justify.ts';
import { resourceBound } from './lower-bound.ts';
import { rebuilt } from './neighbourhood.ts';
import { type Network, networkOf, type ScheduleProblem } from './problem.ts';
import { serialPlan } from './serial-plan.ts';

/** A plan, how good it can be at best, and whether it is that. */
export interface Schedule {
  makespan: number;
  /** No plan is shorter. */
  lowerBound: number;
  optimal: boolean;
  /** Minute at which each begins. */
  starts: Record<string, number>;
}

export type Scheduled =
  | ({ kind: 'plan' } & Schedule)
  /** Facts that contradict: without any one of them there may be a plan. */
  | { kind: 'infeasible'; facts: ScheduleFact[] }
  /** Neither a plan nor a proof was found in the time. */
  | { kind: 'unknown'; lowerBound: number };

export interface SolveOptions {
  /** Time it may take, s. */
  seconds?: number;
  seed?: number;
  /** Whether what contradicts is looked for where there is no plan; left out, it is. */
  explains?: boolean;
  /** Told of each better plan. */
  onBetter?: (plan: Schedule) => void;
  now?: () => number;
}

/** Activities up to which orders are searched through; beyond, all ways between all would be too many. */
const MOST_SEARCHED = 120;
/** Of the time that is left this much goes to plans by priority before orders are searched. */
const SAMPLING_SHARE = 0.35;
/** A plan this much longer than the best is not worth pushing. Chosen by us. */
const WORTH_PUSHING = 1.06;
/** Of what is left then, this much to taking the best apart. */
const REBUILDING_SHARE = 0.75;
const CHECK_EVERY = 16;

/** How urgent each is, by several rules; the smallest is placed first. */
function urgencies(network: Network, earliest: Int32Array, tail: Int32Array): Float64Array[] {
  const { minutes, uses } = network;
  const by = (rule: (at: number) => number) => Float64Array.from(minutes, (_, at) => rule(at));
  const work = (at: number) => (uses[at] ?? []).reduce((sum, [, amount]) => sum + amount, 0) * (minutes[at] as number);
  return [
    by((at) => -(tail[at] as number)),
    by((at) => (earliest[at] as number) - (tail[at] as number)),
    by((at) => earliest[at] as number),
    by((at) => -(tail[at] as number) - work(at) / 100),
    by((at) => -(minutes[at] as number)),
    by((at) => minutes[at] as number),
  ];
}

/** Longest ways, floors and bounds of a network. */
function prepare(
  network: Network,
): { from: ArcsFrom; into: ArcsFrom; earliest: Int32Array; tail: Int32Array; bound: number } | undefined {
  const from = arcsFrom(network);
  const into = arcsInto(network);
  const earliest = pushEarliest(network, from, new Int32Array(network.ids.length));
  if (!earliest) return undefined;
  const tail = tails(network, from);
  const amounts = network.resources.map((_, k) =>
    Float64Array.from(network.uses, (list) => list.find(([resource]) => resource === k)?.[1] ?? 0),
  );
  const bound = Math.max(
    makespanOf(network.minutes, earliest),
    ...earliest.map((start, at) => start + (tail[at] as number)),
    resourceBound(network, amounts, earliest, tail),
  );
  return { from, into, earliest, tail, bound };
}

/**
 * A plan as short as the time allows: by several priorities, then by plans near the best, then by branch and bound, which
 * proves it where it comes to its end. A bound stands beside every plan.
 */
export function solveSchedule(problem: ScheduleProblem, options: SolveOptions = {}): Result<Scheduled, InputFault> {
  const { seconds = 1, seed = 1, explains = true, onBetter, now = Date.now } = options;
  const read = networkOf(problem);
  if (!read.ok) return read;
  const network = read.value;
  const began = now();
  const endsAt = began + seconds * 1000;
  const prepared = prepare(network);
  const infeasible = (): Result<Scheduled, InputFault> =>
    ok({
      kind: 'infeasible',
      facts: explains ? explain(problem, { endsAt: Math.max(endsAt, now() + 500), now }) : [],
    });
  if (!prepared) return infeasible();
  const { from, into, earliest, tail, bound } = prepared;
  if (!Number.isFinite(bound)) return infeasible();
  const directed = { from, into };
  let best: { starts: Int32Array; makespan: number } | undefined;
  const told = (optimal: boolean, { starts, makespan }: { starts: Int32Array; makespan: number }): Schedule => ({
    makespan,
    lowerBound: optimal ? makespan : Math.min(bound, makespan),
    optimal: optimal || makespan <= bound,
    starts: Object.fromEntries(network.ids.map((id, at) => [id, starts[at] as number])),
  });
  const keep = (starts: Int32Array | undefined): boolean => {
    if (!starts) return false;
    const makespan = makespanOf(network.minutes, starts);
    if (best && makespan >= best.makespan) return false;
    best = { starts, makespan };
    onBetter?.(told(false, best));
    return true;
  };
  const back = network.resources.some(({ windows }) => windows) ? undefined : reversed(network);
  /** Keeps a plan, and what comes of pushing it both ways. */
  const keepPushed = (starts: Int32Array | undefined): void => {
    if (!starts) return;
    keep(starts);
    const worth = best && makespanOf(network.minutes, starts) <= best.makespan * WORTH_PUSHING;
    if (back && worth) keep(justified(network, directed, back, starts, earliest));
  };
  const proven = () => best !== undefined && best.makespan <= bound;
  const rules = urgencies(network, earliest, tail);
  for (const rule of rules) {
    if (proven() || (best && now() > endsAt)) break;
    keepPushed(serialPlan(network, directed, rule, earliest));
  }
  const random = randomFrom(seed);
  const searched = network.ids.length <= MOST_SEARCHED;
  // A quick look through the orders first: small problems end here, proven.
  const look = (until: number) =>
    branchAndBound(
      network,
      best?.makespan ?? network.horizon + 1,
      (nodes) => nodes % CHECK_EVERY === 0 && now() > until,
    );
  if (searched && !proven()) {
    const quick = look(Math.min(endsAt, now() + Math.max(50, (endsAt - now()) * 0.15)));
    keep(quick.starts);
    if (quick.complete) return best ? ok({ kind: 'plan', ...told(true, best) }) : infeasible();
  }
  const samplingEnds = searched ? now() + (endsAt - now()) * SAMPLING_SHARE : endsAt;
  const spread = Math.max(1, bound / 8);
  for (let round = 0; !proven() && now() < samplingEnds; round++) {
    const near = best && round % 4 !== 3;
    const base = near ? best?.starts : rules[round % rules.length];
    if (!base) break;
    const reach = near ? spread * random() * random() : spread;
    const urgency = Float64Array.from(base, (value) => value + (random() - 0.5) * 2 * reach);
    keepPushed(serialPlan(network, directed, urgency, earliest));
  }
  // Then stretches of the best, each taken apart and put together again.
  const rebuildingEnds = now() + (endsAt - now()) * REBUILDING_SHARE;
  while (searched && best && !proven() && now() < rebuildingEnds) {
    const { starts, makespan } = best;
    // A dozen at a time, more or less.
    const wide =
      makespan * (random() < 0.6 ? Math.min(0.8, (4 + 12 * random()) / starts.length) : 0.2 + 0.5 * random());
    const at = random() * (makespan + wide) - wide;
    const spare = random() * 0.15;
    const freed = Uint8Array.from(starts, (start, one) =>
      (start + (network.minutes[one] as number) > at && start < at + wide) || random() < spare ? 1 : 0,
    );
    const other = rebuilt(network, starts, makespan, freed, random, () => now() > rebuildingEnds);
    // One as long is gone on from.
    if (!keep(other) && other) best = { starts: other, makespan };
  }
  if (searched && !proven()) {
    const last = look(endsAt);
    keep(last.starts);
    if (last.complete) return best ? ok({ kind: 'plan', ...told(true, best) }) : infeasible();
  }
  return ok(best ? { kind: 'plan', ...told(proven(), best) } : { kind: 'unknown', lowerBound: bound });
}
