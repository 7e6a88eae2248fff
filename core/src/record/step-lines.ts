import type { JobState } from '../job/job-state.ts';
import type { When } from '../job/stamp.ts';
import type { Plan } from '../kit/plan.ts';
import type { Answers } from '../line/ask.ts';
import { type LineAct, type LineStep, lineOf } from '../line/line.ts';

/** One act as the record tells of it: who, when, and what was said. */
export interface ActLine extends When {
  act: LineAct;
  answers: Answers;
  met: boolean;
}

/** One step of the line: its acts as they were done, or by whom it was let go. */
export interface StepLine {
  step: LineStep;
  acts: ActLine[];
  waived?: { reason: string } & When;
}

/** Whether the record tells of the line: jobs of before it have nothing to tell, and print as they did. */
export const hasLine = ({ visit }: JobState): boolean =>
  Object.values(visit.acts).some(({ tries }) => tries.length > 0) || Object.keys(visit.waived).length > 0;

/** Every step of the line that somebody did or let go, with the last try of each act. What stations did stands with them. */
export function stepLines(plan: Plan, { visit }: JobState): StepLine[] {
  return lineOf(plan).steps.flatMap((step): StepLine[] => {
    const acts = step.acts.flatMap((act): ActLine[] => {
      const tried = visit.acts[act.id]?.tries.at(-1);
      return tried
        ? [{ act, answers: tried.answers, met: tried.failed.length === 0, atMs: tried.atMs, by: tried.by }]
        : [];
    });
    const waived = visit.waived[step.id];
    return acts.length > 0 || waived ? [{ step, acts, ...(waived ? { waived } : {}) }] : [];
  });
}
