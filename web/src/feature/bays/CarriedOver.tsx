import { Link } from 'react-router';
import type { JobCard } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { phasePath } from '../../job/floor-phases.ts';

/** Jobs of days before that are still open. */
export function CarriedOver({ jobs }: { jobs: readonly JobCard[] }) {
  if (jobs.length === 0) return null;
  return (
    <section className="mx-5 mt-3 border-2 border-ink bg-sheet p-3">
      <h2 className="font-bold">{say('Still open from before')}</h2>
      <ul className="mt-1 flex flex-wrap gap-x-6">
        {jobs.map((job) => (
          <li key={job.id}>
            <Link
              className="inline-flex min-h-11 items-center underline"
              to={`/jobs/${job.id}/${phasePath(job.progress.phase)}`}
            >
              {job.vehicle.plate} · {job.vehicle.model} · {job.number}, {job.kitTitle}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
