import { type GroupOrders, indexOf, type Plan, type PlanGroup, type PlanStation } from '../kit/plan.ts';
import type { AcceptBand } from '../tightening/band.ts';
import { acceptBand, isByHand } from '../tightening/kinds.ts';
import { passFraction } from '../tightening/pass-plan.ts';
import { foretoldFinalNm } from './final-torque.ts';
import { type JobState, stationState } from './job-state.ts';
import { dueStage } from './procedure-stage.ts';
import { groupComplete, nextPassIndex, spoilingPull } from './station-progress.ts';

/** Where a group stands: what its next station needs. */
export type NextStep =
  | { kind: 'start'; station: string }
  | { kind: 'compound'; station: string }
  | { kind: 'snug'; station: string }
  | { kind: 'loosen'; station: string }
  | { kind: 'stage'; station: string; stage: number }
  | { kind: 'pull'; station: string; pass: number }
  | { kind: 'confirmStop'; station: string }
  | { kind: 'done' };

const NO_ORDERS: GroupOrders = { listed: [], start: [], snug: [], torque: [] };

const ordersOf = (plan: Plan, groupId: string): GroupOrders => indexOf(plan).orders.get(groupId) ?? NO_ORDERS;

/** Whether the station's compound is on, or none is called for, or a lead let it go without. */
export function compoundSettled(station: PlanStation, job: JobState): boolean {
  const state = stationState(job, station.id);
  return station.compound === undefined || state.bead !== undefined || state.overrides.compoundMissing !== undefined;
}

/** The pass a group is in: the lowest that any of its stations still has to make. */
function currentPass(plan: Plan, job: JobState, group: PlanGroup): number | undefined {
  let lowest: number | undefined;
  for (const station of ordersOf(plan, group.id).listed) {
    const pass = nextPassIndex(station, stationState(job, station.id));
    if (pass !== undefined && (lowest === undefined || pass < lowest)) lowest = pass;
  }
  return lowest;
}

/** The station whose turn it is to be pulled, in the torque order of the current pass. */
export function nextPull(
  plan: Plan,
  job: JobState,
  group: PlanGroup,
): { station: PlanStation; pass: number } | undefined {
  const pass = currentPass(plan, job, group);
  if (pass === undefined) return undefined;
  const station = ordersOf(plan, group.id).torque.find(
    (entry) => nextPassIndex(entry, stationState(job, entry.id)) === pass,
  );
  return station && { station, pass };
}

/**
 * The one thing to do next in a group: start all, bead all, snug all, then pull pass by pass.
 * A spoiled station comes before everything.
 */
export function nextStep(plan: Plan, job: JobState, groupId: string): NextStep {
  const group = indexOf(plan).groups.get(groupId);
  if (!group) return { kind: 'done' };
  const spoiled = ordersOf(plan, group.id).torque.find((station) => spoilingPull(stationState(job, station.id)));
  if (spoiled) return { kind: 'loosen', station: spoiled.id };
  const unstarted = ordersOf(plan, group.id).start.find((station) => stationState(job, station.id).stage === 'empty');
  if (unstarted) return { kind: 'start', station: unstarted.id };
  const dry = ordersOf(plan, group.id).snug.find(
    (station) => stationState(job, station.id).stage === 'started' && !compoundSettled(station, job),
  );
  if (dry) return { kind: 'compound', station: dry.id };
  const loose = ordersOf(plan, group.id).snug.find((station) => stationState(job, station.id).stage === 'started');
  if (loose) return { kind: 'snug', station: loose.id };
  const pull = nextPull(plan, job, group);
  if (!pull) return { kind: 'done' };
  if (isByHand(pull.station.spec)) return { kind: 'confirmStop', station: pull.station.id };
  const stage = dueStage(pull.station, stationState(job, pull.station.id));
  if (stage !== undefined) return { kind: 'stage', station: pull.station.id, stage };
  return { kind: 'pull', station: pull.station.id, pass: pull.pass };
}

/** The first group, in the kit's order, that has work and waits for no other. */
export function currentGroup(plan: Plan, job: JobState): PlanGroup | undefined {
  return plan.groups.find(
    (entry) => !groupComplete(plan, job, entry.id) && entry.after.every(({ group }) => groupComplete(plan, job, group)),
  );
}

/** The band for a station's pull in one pass of its group. */
export function pullBand(plan: Plan, station: PlanStation, pass: number): AcceptBand | undefined {
  const planned = indexOf(plan).groups.get(station.groupId)?.passes[pass];
  const band = planned && acceptBand(station.spec, passFraction(planned));
  if (!band?.angle) return band;
  // The wrench must still show the torque where the angle ends, not only where it begins.
  const peakNm = band.absoluteMaximumNm ?? foretoldFinalNm(plan, station);
  return peakNm !== undefined && peakNm > band.targetNm ? { ...band, peakNm } : band;
}
