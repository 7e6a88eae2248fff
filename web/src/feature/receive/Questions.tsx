import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { spacerText } from '#contract/wording/spacer-text.ts';
import { buildMonthField, readBuildMonth } from '#core/kit/build-month.ts';
import type { AnswerValue } from '#core/kit/condition.ts';
import type { Question } from '#core/kit/kit-document.ts';
import { Button } from '../../ui/Button.tsx';
import { typedNumber } from '../../ui/CommitField.tsx';

/** What a number must be; either end may be open. */
function rangeText(min: number, max: number): string {
  if (Number.isFinite(min) && Number.isFinite(max)) return say('Between {min} and {max}.', { min, max });
  if (Number.isFinite(min)) return say('A number, {min} or more.', { min });
  if (Number.isFinite(max)) return say('A number, {max} or less.', { max });
  return say('A number.');
}

/** One question with its answers as big targets. */
export function QuestionField({
  question,
  answer,
  fromVehicle,
  onAnswer,
}: {
  question: Question;
  answer?: AnswerValue;
  fromVehicle: boolean;
  onAnswer: (value: AnswerValue) => void;
}) {
  const [typed, setTyped] = useState(typeof answer === 'number' ? String(answer) : '');
  const choice = (value: AnswerValue, label: string) => (
    <Button
      key={String(value)}
      tone={answer === value ? 'dark' : 'plain'}
      aria-pressed={answer === value}
      onClick={() => onAnswer(value)}
    >
      {label}
    </Button>
  );
  const { min = -Infinity, max = Infinity } = question;
  const number = typedNumber(typed);
  const inRange = Number.isFinite(number) && number >= min && number <= max;
  return (
    <fieldset className="border-t border-rule py-4 first:border-t-0">
      <legend className="float-left mb-2 w-full text-lg font-bold">{question.text}</legend>
      <div className="clear-left flex flex-wrap gap-2">
        {question.kind === 'yesNo' && [choice(true, say('Yes')), choice(false, say('No'))]}
        {question.kind === 'choice' && question.choices?.map((entry) => choice(entry.value, entry.label))}
        {question.from === 'buildMonth' && (
          <input
            type="month"
            aria-label={question.text}
            className="figures min-h-14 border-2 border-ink bg-sheet px-3 text-xl"
            value={typeof answer === 'number' ? buildMonthField(answer) : ''}
            onChange={(event) => {
              const built = readBuildMonth(event.target.value);
              if (built !== undefined) onAnswer(built);
            }}
          />
        )}
        {question.kind === 'number' && question.from !== 'buildMonth' && (
          <input
            aria-label={question.text}
            className="figures min-h-14 w-36 border-2 border-ink bg-sheet px-3 text-xl"
            inputMode="numeric"
            value={typed}
            onChange={(event) => {
              setTyped(event.target.value);
              const value = typedNumber(event.target.value);
              if (Number.isFinite(value)) onAnswer(value);
            }}
          />
        )}
      </div>
      {question.kind === 'number' && typed !== '' && !inRange && (
        <p role="alert" className="mt-1 text-bad">
          {rangeText(min, max)}
        </p>
      )}
      <p className="mt-1 text-sm text-ink-2">
        {fromVehicle
          ? say('Known from the vehicle; change it if the vehicle says otherwise.')
          : question.spacer
            ? spacerText(question.spacer)
            : question.lookAt
              ? say('Not sure? {lookAt}', { lookAt: question.lookAt })
              : ''}
      </p>
    </fieldset>
  );
}
