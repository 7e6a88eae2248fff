import type { PlanGroup, PlanStation } from '../../kit/plan.ts';
import type { DecideContext } from '../act/act.ts';
import { type JobState, stationState } from '../job-state.ts';
import { windowClosesAtMs } from '../locker-window.ts';
import { compoundSettled, nextPull } from '../next-station.ts';
import type { Refusal } from '../refusal.ts';
import { groupComplete, nextPassIndex } from '../station-progress.ts';
import { firstStanding } from './overridden.ts';

/** The one whose joint it is, and when it is asked. */
interface At {
  station: PlanStation;
  group: PlanGroup;
  atMs: number;
}

export function notAllStarted(job: JobState, group: PlanGroup): Refusal | undefined {
  const waiting = group.stations.filter((id) => stationState(job, id).stage === 'empty');
  return waiting.length > 0 ? { code: 'groupNotAllStarted', group: group.id, waiting } : undefined;
}

function notAllSnug(job: JobState, group: PlanGroup): Refusal | undefined {
  const waiting = group.stations.filter((id) => stationState(job, id).stage !== 'snug');
  return waiting.length > 0 ? { code: 'groupNotAllSnug', group: group.id, waiting } : undefined;
}

export function waitsFor({ plan }: DecideContext, job: JobState, group: PlanGroup): Refusal | undefined {
  const open = group.after.filter((id) => !groupComplete(plan, job, id));
  return open.length > 0 ? { code: 'groupWaitsFor', group: group.id, waitsFor: open } : undefined;
}

export const compoundMissing = (job: JobState, station: PlanStation): Refusal | undefined =>
  compoundSettled(station, job)
    ? undefined
    : { code: 'compoundMissing', station: station.id, compound: station.compound ?? '' };

export function windowClosed({ plan }: DecideContext, job: JobState, { station, atMs }: At): Refusal | undefined {
  const closedAtMs = windowClosesAtMs(plan, job, station);
  return closedAtMs !== undefined && atMs > closedAtMs
    ? { code: 'lockerWindowClosed', station: station.id, closedAtMs }
    : undefined;
}

/** The checks before a joint may be finished, by a pull or by reaching its stop. */
export function finishingChecks(context: DecideContext, job: JobState, at: At): Refusal | undefined {
  const { station, group } = at;
  const turn = nextPull(context.plan, job, group);
  const pass = nextPassIndex(station, stationState(job, station.id));
  const verifying = pass !== undefined && group.passes[pass]?.kind === 'verify';
  const state = job.load?.state;
  return firstStanding(job, station.id, [
    notAllStarted(job, group),
    waitsFor(context, job, group),
    compoundMissing(job, station),
    notAllSnug(job, group),
    turn && turn.station.id !== station.id
      ? { code: 'outOfOrder', station: station.id, next: turn.station.id }
      : undefined,
    group.atRideHeight && state !== 'rideHeight' && state !== 'onWheels'
      ? { code: 'notAtRideHeight', station: station.id, state: state ?? 'notStated' }
      : undefined,
    // A verify pull moves nothing, so a set thread is not broken by it.
    verifying ? undefined : windowClosed(context, job, at),
  ]);
}
