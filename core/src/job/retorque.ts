import type { StationId } from '../kit/ids.ts';
import { indexOf, type Plan, type PlanGroup, type PlanStation } from '../kit/plan.ts';
import { MOVEMENT_DEG } from '../tightening/judge-pull.ts';
import type { Reading } from '../tightening/kind/reading.ts';
import { type JobState, stationState } from './job-state.ts';
import { standingPulls } from './station-progress.ts';

/** Stations up to this many times as far as the nearest one count as beside it (chosen by us). */
const BESIDE = 1.5;

/** Whether a joint turned before it came to its torque: as the wrench measured it, else as it was said. */
export const hasTurned = ({ movementDeg, moved }: Pick<Reading, 'movementDeg' | 'moved'>): boolean =>
  movementDeg === undefined ? moved === true : movementDeg >= MOVEMENT_DEG;

/**
 * The joints beside one, in its group. Drawing one joint on takes load off those next to it (elastic interaction), so that
 * one that turned makes them doubtful. @see VDI 2230-2:2014, on multi-bolted joints
 */
export function besideOf(plan: Plan, group: PlanGroup, station: PlanStation): StationId[] {
  const { stations } = indexOf(plan);
  const others = group.stations.flatMap((id) => {
    const other = id === station.id ? undefined : stations.get(id);
    return other ? [{ id, mm: Math.hypot(other.xMm - station.xMm, other.yMm - station.yMm) }] : [];
  });
  const nearest = Math.min(...others.map(({ mm }) => mm));
  return others.filter(({ mm }) => mm <= nearest * BESIDE).map(({ id }) => id);
}

/** Of those, the ones that were pulled already and are to be pulled once more. */
export const pulledBeside = (plan: Plan, job: JobState, group: PlanGroup, station: PlanStation): StationId[] =>
  besideOf(plan, group, station).filter((id) => standingPulls(stationState(job, id)).length > 0);
