import type { AnswerValue } from '../../kit/condition.ts';
import { answerAllowed } from '../../kit/resolve.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, done, refuse, stampOf } from './act.ts';

/** Says anew what was found at a place: the line of this vehicle is made again from it. */
export interface FindOut {
  type: 'findOut';
  /** The answer's id: the question's, and the place where it is asked at several. */
  finding: string;
  value: AnswerValue;
}

/** `value` left out: what was found is taken back. */
export interface FoundOut {
  type: 'foundOut';
  finding: string;
  value?: AnswerValue;
}

export const findOut = act<FindOut, FoundOut>({
  may: ON_THE_FLOOR,
  replans: true,
  decide({ plan }, { finding, value }) {
    const asked = plan.questions.find(({ id, askedAt }) => id === finding && askedAt !== undefined);
    if (!asked) return refuse({ code: 'unknownQuestion', question: finding });
    if (!answerAllowed(asked, value)) return refuse({ code: 'answerNotAllowed', question: finding });
    return done({ type: 'foundOut', finding, value });
  },
  fold: {
    foundOut(draft, fact) {
      const { [fact.finding]: _, ...others } = draft.visit.findings;
      const findings =
        fact.value === undefined ? others : { ...others, [fact.finding]: { value: fact.value, ...stampOf(fact) } };
      draft.visit = { ...draft.visit, findings };
    },
  },
});
