import { setsOnTheThread } from '../compound/compound.ts';
import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import { ASSUMED_PULL_S } from '../tightening/pass-plan.ts';
import { type JobState, stationState } from './job-state.ts';
import { atFullTorque, nextPassIndex } from './station-progress.ts';

/** When the compound on a station can no longer be worked, Unix ms; undefined where no clock runs. */
export function windowClosesAtMs(plan: Plan, job: JobState, station: PlanStation): number | undefined {
  const bead = stationState(job, station.id).bead;
  const compound = bead && indexOf(plan).compounds.get(bead.compound);
  if (!bead || !compound?.workingWindowMin || !setsOnTheThread(compound.kind)) return undefined;
  return bead.atMs + compound.workingWindowMin * 60_000;
}

/** Whether what is on a station's thread has begun to set: turned now, its bond breaks. */
export function threadHasSet(plan: Plan, job: JobState, station: PlanStation, atMs: number): boolean {
  const closedAtMs = windowClosesAtMs(plan, job, station);
  return closedAtMs !== undefined && atMs > closedAtMs;
}

/** Gaps longer than this are interruptions, not pace, s (chosen by us). */
const INTERRUPTION_S = 180;

/** Seconds one pull takes at the pace of this group: the median gap between its last pulls, once two are made. */
export function paceS(job: JobState, stations: readonly string[]): number {
  const times = stations.flatMap((id) => stationState(job, id).pulls.map((pull) => pull.atMs)).sort((a, b) => a - b);
  const gaps = times
    .slice(1)
    .map((at, index) => (at - (times[index] ?? at)) / 1000)
    .filter((gap) => gap > 0 && gap <= INTERRUPTION_S)
    .slice(-8)
    .sort((a, b) => a - b);
  return gaps[Math.floor(gaps.length / 2)] ?? ASSUMED_PULL_S;
}

/** What the clock on a group's threads says. */
export interface LockerClock {
  group: string;
  compound: string;
  /** The station whose bead was put on first and is not yet at full torque. */
  oldest: string;
  /** Start of the window, Unix ms. */
  openedAtMs: number;
  closesAtMs: number;
  /** Pulls still to be made on beaded stations before full torque. */
  pullsLeft: number;
  /** Time those pulls need at the present pace, s. */
  needsS: number;
}

/** The running clock of a group: from the first bead, until every beaded station is at full torque. */
export function lockerClock(plan: Plan, job: JobState, groupId: string): LockerClock | undefined {
  const { groups, stations } = indexOf(plan);
  const group = groups.get(groupId);
  if (!group) return undefined;
  let oldest: { station: PlanStation; openedAtMs: number; closesAtMs: number; compound: string } | undefined;
  let pullsLeft = 0;
  for (const id of group.stations) {
    const station = stations.get(id);
    const state = stationState(job, id);
    if (!station || !state.bead || atFullTorque(plan, station, state)) continue;
    const closesAtMs = windowClosesAtMs(plan, job, station);
    if (closesAtMs === undefined) continue;
    const from = nextPassIndex(station, state);
    pullsLeft += station.passIndexes.filter(
      (pass) => from !== undefined && pass >= from && group.passes[pass]?.kind === 'tighten',
    ).length;
    if (!oldest || closesAtMs < oldest.closesAtMs)
      oldest = { station, openedAtMs: state.bead.atMs, closesAtMs, compound: state.bead.compound };
  }
  if (!oldest) return undefined;
  return {
    group: groupId,
    compound: oldest.compound,
    oldest: oldest.station.id,
    openedAtMs: oldest.openedAtMs,
    closesAtMs: oldest.closesAtMs,
    pullsLeft,
    needsS: pullsLeft * paceS(job, group.stations),
  };
}

/**
 * How many stations of a group can be beaded now and still be brought to full torque before the first bead sets
 * (M38): bolts × passes × seconds against the window.
 *
 * @returns the number of stations, at least 1, and the seconds each takes; undefined where nothing sets
 */
export function lockerCapacity(
  plan: Plan,
  job: JobState,
  groupId: string,
): { stations: number; secondsEach: number } | undefined {
  const { groups, stations, compounds } = indexOf(plan);
  const group = groups.get(groupId);
  const treated =
    group?.stations.flatMap((id) => stations.get(id) ?? []).filter((station) => station.compound !== undefined) ?? [];
  const windows = treated.flatMap((station) => compounds.get(station.compound ?? '')?.workingWindowMin ?? []);
  if (!group || windows.length === 0) return undefined;
  const rounds = group.passes.filter((pass) => pass.kind === 'tighten').length;
  // The bead, the snug and each round, one pull's time each.
  const secondsEach = (rounds + 2) * paceS(job, group.stations);
  return { stations: Math.max(1, Math.floor((Math.min(...windows) * 60) / secondsEach)), secondsEach };
}
