import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import { acceptBand } from '../tightening/kinds.ts';

/**
 * Share of the final torque that running a bolt down may take where neither kit nor shop says. Chosen by us: a locking nut
 * takes up to about a quarter (common practice, no source); above that the thread is at fault, or the joint lacks what
 * the thread took.
 */
export const USUAL_RUN_DOWN_SHARE = 0.3;

/** The most torque running a station down may take, N·m: the kit's share of its figure, else the shop's; undefined without a figure. */
export function runDownLimitNm(plan: Plan, station: PlanStation): number | undefined {
  const targetNm = acceptBand(station.spec)?.targetNm;
  const share = indexOf(plan).kits.get(station.kit)?.runDownShare ?? plan.rules.runDownShare ?? USUAL_RUN_DOWN_SHARE;
  return targetNm === undefined ? undefined : targetNm * share;
}
