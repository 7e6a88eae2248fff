import { useCallback, useEffect, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { AttemptAnswer } from '#contract/drill.ts';
import { consequenceText, paceText } from '#contract/wording/drill-text.ts';
import { CATCH_WORDS, DRILL, FAULT_WORDS } from '#contract/wording/en/drill.ts';
import { say } from '#contract/wording/say.ts';
import type { Drill } from '#core/drill/drill.ts';
import { meantLog } from '#core/drill/drill-run.ts';
import { type DrillAttempt, type DrillVerdict, type FaultVerdict, judgeDrill } from '#core/drill/judge-drill.ts';
import type { Pace } from '#core/drill/pace.ts';
import type { Plan } from '#core/kit/plan.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { useDrill } from '../../practice/drill-store.ts';
import { practiceWrenches } from '../../practice/practice-wrenches.ts';
import { api, call } from '../../shop/api.ts';
import { useChange } from '../../shop/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { tell } from '../../ui/tell.ts';
import { FaultPicture } from './FaultPicture.tsx';
import { placeName } from './place-name.ts';
import { useBegin } from './use-begin.ts';

/** What a drill showed: of the one just ended, or of one kept. */
export default function VerdictScreen() {
  const { attempt: kept } = useParams();
  return kept ? <KeptVerdict id={kept} /> : <NewVerdict />;
}

function KeptVerdict({ id }: { id: string }) {
  const [found, setFound] = useState<{ attempt: DrillAttempt } & AttemptAnswer>();
  const { act, failure } = useChange();
  useEffect(() => {
    void act(async () =>
      setFound(
        (await call(api.drills.attempts[':id'].$get({ param: { id } }))) as { attempt: DrillAttempt } & AttemptAnswer,
      ),
    );
  }, [act, id]);
  if (failure)
    return (
      <Notice title={say('Not shown')} detail={failure} secondary={{ to: '/drill', label: say('To the drills') }} />
    );
  if (!found) return <Notice title={say('One moment')} detail={say('Fetching it.')} busy />;
  return <VerdictPage attempt={found.attempt} verdict={found.verdict} pace={found.pace} />;
}

/** The drill that was just ended: judged here at once, and kept by the server. */
function NewVerdict() {
  const attempt = useDrill((state) => state.done);
  const { act, failure, busy } = useChange('drills');
  const [kept, setKept] = useState<AttemptAnswer>();
  const keep = useCallback(
    (done: DrillAttempt) =>
      act(async () =>
        setKept((await call(api.drills.attempts.$post({ json: done as never }))) as unknown as AttemptAnswer),
      ),
    [act],
  );
  useEffect(() => {
    if (attempt) void keep(attempt);
  }, [keep, attempt]);
  if (!attempt)
    return (
      <Notice
        title={say('No drill was ended here')}
        detail={say('Begin one first.')}
        secondary={{ to: '/drill', label: say('To the drills') }}
      />
    );
  return (
    <VerdictPage
      attempt={attempt}
      verdict={judgeDrill(attempt, practiceWrenches(attempt.beganMs))}
      pace={kept?.pace}
      note={
        kept ? (
          <p className="text-sm text-ink-2">{say('Kept for you.')}</p>
        ) : failure ? (
          <p role="alert" className="border-l-4 border-bad pl-3 text-bad">
            <b>{failure}</b>{' '}
            <Button className="ml-2 min-h-11!" disabled={busy} onClick={() => void keep(attempt)}>
              {say('Try again')}
            </Button>
          </p>
        ) : (
          <p className="text-sm text-ink-2">{say('Keeping it for you.')}</p>
        )
      }
    />
  );
}

const placeOf = (plan: Plan | undefined, target: string): string => (plan ? placeName(plan, target) : target);

function VerdictPage({
  attempt,
  verdict,
  pace,
  note,
}: {
  attempt: DrillAttempt;
  verdict: DrillVerdict;
  pace?: Pace;
  note?: React.ReactNode;
}) {
  const meant = meantLog(attempt.drill);
  const plan = meant.ok ? meant.value.plan : undefined;
  const { begin, fault } = useBegin();
  const caught = verdict.faults.filter((entry) => entry.catch === 'caught').length;
  const drill: Drill = attempt.drill;
  const paced = pace && paceText(pace);
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar />
      <main className="flex-1 bg-bench px-5 py-5">
        <div className="flex flex-wrap items-end justify-between gap-4 border-b-2 border-ink pb-3">
          <div>
            <h1 className="plate text-4xl">{drill.title}</h1>
            <p>
              {tell('{caught} found in time{count}{which} · {minutes} min', {
                caught: (
                  <b className="figures text-2xl">
                    {tell('{caught} of {count}', { caught, count: verdict.faults.length })}
                  </b>
                ),
                count: verdict.falseAlarms.length > 0 && say(', {count} false', { count: verdict.falseAlarms.length }),
                which: verdict.closed ? say(', closed and signed') : say(', not closed'),
                minutes: Math.round(verdict.minutes),
              })}
            </p>
            {paced && <p className="text-sm text-ink-2">{paced}</p>}
            {note}
          </div>
          <div className="flex gap-2">
            <Button tone="primary" onClick={() => begin(drill)}>
              {DRILL.again}
            </Button>
            <Link to="/drill" className="inline-flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold">
              {say('To the drills')}
            </Link>
          </div>
        </div>
        {fault && (
          <p role="alert" className="mt-3 border-l-4 border-bad pl-3 text-bad">
            {fault}
          </p>
        )}
        <ul className="max-w-5xl">
          {verdict.faults.map((entry) => (
            <FaultRow
              key={`${entry.fault.kind} ${entry.fault.target}`}
              entry={entry}
              place={placeOf(plan, entry.fault.target)}
              picture={plan && <FaultPicture plan={plan} fault={entry.fault} seed={drill.seed} />}
            />
          ))}
        </ul>
        {verdict.faults.length === 0 && <p className="py-4">{say('Nothing was wrong with this job.')}</p>}
        {verdict.falseAlarms.length > 0 && (
          <section aria-label={say('False alarms')} className="mt-5 max-w-5xl">
            <h2 className="plate text-2xl">{say('Said to be wrong, and was not')}</h2>
            <ul>
              {verdict.falseAlarms.map((call_) => (
                <li key={`${call_.kind} ${call_.target} ${call_.atMs}`} className="border-b border-hair py-2">
                  {tell('{name}, {placeOf}. It would show so: {tellTale}', {
                    name: <b>{FAULT_WORDS[call_.kind].name}</b>,
                    placeOf: placeOf(plan, call_.target),
                    tellTale: FAULT_WORDS[call_.kind].tellTale,
                  })}
                </li>
              ))}
            </ul>
          </section>
        )}
        {verdict.orders.length > 0 && (
          <section aria-label={say('Laid out')} className="mt-5 max-w-5xl">
            <h2 className="plate text-2xl">{say('What you laid out')}</h2>
            <ul>
              {verdict.orders.map(({ group, own, kit, compound, wrench, figure }) => (
                <li key={group} className="border-b border-hair py-2">
                  {tell(
                    '{placeOf}: the load ran {own} to one side on the way, by the kit’s order {kit}. Compound {compound}, wrench {wrench}{which}.',
                    {
                      placeOf: <b>{placeOf(plan, group)}</b>,
                      own: <b className="figures">{Math.round(own * 100)} %</b>,
                      kit: <b className="figures">{Math.round(kit * 100)} %</b>,
                      compound,
                      wrench,
                      which: figure ? say(', figure {figure}', { figure }) : '',
                    },
                  )}
                </li>
              ))}
            </ul>
          </section>
        )}
        {verdict.loads.length > 0 && (
          <section aria-label={say('Loads')} className="mt-5 max-w-5xl">
            <h2 className="plate text-2xl">{say('What the bolts hold')}</h2>
            <ul>
              {verdict.loads.map(({ group, bolts, spread }) => (
                <li key={group} className="border-b border-hair py-2">
                  {tell('{placeOf}, apart by {spread}', {
                    placeOf: <b>{placeOf(plan, group)}</b>,
                    spread: <span className="figures">{Math.round(spread * 100)} %</span>,
                  })}
                  <div
                    className="mt-1 flex h-16 items-end gap-1"
                    role="img"
                    aria-label={bolts
                      .map(({ station, share }) => `${placeOf(plan, station)} ${Math.round(share * 100)} %`)
                      .join(', ')}
                  >
                    {bolts.map(({ station, share }) => (
                      <span
                        key={station}
                        className="w-6 border-[1.5px] border-ink bg-rule"
                        style={{ height: `${Math.min(100, Math.round(share * 90))}%` }}
                      />
                    ))}
                  </div>
                </li>
              ))}
            </ul>
          </section>
        )}
        <p className="mt-5 text-sm text-ink-2">
          {tell('Seed {seed}. Played again with it, the same things are wrong in the same places.', {
            seed: drill.seed,
          })}
        </p>
      </main>
    </div>
  );
}

