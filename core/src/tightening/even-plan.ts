import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { type ElasticGroup, elasticSequence, type Pull, passPulls, unevenness } from './elastic-interaction.ts';
import type { Point } from './load-imbalance.ts';
import { type Pattern, tighteningOrder } from './pattern.ts';

/** A way to tighten a group, and what it leaves. */
export interface EvenPlan {
  pattern: Pattern | 'printed';
  order: number[];
  /** Shares of the target, round by round; full as often as it is gone round. */
  stages: number[];
  /** Single pulls after the last round, at those that hold least. */
  extra: number[];
  pulls: number;
  /** (most − least) ÷ target in the end. */
  unevenness: number;
  /** Load left in each bolt, share of the target. */
  left: number[];
}

/** Ways of going up to full torque that the trade knows (the shop's own school is one of them). Common practice, no source. */
const SCHOOLS: ReadonlyArray<readonly number[]> = [[1], [0.5, 1], [0.3, 0.7, 1]];
const PATTERNS: readonly Pattern[] = ['star', 'cross', 'middleOut', 'outsideIn', 'rowZigZag', 'circular'];
/** More rounds at full torque than these are no advice. */
const MOST_FULL = 4;
/** Loads are shares: the target is this much. */
const TARGET_N = 1000;

function leftAfter(group: ElasticGroup, pulls: readonly Pull[]): Result<number[], InputFault> {
  const run = elasticSequence(group, pulls);
  return run.ok ? ok(Array.from(run.value.at(-1) ?? [], (force) => force / TARGET_N)) : run;
}

/**
 * Goes round in an order as often as it takes, and after each full round tries whether pulling those alone that hold least
 * is enough.
 *
 * @returns undefined where even the most rounds do not reach what is wanted
 */
function planFor(
  group: ElasticGroup,
  pattern: EvenPlan['pattern'],
  order: readonly number[],
  school: readonly number[],
  wanted: number,
): Result<EvenPlan | undefined, InputFault> {
  for (let full = 1; full <= MOST_FULL; full++) {
    const stages = [...school, ...Array.from({ length: full - 1 }, () => 1)];
    const pulls = passPulls(
      stages.map((share) => ({ share, order })),
      TARGET_N,
    );
    const extra: number[] = [];
    // Fewer single pulls than another round would be.
    for (;;) {
      const left = leftAfter(group, [...pulls, ...extra.map((bolt) => ({ bolt, toN: TARGET_N }))]);
      if (!left.ok) return left;
      const spread = unevenness(left.value, 1);
      if (spread <= wanted)
        return ok({
          pattern,
          order: [...order],
          stages,
          extra,
          pulls: pulls.length + extra.length,
          unevenness: spread,
          left: left.value,
        });
      if (extra.length >= order.length >> 1) break;
      extra.push(left.value.reduce((low, share, bolt) => (share < (left.value[low] as number) ? bolt : low), 0));
    }
  }
  return ok(undefined);
}

/**
 * The way with the fewest pulls to evenness, over the usual orders and stages; of two as short the more even one. A printed
 * order is told beside it and never replaced: it is the sheet's word.
 *
 * @param positions - bolts on the face, mm
 * @param wanted - (most − least) ÷ target that is even enough, 0.005 to 1
 * @param printed - places of the bolts in the sheet's order
 * @returns `best` undefined where no way reaches it; the input that cannot be otherwise
 */
export function fewestPulls(
  group: ElasticGroup,
  positions: readonly Point[],
  wanted: number,
  printed?: readonly number[],
): Result<{ best?: EvenPlan; printed?: EvenPlan }, InputFault> {
  const fault = firstFault(outOfRange('wanted', wanted, 0.005, 1), outOfRange('bolts', positions.length, 2, 64));
  if (fault) return fail(fault);
  const places = positions.map((_, bolt) => bolt);
  const at = (bolt: number) => positions[bolt] as Point;
  let best: EvenPlan | undefined;
  const seen = new Set<string>();
  for (const pattern of PATTERNS) {
    const order = tighteningOrder(places, pattern, at);
    const key = order.join();
    if (seen.has(key)) continue;
    seen.add(key);
    for (const school of SCHOOLS) {
      const plan = planFor(group, pattern, order, school, wanted);
      if (!plan.ok) return plan;
      if (plan.value && (!best || better(plan.value, best))) best = plan.value;
    }
  }
  if (!printed) return ok({ best });
  let own: EvenPlan | undefined;
  for (const school of SCHOOLS) {
    const plan = planFor(group, 'printed', printed, school, wanted);
    if (!plan.ok) return plan;
    if (plan.value && (!own || better(plan.value, own))) own = plan.value;
  }
  return ok({ best, printed: own });
}

const better = (plan: EvenPlan, than: EvenPlan): boolean =>
  plan.pulls < than.pulls || (plan.pulls === than.pulls && plan.unevenness < than.unevenness - 1e-9);
