import type { Plan, PlanAction } from '../../kit/plan.ts';
import { lineOf } from '../../line/line.ts';
import type { JobState } from '../job-state.ts';
import type { Refusal } from '../refusal.ts';

/** Ids of what the sheet itself asks only after a step of the line. */
function askedLater(plan: Plan, step: string | undefined): ReadonlySet<string> {
  if (step === undefined) return new Set();
  const { steps, stepById } = lineOf(plan);
  const here = stepById.get(step)?.number ?? 0;
  const named = (action: PlanAction): string[] =>
    action.type === 'measure' ? [action.baseline] : action.type === 'choose' ? [action.choice] : [];
  return new Set(steps.slice(here).flatMap(({ acts }) => acts.flatMap(({ action }) => named(action))));
}

/**
 * What must be settled before anything comes off: prerequisites, baselines, choices.
 *
 * @param step - the step that takes it off: what the sheet measures or chooses later does not hold it
 */
export function stripGate(plan: Plan, job: JobState, step?: string): Refusal | undefined {
  const unmet = plan.prerequisites.filter(({ id }) => job.visit.prerequisites[id]?.met !== true).map(({ id }) => id);
  if (unmet.length > 0) return { code: 'prerequisitesOpen', prerequisites: unmet };
  const later = askedLater(plan, step);
  const missing = plan.baselines
    .filter(
      ({ id, places }) =>
        !later.has(id) && places.some((place) => job.visit.measurements[id]?.[place]?.before === undefined),
    )
    .map(({ id }) => id);
  if (missing.length > 0) return { code: 'baselinesMissing', baselines: missing };
  const open = plan.choices
    .filter(({ id }) => !later.has(id) && job.visit.choices[id] === undefined)
    .map(({ id }) => id);
  return open.length > 0 ? { code: 'choicesOpen', choices: open } : undefined;
}
