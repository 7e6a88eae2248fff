import { livesHangOnIt } from '../kit/lives-hang-on-it.ts';
import type { Plan, PlanStation } from '../kit/plan.ts';
import { indexOf } from '../kit/plan.ts';
import type { AcceptBand } from '../tightening/band.ts';
import { type Debt, debtsOf, isOwed } from './debt.ts';
import { type JobState, type StationState, stationState } from './job-state.ts';
import { threadHasSet } from './locker-window.ts';
import { type Look, type LookTarget, lookKey } from './look.ts';
import { pullBand } from './next-station.ts';
import type { Stamp } from './stamp.ts';
import { standingPulls, stationComplete } from './station-progress.ts';

/** After this long away from it one sees one's own work with new eyes, ms (chosen by us). */
export const BREAK_MS = 15 * 60_000;

/** When a joint was last worked on, ms; what was looked at before then is to be looked at again. */
export const touchedMs = ({ pulls, loosenings, snugged, stopConfirmed, stages = [] }: StationState): number =>
  Math.max(
    0,
    ...pulls.map(({ atMs, withdrawn }) => withdrawn?.atMs ?? atMs),
    ...loosenings.map(({ atMs }) => atMs),
    ...stages.map(({ atMs }) => atMs),
    snugged?.atMs ?? 0,
    stopConfirmed?.atMs ?? 0,
  );

/** Whose work a joint is: who made its standing pulls, or snugged or judged it. */
export function workOf(state: StationState): Stamp[] {
  const pulled = standingPulls(state);
  if (pulled.length > 0) return [...pulled];
  return [state.stopConfirmed, state.snugged].filter((stamp) => stamp !== undefined);
}

/** What was opened and is closed again: a plug, a neighbour's bolt. */
const isConnection = (debt: Debt): boolean =>
  (debt.kind === 'disconnect' || debt.kind === 'neighbour') && debt.opened !== undefined && !isOwed(debt);

/** Everything that is done and may be looked at again, joints first, in the order of the plan. */
export function lookable(plan: Plan, job: JobState): LookTarget[] {
  const joints = plan.groups.flatMap(({ torqueOrder }) =>
    torqueOrder.filter((id) => {
      const station = indexOf(plan).stations.get(id);
      return station !== undefined && stationComplete(station, stationState(job, id));
    }),
  );
  return [
    ...joints.map((station) => ({ station })),
    ...debtsOf(plan, job)
      .filter(isConnection)
      .map(({ id }) => ({ debt: id })),
  ];
}

/** The look that still stands: the last one, it holds, and nothing was done there since. */
export function standingLook(job: JobState, plan: Plan, target: LookTarget): (Look & Stamp) | undefined {
  const last = job.visit.looks?.[lookKey(target)]?.at(-1);
  if (!last?.holds) return undefined;
  const since =
    'station' in target
      ? touchedMs(stationState(job, target.station))
      : (debtsOf(plan, job)
          .find(({ id }) => id === target.debt)
          ?.ends.at(-1)?.atMs ?? 0);
  return last.atMs >= since ? last : undefined;
}

/** Whether the shop asks a second look at it before the job is signed. */
function isAsked(plan: Plan, target: LookTarget): boolean {
  const { secondLook } = plan.rules;
  if (secondLook === 'all') return true;
  const station = 'station' in target ? indexOf(plan).stations.get(target.station) : undefined;
  return secondLook === 'critical' && station !== undefined && livesHangOnIt(station);
}

/** What the shop asks a second look at and has none that stands. */
export const looksDue = (plan: Plan, job: JobState): LookTarget[] =>
  // Asked of every job at every change: most shops ask for none.
  plan.rules.secondLook === 'none'
    ? []
    : lookable(plan, job).filter((target) => isAsked(plan, target) && !standingLook(job, plan, target));

/**
 * The band a second pull is made in: that of the joint's last pass. Undefined where a pull would do harm or prove nothing: a
 * thread whose locker has set, a bolt turned by angle or to its yield, a joint without a figure.
 */
export function lookBand(plan: Plan, job: JobState, station: PlanStation, atMs: number): AcceptBand | undefined {
  const last = station.passIndexes.at(-1);
  const band = last === undefined ? undefined : pullBand(plan, station, last);
  if (!band || band.angle || band.gradient || threadHasSet(plan, job, station, atMs)) return undefined;
  return band;
}
