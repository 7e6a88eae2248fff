import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import {
  type ElasticGroup,
  elasticSequence,
  oneRoundTargetsN,
  type PreloadHistory,
  type Pull,
  passPulls,
  pullsForEvenness,
  unevenness,
} from '../tightening/elastic-interaction.ts';
import { type EvenPlan, fewestPulls } from '../tightening/even-plan.ts';
import type { Point } from '../tightening/load-imbalance.ts';
import { type Remark, remarksThat } from './remark.ts';

export interface InteractionQuestion {
  group: ElasticGroup;
  order: readonly number[];
  /** Rounds as shares of the target, or the pulls one by one. */
  stages?: readonly number[];
  pulls?: readonly Pull[];
  /** N; the highest pull where it is left out. */
  targetN?: number;
  /** Spread that is even enough, as a share of the target; left out when it is not asked. */
  wanted?: number;
  /** Where the bolts lie, mm: then any order is tried for the fewest pulls. */
  positions?: readonly Point[];
  /** Give up after so many rounds. */
  mostRounds?: number;
}

export interface InteractionAnswer {
  pulls: readonly Pull[];
  history: PreloadHistory;
  finalN: number[];
  /** Spread between most and least loaded, as a share of the target: at the end, and after each round. */
  unevenness: number;
  afterRound: number[];
  /** Aim of each pull in order so that one round is enough, N. */
  oneRoundTargetsN?: number[];
  pullsForEvenness?: { rounds?: number; roundPulls?: number; greedyPulls?: number; unevennessByRound: number[] };
  /** The way with the fewest pulls over the usual orders and stages; left out where none reaches it in four rounds. */
  fewest?: EvenPlan;
  remarks: Remark[];
}

/** Of more bolts than this not every order is tried: it would take too long for a screen. */
const MOST_TRIED = 32;
/** Evener than this no wrench pulls: no way is looked for. */
const LEAST_WANTED = 0.005;
/** Bolts below this share of their load are named. Chosen by us. */
const LOOSE_SHARE = 0.8;
/** Spread that a round must take away to have been worth it. Chosen by us. */
const WORTH_A_ROUND = 0.02;

/** What the pulls of a group leave in each bolt. */
export function interaction(question: InteractionQuestion): Result<InteractionAnswer, InputFault> {
  const { group, order, stages = [1], targetN, wanted } = question;
  const rounds = stages.map((share) => ({ share, order }));
  const pulls = question.pulls ?? passPulls(rounds, targetN ?? Number.NaN);
  const run = elasticSequence(group, pulls);
  if (!run.ok) return run;
  const once = targetN === undefined ? undefined : oneRoundTargetsN(group, order, targetN);
  if (once?.ok === false) return once;
  const aim = targetN ?? Math.max(...pulls.map((pull) => pull.toN));
  const even = wanted === undefined ? undefined : pullsForEvenness(group, order, aim, wanted, question.mostRounds);
  if (even?.ok === false) return even;
  const { positions } = question;
  const asked =
    wanted !== undefined &&
    wanted >= LEAST_WANTED &&
    positions !== undefined &&
    positions.length >= 2 &&
    positions.length <= MOST_TRIED;
  const fewest = asked ? fewestPulls(group, positions, wanted) : undefined;
  if (fewest?.ok === false) return fewest;
  const finalN = Array.from(run.value.at(-1) ?? []);
  const afterRound =
    question.pulls === undefined
      ? stages.map((_, index) => unevenness(run.value[(index + 1) * order.length - 1] ?? [], aim))
      : [];
  const lowestShare = finalN.length > 0 ? Math.min(...finalN) / aim : 1;
  const [beforeShare, afterShare] = [afterRound.at(-2), afterRound.at(-1) ?? 0];
  return ok({
    pulls,
    history: run.value,
    finalN,
    unevenness: finalN.length > 0 ? unevenness(finalN, aim) : 0,
    afterRound,
    oneRoundTargetsN: once?.value,
    pullsForEvenness: even?.value,
    ...(fewest?.value.best ? { fewest: fewest.value.best } : {}),
    remarks: remarksThat(
      beforeShare !== undefined && {
        code: beforeShare - afterShare > WORTH_A_ROUND ? 'roundHelped' : 'roundDidLittle',
        beforeShare,
        afterShare,
      },
      lowestShare < LOOSE_SHARE && { code: 'boltLeftLoose', lowestShare },
    ),
  });
}
