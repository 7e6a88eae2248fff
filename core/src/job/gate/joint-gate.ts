import { indexOf, type Plan, type PlanGroup, type PlanStation } from '../../kit/plan.ts';
import { checkRead } from '../../kit/step-action.ts';
import { lineOf } from '../../line/line.ts';
import type { DecideContext } from '../act/act.ts';
import { type JobState, stationState } from '../job-state.ts';
import { lineProgress } from '../line-progress.ts';
import type { LoadState } from '../load-state.ts';
import { threadHasSet, windowClosesAtMs } from '../locker-window.ts';
import { compoundSettled, nextPull } from '../next-station.ts';
import type { Refusal } from '../refusal.ts';
import { groupComplete, nextPassIndex } from '../station-progress.ts';
import { lineGate } from './line-gate.ts';
import { firstStanding } from './overridden.ts';

/** The one whose joint it is, and when it is asked. */
interface At {
  station: PlanStation;
  group: PlanGroup;
  atMs: number;
}

/** Every fastener of the group in its thread, and of the groups that stay loose with it. */
export function notAllStarted(plan: Plan, job: JobState, group: PlanGroup): Refusal | undefined {
  const { groups } = indexOf(plan);
  const together = [group, ...group.looseWith.flatMap((id) => groups.get(id) ?? [])];
  const waiting = together.flatMap(({ stations }) => stations.filter((id) => stationState(job, id).stage === 'empty'));
  return waiting.length > 0 ? { code: 'groupNotAllStarted', group: group.id, waiting } : undefined;
}

function notAllSnug(job: JobState, group: PlanGroup): Refusal | undefined {
  const waiting = group.stations.filter((id) => stationState(job, id).stage !== 'snug');
  return waiting.length > 0 ? { code: 'groupNotAllSnug', group: group.id, waiting } : undefined;
}

/** Stages of a joint group, in the order they are reached. */
const STAGES = ['start', 'snug', 'torque'] as const;

/** What must be finished before this stage of the group: a stage waits for what an earlier one waited for too. */
export function waitsFor(
  { plan }: Pick<DecideContext, 'plan'>,
  job: JobState,
  group: PlanGroup,
  stage: (typeof STAGES)[number],
): Refusal | undefined {
  const open = group.after
    .filter(({ holds }) => STAGES.indexOf(holds) <= STAGES.indexOf(stage))
    .map((entry) => entry.group)
    .filter((id) => !groupComplete(plan, job, id));
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

/** A bonded bush is torqued where it will stand, whatever its sheet forgot to say. */
export const wantsRideHeight = (group: PlanGroup, station: PlanStation): boolean =>
  group.atRideHeight === true || group.rideHeight !== undefined || (station.tags?.includes('rubberBonded') ?? false);

/** Ways of standing in which a tyre keeps its wheel from turning. */
const TYRE_HELD: ReadonlySet<LoadState> = new Set<LoadState>(['tyreTouches', 'rideHeight', 'onWheels']);

/**
 * Whether the station is a wheel's fastener about to be pulled to its full torque: in the air the wheel turns, and hangs
 * off its centre (common practice, no source).
 */
export function wantsTyreHeld(group: PlanGroup, station: PlanStation, pass: number | undefined): boolean {
  const planned = pass === undefined ? undefined : group.passes[pass];
  return (station.tags?.includes('wheel') ?? false) && planned?.kind === 'tighten' && planned.fraction === 1;
}

/** Whether the tyre is said to keep the wheel from turning. */
export const tyreHeld = (job: JobState): boolean => job.load !== undefined && TYRE_HELD.has(job.load.state);

/** A height that is not measured, or not where the sheet wants the vehicle for this group. */
function rideHeightOff(job: JobState, { rideHeight }: PlanGroup, station: PlanStation): Refusal | undefined {
  if (!rideHeight) return undefined;
  const { places, min = -Infinity, max = Infinity } = rideHeight;
  const heights = job.load?.heights ?? {};
  const off = places.find((place) => !((heights[place] ?? Number.NaN) >= min && (heights[place] ?? Number.NaN) <= max));
  return off === undefined
    ? undefined
    : {
        code: 'rideHeightOff',
        station: station.id,
        place: off,
        value: heights[off],
        min: rideHeight.min,
        max: rideHeight.max,
      };
}

/** A check that must be met before this group is torqued, and is not. */
export function checkOpen(plan: Plan, job: JobState, station: PlanStation): Refusal | undefined {
  const gating = plan.checks.filter(({ gates }) => gates?.includes(station.groupId));
  if (gating.length === 0) return undefined;
  const { acts } = lineProgress(plan, job);
  const looks = lineOf(plan).steps.flatMap((step) => step.acts);
  const open = gating.find((check) => looks.some(({ id, action }) => checkRead(action) === check.id && !acts.has(id)));
  return open && { code: 'checkNotMet', station: station.id, check: open.id };
}

/** The checks before a joint may be finished, by a pull or by reaching its stop. */
export function finishingChecks(context: DecideContext, job: JobState, at: At): Refusal | undefined {
  const { station, group } = at;
  const turn = nextPull(context.plan, job, group);
  const pass = nextPassIndex(station, stationState(job, station.id));
  const verifying = pass !== undefined && group.passes[pass]?.kind === 'verify';
  const state = job.load?.state;
  return firstStanding(job, station.id, [
    lineGate(context.plan, job, station, verifying ? 'verify' : 'torque'),
    checkOpen(context.plan, job, station),
    notAllStarted(context.plan, job, group),
    waitsFor(context, job, group, 'torque'),
    compoundMissing(job, station),
    notAllSnug(job, group),
    turn && turn.station.id !== station.id
      ? { code: 'outOfOrder', station: station.id, next: turn.station.id }
      : undefined,
    wantsRideHeight(group, station) && state !== 'rideHeight' && state !== 'onWheels'
      ? { code: 'notAtRideHeight', station: station.id, state: state ?? 'notStated' }
      : undefined,
    rideHeightOff(job, group, station),
    wantsTyreHeld(group, station, pass) && !tyreHeld(job) ? { code: 'wheelHangs', station: station.id } : undefined,
    // Once it has set, the second look is at the mark: a pull that moves it breaks the bond.
    verifying
      ? threadHasSet(context.plan, job, station, at.atMs)
        ? { code: 'threadHasSet', station: station.id }
        : undefined
      : windowClosed(context, job, at),
  ]);
}
