import { useState } from 'react';
import { v4 as uuid } from 'uuid';
import { misfitText } from '#contract/wording/plan-text.ts';
import { refusalText } from '#contract/wording/refusal-text.ts';
import { say } from '#contract/wording/say.ts';
import { kitsNow, planOf } from '#core/job/job-log.ts';
import type { Answers } from '#core/kit/condition.ts';
import { scopedKeys } from '#core/kit/ids.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { fitVerdicts } from '#core/kit/resolve.ts';
import { questionsToAsk } from '#core/visit/question-order.ts';
import { kitPrefix, spreadAnswers, type VisitKit } from '#core/visit/visit.ts';
import { useJobStore } from '../../job/job-store.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { api, call } from '../../shop/api.ts';
import { useChange, useKits } from '../../shop/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { ReasonSheet } from '../../ui/ReasonSheet.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { PlanSummary } from './PlanSummary.tsx';
import { QuestionField } from './Questions.tsx';

/** The kits of the visit; one may come in or go out while the work is under way, and what is done stays done. */
export function VisitKits() {
  const { document, plan, state, give } = useOpenJob();
  const [adding, setAdding] = useState(false);
  const [dropping, setDropping] = useState<string>();
  return (
    <section className="mt-5">
      <div className="flex items-center justify-between gap-3">
        <h2 className="plate text-3xl">{say('Kits')}</h2>
        {!state.closed && <Button onClick={() => setAdding(true)}>{say('Add a kit')}</Button>}
      </div>
      <ul className="mt-2 border-t border-rule">
        {plan.kits.map((kit) => {
          const withdrawn = document.kits.find(({ prefix }) => prefix === kit.prefix)?.withdrawn;
          return (
            <li
              key={kit.prefix}
              className="flex min-h-14 flex-wrap items-center justify-between gap-3 border-b border-hair py-1"
            >
              <span>
                <b>{kit.title}</b>
                <span className="block text-sm text-ink-2">
                  {tell('{maker}, revision {revision}', { maker: kit.maker, revision: kit.revision })}
                </span>
                {withdrawn && (
                  <span className="block font-bold text-bad">
                    {tell('This revision was withdrawn: {because}. Ask a lead before going on.', {
                      because: withdrawn.because,
                    })}
                  </span>
                )}
              </span>
              {plan.kits.length > 1 && !state.closed && (
                <button type="button" className="min-h-11 px-2 underline" onClick={() => setDropping(kit.prefix)}>
                  {tell('Drop{title}', { title: <span className="sr-only"> {kit.title}</span> })}
                </button>
              )}
            </li>
          );
        })}
      </ul>
      {adding && <AddKit onClose={() => setAdding(false)} />}
      <ReasonSheet
        open={dropping !== undefined}
        onClose={() => setDropping(undefined)}
        title={say('Drop {title}', {
          title: plan.kits.find(({ prefix }) => prefix === dropping)?.title ?? say('the kit'),
        })}
        label={say('Why it is not fitted now')}
        confirm={say('Drop it')}
        usual={[say('Parts missing'), say('Owner changed their mind')]}
        onReason={(reason) => {
          if (dropping !== undefined) give({ type: 'dropKit', prefix: dropping, reason });
          setDropping(undefined);
        }}
      />
    </section>
  );
}

function AddKit({ onClose }: { onClose: () => void }) {
  const { document, plan, state } = useOpenJob();
  const setup = useJobStore((store) => store.log?.setup);
  const refresh = useJobStore((store) => store.open);
  const { data: kits, failure: unread } = useKits();
  const { act, busy, failure: unsent } = useChange();
  const [chosen, setChosen] = useState<KitDocument>();
  const [answers, setAnswers] = useState<Answers>({});
  const [refused, setRefused] = useState<string>();
  const failure = refused ?? unsent ?? unread;
  if (!setup) return null;
  const { vehicle } = document;
  const now = kitsNow(setup, state);
  const entry: VisitKit | undefined = chosen && { document: chosen, prefix: kitPrefix(setup.kits, chosen.id) };
  const scoped = entry ? scopedKeys(entry.prefix, answers) : {};
  const known = entry ? spreadAnswers([...now, entry], { ...state.answers, ...scoped }) : {};
  const [next] = entry ? questionsToAsk([entry], vehicle, known) : [];
  const preview =
    entry && next === undefined
      ? planOf(
          { ...setup, kits: [...setup.kits, entry] },
          { ...state, answers: known, visit: { ...state.visit, kits: [...state.visit.kits, entry.prefix] } },
        )
      : undefined;
  const add = async () => {
    if (!chosen) return;
    setRefused(undefined);
    await act(async () => {
      const answer = await call(
        api.jobs[':jobId'].kits.$post({
          param: { jobId: document.id },
          json: { id: uuid(), kit: chosen.id, answers: { ...answers } },
        }),
      );
      const [result] = answer.results;
      if (result && !result.ok) {
        const { title, why, lift } = refusalText(result.refusal, plan);
        setRefused(`${title}. ${why} ${lift}`);
      } else {
        await refresh(document.id);
        onClose();
      }
    });
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title={say('Add a kit')}
      description={say('What is done already stays done; the plan is made anew.')}
      wide
    >
      {failure && (
        <p role="alert" className="mb-3 text-bad">
          {failure}
        </p>
      )}
      {!kits && !failure && <p className="text-ink-2">{say('Reading the kits.')}</p>}
      <div className="grid gap-2 sm:grid-cols-2">
        {kits
          ?.filter((kit) => !plan.kits.some(({ id }) => id === kit.id))
          .map((kit) => {
            const no = fitVerdicts(kit, vehicle, {}).find(({ truth }) => truth === 'false');
            return (
              <Button
                key={kit.id}
                tone={chosen?.id === kit.id ? 'dark' : 'plain'}
                aria-pressed={chosen?.id === kit.id}
                disabled={no !== undefined}
                className="flex-col items-start !gap-0"
                onClick={() => {
                  setChosen(kit);
                  setAnswers({});
                }}
              >
                {kit.title}
                {no && (
                  <span className="text-sm font-normal">
                    {tell('Does not fit: {misfitText}', { misfitText: misfitText(kit, no) })}
                  </span>
                )}
              </Button>
            );
          })}
      </div>
      {next && entry && (
        <QuestionField
          key={next.id}
          question={next.question}
          answer={undefined}
          fromVehicle={false}
          onAnswer={(value) => setAnswers({ ...answers, [next.id.slice(entry.prefix.length)]: value })}
        />
      )}
      {preview?.ok && (
        <section className="mt-4" aria-label={say('The plan with it')}>
          <PlanSummary plan={preview.value} vehicle={document.vehicle} />
        </section>
      )}
      <div className="mt-4 grid grid-cols-2 gap-2">
        <Button onClick={onClose}>{say('Leave it')}</Button>
        <Button tone="primary" disabled={!chosen || next !== undefined || busy} onClick={() => void add()}>
          {busy ? say('Adding') : say('Add it')}
        </Button>
      </div>
    </Sheet>
  );
}
