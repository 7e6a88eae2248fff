import { boltStrength } from '../fastener/property-class.ts';
import { parseThread } from '../fastener/thread.ts';
import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import { finishOfBasis } from '../kit/printed-spec.ts';
import { preloadAtYieldShareN } from '../tightening/assembly-preload.ts';
import { usualFace } from '../tightening/proposed-torque.ts';
import { evenFriction, finishFriction } from '../tightening/thread-finish.ts';
import { torqueForPreloadNm } from '../tightening/tightening-torque.ts';

const known = new WeakMap<PlanStation, number | 'unknown'>();

/**
 * The torque a bolt turned by angle ends at, where the sheet prints no limit, N·m: it is drawn to its yield point, so its
 * own strength says how far the torque can rise, at the usual friction of what the figure counts on. For choosing a wrench that
 * reaches it, never for judging a pull.
 *
 * @returns undefined where thread or class of the bolt is not known
 * @see VDI 2230-1:2015, section 5.4.3: the preload at the yield point, equation (139) with a share of 1
 */
export function foretoldFinalNm(plan: Plan, station: PlanStation): number | undefined {
  if (station.spec.kind !== 'torqueAngle') return undefined;
  const cached = known.get(station);
  if (cached !== undefined) return cached === 'unknown' ? undefined : cached;
  const found = workedOut(plan, station);
  known.set(station, found ?? 'unknown');
  return found;
}

function workedOut(plan: Plan, station: PlanStation): number | undefined {
  const { items } = indexOf(plan);
  const bolt = station.stack
    .flatMap((piece) => (piece.kind === 'hardware' ? (items.get(piece.item) ?? []) : []))
    .find(({ thread, propertyClass }) => thread !== undefined && propertyClass !== undefined);
  const read = parseThread(bolt?.thread ?? '');
  if (!read.ok) return undefined;
  const { thread } = read.value;
  const strength = boltStrength(bolt?.propertyClass ?? '', thread);
  const face = usualFace(thread);
  if (!strength.ok || !face) return undefined;
  const { usual } = finishFriction(finishOfBasis(station.basis));
  const preloadN = preloadAtYieldShareN(thread, strength.value.yieldMpa, usual, 1);
  return torqueForPreloadNm(preloadN, thread, evenFriction(usual), face);
}
