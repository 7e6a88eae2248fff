import type { AnswerValue } from '../../kit/condition.ts';
import type { QuestionId } from '../../kit/ids.ts';
import { answerAllowed } from '../../kit/resolve.ts';
import { answerAll } from '../../visit/visit.ts';
import { COUNTER_TOO } from '../role.ts';
import { act, done, refuse, stampOf } from './act.ts';

/** `seen`: the answer it is meant to replace, so that two people answering at once do not undo each other unseen. */
export interface ChangeAnswer {
  type: 'changeAnswer';
  question: QuestionId;
  value: AnswerValue;
  seen?: AnswerValue | null;
}

export interface AnswerChanged {
  type: 'answerChanged';
  question: QuestionId;
  from?: AnswerValue;
  to: AnswerValue;
}

export const changeAnswer = act<ChangeAnswer, AnswerChanged>({
  may: COUNTER_TOO,
  replans: true,
  decide({ questions, job }, { question, value, seen }) {
    const asked = questions.find(({ members }) => members.some(({ id }) => id === question));
    if (!asked) return refuse({ code: 'unknownQuestion', question });
    if (!answerAllowed(asked.question, value)) return refuse({ code: 'answerNotAllowed', question: asked.id });
    const known = asked.members.map(({ id }) => job.answers[id]).find((answer) => answer !== undefined);
    if (seen !== undefined && known !== undefined && seen !== known && known !== value)
      return refuse({ code: 'answeredMeanwhile', question: asked.question.text, answer: known });
    return done(
      ...Object.entries(answerAll(asked, value)).map(([id, to]) => ({
        type: 'answerChanged' as const,
        question: id,
        from: job.answers[id],
        to,
      })),
    );
  },
  fold: {
    answerChanged(draft, fact) {
      const { question, from, to } = fact;
      draft.answers = { ...draft.answers, [question]: to };
      draft.answerChanges = [...draft.answerChanges, { question, from, to, ...stampOf(fact) }];
    },
  },
});
