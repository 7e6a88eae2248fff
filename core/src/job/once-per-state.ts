import type { Plan } from '../kit/plan.ts';
import type { JobState } from './job-state.ts';

/**
 * Work that is done once for each plan and state, however often it is asked for: a state is never changed in place, so
 * what was worked out of it stands. Kept as long as the state itself.
 */
export function oncePerState<T>(work: (plan: Plan, job: JobState) => T): (plan: Plan, job: JobState) => T {
  const kept = new WeakMap<JobState, WeakMap<Plan, { done: T }>>();
  return (plan, job) => {
    const byPlan = kept.get(job) ?? new WeakMap<Plan, { done: T }>();
    kept.set(job, byPlan);
    const known = byPlan.get(plan) ?? { done: work(plan, job) };
    byPlan.set(plan, known);
    return known.done;
  };
}
