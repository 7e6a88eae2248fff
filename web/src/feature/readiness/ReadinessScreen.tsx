import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { VERDICT_TITLE } from '#contract/wording/en/readiness.ts';
import { COMPOUND_TEXT, NEED_TEXT } from '#contract/wording/en/terms.ts';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { obstaclePath, obstacleText } from '#contract/wording/readiness-text.ts';
import { say } from '#contract/wording/say.ts';
import { indexOf } from '#core/kit/plan.ts';
import { showTorqueIn, written } from '#core/quantity/display.ts';
import type { Obstacle, Readiness } from '#core/readiness/readiness.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { ReceiveTabs } from '../../job/ReceiveTabs.tsx';
import { useOpenJob } from '../../job/use-open-job.ts';
import { tell } from '../../ui/tell.ts';
import { ShoppingList } from './ShoppingList.tsx';
import { ToolThere } from './ToolThere.tsx';
import { useReadiness } from './use-readiness.ts';

/** A target as it is set on the wrench's own scale. */
const settingText = (wrench: Wrench, nm: number): string =>
  `${showTorqueIn(nm, wrench.scaleUnit).number} ${wrench.scaleUnit}`;

/** What the day needs: worked out from the stations and steps, against what the shop has. */
export default function ReadinessScreen() {
  const { result, failure } = useReadiness();
  return (
    <div className="flex flex-1 flex-col lg:min-h-0">
      <ReceiveTabs />
      <main className="flex-1 bg-bench px-5 py-4 lg:overflow-y-auto">
        {failure && (
          <p role="alert" className="mb-3 text-bad">
            {failure}
          </p>
        )}
        {!result && !failure && <p className="text-ink-2">{say('Reading the crib.')}</p>}
        {result && <Sheet result={result} />}
      </main>
    </div>
  );
}

