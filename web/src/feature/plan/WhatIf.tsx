import { useEffect, useId, useState } from 'react';
import type { DayDocument } from '#contract/day.ts';
import { changeText } from '#contract/wording/day-text.ts';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { say } from '#contract/wording/say.ts';
import { type DayChange, worthOf } from '#core/day/day-advice.ts';
import type { DayPlan } from '#core/day/day-plan.ts';
import { fromField, shopFormat, toField } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import { planWorker } from '../../worker/plan-worker.ts';
import { namesOf } from './use-day-plan.ts';

const MINUTE_MS = 60_000;
const LOOKS = 60;

/** What the day would be with something changed, beside what it is: nothing of it is kept. */
export function WhatIf({ day, plan }: { day: DayDocument; plan: DayPlan }) {
  const id = useId();
  const names = namesOf(day);
  const [changes, setChanges] = useState<DayChange[]>([]);
  const [other, setOther] = useState<DayPlan>();
  const [failure, setFailure] = useState<string>();
  const [looking, setLooking] = useState(false);
  const waiting = day.jobs.filter(({ begun }) => !begun);
  const put = (change: DayChange, replaces: (other: DayChange) => boolean) =>
    setChanges((before) => [...before.filter((one) => !replaces(one)), change]);
  useEffect(() => {
    setFailure(undefined);
    setLooking(changes.length > 0);
    if (changes.length === 0) return setOther(undefined);
    let gone = false;
    planWorker()
      .tried(day, changes, LOOKS)
      .then((answer) => {
        if (gone) return;
        setLooking(false);
        if (answer.ok && answer.value.kind === 'plan') setOther(answer.value.plan);
        else {
          setOther(undefined);
          setFailure(say('There is no plan with that.'));
        }
      })
      .catch((error: unknown) => {
        if (gone) return;
        setLooking(false);
        setFailure(error instanceof Error ? error.message : String(error));
      });
    return () => {
      gone = true;
    };
  }, [day, changes]);
  const [now, then] = [worthOf(plan), other && worthOf(other)];
  const field = 'min-h-11 w-full border-2 border-ink bg-sheet px-2';
  return (
    <div className="mt-3 grid gap-6 px-5 pb-6 lg:grid-cols-[20rem_1fr]">
      <section aria-label={say('Changes')}>
        <h2 className="plate text-2xl">{say('What if')}</h2>
        <p className="text-sm text-ink-2">{say('Nothing here is kept: it is only reckoned.')}</p>
        <label className="mt-3 block" htmlFor={`${id} without`}>
          {say('One is not there')}
        </label>
        <select
          id={`${id} without`}
          className={field}
          value={changes.find((one) => one.kind === 'without')?.person ?? ''}
          onChange={({ target: { value } }) =>
            value === ''
              ? setChanges(changes.filter(({ kind }) => kind !== 'without'))
              : put({ kind: 'without', person: value }, ({ kind }) => kind === 'without')
          }
        >
          <option value="">{say('All are there')}</option>
          {day.people.map((person) => (
            <option key={person.id} value={person.id}>
              {person.name}
            </option>
          ))}
        </select>
        <label className="mt-3 block" htmlFor={`${id} temperature`}>
          {say('The bay is at, °C')}
        </label>
        <input
          id={`${id} temperature`}
          className={field}
          type="number"
          min={-20}
          max={60}
          placeholder={say('as each job says')}
          onChange={({ target: { value, validity } }) =>
            value === '' || !validity.valid
              ? setChanges(changes.filter(({ kind }) => kind !== 'temperature'))
              : put({ kind: 'temperature', tempC: Number(value) }, ({ kind }) => kind === 'temperature')
          }
        />
        {waiting.length > 1 && (
          <>
            <label className="mt-3 block" htmlFor={`${id} swap`}>
              {say('The other way round')}
            </label>
            <select
              id={`${id} swap`}
              className={field}
              value={
                changes.filter((one) => one.kind === 'swap').map(({ first, second }) => `${first} ${second}`)[0] ?? ''
              }
              onChange={({ target: { value } }) => {
                const [first = '', second = ''] = value.split(' ');
                if (value === '') setChanges(changes.filter(({ kind }) => kind !== 'swap'));
                else put({ kind: 'swap', first, second }, ({ kind }) => kind === 'swap');
              }}
            >
              <option value="">{say('In their order')}</option>
              {waiting.flatMap((one, at) =>
                waiting.slice(at + 1).map((two) => (
                  <option key={`${one.id} ${two.id}`} value={`${one.id} ${two.id}`}>
                    {say('{job} ({number}) before {job2} ({number2})', {
                      job: names.job(two.id),
                      number: two.card.number,
                      job2: names.job(one.id),
                      number2: one.card.number,
                    })}
                  </option>
                )),
              )}
            </select>
          </>
        )}
        {waiting.map((job) => (
          <label key={job.id} className="mt-3 block">
            {tell('{job} ({number}) comes, or its kit, at', { job: names.job(job.id), number: job.card.number })}
            <input
              className={field}
              type="datetime-local"
              defaultValue={toField(job.fromMs)}
              onChange={({ target: { value } }) => {
                const atMs = fromField(value);
                if (Number.isFinite(atMs))
                  put({ kind: 'comes', job: job.id, atMs }, (one) => one.kind === 'comes' && one.job === job.id);
              }}
            />
          </label>
        ))}
        <Button className="mt-3 min-h-11!" disabled={changes.length === 0} onClick={() => setChanges([])}>
          {say('As it is')}
        </Button>
      </section>
      <section aria-label={say('Side by side')}>
        <p role="status" className="min-h-6 font-bold">
          {failure ??
            (looking
              ? say('Looking.')
              : changes.map((change) => changeText(change, names)).join('; ') || say('As it is.'))}
        </p>
        <table className="mt-2 w-full border-collapse">
          <thead>
            <tr className="border-b-2 border-ink text-left">
              <th scope="col" className="py-2">
                {say('Job')}
              </th>
              <th scope="col">{say('Promised')}</th>
              <th scope="col">{say('Ready as it is')}</th>
              <th scope="col">{say('Ready then')}</th>
              <th scope="col">{say('Later by')}</th>
            </tr>
          </thead>
          <tbody className="figures">
            {plan.jobs.map((job) => {
              const changed = other?.jobs.find((one) => one.job === job.job);
              const later = changed ? Math.round((changed.readyMs - job.readyMs) / MINUTE_MS) : undefined;
              const bad = changed?.promise?.risk === 'late';
              return (
                <tr key={job.job} className="border-b border-rule">
                  <th scope="row" className="py-2 text-left font-bold">
                    {names.job(job.job)}{' '}
                    <span className="text-ink-2">{day.jobs.find(({ id: one }) => one === job.job)?.card.number}</span>
                  </th>
                  <td>{job.promise ? names.clock(job.promise.promisedMs) : '–'}</td>
                  <td className={job.promise?.risk === 'late' ? 'font-bold text-bad' : ''}>
                    {names.clock(job.readyMs)}
                  </td>
                  <td className={bad ? 'font-bold text-bad' : ''}>{changed ? names.clock(changed.readyMs) : '–'}</td>
                  <td>
                    {later === undefined
                      ? '–'
                      : later === 0
                        ? say('the same')
                        : `${later > 0 ? '+' : '−'}${minutesText(Math.abs(later))}`}
                  </td>
                </tr>
              );
            })}
            <tr>
              <th scope="row" className="py-2 text-left">
                {say('All done')}
              </th>
              <td />
              <td>{shopFormat(now.endMs, 'EEE HH:mm')}</td>
              <td>{then ? shopFormat(then.endMs, 'EEE HH:mm') : '–'}</td>
              <td>
                {then
                  ? say('{minutesText} of promises missed, {minutesText2} as it is', {
                      minutesText: minutesText(Math.round(then.lateMin)),
                      minutesText2: minutesText(Math.round(now.lateMin)),
                    })
                  : '–'}
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </div>
  );
}
