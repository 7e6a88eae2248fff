import { indexOf, type Plan } from '../kit/plan.ts';
import { type LineAct, lineOf } from '../line/line.ts';
import { lineKind } from '../line/line-kinds.ts';
import { openConflict } from './gate/conflict-gate.ts';
import { checkOpen, notAllStarted, waitsFor } from './gate/joint-gate.ts';
import { type JobState, stationState } from './job-state.ts';
import { clockOfAct, clockShuts, waitsForTheDriver } from './line-clocks.ts';
import { applyStations, debtTouched, liftedForStep, lineProgress, waitsOfAct } from './line-progress.ts';
import { compoundSettled, type NextStep, nextStep } from './next-station.ts';
import { stepHolder } from './step-holder.ts';

const DONE: NextStep = { kind: 'done' };

/** What the stations of a joint act want next; `done` where nothing of this act is left. */
export function jointNext(plan: Plan, job: JobState, act: LineAct): NextStep {
  const { action } = act;
  const { orders } = indexOf(plan);
  switch (action.type) {
    case 'start': {
      const empty = orders.get(action.group)?.start.find(({ id }) => stationState(job, id).stage === 'empty');
      return empty ? { kind: 'start', station: empty.id } : DONE;
    }
    case 'apply': {
      const dry = applyStations(plan, act).find(
        (station) => !compoundSettled(station, job) && stationState(job, station.id).stage !== 'snug',
      );
      return dry ? { kind: 'compound', station: dry.id } : DONE;
    }
    case 'snug': {
      const next = nextStep(plan, job, action.group);
      return next.kind === 'pull' || next.kind === 'confirmStop' ? DONE : next;
    }
    case 'torque':
    case 'verify':
      return nextStep(plan, job, action.group);
    default:
      return DONE;
  }
}

/** Whether the stations of a joint act can be worked now, as far as other groups go. */
function groupReady(plan: Plan, job: JobState, act: LineAct): boolean {
  const { action } = act;
  if (action.type === 'apply') return true;
  const group = 'group' in action && action.group ? indexOf(plan).groups.get(action.group) : undefined;
  if (!group) return false;
  const stage = action.type === 'start' ? 'start' : action.type === 'snug' ? 'snug' : 'torque';
  if (waitsFor({ plan }, job, group, stage)) return false;
  const next = jointNext(plan, job, act);
  if (next.kind === 'pull' || next.kind === 'confirmStop') {
    const station = indexOf(plan).stations.get(next.station);
    if (station && checkOpen(plan, job, station)) return false;
    // Its figure comes with what is found or chosen elsewhere on the line.
    if (station?.spec.kind === 'missing' && station.spec.why === 'later') return false;
  }
  // Its own are started as its next; those that stay loose with it have acts of their own.
  const unstarted = notAllStarted(plan, job, group);
  const own = new Set(group.stations);
  return stage === 'start' || unstarted?.code !== 'groupNotAllStarted' || unstarted.waiting.every((id) => own.has(id));
}

/** Two kits are at odds about what it touches, and nobody has chosen yet. */
function waitsForTheLead(plan: Plan, { step, action }: LineAct): boolean {
  if (plan.conflicts.length === 0) return false;
  const touched = debtTouched(action);
  return openConflict(plan, [step, ...(touched ? [touched.id] : [])], touched?.opens) !== undefined;
}

/** Why the line stands: what runs, or nothing at all. */
export interface NextOnLine {
  act: LineAct;
  /** A clock that runs on it: it is next when that is over, and nothing else can be done meanwhile. */
  untilMs?: number;
}

/**
 * The act that is next for a person: the first on the line that can be done now. What somebody else has in hand is
 * passed; what only waits for a clock comes when nothing else can be done.
 */
export function nextOnLine(plan: Plan, job: JobState, person: string, nowMs: number): NextOnLine | undefined {
  const { steps: finished, acts: done } = lineProgress(plan, job);
  let waiting: NextOnLine | undefined;
  let others: NextOnLine | undefined;
  for (const step of lineOf(plan).steps) {
    if (finished.has(step.id)) continue;
    const holder = stepHolder(plan, job, step);
    for (const act of step.acts) {
      if (done.has(act.id) || waitsOfAct(plan, job, act) || waitsForTheLead(plan, act)) continue;
      const kind = lineKind(act.action);
      if (kind.byStations && (!groupReady(plan, job, act) || jointNext(plan, job, act).kind === 'done')) continue;
      const lifted = liftedForStep(job, step.id, 'clockRunning') || waitsForTheDriver(act.action);
      const runs = lifted ? undefined : clockOfAct(plan, job, act);
      const shuts = liftedForStep(job, step.id, 'compoundNotSet') ? undefined : clockShuts(plan, job, act, nowMs);
      const clock = runs ?? shuts;
      const untilMs = clock && clock.endsAtMs > nowMs ? clock.endsAtMs : undefined;
      if (untilMs !== undefined) {
        if (waiting?.untilMs === undefined || untilMs < waiting.untilMs) waiting = { act, untilMs };
      } else if (holder && holder.id !== person) others ??= { act };
      else return { act };
    }
  }
  // What another has in hand is better than nothing: it can be taken over.
  return waiting ?? others;
}
