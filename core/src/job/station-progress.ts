import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import { isByHand, isStaged } from '../tightening/kinds.ts';
import { type JobState, type Pull, type StationState, stationState } from './job-state.ts';

/**
 * How far a station is, as it is drawn. `beaded`: started, its compound on. `partTorque`: a stage of its torque is pulled. `reopened` was at torque once and was loosened since.
 * `bad`: the last pull went over, or clicked without moving; it must be loosened first.
 */
export type StationMark =
  | 'empty'
  | 'started'
  | 'beaded'
  | 'snug'
  | 'partTorque'
  | 'atTorque'
  | 'verified'
  | 'reopened'
  | 'bad';

const NONE: readonly Pull[] = [];
/** Station states are never changed in place, so what follows from one is worked out once. */
const standingOf = new WeakMap<StationState, readonly Pull[]>();

/** Pulls that still count: not withdrawn, not made before a loosening. */
export function standingPulls(station: StationState): readonly Pull[] {
  if (station.pulls.length === 0) return NONE;
  const known = standingOf.get(station);
  if (known) return known;
  const standing = station.pulls.filter((pull) => !pull.withdrawn && !pull.voided && pull.beside === undefined);
  standingOf.set(station, standing);
  return standing;
}

/** The pull that spoils a station until it is loosened, if its last one does. */
export function spoilingPull(
  station: StationState,
): (Pull & { verdict: 'over' | 'overMaximum' | 'noMovement' }) | undefined {
  const last = standingPulls(station).at(-1);
  if (last?.verdict === 'over' || last?.verdict === 'overMaximum' || last?.verdict === 'noMovement') {
    return { ...last, verdict: last.verdict };
  }
  return undefined;
}

/** Passes of the station that are done, as an index into the group's passes; the next one is the first missing. */
export function nextPassIndex(station: PlanStation, state: StationState): number | undefined {
  if (state.stopConfirmed && isByHand(station.spec)) return undefined;
  const standing = standingPulls(state);
  if (standing.length === 0) return station.passIndexes[0];
  // A bolt that was turned by its angle owes no stage before it any more.
  const reached = isStaged(station.spec)
    ? Math.max(-1, ...standing.flatMap(({ pass, verdict }) => (verdict === 'accepted' ? [pass] : [])))
    : -1;
  return station.passIndexes.find(
    (index) =>
      index > reached &&
      !standing.some((pull) => pull.pass === index && pull.verdict === 'accepted') &&
      !state.marks?.some(({ pass, stale }) => pass === index && !stale),
  );
}

/** Whether all the station's passes are done. A snug-only joint is done when it is snug. */
export function stationComplete(station: PlanStation, state: StationState): boolean {
  return state.stage === 'snug' && nextPassIndex(station, state) === undefined && spoilingPull(state) === undefined;
}

/** Whether the station has seen its full torque, verify passes aside. */
export function atFullTorque(plan: Plan, station: PlanStation, state: StationState): boolean {
  if (state.stage !== 'snug') return false;
  const next = nextPassIndex(station, state);
  if (next === undefined) return true;
  const group = indexOf(plan).groups.get(station.groupId);
  // What was tightened at a visit before says nothing until it is pulled again.
  return group?.passes[next]?.kind === 'verify' && !group.recheck;
}

const markOf = new WeakMap<StationState, { plan: Plan; station: PlanStation; mark: StationMark }>();

/** The mark a station is drawn with. A press changes one of hundreds: the others are known from before. */
export function stationMark(plan: Plan, station: PlanStation, job: JobState): StationMark {
  const state = stationState(job, station.id);
  const known = markOf.get(state);
  if (known?.station === station && known.plan === plan) return known.mark;
  const mark = workedOutMark(plan, station, state);
  markOf.set(state, { plan, station, mark });
  return mark;
}

function workedOutMark(plan: Plan, station: PlanStation, state: StationState): StationMark {
  if (spoilingPull(state)) return 'bad';
  if (atFullTorque(plan, station, state)) {
    const verified =
      stationComplete(station, state) &&
      ((state.marks?.length ?? 0) > 0 ||
        standingPulls(state).some(
          (pull) => indexOf(plan).groups.get(station.groupId)?.passes[pull.pass]?.kind === 'verify',
        ));
    return verified ? 'verified' : 'atTorque';
  }
  const wasAtTorque = state.pulls.some((pull) => pull.voided && pull.verdict === 'accepted');
  if (state.stage !== 'snug' && wasAtTorque) return 'reopened';
  if (state.stage === 'snug' && standingPulls(state).some(({ verdict }) => verdict === 'accepted')) return 'partTorque';
  return state.stage === 'started' && state.bead ? 'beaded' : state.stage;
}

/** Whether every station of a group is complete. */
export function groupComplete(plan: Plan, job: JobState, groupId: string): boolean {
  const members = indexOf(plan).orders.get(groupId)?.listed;
  return members?.every((station) => stationComplete(station, stationState(job, station.id))) ?? false;
}

/** The pull that stands for a station's full torque: the last accepted one of its full-torque passes. */
export function finalPull(plan: Plan, job: JobState, stationId: string): Pull | undefined {
  const station = indexOf(plan).stations.get(stationId);
  const entry = job.stations.get(stationId);
  if (!station || !entry || !atFullTorque(plan, station, entry)) return undefined;
  return entry.pulls.filter((pull) => pull.verdict === 'accepted' && !pull.voided && !pull.withdrawn).at(-1);
}
