import { Download } from 'lucide-react';
import { lazy, Suspense, useMemo, useState } from 'react';
import { actLineText } from '#contract/wording/act-line-text.ts';
import { careText, careWaivedText } from '#contract/wording/care-text.ts';
import { deviationText } from '#contract/wording/deviation-text.ts';
import { MAY_TEXT } from '#contract/wording/en/line.ts';
import { STANDS_WORDS } from '#contract/wording/en/record.ts';
import { BASIS_TEXT, VERDICT_TEXT } from '#contract/wording/en/terms.ts';
import { jointNotes, pullShown } from '#contract/wording/joint-text.ts';
import { lookLineText } from '#contract/wording/look-text.ts';
import { pieceLineText } from '#contract/wording/piece-line-text.ts';
import { passText } from '#contract/wording/plan-text.ts';
import { alignmentText } from '#contract/wording/raised-text.ts';
import { readingNote } from '#contract/wording/reading-text.ts';
import { say } from '#contract/wording/say.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import { curveText } from '#contract/wording/trace-text.ts';
import { careList } from '#core/job/care.ts';
import type { Pull } from '#core/job/job-state.ts';
import { ownPass, type PlanStation } from '#core/kit/plan.ts';
import { written } from '#core/quantity/display.ts';
import { recordDeviations } from '#core/record/clock-deviations.ts';
import { lookLines } from '#core/record/look-lines.ts';
import { pieceLines } from '#core/record/piece-lines.ts';
import { recordLines } from '#core/record/record-lines.ts';
import { hasLine, stepLines } from '#core/record/step-lines.ts';
import { StationGlyph } from '../../drawing/StationGlyph.tsx';
import { Measured } from '../../job/Measured.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { isPractice } from '../../practice/practice.ts';
import { useSettings } from '../../shop/settings.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { tell } from '../../ui/tell.ts';
import { Addenda } from './Addenda.tsx';
import { HandOver } from './HandOver.tsx';
import { Integrity } from './Integrity.tsx';

const WatchJob = lazy(() => import('./WatchJob.tsx'));
const PullCurveSheet = lazy(() => import('../../job/curve/PullCurveSheet.tsx'));

