import type { StepId } from '../../kit/ids.ts';
import { lineOf } from '../../line/line.ts';
import { lineProgress } from '../line-progress.ts';
import { LEAD_ONLY } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** What no sheet foresaw: a lead says how the line goes on, as a step of its own before another. */
export interface AddStep {
  type: 'addStep';
  text: string;
  /** The step it comes before. */
  before: StepId;
  /** The problem it answers. */
  problem?: string;
  minutes?: number;
}

export interface StepAdded {
  type: 'stepAdded';
  step: string;
  text: string;
  before: StepId;
  problem?: string;
  minutes?: number;
}

/** A step that keeps somebody longer belongs into a plan of its own (chosen by us). */
const MOST_MINUTES = 10_000;

export const addStep = act<AddStep, StepAdded>({
  may: LEAD_ONLY,
  replans: true,
  decide({ plan, job, commandId }, { text, before, problem, minutes }) {
    if (blank(text)) return refuse({ code: 'reasonMissing' });
    if (!lineOf(plan).stepById.has(before)) return refuse({ code: 'unknownStep', step: before });
    if (lineProgress(plan, job).steps.has(before)) return refuse({ code: 'stepDoneAlready', step: before });
    if (problem !== undefined && job.problems[problem] === undefined)
      return refuse({ code: 'unknownProblem', problem });
    if (minutes !== undefined && !(minutes > 0 && minutes <= MOST_MINUTES))
      return refuse({ code: 'minutesImplausible' });
    return done({
      type: 'stepAdded',
      step: `added.${commandId}`,
      text,
      before,
      ...(problem === undefined ? {} : { problem }),
      ...(minutes === undefined ? {} : { minutes }),
    });
  },
  fold: {
    stepAdded(draft, fact) {
      const { step, text, before, problem, minutes } = fact;
      const added = { id: step, text, before, problem, minutes, ...stampOf(fact) };
      draft.visit = { ...draft.visit, addedSteps: [...draft.visit.addedSteps, added] };
    },
  },
});
