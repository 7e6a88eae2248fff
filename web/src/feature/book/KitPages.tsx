import type { KitTrouble } from '#contract/book.ts';
import { minutesText } from '#contract/wording/minutes-text.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { written } from '#core/quantity/display.ts';
import type { StepSpread } from '#core/record/step-times.ts';
import { useKitBook } from '../../shop/queries.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { tell } from '../../ui/tell.ts';
import { CurvePages } from './CurvePages.tsx';
import { SpreadChart } from './SpreadChart.tsx';
import { StepTimeChart, tookText } from './StepTimeChart.tsx';

/** What was pulled with a kit, station by station, and where it went otherwise than its sheet says. */
export function KitPages({ kit, revision }: { kit: string; revision?: number }) {
  const { data: book, failure } = useKitBook(kit, revision);
  if (failure)
    return (
      <p role="alert" className="mt-3 font-bold text-bad">
        {failure}
      </p>
    );
  if (!book) return <p className="mt-4 text-ink-2">{say('Looking it up.')}</p>;
  const query = new URLSearchParams({
    kit,
    ...(revision === undefined ? {} : { revision: String(revision) }),
  }).toString();
  const fitted = book.jobs > 0;
  return (
    <div className="mt-5 grid gap-6 lg:grid-cols-2">
      <section aria-label={say('Where it went otherwise')}>
        <div className="flex flex-wrap items-end justify-between gap-3 border-b-2 border-ink pb-2">
          <h2 className="plate text-2xl">{say('Where it went otherwise')}</h2>
          {book.troubles.length > 0 && (
            <span className="flex gap-2">
              {(['pdf', 'csv'] as const).map((kind) => (
                <a
                  key={kind}
                  download
                  href={`/api/book/kit/maker.${kind}?${query}`}
                  className="flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
                >
                  {kind === 'pdf' ? say('Write to the maker') : 'CSV'}
                </a>
              ))}
            </span>
          )}
        </div>
        <p className="py-2 text-ink-2">
          {fitted ? say('Fitted in {numberOf}', { numberOf: numberOf(book.jobs, 'job') }) : say('Never fitted here')}
          {book.retorques > 0 && say(', pulled again in {retorques}', { retorques: book.retorques })}.
          {book.behind > 0 &&
            say(' {numberOf} more are still being written into the book.', { numberOf: numberOf(book.behind, 'job') })}
        </p>
        {fitted && book.troubles.length === 0 && <p>{say('Everything went as its sheet says.')}</p>}
        <ul>
          {book.troubles.map((trouble) => (
            <Trouble key={`${trouble.kind} ${trouble.place}`} trouble={trouble} jobs={book.jobs + book.retorques} />
          ))}
        </ul>
      </section>
      <section aria-label={say('How its pulls lie')}>
        <h2 className="plate border-b-2 border-ink pb-2 text-2xl">{say('How its pulls lie')}</h2>
        {book.spread.length === 0 && <p className="py-2 text-ink-2">{say('No final pull of it is on record.')}</p>}
        <ul>
          {book.spread.map((spread) => (
            <li
              key={spread.station}
              className="grid gap-x-4 border-b border-hair py-2 sm:grid-cols-[1fr_minmax(0,26rem)]"
            >
              <p className="break-words">
                {spread.station}
                <span className="block text-sm text-ink-2">
                  {tell('{numberOf}, mean {meanNm} ± {sdNm} N·m', {
                    numberOf: numberOf(spread.pulls, 'pull'),
                    meanNm: written(spread.meanNm, 1),
                    sdNm: written(spread.sdNm, 2),
                  })}
                  {spread.missed > 0 && (
                    <b className="text-bad">{tell(', {missed} out of band', { missed: spread.missed })}</b>
                  )}
                </span>
              </p>
              <SpreadChart spread={spread} />
            </li>
          ))}
        </ul>
      </section>
      <CurvePages key={kit} kit={kit} stations={book.spread.map(({ station }) => station)} />
      <StepTimes steps={book.steps} />
    </div>
  );
}

/** What each step took against what its sheet says, those that run over by most first. */
function StepTimes({ steps }: { steps: readonly StepSpread[] }) {
  const longestMin = Math.max(
    0,
    ...steps.map(({ plannedMin = 0, threeQuartersMin }) => Math.max(plannedMin, threeQuartersMin)),
  );
  return (
    <section aria-label={say('What its steps take')} className="lg:col-span-2">
      <h2 className="plate border-b-2 border-ink pb-2 text-2xl">{say('What its steps take')}</h2>
      <p className="py-2 text-ink-2">
        {steps.length === 0
          ? say('No step of it has been worked here.')
          : say(
              'From a person’s act before to each of theirs in the step; breaks over half an hour are left out. Framed: what the sheet says. Bar: the middle half of the jobs. Line: half of them.',
            )}
      </p>
      <ul className="grid gap-x-6 lg:grid-cols-2">
        {steps.map((spread) => (
          <li key={spread.step} className="grid gap-x-4 border-b border-hair py-2 sm:grid-cols-[1fr_minmax(0,20rem)]">
            <p className="min-w-0 break-words">
              <span className="line-clamp-2">{spread.text}</span>
              <span className="block text-sm text-ink-2">
                {say('{time} in {jobs}', { time: tookText(spread.medianMin), jobs: numberOf(spread.jobs, 'job') })}
                {spread.plannedMin !== undefined &&
                  say(', planned {minutesText}', { minutesText: minutesText(spread.plannedMin) })}
                {spread.plannedMin !== undefined && spread.medianMin >= spread.plannedMin + 1 && (
                  <b className="text-bad">
                    {tell(', {minutesText} over', { minutesText: minutesText(spread.medianMin - spread.plannedMin) })}
                  </b>
                )}
              </span>
            </p>
            <StepTimeChart spread={spread} longestMin={longestMin} />
          </li>
        ))}
      </ul>
    </section>
  );
}

function Trouble({ trouble: { place, text, times, jobs: of, lastMs }, jobs }: { trouble: KitTrouble; jobs: number }) {
  return (
    <li className="grid grid-cols-[5rem_1fr] gap-3 border-b border-hair py-2">
      <p className="figures">
        <b className="text-xl">{of}</b>
        <span className="block text-sm text-ink-2">{tell('of {jobs} jobs', { jobs })}</span>
      </p>
      <p className="min-w-0 break-words">
        {place && <b className="block">{place}</b>}
        {text}
        <span className="block text-sm text-ink-2">
          {times > of && say('{times} times in all, ', { times })}
          {tell('last {shopFormat}', { shopFormat: shopFormat(lastMs, 'd MMM yyyy') })}
        </span>
      </p>
    </li>
  );
}