function Sheet({ result }: { result: Readiness }) {
  const { plan } = useOpenJob();
  const { stations } = indexOf(plan);
  const { wrenches, tools, compounds, time } = result;
  // A sheet that lists no tools at all forgot none in particular.
  const forgotten = plan.tools.length === 0 ? [] : tools.needs.filter(({ listed }) => !listed);
  const labels = (ids: readonly string[]) => {
    const shown = [...new Set(ids.map((id) => stations.get(id)?.label ?? id))].sort((a, b) =>
      a.localeCompare(b, 'en', { numeric: true }),
    );
    return shown.length > 8
      ? say('{shown} and {count} more', { shown: shown.slice(0, 8).join(', '), count: shown.length - 8 })
      : shown.join(', ');
  };
  return (
    <>
      <section className={`border-2 bg-sheet p-4 ${result.verdict === 'ready' ? 'border-ink' : 'border-bad'}`}>
        <h1 className="plate text-4xl">{VERDICT_TITLE[result.verdict]}</h1>
        {result.verdict === 'ready' && <p>{say('Nothing is missing.')}</p>}
        <Obstacles title={say('because')} obstacles={result.before} />
        <Obstacles title={result.before.length > 0 ? say('and on the way') : say('at')} obstacles={result.onTheWay} />
      </section>
      <div className="mt-4 grid items-start gap-4 lg:grid-cols-2">
        <Part title={say('Torque wrenches')}>
          <p className="text-ink-2">
            {wrenches.wrenches.length === 0
              ? say('Nothing is left to be pulled.')
              : say('The fewest that cover every target: {count}, set {settings} times along the plan.', {
                  count: wrenches.wrenches.length,
                  settings: wrenches.settings,
                })}
          </p>
          <ul>
            {wrenches.pulls.map(({ wrench: id, targetsNm }) => {
              const wrench = wrenches.wrenches.find((entry) => entry.id === id);
              return (
                <li key={id} className="flex justify-between gap-3 border-t border-hair py-1.5">
                  <b className="whitespace-nowrap">{wrench?.label}</b>
                  <span className="figures text-right">
                    {targetsNm.map((nm) => (wrench ? settingText(wrench, nm) : `${nm} N·m`)).join(', ')}
                  </span>
                </li>
              );
            })}
            {wrenches.uncovered.map(({ targetNm, stations: ids }) => (
              <li key={targetNm} className="flex justify-between gap-3 border-t border-hair py-1.5 font-bold text-bad">
                <span>{say('Missing')}</span>
                <span className="text-right">
                  {tell('{targetNm}, stations {labels}', {
                    targetNm: <span className="figures">{written(targetNm, 0)} N·m</span>,
                    labels: labels(ids),
                  })}
                </span>
              </li>
            ))}
          </ul>
        </Part>
        <Part title={say('Time and hands')}>
          <dl className="grid grid-cols-[9rem_1fr]">
            {[
              [
                say('Stated'),
                time.statedMin === undefined
                  ? say('no sheet states a time')
                  : `${minutesText(time.statedMin)}${time.unstated.length > 0 ? say(', without {unstated}', { unstated: time.unstated.join(', ') }) : ''}`,
              ],
              [say('Typical'), minutesText(time.typicalMin)],
              [
                say('Own history'),
                time.ownMin.length === 0
                  ? say('none yet')
                  : time.ownMin.map(({ kit, minutes, jobs }) => `${kit} ${minutesText(minutes)} (${jobs})`).join('; '),
              ],
              [
                say('People'),
                `${result.people}${result.helperMinutes > 0 ? say(', a helper for {minutesText}', { minutesText: minutesText(result.helperMinutes) }) : ''}`,
              ],
              ...result.places.map(({ need, steps, minutes }) => [
                NEED_TEXT[need],
                `${steps} ${steps === 1 ? 'step' : 'steps'}${minutes ? `, ${minutesText(minutes)}` : ''}`,
              ]),
            ].map(([name, text]) => (
              <div key={name} className="contents">
                <dt className="border-t border-hair py-1.5 text-ink-2">{name}</dt>
                <dd className="border-t border-hair py-1.5 font-bold">{text}</dd>
              </div>
            ))}
          </dl>
        </Part>
        <Part title={say('Tools')}>
          <table className="w-full text-left">
            <thead className="text-sm text-ink-2">
              <tr>
                <th className="py-1 font-normal">{say('Tool')}</th>
                <th className="py-1 font-normal">{say('For')}</th>
                <th className="py-1 font-normal">{say('On the sheet')}</th>
                <th className="py-1 font-normal">{say('In the crib')}</th>
              </tr>
            </thead>
            <tbody>
              {tools.needs.map((need) => (
                <tr key={need.key} className="border-t border-hair align-top">
                  <td className="py-1.5 font-bold">
                    {need.name}
                    {need.pair && (
                      <span className="block text-sm font-normal">{say('two of them: turns and holds')}</span>
                    )}
                    {need.use && <span className="block text-sm font-normal">{need.use}</span>}
                    {need.misuse && <span className="block text-sm font-normal text-bad">{need.misuse}</span>}
                  </td>
                  <td className="py-1.5 text-sm">
                    {need.turns.length > 0 && (
                      <span className="block">{tell('turns {labels}', { labels: labels(need.turns) })}</span>
                    )}
                    {need.holds.length > 0 && (
                      <span className="block">{tell('holds {labels}', { labels: labels(need.holds) })}</span>
                    )}
                    {need.other.length > 0 && <span className="block">{need.other.join('; ')}</span>}
                  </td>
                  <td className="py-1.5 text-sm">{need.listed ? say('yes') : say('not on it')}</td>
                  <td className="py-1.5 text-sm">
                    <ToolThere need={need} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {tools.needs.length === 0 && <p className="text-ink-2">{say('Nothing but hands.')}</p>}
          {forgotten.length > 0 && (
            <p className="mt-2 text-sm">
              <b>{say('The sheets forgot:')}</b> {forgotten.map(({ name }) => name).join(', ')}.
            </p>
          )}
          {tools.unused.length > 0 && (
            <p className="mt-2 text-sm text-ink-2">
              {tell('On the sheet and not used here: {unused}.', {
                unused: tools.unused.map(({ name }) => name).join(', '),
              })}
            </p>
          )}
        </Part>
        <ShoppingList list={result.shopping} />
        <Part title={say('Compounds')}>
          {compounds.length === 0 && <p className="text-ink-2">{say('No thread takes any.')}</p>}
          <ul>
            {compounds.map((need) => (
              <li key={need.kind} className="border-t border-hair py-1.5">
                <span className="flex justify-between gap-3">
                  <b>{COMPOUND_TEXT[need.kind]}</b>
                  <span className={`figures ${need.haveMl < need.needMl ? 'font-bold text-bad' : ''}`}>
                    {tell('{needMl} of {haveMl} mL', {
                      needMl: written(need.needMl, 1),
                      haveMl: written(need.haveMl, 0),
                    })}
                  </span>
                </span>
                <span className="text-sm text-ink-2">
                  {need.names.join(', ')}, {numberOf(need.stations, 'station')}
                  {need.goodUntil && say(', good until {goodUntil}', { goodUntil: need.goodUntil })}
                </span>
              </li>
            ))}
          </ul>
        </Part>
      </div>
      <p className="mt-4 text-sm text-ink-2">
        {say(
          'Chocks at the end that stays down, stands under what is lifted, eye and hand protection. These lists are an aid; the vehicle maker’s manual comes first.',
        )}
      </p>
    </>
  );
}

function Obstacles({ title, obstacles }: { title: string; obstacles: readonly Obstacle[] }) {
  if (obstacles.length === 0) return null;
  return (
    <>
      <p className="mt-2 text-ink-2">{title}</p>
      <ul>
        {obstacles.map((obstacle) => (
          <li
            key={obstacleText(obstacle)}
            className="flex flex-wrap items-center justify-between gap-x-4 border-t border-hair py-1"
          >
            <span>
              {'group' in obstacle && obstacle.group && <b>{obstacle.group}: </b>}
              {obstacleText(obstacle)}
            </span>
            <Link className="inline-flex min-h-11 items-center underline" to={obstaclePath(obstacle)}>
              {tell('Go there{obstacleText}', {
                obstacleText: <span className="sr-only">: {obstacleText(obstacle)}</span>,
              })}
            </Link>
          </li>
        ))}
      </ul>
    </>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="border-2 border-ink bg-sheet p-4">
      <h2 className="plate mb-1 text-2xl">{title}</h2>
      {children}
    </section>
  );
}
