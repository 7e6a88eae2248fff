import { PHASES } from '../kit/phase.ts';
import { indexOf, type Plan, type PlanAction, type PlanStation } from '../kit/plan.ts';
import { checkRead } from '../kit/step-action.ts';
import { type LineAct, type LineStep, lineOf } from '../line/line.ts';
import { lineKind } from '../line/line-kinds.ts';
import { baselineMisses } from './baseline-verdict.ts';
import { asideId, type Debt, debtsOf } from './debt.ts';
import { type JobState, stationState } from './job-state.ts';
import { compoundSettled } from './next-station.ts';
import { oncePerState } from './once-per-state.ts';
import type { Refusal, RefusalCode } from './refusal.ts';
import { atFullTorque, groupComplete } from './station-progress.ts';
import type { ActTry } from './visit-state.ts';

/** The debt an action opens or closes, by its id; undefined for other actions. */
export function debtTouched(action: PlanAction): { id: string; opens: boolean } | undefined {
  switch (action.type) {
    case 'remove':
      return { id: action.removed, opens: true };
    case 'refit':
    case 'moveOver':
    case 'settle':
      return { id: action.removed, opens: false };
    case 'swingAside':
      return { id: asideId(action.removed), opens: true };
    case 'swingBack':
      return { id: asideId(action.removed), opens: false };
    case 'disconnect':
      return { id: action.disconnect, opens: true };
    case 'reconnect':
      return { id: action.disconnect, opens: false };
    case 'loosen':
      return { id: action.neighbour, opens: true };
    case 'retighten':
      return { id: action.neighbour, opens: false };
    case 'putOn':
    case 'refitForNow':
      return { id: action.temporary, opens: true };
    case 'clear':
      return { id: action.temporary, opens: false };
    default:
      return undefined;
  }
}

/** The last time an act was done, whatever came of it. */
export const lastTry = (job: JobState, act: string): ActTry | undefined => job.visit.acts[act]?.tries.at(-1);

/** Done, and not opened again by a check that found otherwise; met where a miss does not just stand on the record. */
function isMet(job: JobState, act: string, misses = false): boolean {
  const { tries = [], reopened = 0 } = job.visit.acts[act] ?? {};
  const last = tries.at(-1);
  return last !== undefined && tries.length > reopened && (misses || last.failed.length === 0);
}

/** Whether every place of a baseline was measured, or found elsewhere by somebody named. */
function measured(plan: Plan, job: JobState, act: LineAct, id: string, when: 'before' | 'after'): boolean {
  const baseline = plan.baselines.find((entry) => entry.id === id);
  const said = lastTry(job, act.id)?.answers;
  return (baseline?.places ?? []).every(
    (place) =>
      job.visit.measurements[id]?.[place]?.[when] !== undefined ||
      (when === 'after' && Array.isArray(said?.[`at ${place}`])),
  );
}

/** Stations by the act that puts their compound on, once per plan. */
const applied = new WeakMap<Plan, Map<string, readonly PlanStation[]>>();

/** The stations an `apply` act is about: of the group it names, of its step's joints, else of the next that carry it. */
export function applyStations(plan: Plan, act: LineAct): readonly PlanStation[] {
  const { action } = act;
  if (action.type !== 'apply') return [];
  const known = applied.get(plan) ?? new Map<string, readonly PlanStation[]>();
  applied.set(plan, known);
  const found = known.get(act.id);
  if (found) return found;
  const carrying = plan.stations.filter((station) => station.compound === action.compound);
  const inGroups = (groups: readonly string[]) => carrying.filter(({ groupId }) => groups.includes(groupId));
  const { steps, stepById } = lineOf(plan);
  const own = stepById.get(act.step);
  const groupsOf = (step: LineStep | undefined): string[] =>
    (step?.acts ?? []).flatMap(({ action: other }) =>
      other.type === 'start' || other.type === 'snug' || other.type === 'torque' ? [other.group] : [],
    );
  const following = steps.slice(own?.number ?? 0);
  const stations =
    action.group !== undefined
      ? inGroups([action.group])
      : ([own, ...following].map((step) => inGroups(groupsOf(step))).find((list) => list.length > 0) ?? carrying);
  known.set(act.id, stations);
  return stations;
}