/** One fault: found or not, what would have come of it, the rule, and one thing to do next time. */
function FaultRow({ entry, place, picture }: { entry: FaultVerdict; place: string; picture?: React.ReactNode }) {
  const words = FAULT_WORDS[entry.fault.kind];
  const good = entry.catch === 'caught';
  return (
    <li className={`border-b border-hair py-4 pl-3 ${good ? 'border-l-4 border-l-ink' : 'border-l-4 border-l-bad'}`}>
      <p className="flex flex-wrap items-baseline gap-x-3">
        <b className="text-xl">{words.name}</b>
        <span>{place}</span>
        <span className={`font-bold ${good ? '' : 'text-bad'}`}>
          {CATCH_WORDS[entry.catch]}
          {entry.by === 'product' ? say(', by Wrenchman and not by you') : ''}
        </span>
      </p>
      {picture && <div className="my-2 flex">{picture}</div>}
      <p>{words.tellTale}</p>
      <p>
        <b>{good ? say('Left in:') : say('What comes of it:')}</b> {consequenceText(entry.consequence)}
      </p>
      <p>
        {words.rule} <span className="text-sm text-ink-2">({words.source})</span>
      </p>
      {!good && (
        <p className="mt-1">
          <b>{say('Next time:')}</b> {words.next}
        </p>
      )}
    </li>
  );
}
