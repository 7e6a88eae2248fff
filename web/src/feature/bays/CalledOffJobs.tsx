import { Link } from 'react-router';
import type { JobCard } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { CALLED_OFF_TEXT } from '#contract/wording/slot-text.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { tell } from '../../ui/tell.ts';
import { PutBack } from '../receive/CallOff.tsx';

/** Jobs of the day whose vehicles do not come; each can be put back. */
export function CalledOffJobs({ jobs }: { jobs: readonly JobCard[] }) {
  if (jobs.length === 0) return null;
  return (
    <section className="mx-5 mt-3 border-2 border-rule bg-sheet p-3">
      <h2 className="font-bold">{say('Called off')}</h2>
      <ul>
        {jobs.map(({ id, vehicle, number, kitTitle, plannedStartMs, calledOff }) => (
          <li key={id} className="flex flex-wrap items-center justify-between gap-x-4 border-b border-hair py-1">
            <Link className="inline-flex min-h-11 items-center underline" to={`/jobs/${id}/receive`}>
              {vehicle.plate} · {vehicle.model} · {number}, {kitTitle}
            </Link>
            <span className="text-sm text-ink-2">
              {calledOff && `${CALLED_OFF_TEXT[calledOff.as]}, ${calledOff.by}. `}
              {calledOff?.note && `${calledOff.note}. `}
              {tell('Was planned for {shopFormat}.', { shopFormat: shopFormat(plannedStartMs, 'HH:mm') })}
            </span>
            <PutBack job={id} onDone={() => undefined} />
          </li>
        ))}
      </ul>
    </section>
  );
}
