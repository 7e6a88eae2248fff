import { indexOf, type Plan, type PlanAction, type PlanStep } from '../kit/plan.ts';
import { type Debt, debtsOf } from './debt.ts';
import { type JobState, stationState } from './job-state.ts';
import { groupComplete } from './station-progress.ts';

/** The debt an action opens or closes, by its id; undefined for other actions. */
export function debtTouched(action: PlanAction): { id: string; opens: boolean } | undefined {
  switch (action.type) {
    case 'remove':
      return { id: action.removed, opens: true };
    case 'refit':
      return { id: action.removed, opens: false };
    case 'disconnect':
      return { id: action.disconnect, opens: true };
    case 'reconnect':
      return { id: action.disconnect, opens: false };
    case 'loosen':
      return { id: action.neighbour, opens: true };
    case 'retighten':
      return { id: action.neighbour, opens: false };
    case 'clear':
      return { id: action.temporary, opens: false };
    default:
      return undefined;
  }
}

/** Whether what an action asks is so already, by what else was recorded; undefined where only a tick can say. */
function actionDone(
  plan: Plan,
  job: JobState,
  action: PlanAction,
  debts: ReadonlyMap<string, Debt>,
): boolean | undefined {
  const touched = debtTouched(action);
  if (touched) {
    const debt = debts.get(touched.id);
    // What was never put on need not be taken away.
    if (debt?.kind === 'temporary' && debt.opened === undefined) return true;
    return touched.opens ? debt?.opened !== undefined : debt !== undefined && debt.ended >= debt.count;
  }
  const stagesOf = (group: string) =>
    (indexOf(plan).groups.get(group)?.stations ?? []).map((id) => stationState(job, id).stage);
  switch (action.type) {
    case 'measure': {
      const baseline = plan.baselines.find((entry) => entry.id === action.baseline);
      return baseline?.places.every((place) => job.visit.measurements[baseline.id]?.[place]?.before !== undefined);
    }
    case 'start':
      return stagesOf(action.group).every((stage) => stage !== 'empty');
    case 'snug':
      return stagesOf(action.group).every((stage) => stage === 'snug');
    case 'torque':
    case 'verify':
      return groupComplete(plan, job, action.group);
    default:
      return undefined;
  }
}

/** Debts by every id they have. */
export const debtsById = (plan: Plan, job: JobState): ReadonlyMap<string, Debt> =>
  new Map(debtsOf(plan, job).flatMap((debt) => debt.ids.map((id) => [id, debt] as const)));

/** Whether a step is done: ticked, or all its actions are so already, whoever recorded them. */
export function stepDone(plan: Plan, job: JobState, step: PlanStep, debts: ReadonlyMap<string, Debt>): boolean {
  if (job.visit.steps[step.id] !== undefined) return true;
  return step.actions.length > 0 && step.actions.every((action) => actionDone(plan, job, action, debts) === true);
}

/** Ids of all steps that are done. */
export function stepsDone(plan: Plan, job: JobState): ReadonlySet<string> {
  if (plan.steps.length === 0) return new Set();
  const debts = debtsById(plan, job);
  return new Set(plan.steps.filter((step) => stepDone(plan, job, step, debts)).map((step) => step.id));
}

export const isStrip = (step: PlanStep): boolean => step.phase === 'prepare' || step.phase === 'strip';

const stripBeforeGroups = new WeakMap<Plan, ReadonlyMap<string, readonly PlanStep[]>>();

/** The preparing and stripping a joint group waits for: what the steps that start it wait for, however far back. */
export function stripBefore(plan: Plan, groupId: string): readonly PlanStep[] {
  const known = stripBeforeGroups.get(plan) ?? gather(plan);
  stripBeforeGroups.set(plan, known);
  return known.get(groupId) ?? [];
}

function gather(plan: Plan): ReadonlyMap<string, readonly PlanStep[]> {
  const { steps } = indexOf(plan);
  return new Map(
    plan.groups.map((group) => {
      const starting = plan.steps.filter((step) =>
        step.actions.some((action) => action.type === 'start' && action.group === group.id),
      );
      const seen = new Set<string>();
      const back = (ids: readonly string[]): void => {
        for (const id of ids) {
          if (seen.has(id)) continue;
          seen.add(id);
          back(steps.get(id)?.after ?? []);
        }
      };
      back(starting.flatMap((step) => step.after));
      return [group.id, plan.steps.filter((step) => seen.has(step.id) && isStrip(step))];
    }),
  );
}

/** Actions that put back, close or let down. */
const BACK: ReadonlySet<PlanAction['type']> = new Set(['refit', 'reconnect', 'retighten', 'lower', 'undo']);

/** Whether a step belongs to putting the vehicle together again: it puts back, lets down, cures, checks or hands over. */
const isRefit = (step: PlanStep): boolean =>
  step.made === 'refit' ||
  step.phase === 'closeOut' ||
  step.phase === 'cure' ||
  step.actions.some((action) => BACK.has(action.type));

/** The steps that put things back and look at the result, in the order a person gave them, as far as they gave one. */
export function refitSteps(plan: Plan, job: JobState): PlanStep[] {
  const place = new Map((job.visit.refitOrder ?? []).map((id, index) => [id, index]));
  return plan.steps
    .map((step, index) => ({ step, at: place.get(step.id) ?? place.size + index }))
    .filter(({ step }) => isRefit(step))
    .sort((a, b) => a.at - b.at)
    .map(({ step }) => step);
}

/**
 * Refit steps that only a tick can tell are done, where what they undo was done: words such as "Chock the wheels". What
 * has a debt is told by the debt.
 */
export function openRefits(plan: Plan, job: JobState): string[] {
  return plan.steps
    .filter(
      (step) =>
        step.made === 'refit' &&
        step.actions.some((action) => action.type === 'undo' || action.type === 'lower') &&
        job.visit.steps[step.undoes ?? ''] !== undefined &&
        job.visit.steps[step.id] === undefined,
    )
    .map((step) => step.id);
}
