import { useState } from 'react';
import { DRILL } from '#contract/wording/en/drill.ts';
import { ROLE_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import type { Role } from '#core/job/role.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { api, call } from '../../shop/api.ts';
import { useAssignments, useChange, useDrills, useLearners } from '../../shop/queries.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { FormField, inputLook } from '../../ui/FormField.tsx';
import { Notice } from '../../ui/Notice.tsx';
import { tell } from '../../ui/tell.ts';
import { useNow } from '../../ui/use-now.ts';
import { MasteryTable } from './MasteryTable.tsx';

/** What each tells, by kind of fault; never what they did. Asked for, looked at, signed off. */
export default function LearnersScreen() {
  const nowMs = useNow(60_000);
  const { data: learners, failure } = useLearners();
  const { data: assignments } = useAssignments();
  const { act, failure: unsent, busy } = useChange('drills');
  const [who, setWho] = useState<string>();
  const person =
    learners?.find((learner) => learner.person === who) ??
    learners?.find(({ attempts }) => attempts > 0) ??
    learners?.[0];
  if (!learners)
    return failure ? (
      <Notice title={say('Not shown')} detail={failure} secondary={{ to: '/drill', label: say('To the drills') }} />
    ) : (
      <Notice title={say('One moment')} detail={say('Fetching who spots what.')} busy />
    );
  const asked = (assignments ?? []).filter((entry) => entry.person === person?.person);
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar />
      <main className="flex-1 bg-bench px-5 py-5">
        <h1 className="plate text-4xl">{DRILL.mentor}</h1>
        <p className="max-w-3xl text-ink-2">
          {say(
            'What each spots by kind of fault, and no more: what they did in a drill is theirs. It allows nobody anything, unless a house rule says so.',
          )}
        </p>
        {unsent && (
          <p role="alert" className="mt-3 border-l-4 border-bad pl-3 font-bold text-bad">
            {unsent}
          </p>
        )}
        <div className="mt-5 grid gap-6 lg:grid-cols-[18rem_minmax(0,1fr)]">
          <ul className="border-t-2 border-ink" aria-label={say('People')}>
            {learners.map((learner) => (
              <li key={learner.person} className="border-b border-hair">
                <button
                  type="button"
                  aria-pressed={learner === person}
                  onClick={() => setWho(learner.person)}
                  className={`flex min-h-14 w-full flex-col justify-center px-3 text-left ${learner === person ? 'border-l-4 border-ink bg-sheet' : ''}`}
                >
                  <b>{learner.name}</b>
                  <span className="text-sm text-ink-2">
                    {tell('{role} · {count} of {count2} spotted{which}', {
                      role: ROLE_TEXT[learner.role as Role] ?? learner.role,
                      count: learner.mastery.filter(({ mastered }) => mastered).length,
                      count2: learner.mastery.length,
                      which: learner.lastMs
                        ? say(' · last {shopFormat}', { shopFormat: shopFormat(learner.lastMs, 'd MMM') })
                        : '',
                    })}
                  </span>
                </button>
              </li>
            ))}
          </ul>
          {person && (
            <section aria-label={person.name}>
              <div className="flex flex-wrap items-center justify-between gap-3 border-b-2 border-ink pb-2">
                <h2 className="plate text-2xl">{person.name}</h2>
                <a
                  className="inline-flex min-h-12 items-center border-2 border-ink bg-sheet px-4 font-bold"
                  href={`/api/drills/learners/${person.person}/certificate.pdf`}
                >
                  {DRILL.certificate}
                </a>
              </div>
              {person.attempts === 0 ? (
                <p className="py-3 text-ink-2">{say('Has done no drill yet.')}</p>
              ) : (
                <MasteryTable mastery={person.mastery} nowMs={nowMs} />
              )}
              <h3 className="plate mt-6 border-b-2 border-ink text-2xl">{say('Asked for')}</h3>
              <ul>
                {asked.map((entry) => (
                  <li key={entry.id} className="flex flex-wrap items-center gap-3 border-b border-hair py-2">
                    <span className="min-w-0 flex-1">
                      <b>{entry.title}</b>
                      <span className="block text-sm text-ink-2">
                        {shopFormat(entry.atMs, 'd MMM')} · {entry.by}. {entry.comment}
                        {entry.attempt
                          ? say(' Done {shopFormat}, {score} of 100.', {
                              shopFormat: shopFormat(entry.attempt.endedMs, 'd MMM'),
                              score: Math.round(entry.attempt.score * 100),
                            })
                          : say(' Not done yet.')}
                        {entry.signed
                          ? say(' Signed off by {by}. {comment}', {
                              by: entry.signed.by,
                              comment: entry.signed.comment,
                            })
                          : ''}
                      </span>
                    </span>
                    {entry.attempt && !entry.signed && (
                      <SignOff
                        busy={busy}
                        sign={(comment) =>
                          void act(() =>
                            call(
                              api.drills.assignments[':id'].sign.$post({ param: { id: entry.id }, json: { comment } }),
                            ),
                          )
                        }
                      />
                    )}
                  </li>
                ))}
              </ul>
              {asked.length === 0 && <p className="py-3 text-ink-2">{say('Nothing was asked for.')}</p>}
              <Assign
                key={person.person}
                busy={busy}
                assign={(drill, comment) =>
                  act(() => call(api.drills.assignments.$post({ json: { person: person.person, drill, comment } })))
                }
              />
            </section>
          )}
        </div>
      </main>
    </div>
  );
}

function SignOff({ busy, sign }: { busy: boolean; sign: (comment: string) => void }) {
  const [comment, setComment] = useState('');
  return (
    <span className="flex flex-wrap items-center gap-2">
      <input
        aria-label={say('A word on it')}
        placeholder={say('A word on it')}
        maxLength={500}
        className={`${inputLook(false)} w-56!`}
        value={comment}
        onChange={(event) => setComment(event.target.value)}
      />
      <Button disabled={busy} onClick={() => sign(comment)}>
        {DRILL.signOff}
      </Button>
    </span>
  );
}

function Assign({ busy, assign }: { busy: boolean; assign: (drill: string, comment: string) => Promise<boolean> }) {
  const { data: drills } = useDrills();
  const [drill, setDrill] = useState('');
  const [comment, setComment] = useState('');
  const chosen = drill || (drills?.[0]?.id ?? '');
  if (!drills || drills.length === 0) return <p className="py-3 text-ink-2">{DRILL.noDrills}</p>;
  return (
    <form
      className="mt-4 grid max-w-2xl gap-3 sm:grid-cols-[1fr_1fr_auto] sm:items-end"
      onSubmit={(event) => {
        event.preventDefault();
        void assign(chosen, comment).then((done) => done && setComment(''));
      }}
    >
      <FormField id="drill" label={say('Drill')}>
        <select
          id="drill"
          className={inputLook(false)}
          value={chosen}
          onChange={(event) => setDrill(event.target.value)}
        >
          {drills.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </select>
      </FormField>
      <FormField id="comment" label={say('A word with it')}>
        <input
          id="comment"
          className={inputLook(false)}
          maxLength={500}
          value={comment}
          onChange={(event) => setComment(event.target.value)}
        />
      </FormField>
      <Button type="submit" disabled={busy || chosen === ''}>
        {DRILL.assign}
      </Button>
    </form>
  );
}
