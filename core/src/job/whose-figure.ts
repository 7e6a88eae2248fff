import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import { COMPARISON_SLACK } from '../tightening/judge-pull.ts';
import { acceptBand, type TighteningSpec } from '../tightening/kinds.ts';

/** The joint whose figure a reading meets, where it misses that of the joint it was pulled on. */
export interface WhoseFigure {
  printed: string;
  /** Another joint of this job; left out: this one's own figure for another vehicle. */
  station?: string;
}

function meets(spec: TighteningSpec, torqueNm: number): boolean {
  const band = acceptBand(spec);
  return (
    band !== undefined &&
    !band.angle &&
    !band.gradient &&
    torqueNm >= band.minNm - COMPARISON_SLACK &&
    torqueNm <= band.maxNm + COMPARISON_SLACK
  );
}

/** How near another joint lies to this one: the nearer, the likelier its figure was taken. */
function nearness(plan: Plan, of: PlanStation, other: PlanStation): number {
  const { items } = indexOf(plan);
  const threads = (station: PlanStation) =>
    station.stack.flatMap((piece) => (piece.kind === 'hardware' ? (items.get(piece.item)?.thread ?? []) : []));
  const sameThread = threads(of).some((thread) => threads(other).includes(thread));
  return Number(other.groupId === of.groupId) * 2 + Number(sameThread);
}

/**
 * Whose figure a reading is that misses its own: this joint's for another year, engine or finish, or that of another joint
 * of the job. A wrench set for the rear axle stays set when one walks to the front (M31).
 *
 * @param torqueNm - as it was read, N·m
 */
export function whoseFigure(plan: Plan, station: PlanStation, torqueNm: number): WhoseFigure | undefined {
  const own = station.notThisVehicle?.find(({ spec }) => meets(spec, torqueNm));
  if (own) return { printed: own.printed };
  const [nearest] = plan.stations
    .filter((other) => other.id !== station.id && other.printed !== station.printed && meets(other.spec, torqueNm))
    .sort((a, b) => nearness(plan, station, b) - nearness(plan, station, a));
  return nearest && { printed: nearest.printed, station: nearest.id };
}
