import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { AnswerValue } from '#core/kit/condition.ts';
import type { Question } from '#core/kit/kit-document.ts';
import { resolve, withVehicleAnswers } from '#core/kit/resolve.ts';
import { Cautions } from '../../job/Cautions.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { PlanSummary } from './PlanSummary.tsx';
import { QuestionField } from './Questions.tsx';

/** A job's vehicle and answers, what they decided, and changing one with a preview. */
export default function Receive() {
  const { document, plan, state, give } = useOpenJob();
  const [asking, setAsking] = useState<Question>();
  const [value, setValue] = useState<AnswerValue>();
  useHotkeys('u', () => give({ type: 'undo' }), [give]);
  const { vehicle, kit } = document;
  const answers = withVehicleAnswers(kit, vehicle, state.answers);
  const preview =
    asking && value !== undefined
      ? resolve(kit, vehicle, { ...state.answers, [asking.id]: value }, document.shop)
      : undefined;
  const close = () => {
    setAsking(undefined);
    setValue(undefined);
  };
  const facts: Array<[string, string]> = [
    ['Vehicle', `${vehicle.make} ${vehicle.model}`],
    ['Model year', String(vehicle.modelYear ?? 'not known')],
    ['Engine', vehicle.engine ?? 'not known'],
    ['Plate', vehicle.plate],
    ['Owner', vehicle.owner],
    ['Odometer', `${document.odometerKm ?? vehicle.odometerKm} km`],
    ['Kit', `${kit.title}, ${kit.maker}, revision ${kit.revision}`],
    ['Bay', String(document.bay)],
  ];
  return (
    <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
      <main className="flex-1 bg-bench px-5 py-4 lg:overflow-y-auto">
        <h1 className="plate mb-2 text-3xl">Job card</h1>
        <dl className="grid grid-cols-[8rem_1fr] border-t border-rule">
          {facts.map(([name, text]) => (
            <div key={name} className="contents">
              <dt className="border-b border-hair py-2 text-ink-2">{name}</dt>
              <dd className="border-b border-hair py-2 font-bold">{text}</dd>
            </div>
          ))}
        </dl>
        <h2 className="plate mt-6 mb-2 text-3xl">Answers</h2>
        <ul className="border-t border-rule">
          {kit.questions.map((question) => {
            const answer = answers[question.id];
            const text =
              typeof answer === 'boolean'
                ? answer
                  ? 'Yes'
                  : 'No'
                : (question.choices?.find((choice) => choice.value === answer)?.label ?? String(answer ?? 'not asked'));
            return (
              <li
                key={question.id}
                className="flex min-h-14 items-center justify-between gap-4 border-b border-hair py-1"
              >
                <span>{question.text}</span>
                <span className="flex items-center gap-3">
                  <b>{text}</b>
                  {!state.closed && (
                    <button type="button" className="min-h-11 px-2 underline" onClick={() => setAsking(question)}>
                      Change
                    </button>
                  )}
                </span>
              </li>
            );
          })}
        </ul>
        <Cautions plan={plan} />
      </main>
      <aside className="shrink-0 border-ink bg-sheet p-5 lg:w-[470px] lg:overflow-y-auto lg:border-l-2">
        <h2 className="plate mb-3 text-3xl">What the answers decided</h2>
        <PlanSummary plan={plan} kit={kit} />
        {state.answerChanges.length > 0 && (
          <p className="mt-3 text-sm text-ink-2">
            Changed since the job was opened:{' '}
            {state.answerChanges.map((change) => `${change.question} by ${change.by.name}`).join(', ')}.
          </p>
        )}
      </aside>
      <Sheet
        open={asking !== undefined}
        onClose={close}
        title="Change an answer"
        description="What would change is shown before anything does."
        wide
      >
        {asking && (
          <QuestionField
            key={asking.id}
            question={asking}
            answer={value ?? answers[asking.id]}
            fromVehicle={false}
            onAnswer={setValue}
          />
        )}
        {preview?.ok && <PlanSummary plan={preview.value} kit={kit} />}
        {preview && !preview.ok && (
          <p className="text-bad">With this answer the kit asks something more, or allows no plan.</p>
        )}
        <div className="mt-4 grid grid-cols-2 gap-2">
          <Button onClick={close}>Leave it</Button>
          <Button
            tone="primary"
            disabled={!preview?.ok}
            onClick={() => {
              if (asking && value !== undefined) give({ type: 'changeAnswer', question: asking.id, value });
              close();
            }}
          >
            Change it
          </Button>
        </div>
      </Sheet>
    </div>
  );
}
