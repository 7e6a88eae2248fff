import { say } from '#contract/wording/say.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import type { JobPart } from './PlannedBar.tsx';

/** Beyond this share of the rule, per cent, the word stands before the pin. */
const FLIPPED_FROM = 82;

/** A promise as a pin in the bay's row: filled where it is at risk, with its word beside it. */
export function PromisePin({ promise, left }: { promise: NonNullable<JobPart['promise']>; left: number }) {
  const { promisedMs, risk } = promise;
  const word = risk === 'late' ? say(' at risk') : risk === 'tight' ? say(' close') : '';
  return (
    <span
      className="pointer-events-none absolute top-0 bottom-0"
      style={{ left: `${left}%` }}
      title={say('Promised for {shopFormat}{word}', { shopFormat: shopFormat(promisedMs, 'HH:mm'), word })}
    >
      <span className={`absolute inset-y-0 border-l-2 ${risk === 'late' ? 'border-bad' : 'border-ink'}`} />
      <span
        className={`figures absolute bottom-0 bg-bench px-1 text-sm font-bold whitespace-nowrap ${left > FLIPPED_FROM ? 'right-0' : 'left-0'} ${risk === 'late' ? 'text-bad' : ''}`}
      >
        <span aria-hidden="true">▸ </span>
        {shopFormat(promisedMs, 'HH:mm')}
        {word}
      </span>
    </span>
  );
}