/** Whether what an action asks is so already, by what else was recorded; undefined where only its own fact can say. */
function follows(plan: Plan, job: JobState, act: LineAct, debts: ReadonlyMap<string, Debt>): boolean | undefined {
  const { action } = act;
  const touched = debtTouched(action);
  if (touched) {
    const debt = debts.get(touched.id);
    if (touched.opens) return debt?.opened !== undefined;
    // What nobody opened has nothing to end: a press says that it was looked at.
    if (debt?.opened === undefined) return isMet(job, act.id);
    // A check found it otherwise: it is in its place, and to be looked at again.
    if (job.visit.acts[act.id]?.reopened && !isMet(job, act.id)) return false;
    return debt.ended >= debt.count;
  }
  const stagesOf = (group: string) =>
    (indexOf(plan).groups.get(group)?.stations ?? []).map((id) => stationState(job, id).stage);
  switch (action.type) {
    case 'measure':
      return measured(plan, job, act, action.baseline, 'before');
    case 'measureAgain': {
      const baseline = plan.baselines.find((entry) => entry.id === action.baseline);
      const misses = baseline?.miss === 'gates' ? baselineMisses(baseline, job.visit.measurements[baseline.id]) : [];
      return misses.length === 0 && measured(plan, job, act, action.baseline, 'after');
    }
    case 'check':
    case 'align':
    case 'test':
      // A miss that only stands on the record lets the work go on.
      return plan.checks.find(({ id }) => id === action.check)?.miss === 'deviation'
        ? isMet(job, act.id, true)
        : undefined;
    case 'prerequisite':
      return job.visit.prerequisites[action.prerequisite]?.met === true;
    case 'choose':
      return job.visit.choices[action.choice] !== undefined;
    case 'start':
      return stagesOf(action.group).every((stage) => stage !== 'empty');
    case 'snug':
      return stagesOf(action.group).every((stage) => stage === 'snug');
    case 'torque': {
      // A second look that has a step of its own is that step's.
      const looksAgain = lineOf(plan).jointActs.has(`${action.group} verify`);
      return looksAgain
        ? (indexOf(plan).orders.get(action.group)?.listed ?? []).every((station) =>
            atFullTorque(plan, station, stationState(job, station.id)),
          )
        : groupComplete(plan, job, action.group);
    }
    case 'verify':
      return groupComplete(plan, job, action.group);
    case 'apply':
      return applyStations(plan, act).every(
        (station) => compoundSettled(station, job) || stationState(job, station.id).stage === 'snug',
      );
    default:
      return undefined;
  }
}

/** How far the line is. */
export interface LineProgress {
  /** Ids of the steps that are done, or let go by a lead. */
  steps: ReadonlySet<string>;
  /** Ids of the acts that are done. */
  acts: ReadonlySet<string>;
  debts: ReadonlyMap<string, Debt>;
}

/** What of the line is done. */
export const lineProgress = oncePerState((plan, job): LineProgress => {
  const debts = new Map(debtsOf(plan, job).flatMap((debt) => debt.ids.map((id) => [id, debt] as const)));
  const steps = new Set<string>();
  const acts = new Set<string>();
  for (const step of lineOf(plan).steps) {
    // Jobs begun before every act had its own fact ticked whole steps.
    const whole = job.visit.steps[step.id] !== undefined || job.visit.waived[step.id] !== undefined;
    let open = 0;
    for (const act of step.acts) {
      const done = whole || (follows(plan, job, act, debts) ?? isMet(job, act.id));
      if (done) acts.add(act.id);
      else open += 1;
    }
    if (open === 0) steps.add(step.id);
  }
  return { steps, acts, debts };
});

/** Acts of stations, of which several groups go on side by side. */
const isByStations = (act: LineAct): boolean => lineKind(act.action).byStations === true;

const groupsIn = (step: LineStep, done: ReadonlySet<string>): Set<string> =>
  new Set(
    step.acts.flatMap(({ id, action }) => ('group' in action && action.group && !done.has(id) ? [action.group] : [])),
  );

/**
 * Whether a step that comes earlier in the sheet need not be finished first: joints of other groups in the same stretch,
 * or the other side of the vehicle. What a sheet says itself with `after` holds.
 */
function besides(plan: Plan, later: LineStep, earlier: LineStep, done: ReadonlySet<string>): boolean {
  const open = earlier.acts.filter(({ id }) => !done.has(id));
  const mine = groupsIn(later, done);
  const theirs = groupsIn(earlier, done);
  // Within one group the joint's own gates say it, station by station.
  if (open.every(isByStations) && [...theirs].every((group) => mine.has(group))) return true;
  if (later.step.strict || earlier.step.phase !== later.step.phase) return false;
  // The reverse of a strip may be put back in another order than it came off.
  if (later.step.made === 'refit' && earlier.step.made === 'refit') return true;
  const oneSide = plan.kits.find(({ id }) => id === later.step.kit)?.oneSideAtATime === true;
  if (
    !oneSide &&
    later.step.side !== undefined &&
    earlier.step.side !== undefined &&
    later.step.side !== earlier.step.side
  )
    return true;
  return (
    later.acts.every((act) => isByStations(act) || done.has(act.id)) &&
    open.every(isByStations) &&
    ![...theirs].some((group) => mine.has(group))
  );
}