/** Every pull, every deviation, and the files to take away. */
export default function RecordScreen() {
  const { document, plan, state } = useOpenJob();
  const system = useSettings((settings) => settings.system);
  const due = careList(plan, state);
  const looks = lookLines(plan, state);
  const alignment = alignmentText(plan, system);
  const photos = Object.entries(state.visit.photos);
  const pieces = pieceLines(plan, state);
  const lines = useMemo(() => recordLines(plan, state), [plan, state]);
  const departures = useMemo(
    () =>
      recordDeviations(
        plan,
        state,
        document.events.map(({ event }) => event),
      ),
    [plan, state, document.events],
  );

  const [curve, setCurve] = useState<{ station: PlanStation; pull: Pull }>();
  const traced = lines.flatMap(({ joints }) => joints).some(({ pulls }) => pulls.some(({ pull }) => pull.trace));

  return (
    <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
      {curve && (
        <Suspense fallback={null}>
          <PullCurveSheet {...curve} onClose={() => setCurve(undefined)} />
        </Suspense>
      )}
      <main className="min-w-0 flex-1 bg-bench px-5 py-4 lg:overflow-y-auto">
        <h1 className="plate text-3xl">{say('Every pull')}</h1>
        {lines.map(({ group, joints }) => (
          <section key={group.id} className="mt-3">
            <h2 className="font-bold">{group.title}</h2>
            <div className="overflow-x-auto">
              <table className="w-full min-w-160 border-t-2 border-ink text-left">
                <thead className="text-sm text-ink-2">
                  <tr>
                    <th className="w-14 py-1 font-normal">
                      <span className="sr-only">{say('State')}</span>
                    </th>
                    <th className="font-normal">{say('Joint')}</th>
                    <th className="font-normal">{say('Printed, aimed at, pulled')}</th>
                    <th className="font-normal">{say('Pass')}</th>
                    <th className="pl-4 font-normal">{say('Wrench')}</th>
                    <th className="font-normal">{say('Who, when')}</th>
                  </tr>
                </thead>
                <tbody>
                  {joints.map((joint) => {
                    const { station, mark, stop, looks, pulls } = joint;
                    const rows = pulls.length === 0 ? [undefined] : pulls;
                    const notes = jointNotes(joint);
                    const told = rows.map((line, row) => {
                      const pull = line?.pull;
                      const shown = line && pullShown(station, line);
                      return (
                        <tr
                          key={pull?.id ?? station.id}
                          className={`border-t ${row === 0 ? 'border-rule' : 'border-hair'} ${line && line.stands !== 'stands' ? 'text-ink-2' : ''}`}
                        >
                          <td>
                            {row === 0 && (
                              <svg
                                viewBox="-36 -36 72 72"
                                className="size-11"
                                role="img"
                                aria-label={say('Station {label}, {mark}', { label: station.label, mark })}
                              >
                                <StationGlyph mark={mark} label={station.label} />
                              </svg>
                            )}
                          </td>
                          <td className="max-w-40 pr-3 text-sm">{row === 0 && station.name}</td>
                          <td className="figures min-w-36 py-1 pr-4 text-sm">
                            {row === 0 && <span className="block">{station.printed}</span>}
                            {row === 0 && station.basis && (
                              <span className="block font-sans text-ink-2">
                                {tell('for {basisText}', { basisText: BASIS_TEXT[station.basis] })}
                              </span>
                            )}
                            {shown && (
                              <span className="block text-ink-2">
                                {tell('aimed at {aimed}', { aimed: shown.aimed })}
                              </span>
                            )}
                            <b
                              className={`block text-lg whitespace-nowrap ${pull && pull.verdict !== 'accepted' && !line?.stroke ? 'text-bad' : ''} ${line?.stands === 'takenBack' ? 'line-through' : ''}`}
                            >
                              {shown?.pulled}
                            </b>
                            <span className="block text-ink-2">{shown?.inOther}</span>
                          </td>
                          <td className="pr-3 text-sm">
                            {pull
                              ? passText(line?.pass, ownPass(station, pull.pass))
                              : stop
                                ? say('stop confirmed')
                                : say('not yet')}
                          </td>
                          <td className="pr-4 pl-4 text-sm">{pull ? `${pull.wrench.label}, ${pull.source}` : ''}</td>
                          <td className="text-sm">
                            {pull ? `${pull.by.name}, ${shopFormat(pull.atMs, 'HH:mm:ss')}` : (stop?.by.name ?? '')}
                            {pull && <span className="block">{readingNote(station.spec, pull)}</span>}
                            {pull?.trace !== undefined && (
                              <button
                                type="button"
                                className="block min-h-11 text-left underline"
                                onClick={() => setCurve({ station, pull })}
                              >
                                {tell('Curve: {which}', {
                                  which: pull.curve ? curveText(pull.curve) : say('not judged'),
                                })}
                              </button>
                            )}
                            {line?.stroke ? (
                              <span className="block">{say('a stroke of the turn')}</span>
                            ) : pull && pull.verdict !== 'accepted' ? (
                              <span className="block text-bad">{VERDICT_TEXT[pull.verdict]}</span>
                            ) : null}
                            {line && <span className="block">{STANDS_WORDS[line.stands].behind}</span>}
                            {row === rows.length - 1 &&
                              looks.map((look) => (
                                <span key={look.commandId} className="block">
                                  {tell('second look at the mark: {name}, {shopFormat}', {
                                    name: look.by.name,
                                    shopFormat: shopFormat(look.atMs, 'HH:mm'),
                                  })}
                                </span>
                              ))}
                            {pull?.corrections.map((correction) => (
                              <span key={correction.commandId} className="block">
                                {tell('was {from}: {reason}', {
                                  from: written(correction.from, 1),
                                  reason: correction.reason,
                                })}
                              </span>
                            ))}
                          </td>
                        </tr>
                      );
                    });
                    return [
                      ...told,
                      ...(notes.length > 0
                        ? [
                            <tr key={`${station.id} notes`}>
                              <td />
                              <td colSpan={5} className="pb-2 text-sm text-ink-2">
                                {notes.map((note) => (
                                  <span key={note} className="block">
                                    {note}
                                  </span>
                                ))}
                              </td>
                            </tr>,
                          ]
                        : []),
                    ];
                  })}
                </tbody>
              </table>
            </div>
          </section>
        ))}
        <Measured plan={plan} state={state} />
        {hasLine(state) && (
          <section className="mt-6">
            <h2 className="plate text-3xl">{say('The line, step by step')}</h2>
            <ol className="border-t-2 border-ink">
              {stepLines(plan, state).map(({ step, acts, waived }) => (
                <li key={step.id} className="grid grid-cols-[3rem_1fr] gap-2 border-b border-hair py-2">
                  <b className="figures text-right">{step.number}</b>
                  <div>
                    <b>{stepTitle(plan, step.step)}</b>
                    {acts.map((act) => (
                      <p key={act.act.id} className={`text-sm ${act.met ? '' : 'text-bad'}`}>
                        {actLineText(plan, act)}{' '}
                        <span className="text-ink-2">
                          {act.by.name}, {shopFormat(act.atMs, 'd MMM HH:mm')}
                        </span>
                      </p>
                    ))}
                    {waived && (
                      <p className="text-sm text-bad">
                        {tell('Let go by {name}: {reason}', { name: waived.by.name, reason: waived.reason })}
                      </p>
                    )}
                  </div>
                </li>
              ))}
            </ol>
          </section>
        )}
        {looks.length > 0 && (
          <section className="mt-6">
            <h2 className="plate text-3xl">{say('Second look')}</h2>
            <ul className="border-t-2 border-ink">
              {looks.map(({ look, stands }) => (
                <li key={look.commandId} className="border-b border-hair py-2">
                  <span className={stands ? undefined : look.holds ? 'text-ink-2' : 'text-bad'}>
                    {lookLineText(plan, { look, stands })}
                  </span>{' '}
                  <span className="text-sm text-ink-2">
                    {look.by.name}, {shopFormat(look.atMs, 'd MMM HH:mm')}
                  </span>
                </li>
              ))}
            </ul>
          </section>
        )}
        {pieces.length > 0 && (
          <section className="mt-6">
            <h2 className="plate text-3xl">{say('Pieces')}</h2>
            <ul className="border-t-2 border-ink">
              {pieces.map((line) => (
                <li key={`${pieceLineText(line)} ${line.atMs}`} className="border-b border-hair py-2">
                  {pieceLineText(line)}{' '}
                  <span className="text-sm text-ink-2">
                    {line.by.name}, {shopFormat(line.atMs, 'd MMM HH:mm')}
                  </span>
                </li>
              ))}
            </ul>
          </section>
        )}
      </main>
      <aside className="flex shrink-0 flex-col border-ink bg-sheet lg:w-[400px] lg:border-l-2">
        <div className="flex-1 p-5 lg:overflow-y-auto">
          <h2 className="plate text-3xl">{state.closed ? say('Closed') : say('Work in progress')}</h2>
          {state.closed && (
            <p className="mt-1">
              {tell('Signed by {signature}, {shopFormat}.', {
                signature: <b>{state.closed.signature}</b>,
                shopFormat: shopFormat(state.closed.atMs, 'd MMM yyyy HH:mm'),
              })}
            </p>
          )}
          {state.closed?.unfinished && (
            <p className="mt-2 border-2 border-bad p-3">
              {tell('{b}  {reason} The vehicle may {mayText}.', {
                b: <b>{say('Not finished.')}</b>,
                reason: state.closed.unfinished.reason,
                mayText: MAY_TEXT[state.closed.unfinished.may],
              })}
            </p>
          )}
          {state.closed?.releases?.map(({ clock, condition }) => (
            <p key={clock} className="mt-2 border-2 border-ink p-3 font-bold">
              {condition}
            </p>
          ))}
          {!isPractice(document.id) && <HandOver job={document.id} />}
          <Addenda />
          <Integrity job={document.id} />
          <h3 className="mt-5 font-bold">{say('Deviations')}</h3>
          {departures.length === 0 && <p className="text-ink-2">{say('None.')}</p>}
          <ul>
            {departures.map((deviation) => (
              <li
                key={`${deviation.kind}-${deviation.atMs}-${deviationText(deviation, plan, plan)}`}
                className="border-b border-hair py-2 text-sm"
              >
                {deviationText(deviation, plan, plan)}
                <span className="block text-ink-2">
                  {deviation.by.name}, {shopFormat(deviation.atMs, 'd MMM HH:mm')}
                </span>
              </li>
            ))}
          </ul>
          {due.length > 0 && (
            <>
              <h3 className="mt-5 font-bold">{say('To watch and to come back for')}</h3>
              <ul>
                {due.map((care) => (
                  <li key={care.key} className="border-b border-hair py-2 text-sm">
                    <span className={care.waived ? 'text-ink-2 line-through' : undefined}>
                      {careText(care, system)}
                    </span>
                    {care.waived && <span className="block">{careWaivedText(care)}</span>}
                  </li>
                ))}
              </ul>
              {alignment && <p className="py-2 text-sm">{alignment}</p>}
            </>
          )}
          {traced && !isPractice(document.id) && (
            <p className="mt-5">
              {say('Curves of the pulls:')}{' '}
              {(['csv', 'jsonl'] as const).map((kind) => (
                <a
                  key={kind}
                  download
                  className="mr-4 inline-flex min-h-11 items-center underline"
                  href={`/api/jobs/${document.id}/traces.${kind}`}
                >
                  {kind === 'csv' ? 'CSV' : say('JSON lines')}
                </a>
              ))}
            </p>
          )}
          {photos.length > 0 && (
            <>
              <h3 className="mt-5 font-bold">{say('Photos')}</h3>
              <ul className="flex flex-wrap gap-3">
                {photos.map(([id, photo]) => (
                  <li key={id}>
                    <a
                      className="flex min-h-11 items-center underline"
                      href={`/api/jobs/${document.id}/photos/${id}`}
                      target="_blank"
                      rel="noreferrer"
                    >
                      {photo.by.name}, {shopFormat(photo.atMs, 'HH:mm')}
                    </a>
                  </li>
                ))}
              </ul>
            </>
          )}
        </div>
        {state.closed && !isPractice(document.id) && (
          <Suspense fallback={null}>
            <WatchJob document={document} />
          </Suspense>
        )}
        <div className="grid grid-cols-3 border-t-2 border-ink">
          {(isPractice(document.id) ? [] : (['pdf', 'csv', 'json'] as const)).map((kind) => (
            <a
              key={kind}
              download
              href={`/api/jobs/${document.id}/record.${kind}`}
              className={`plate flex min-h-20 items-center justify-center gap-2 text-2xl ${kind === 'pdf' ? 'bg-paint text-on-paint' : 'border-l border-rule'}`}
            >
              <Download aria-hidden="true" /> {kind}
            </a>
          ))}
        </div>
      </aside>
    </div>
  );
}
