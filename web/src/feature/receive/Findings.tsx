import { useState } from 'react';
import { answerLabel } from '#contract/wording/plan-text.ts';
import { say } from '#contract/wording/say.ts';
import type { AnswerValue } from '#core/kit/condition.ts';
import type { Question } from '#core/kit/kit-document.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { QuestionField } from './Questions.tsx';

/** What was found on the way, by whom; said anew, the line is made again from it. */
export function Findings() {
  const { plan, state, give } = useOpenJob();
  const [asking, setAsking] = useState<Question>();
  const asked = plan.questions.filter(({ askedAt }) => askedAt !== undefined);
  if (asked.length === 0) return null;
  const answer = (value: AnswerValue) => {
    if (asking) give({ type: 'findOut', finding: asking.id, value });
    setAsking(undefined);
  };
  return (
    <section className="mt-5">
      <h2 className="plate text-3xl">{say('Found on the way')}</h2>
      <ul>
        {asked.map((question) => {
          const found = state.visit.findings[question.id];
          return (
            <li
              key={question.id}
              className="flex min-h-12 flex-wrap items-center justify-between gap-3 border-b border-hair py-1"
            >
              <span>{question.text}</span>
              {found ? (
                <span className="flex items-center gap-3">
                  <b>{answerLabel(plan, question.id, found.value)}</b>
                  <span className="text-sm text-ink-2">{found.by.name}</span>
                  {!state.closed && (
                    <Button className="min-h-11!" onClick={() => setAsking(question)}>
                      {tell('Say anew{text}', { text: <span className="sr-only">: {question.text}</span> })}
                    </Button>
                  )}
                </span>
              ) : (
                <span className="text-ink-2">{say('asked on the line')}</span>
              )}
            </li>
          );
        })}
      </ul>
      <Sheet open={asking !== undefined} onClose={() => setAsking(undefined)} title={say('What is there really?')}>
        {asking && (
          <QuestionField
            key={asking.id}
            question={asking}
            answer={state.visit.findings[asking.id]?.value}
            fromVehicle={false}
            onAnswer={answer}
          />
        )}
      </Sheet>
    </section>
  );
}
