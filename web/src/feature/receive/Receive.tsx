import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { midSentence, say } from '#contract/wording/say.ts';
import { kitsNow, planOf } from '#core/job/job-log.ts';
import { jobProgress } from '#core/job/job-progress.ts';
import type { AnswerValue } from '#core/kit/condition.ts';
import { answerAll, spreadAnswers, type VisitQuestion, visitQuestions } from '#core/visit/visit.ts';
import { Cautions } from '../../job/Cautions.tsx';
import { useJobStore } from '../../job/job-store.ts';
import { ReceiveTabs } from '../../job/ReceiveTabs.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { Baselines } from './Baselines.tsx';
import { CallOff, PutBack } from './CallOff.tsx';
import { Choices } from './Choices.tsx';
import { CornerGrid } from './CornerGrid.tsx';
import { Findings } from './Findings.tsx';
import { MoveJob } from './MoveJob.tsx';
import { PlanSummary } from './PlanSummary.tsx';
import { Prerequisites } from './Prerequisites.tsx';
import { QuestionField } from './Questions.tsx';
import { PLACE_TEXT } from './SlotFields.tsx';
import { VisitKits } from './VisitKits.tsx';

/** A job's vehicle, its kits and answers, what must be true and measured first, and changing an answer with a preview. */
export default function Receive() {
  const { document, plan, state, give } = useOpenJob();
  const setup = useJobStore((store) => store.log?.setup);
  const [asking, setAsking] = useState<VisitQuestion>();
  const [value, setValue] = useState<AnswerValue>();
  useHotkeys('u', () => give({ type: 'undo' }), [give]);
  const [moving, setMoving] = useState(false);
  const [moved, setMoved] = useState(false);
  const [callingOff, setCallingOff] = useState(false);
  const reopen = useJobStore((store) => store.open);
  const { vehicle, slot } = document;
  if (!setup) return null;
  const kits = kitsNow(setup, state);
  const answers = spreadAnswers(kits, state.answers);
  const fromVehicle = (question: VisitQuestion['question']) =>
    question.from === undefined ? undefined : vehicle[question.from];
  const answerOf = (asked: VisitQuestion): AnswerValue | undefined =>
    asked.members.map(({ id }) => answers[id]).find((one) => one !== undefined) ?? fromVehicle(asked.question);
  const preview =
    asking && value !== undefined
      ? planOf(setup, { ...state, answers: { ...state.answers, ...answerAll(asking, value) } })
      : undefined;
  const close = () => {
    setAsking(undefined);
    setValue(undefined);
  };
  const odometer = document.odometerKm ?? vehicle.odometerKm;
  const facts: Array<[string, string]> = [
    [say('Model year'), String(vehicle.modelYear ?? say('not known'))],
    [say('Engine'), vehicle.engine ?? say('not known')],
    [say('Plate'), vehicle.plate],
    [say('Owner'), vehicle.owner],
    [say('Phone or mail'), vehicle.contact ?? say('not known')],
    [say('Odometer'), odometer === undefined ? say('not read') : `${Math.round(odometer)} km`],
    [
      say('Bay'),
      `${document.bay}${slot?.place && slot.place !== 'bay' ? `, ${midSentence(PLACE_TEXT[slot.place])}` : ''}`,
    ],
    [say('Start'), shopFormat(document.plannedStartMs, 'EEE d MMM yyyy HH:mm')],
    [
      say('Promised'),
      slot?.promisedMs === undefined ? say('not said') : shopFormat(slot.promisedMs, 'EEE d MMM yyyy HH:mm'),
    ],
  ];
  return (
    <div className="flex flex-1 flex-col lg:min-h-0">
      <ReceiveTabs />
      <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
        <main className="flex-1 bg-bench px-5 py-4 lg:overflow-y-auto">
          <h1 className="plate mb-2 text-3xl">
            <Link className="underline" to={`/vehicles/${vehicle.id}`}>
              {vehicle.make} {vehicle.model}
            </Link>
          </h1>
          <dl className="grid grid-cols-[7rem_1fr] border-t border-rule sm:grid-cols-[7rem_1fr_7rem_1fr]">
            {facts.map(([name, text]) => (
              <div key={name} className="contents">
                <dt className="border-b border-hair py-1.5 text-ink-2">{name}</dt>
                <dd className="border-b border-hair py-1.5 font-bold">{text}</dd>
              </div>
            ))}
          </dl>
          {!state.closed && (
            <div className="mt-3 flex flex-wrap gap-2">
              <Button onClick={() => setMoving(true)}>{say('Move the job')}</Button>
              {document.calledOff ? (
                <PutBack job={document.id} onDone={() => void reopen(document.id)} />
              ) : (
                <Button onClick={() => setCallingOff(true)}>{say('It does not come')}</Button>
              )}
            </div>
          )}
          {moved && (
            <p role="status" className="mt-2">
              {tell('Moved. Its printed card says otherwise: {link}.', {
                link: (
                  <Link className="inline-flex min-h-11 items-center underline" to="../card?print=1">
                    {say('print the card again')}
                  </Link>
                ),
              })}
            </p>
          )}
          {callingOff && (
            <CallOff
              job={document.id}
              open
              onClose={() => setCallingOff(false)}
              onDone={() => {
                setCallingOff(false);
                void reopen(document.id);
              }}
            />
          )}
          {moving && (
            <MoveJob
              job={document}
              estimatedMinutes={jobProgress(plan, state).estimatedMinutes ?? 0}
              open
              onClose={() => setMoving(false)}
              onMoved={() => {
                setMoving(false);
                setMoved(true);
                void reopen(document.id);
              }}
            />
          )}
          <VisitKits />
          <Prerequisites />
          <Baselines />
          <Choices />
          <Findings />
          <CornerGrid />
          <h2 className="plate mt-6 mb-2 text-3xl">{say('Answers')}</h2>
          <ul className="border-t border-rule">
            {visitQuestions(kits).map((asked) => {
              const answer = answerOf(asked);
              const text =
                typeof answer === 'boolean'
                  ? answer
                    ? say('Yes')
                    : say('No')
                  : (asked.question.choices?.find((choice) => choice.value === answer)?.label ??
                    String(answer ?? say('not asked')));
              return (
                <li
                  key={asked.id}
                  className="flex min-h-14 items-center justify-between gap-4 border-b border-hair py-1"
                >
                  <span>{asked.question.text}</span>
                  <span className="flex items-center gap-3">
                    <b>{text}</b>
                    {!state.closed && (
                      <button type="button" className="min-h-11 px-2 underline" onClick={() => setAsking(asked)}>
                        {tell('Change{text}', { text: <span className="sr-only">: {asked.question.text}</span> })}
                      </button>
                    )}
                  </span>
                </li>
              );
            })}
          </ul>
          <Cautions cautions={plan.cautions.filter(({ group }) => group === undefined)} />
        </main>
        <aside className="shrink-0 border-ink bg-sheet p-5 lg:w-[440px] lg:overflow-y-auto lg:border-l-2">
          <h2 className="plate mb-3 text-3xl">{say('What the answers decided')}</h2>
          <PlanSummary plan={plan} vehicle={document.vehicle} />
          {state.answerChanges.length > 0 && (
            <p className="mt-3 text-sm text-ink-2">
              {tell('Changed since the job was opened: {value}.', {
                value: [
                  ...new Set(
                    state.answerChanges.map((change) =>
                      say('{text} by {name}', {
                        text: plan.questions.find(({ id }) => id === change.question)?.text ?? change.question,
                        name: change.by.name,
                      }),
                    ),
                  ),
                ].join(', '),
              })}
            </p>
          )}
        </aside>
      </div>
      <Sheet
        open={asking !== undefined}
        onClose={close}
        title={say('Change an answer')}
        description={say('What would change is shown before anything does.')}
        wide
      >
        {asking && (
          <QuestionField
            key={asking.id}
            question={asking.question}
            answer={value ?? answerOf(asking)}
            fromVehicle={false}
            onAnswer={setValue}
          />
        )}
        {preview?.ok && <PlanSummary plan={preview.value} />}
        {preview && !preview.ok && (
          <p className="text-bad">{say('With this answer the kit asks something more, or allows no plan.')}</p>
        )}
        <div className="mt-4 grid grid-cols-2 gap-2">
          <Button onClick={close}>{say('Leave it')}</Button>
          <Button
            tone="primary"
            disabled={!preview?.ok}
            onClick={() => {
              if (asking && value !== undefined)
                give({ type: 'changeAnswer', question: asking.id, value, seen: answerOf(asking) ?? null });
              close();
            }}
          >
            {say('Change it')}
          </Button>
        </div>
      </Sheet>
    </div>
  );
}
