import { useId, useMemo } from 'react';
import { answerLabel } from '#contract/wording/plan-text.ts';
import { say } from '#contract/wording/say.ts';
import { answerSpace, fitsWith } from '#core/kit/answer-space.ts';
import type { Answers, AnswerValue } from '#core/kit/condition.ts';
import type { KitDocument, Question } from '#core/kit/kit-document.ts';
import { inputLook } from '../../../ui/FormField.tsx';

/** The vehicle and what is found on it: each answer that makes a difference, to be changed one by one. */
export function AnswerFields({
  kit,
  answers,
  onAnswers,
}: {
  kit: KitDocument;
  answers: Answers;
  onAnswers: (answers: Answers) => void;
}) {
  const axes = useMemo(() => answerSpace(kit), [kit]);
  const fits = fitsWith(kit, answers);
  return (
    <section>
      <h2 className="plate border-b-2 border-ink text-2xl">{say('The vehicle')}</h2>
      {axes.length === 0 && <p className="py-2 text-ink-2">{say('This kit is the same on every vehicle.')}</p>}
      <div className="grid gap-3 pt-3 sm:grid-cols-2">
        {axes.map(({ question, values }) => (
          <AnswerField
            key={question.id}
            question={question}
            values={values}
            answer={answers[question.id]}
            onAnswer={(value) => onAnswers({ ...answers, [question.id]: value })}
          />
        ))}
      </div>
      {!fits && (
        <p role="alert" className="mt-2 font-bold text-bad">
          {say('The kit is not made for this vehicle. It is played all the same.')}
        </p>
      )}
    </section>
  );
}

function AnswerField({
  question,
  values,
  answer,
  onAnswer,
}: {
  question: Question;
  values: readonly AnswerValue[];
  answer: AnswerValue | undefined;
  onAnswer: (value: AnswerValue) => void;
}) {
  const id = useId();
  return (
    <div className="grid content-end gap-1">
      <label htmlFor={id} className="text-sm text-ink-2">
        {question.text}
      </label>
      <select
        id={id}
        className={inputLook(false)}
        value={answer === undefined ? -1 : values.indexOf(answer)}
        onChange={(event) => {
          const value = values[Number(event.target.value)];
          if (value !== undefined) onAnswer(value);
        }}
      >
        {values.map((value, index) => (
          <option key={String(value)} value={index}>
            {answerLabel({ questions: [question] }, question.id, value)}
          </option>
        ))}
      </select>
    </div>
  );
}
