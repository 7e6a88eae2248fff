import { Link } from 'react-router';
import type { DayDocument } from '#contract/day.ts';
import { promiseText, stretchTitle } from '#contract/wording/day-text.ts';
import { say } from '#contract/wording/say.ts';
import type { DayPlan } from '#core/day/day-plan.ts';
import { phasePath } from '../../job/floor-phases.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { namesOf } from './use-day-plan.ts';

/** A day as a list, for a phone: each job when it begins, whose it is, what it is at, when it is ready. */
export function Agenda({ day, plan, fromMs, toMs }: { day: DayDocument; plan: DayPlan; fromMs: number; toMs: number }) {
  const names = namesOf(day);
  const jobs = plan.jobs
    .filter(({ startMs, readyMs }) => startMs < toMs && readyMs >= fromMs)
    .toSorted((a, b) => a.startMs - b.startMs);
  if (jobs.length === 0) return <p className="p-5 text-ink-2">{say('Nothing is planned.')}</p>;
  return (
    <ol className="px-5 pb-6">
      {jobs.map((job) => {
        const of = day.jobs.find(({ id }) => id === job.job);
        if (!of) return null;
        const { card, bay } = of;
        const own = plan.steps.filter((step) => step.job === job.job && step.endMs > day.nowMs);
        const next = own[0];
        const { risk } = job.promise ?? {};
        return (
          <li key={job.job} className="border-b border-rule py-3">
            <Link to={`/jobs/${job.job}/${phasePath(card.progress.phase)}`} className="flex gap-3">
              <span className="figures w-16 shrink-0 text-xl font-bold">{shopFormat(job.startMs, 'HH:mm')}</span>
              <span className="min-w-0">
                <span className="plate block text-2xl leading-7 break-words">
                  {card.vehicle.plate} {card.vehicle.model}
                </span>
                <span className="block">
                  {bay === undefined ? say('In the yard') : say('Bay {bay}', { bay })}
                  {job.fitter !== undefined && `, ${names.person(job.fitter)}`} · {card.kitTitle}
                </span>
                {next && <span className="block text-ink-2">{stretchTitle(next.step)}</span>}
                <span className={`block ${risk === 'late' ? 'font-bold text-bad' : ''}`}>
                  {promiseText(job, names)}
                </span>
              </span>
            </Link>
            <Link className="inline-flex min-h-11 items-center pl-19 underline" to={`/plan/${job.job}`}>
              {say('What its end hangs on')}
            </Link>
          </li>
        );
      })}
    </ol>
  );
}