/** A wait that says which things it keeps shut lets the others go on. */
const CLOSES: Record<string, ReadonlySet<PlanAction['type']>> = {
  torque: new Set(['torque', 'verify']),
  wheelsOn: new Set(['lower']),
  drive: new Set(['test']),
  tow: new Set(),
};

function letsPast(earlier: LineStep, later: LineStep, done: ReadonlySet<string>): boolean {
  const open = earlier.acts.filter(({ id }) => !done.has(id));
  return (
    open.length > 0 &&
    open.every(
      ({ action }) =>
        action.type === 'wait' &&
        action.gates !== undefined &&
        action.gates.every((gate) => later.acts.every((act) => !CLOSES[gate]?.has(act.action.type))),
    )
  );
}

const held = new WeakMap<Plan, ReadonlyArray<{ step: LineStep; from: number }>>();

/** Steps with a check that holds a phase, and which. */
function holding(plan: Plan): ReadonlyArray<{ step: LineStep; from: number }> {
  const known = held.get(plan);
  if (known) return known;
  const found = lineOf(plan).steps.flatMap((step) =>
    step.acts.flatMap(({ action }) => {
      const check = checkRead(action);
      const holds = plan.checks.find(({ id }) => id === check)?.holds;
      return holds === undefined ? [] : [{ step, from: PHASES.indexOf(holds) }];
    }),
  );
  held.set(plan, found);
  return found;
}

/** Steps that a step still waits for, in the order of the line. */
export function waitsOfStep(plan: Plan, job: JobState, id: string): string[] {
  const { stepById } = lineOf(plan);
  const { steps, acts } = lineProgress(plan, job);
  const step = stepById.get(id);
  if (!step) return [];
  const waiting = new Set<string>();
  const seen = new Set<string>();
  const look = (ids: readonly string[]): void => {
    for (const before of ids) {
      if (seen.has(before)) continue;
      seen.add(before);
      const earlier = stepById.get(before);
      if (!earlier) continue;
      // What is done may have been done out of turn: what it waited for is waited for still.
      if (steps.has(before) || besides(plan, step, earlier, acts) || letsPast(earlier, step, acts))
        look(earlier.step.after);
      else waiting.add(before);
    }
  };
  look(step.step.after);
  for (const { step: check, from } of holding(plan))
    if (check.number < step.number && PHASES.indexOf(step.step.phase) >= from && !steps.has(check.id))
      waiting.add(check.id);
  return [...waiting].sort((a, b) => (stepById.get(a)?.number ?? 0) - (stepById.get(b)?.number ?? 0));
}

/** Acts of its own step that come before an act: a part is on before its bolts are started. */
function waitsInStep(plan: Plan, job: JobState, act: LineAct): string[] {
  const { acts } = lineProgress(plan, job);
  const step = lineOf(plan).stepById.get(act.step);
  return (step?.acts ?? [])
    .filter((other) => other.at < act.at && !acts.has(other.id) && !(isByStations(other) && isByStations(act)))
    .map(({ id }) => id);
}

/** Whether a lead lifted a refusal for a step. */
export const liftedForStep = (job: JobState, step: string, code: RefusalCode): boolean =>
  job.visit.stepOverrides[step]?.[code] !== undefined;

/** What keeps an act from being done now, of what the line's order says. */
export function waitsOfAct(plan: Plan, job: JobState, act: LineAct, station?: string): Refusal | undefined {
  if (liftedForStep(job, act.step, 'stepWaitsFor')) return undefined;
  const steps = waitsOfStep(plan, job, act.step);
  if (steps.length > 0) {
    const strip = steps.filter((id) => {
      const phase = lineOf(plan).stepById.get(id)?.step.phase;
      return phase === 'prepare' || phase === 'strip';
    });
    return station !== undefined && strip.length > 0
      ? { code: 'stripOpen', station, steps: strip }
      : { code: 'stepWaitsFor', step: act.step, steps };
  }
  const acts = waitsInStep(plan, job, act);
  return acts.length > 0 ? { code: 'actWaitsFor', act: act.id, acts } : undefined;
}
