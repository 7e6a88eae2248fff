import { type PlannedJob, slotClashes } from '#contract/slot-clash.ts';
import { clashText } from '#contract/wording/slot-text.ts';
import { useCribRead, useJobs } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopDayStart } from '../../shop/shop-time.ts';

/** What speaks against where and when a job is put, told before it is. None of it is forbidden. */
export function SlotClashes({ job }: { job: PlannedJob }) {
  const clock = useSession((state) => state.session?.shop.rules);
  const known = Number.isFinite(job.plannedStartMs);
  const dayMs = known ? shopDayStart(job.plannedStartMs) : 0;
  const { data: jobs } = useJobs(dayMs, known ? shopDayStart(job.plannedStartMs, 1) : 1, undefined, known);
  const { data: crib } = useCribRead();
  const name = (person: string) => crib?.people.find(({ id }) => id === person)?.name ?? person;
  const clashes = known ? slotClashes(jobs ?? [], job) : [];
  if (clashes.length === 0) return null;
  return (
    <ul role="status" className="col-span-2 border-l-4 border-bad pl-3">
      {clashes.map((clash) => {
        const text = clashText(clash, name, clock);
        return <li key={text}>{text}</li>;
      })}
    </ul>
  );
}
