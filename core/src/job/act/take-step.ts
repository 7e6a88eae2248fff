import type { StepId } from '../../kit/ids.ts';
import { lineOf } from '../../line/line.ts';
import { lineProgress } from '../line-progress.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, done, refuse, stampOf } from './act.ts';

/** Takes a step in hand, or over from whoever has it: others are led past it. */
export interface TakeStep {
  type: 'takeStep';
  step: StepId;
}

export interface StepTaken {
  type: 'stepTaken';
  step: StepId;
  /** Who had it before, by name. */
  from?: string;
}

export const takeStep = act<TakeStep, StepTaken>({
  may: ON_THE_FLOOR,
  decide({ plan, job, by }, { step }) {
    if (!lineOf(plan).stepById.has(step)) return refuse({ code: 'unknownStep', step });
    if (lineProgress(plan, job).steps.has(step)) return refuse({ code: 'stepDoneAlready', step });
    const had = job.visit.taken[step]?.by;
    return done({ type: 'stepTaken', step, ...(had && had.id !== by.id ? { from: had.name } : {}) });
  },
  fold: {
    stepTaken(draft, fact) {
      const taken = { ...(fact.from === undefined ? {} : { from: fact.from }), ...stampOf(fact) };
      draft.visit = { ...draft.visit, taken: { ...draft.visit.taken, [fact.step]: taken } };
    },
  },
});
