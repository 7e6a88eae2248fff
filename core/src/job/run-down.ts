import { parseThread } from '../fastener/thread.ts';
import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import { acceptBand } from '../tightening/kinds.ts';

/**
 * Share of the final torque that running a bolt down may take where neither kit nor shop says. Chosen by us: a locking nut
 * takes up to about a quarter (common practice, no source); above that the thread is at fault, or the joint lacks what
 * the thread took.
 */
export const USUAL_RUN_DOWN_SHARE = 0.3;

/** Nominal diameter of the thread a station's bolt or nut has, mm; undefined where its hardware does not say. */
export function threadMm(plan: Plan, { stack }: PlanStation): number | undefined {
  const { items } = indexOf(plan);
  for (const piece of stack) {
    const size = piece.kind === 'hardware' ? items.get(piece.item)?.thread : undefined;
    const read = size === undefined ? undefined : parseThread(size);
    if (read?.ok) return read.value.thread.nominalMm;
  }
  return undefined;
}

/** 5/16 in and M8 are one size to whoever holds the driver, mm. */
const SIZE_SLACK_MM = 0.5;

/** Whether a station's thread is smaller than what the shop runs down with a power tool. */
export function isTooSmallForPower(plan: Plan, station: PlanStation): boolean {
  const size = threadMm(plan, station);
  return size !== undefined && size < plan.rules.powerFromMm - SIZE_SLACK_MM;
}

/** The most torque running a station down may take, N·m: the kit's share of its figure, else the shop's; undefined without a figure. */
export function runDownLimitNm(plan: Plan, station: PlanStation): number | undefined {
  const targetNm = acceptBand(station.spec)?.targetNm;
  const share = indexOf(plan).kits.get(station.kit)?.runDownShare ?? plan.rules.runDownShare ?? USUAL_RUN_DOWN_SHARE;
  return targetNm === undefined ? undefined : targetNm * share;
}
