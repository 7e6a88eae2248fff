import type { Plan } from '../../kit/plan.ts';
import type { JobState } from '../job-state.ts';
import type { Refusal } from '../refusal.ts';

/** What must be settled before anything comes off: prerequisites, baselines, choices. */
export function stripGate(plan: Plan, job: JobState): Refusal | undefined {
  const unmet = plan.prerequisites.filter(({ id }) => job.visit.prerequisites[id]?.met !== true).map(({ id }) => id);
  if (unmet.length > 0) return { code: 'prerequisitesOpen', prerequisites: unmet };
  const missing = plan.baselines
    .filter(({ id, places }) => places.some((place) => job.visit.measurements[id]?.[place]?.before === undefined))
    .map(({ id }) => id);
  if (missing.length > 0) return { code: 'baselinesMissing', baselines: missing };
  const open = plan.choices.filter(({ id }) => job.visit.choices[id] === undefined).map(({ id }) => id);
  return open.length > 0 ? { code: 'choicesOpen', choices: open } : undefined;
}
