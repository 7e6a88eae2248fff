import { Link, useParams } from 'react-router';
import {
  becauseText,
  cannotText,
  claimText,
  estimateText,
  promiseText,
  stretchTitle,
} from '#contract/wording/day-text.ts';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { say } from '#contract/wording/say.ts';
import { chainStretches } from '#core/day/chain-stretch.ts';
import { type Hanging, hangsOn } from '#core/day/day-plan.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { shopFormat } from '../../shop/shop-time.ts';
import { tell } from '../../ui/tell.ts';
import { useNow } from '../../ui/use-now.ts';
import { namesOf, useDayPlan } from './use-day-plan.ts';

const MINUTE_MS = 60_000;

/** One job's plan: when it is ready, what that hangs on, and each step with what it is expected to take. */
export default function JobPlan() {
  const { jobId = '' } = useParams();
  const planned = useDayPlan(useNow(30_000));
  const { day, plan, failure } = planned;
  const names = namesOf(day);
  const of = day?.jobs.find(({ id }) => id === jobId);
  const own = plan?.jobs.find(({ job }) => job === jobId);
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar keys={[]} />
      {failure && (
        <p role="alert" className="border-b-2 border-bad bg-sheet px-5 py-2 text-bad">
          {failure}
        </p>
      )}
      <main className="flex-1 bg-bench p-5">
        {!day || !plan ? (
          <p className="text-ink-2">{failure ? '' : say('Planning.')}</p>
        ) : !of || !own ? (
          <p>
            {tell('This job is not in the plan of these days: it is closed, called off, or later than a week. {link}', {
              link: (
                <Link className="underline" to={`/jobs/${jobId}`}>
                  {say('To the job')}
                </Link>
              ),
            })}
          </p>
        ) : (
          <>
            <h1 className="plate text-3xl">
              {of.card.vehicle.plate} {of.card.vehicle.model}
            </h1>
            <p className="text-ink-2">
              {of.card.number}, {of.card.kitTitle}
            </p>
            <p className={`mt-2 text-xl font-bold ${own.promise?.risk === 'late' ? 'text-bad' : ''}`}>
              {promiseText(own, names)}.
            </p>
            {own.promise && (
              <p className="text-ink-2">
                {tell('Eight of ten times ready between {clock} and {clock2}.', {
                  clock: names.clock(own.readyLowMs),
                  clock2: names.clock(own.readyHighMs),
                })}
              </p>
            )}
            {[
              ...of.work.cannot.map(cannotText),
              ...of.work.claims.map(({ title, claim }) => `${title} ${claimText(claim)}.`),
            ].map((text) => (
              <p key={text} className="mt-1">
                {text}
              </p>
            ))}
            <div className="mt-5 grid gap-8 lg:grid-cols-2">
              <section>
                <h2 className="plate border-b-2 border-ink pb-1 text-2xl">{say('What the end hangs on')}</h2>
                <ol>
                  {chainStretches(hangsOn(day, plan, jobId)).map(({ links, startMs, endMs }) => {
                    const [first] = links;
                    if (!first) return null;
                    const title = (link: Hanging) =>
                      link.at.step ? stretchTitle(link.at.step) : say('It may be driven');
                    const other = first.at.job === jobId ? '' : `${names.job(first.at.job)}: `;
                    return (
                      <li key={startMs} className="flex gap-3 border-b border-hair py-1.5">
                        <span className="figures w-20 shrink-0">{names.clock(startMs)}</span>
                        <span className="min-w-0 flex-1">
                          {links.length === 1 ? (
                            <b>
                              {other}
                              {title(first)}
                            </b>
                          ) : (
                            <details>
                              <summary className="min-h-11 cursor-pointer">
                                <b>
                                  {tell('{other}{count} steps one after the other, {minutesText}', {
                                    other,
                                    count: links.length,
                                    minutesText: minutesText((endMs - startMs) / MINUTE_MS),
                                  })}
                                </b>
                                <span className="block text-sm text-ink-2">
                                  {tell('{title} to {title2}', {
                                    title: title(first),
                                    title2: title(links.at(-1) ?? first),
                                  })}
                                </span>
                              </summary>
                              <ol className="mt-1">
                                {links.map((link) => (
                                  <li key={link.at.startMs}>
                                    <span className="figures">{names.clock(link.at.startMs)}</span> {title(link)}
                                  </li>
                                ))}
                              </ol>
                            </details>
                          )}
                          <span className="block text-sm text-ink-2">{becauseText(first, names)}</span>
                        </span>
                      </li>
                    );
                  })}
                  <li className="flex gap-3 py-1.5">
                    <span className="figures w-20 shrink-0 font-bold">{names.clock(own.readyMs)}</span>
                    <b>{say('Ready')}</b>
                  </li>
                </ol>
              </section>
              <section>
                <h2 className="plate border-b-2 border-ink pb-1 text-2xl">{say('Steps that are left')}</h2>
                <table className="w-full border-collapse">
                  <thead className="sr-only">
                    <tr>
                      <th scope="col">{say('When')}</th>
                      <th scope="col">{say('Step')}</th>
                      <th scope="col">{say('Takes')}</th>
                    </tr>
                  </thead>
                  <tbody>
                    {plan.steps
                      .filter(({ job }) => job === jobId)
                      .map(({ id, step, startMs, endMs, people, missingHands }) => (
                        <tr key={id} className="border-b border-hair align-top">
                          <td className="figures w-24 py-1.5">
                            {shopFormat(startMs, 'HH:mm')}
                            <span className="block text-sm text-ink-2">
                              {names.clock(startMs).replace(/ ?\d\d:\d\d.*/, '')}
                            </span>
                          </td>
                          <td className="py-1.5 pr-2">
                            {stretchTitle(step)}
                            <span className="block text-sm text-ink-2">
                              {people.map(names.person).join(' with ')}
                              {missingHands > 0 && (
                                <b className="text-bad">{tell(', {missingHands} more wanted', { missingHands })}</b>
                              )}
                              {'. '}
                              {estimateText(step.estimate)}.
                            </span>
                          </td>
                          <td className="figures py-1.5 text-right whitespace-nowrap">
                            {minutesText(Math.max(1, Math.round((endMs - startMs) / MINUTE_MS)))}
                          </td>
                        </tr>
                      ))}
                  </tbody>
                </table>
                {of.done.length > 0 && (
                  <>
                    <h2 className="plate mt-6 border-b-2 border-ink pb-1 text-2xl">
                      {say('Done, against what was expected')}
                    </h2>
                    <ul>
                      {of.done.map((step) => (
                        <li key={step.number} className="flex gap-3 border-b border-hair py-1.5">
                          <span className="min-w-0 flex-1">{stretchTitle(step)}</span>
                          <span className="figures shrink-0">
                            {minutesText(Math.max(1, Math.round(step.tookMin)))}
                            <span className="text-ink-2">
                              {' '}
                              {tell('of {minutesText}', {
                                minutesText: minutesText(Math.max(1, Math.round(step.expectedMin))),
                              })}
                            </span>
                          </span>
                        </li>
                      ))}
                    </ul>
                  </>
                )}
              </section>
            </div>
          </>
        )}
      </main>
    </div>
  );
}
