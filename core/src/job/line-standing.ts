import type { Plan } from '../kit/plan.ts';
import { lineOf } from '../line/line.ts';
import type { JobState } from './job-state.ts';
import { lineProgress } from './line-progress.ts';

/** The step that raised the vehicle and whose lowering is still to come; undefined while it stands on its wheels. */
export function raisedBy(plan: Plan, job: JobState): string | undefined {
  const { acts } = lineProgress(plan, job);
  const moves = lineOf(plan).steps.flatMap((step) =>
    step.acts.filter(({ action }) => action.type === 'lift' || action.type === 'lower'),
  );
  const last = moves.filter(({ id }) => acts.has(id)).at(-1);
  if (last?.action.type !== 'lift') return undefined;
  const lowering = moves.slice(moves.indexOf(last) + 1).find(({ action }) => action.type === 'lower');
  return lowering?.step;
}
