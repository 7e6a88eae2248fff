import { Link } from 'react-router';
import type { WrenchBook } from '#contract/book.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { CHECKS_FOR_DRIFT } from '#core/crib/wrench-drift.ts';
import { useWrenchBook } from '../../shop/queries.ts';
import { DriftChart } from './DriftChart.tsx';

/** How one wrench read at its checks against how much it had pulled. */
export function WrenchPages({ wrench }: { wrench: string }) {
  const { data: book, failure } = useWrenchBook(wrench);
  if (failure)
    return (
      <p role="alert" className="mt-3 font-bold text-bad">
        {failure}
      </p>
    );
  if (!book) return <p className="mt-4 text-ink-2">{say('Looking it up.')}</p>;
  return (
    <section aria-label={say('Drift against use')} className="mt-5 max-w-4xl">
      <h2 className="plate border-b-2 border-ink pb-2 text-2xl">{say('Drift against use')}</h2>
      <p className="py-2 text-lg">{driftText(book)}</p>
      {book.points.length > 0 && <DriftChart book={book} />}
      <p className="py-2 text-sm text-ink-2">
        {say(
          'Dots: the mean of a check or calibration (open, dashed) over the pulls on record by then. Band: what is allowed, ISO 6789-1. Line: the median of the slopes between all checks since the last calibration, with bounds that hold the true one in 95 of 100 cases (Sen 1968). Pulls made elsewhere are not on record here.',
        )}
        {book.behind > 0 &&
          say(' {numberOf} more are still being written into the book.', { numberOf: numberOf(book.behind, 'job') })}
      </p>
      <Link
        to={`/crib?wrench=${wrench}`}
        className="inline-flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
      >
        {say('To its checks')}
      </Link>
    </section>
  );
}

const perThousand = (share: number): string => `${share > 0 ? '+' : ''}${(share * 100).toFixed(2)} %`;

/** What the chart says, in a sentence. */
export function driftText({ points, drift, pullsSince }: WrenchBook): string {
  if (points.length === 0) return say('No check of it is on record.');
  const since =
    pullsSince > 0
      ? say(' It has made {numberOf} since the last check.', { numberOf: numberOf(pullsSince, 'pull') })
      : '';
  if (!drift)
    return say(
      'Too little to tell a drift from: it wants {checksForDrift} checks with pulls between them since the last calibration.{since}',
      { checksForDrift: CHECKS_FOR_DRIFT, since },
    );
  const slope = say('{perThousand} in 1000 pulls, between {perThousand2} and {perThousand3}', {
    perThousand: perThousand(drift.perThousand),
    perThousand2: perThousand(drift.low),
    perThousand3: perThousand(drift.high),
  });
  if (drift.pullsLeft === undefined) return say('Use is not seen to move it: {slope}.{since}', { slope, since });
  const left = drift.pullsLeft - pullsSince;
  return say('It wanders with use: {slope}. {which}{since}', {
    slope,
    which:
      left > 0
        ? say('Going on so, it leaves what is allowed in about {numberOf}.', { numberOf: numberOf(left, 'pull') })
        : say('Going on so, it has left what is allowed by now: check it before the next pull.'),
    since,
  });
}
