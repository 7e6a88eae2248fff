import { ANSWERABLE } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

export interface ClearProblem {
  type: 'clearProblem';
  problem: string;
  how: string;
}

export interface ProblemCleared {
  type: 'problemCleared';
  problem: string;
  how: string;
}

export const clearProblem = act<ClearProblem, ProblemCleared>({
  may: ANSWERABLE,
  decide({ job }, { problem: id, how }) {
    const problem = job.problems[id];
    if (!problem || problem.cleared) return refuse({ code: 'unknownProblem', problem: id });
    if (blank(how)) return refuse({ code: 'reasonMissing' });
    return done({ type: 'problemCleared', problem: id, how });
  },
  fold: {
    problemCleared(draft, fact) {
      const problem = draft.problems[fact.problem];
      if (problem) draft.problems[fact.problem] = { ...problem, cleared: { how: fact.how, ...stampOf(fact) } };
    },
  },
});
