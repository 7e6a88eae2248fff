import type { Plan } from '../kit/plan.ts';
import type { Answers, Ask } from '../line/ask.ts';
import { type LineAct, lineOf } from '../line/line.ts';
import type { At, Known } from '../line/line-kind.ts';
import { asksOfAct } from '../line/line-kinds.ts';
import { type JobState, lineState } from './job-state.ts';
import { lastTry } from './line-progress.ts';

/** What the line may look up of a job. */
export const knownOf = (plan: Plan, job: JobState): Known => ({
  answersOf: (act) => lastTry(job, act)?.answers,
  instrument: (baseline) => {
    const acts = lineOf(plan).steps.flatMap((step) => step.acts);
    const before = acts.find(({ action }) => action.type === 'measure' && action.baseline === baseline);
    const used = before && lastTry(job, before.id)?.answers.instrument;
    return typeof used === 'string' ? used : undefined;
  },
  measured: (baseline, place) => job.visit.measurements[baseline]?.[place]?.before?.value,
  serials: (item) => lineState(job, item).serials?.length ?? 0,
  // What was chosen at intake, until somebody lifted it otherwise.
  heldUpBy: job.visit.heldUpBy ?? plan.rules.heldUpBy,
});

/** Whether somebody has said who helps with a step. */
const helperNamed = (job: JobState, acts: readonly LineAct[]): boolean =>
  acts.some(({ id }) => lastTry(job, id)?.answers.helper !== undefined);

/** An act where it stands on its line. */
export function atOf(plan: Plan, job: JobState, act: LineAct): At | undefined {
  const step = lineOf(plan).stepById.get(act.step);
  return step && { plan, step: step.step, action: act.action, known: knownOf(plan, job) };
}

/** What an act asks now, given what was answered so far. */
export function asksNow(plan: Plan, job: JobState, act: LineAct, answers: Answers): Ask[] {
  const at = atOf(plan, job, act);
  const step = lineOf(plan).stepById.get(act.step);
  return at && step ? asksOfAct(at, !helperNamed(job, step.acts), answers) : [];
}
