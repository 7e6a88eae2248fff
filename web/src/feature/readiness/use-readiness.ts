import { useMemo } from 'react';
import type { JobCard } from '#contract/job.ts';
import { jobProgress } from '#core/job/job-progress.ts';
import { overlap, type Readiness, readiness } from '#core/readiness/readiness.ts';
import { useOpenJob } from '../../job/use-open-job.ts';
import { useCribRead, useJobs, useOwnMinutes } from '../../shop/queries.ts';
import { useNow } from '../../ui/use-now.ts';

/** How often the crib is asked for again, ms. */
const CRIB_MS = 15_000;

const DAY_MS = 86_400_000;

const hoursOf = ({ plannedStartMs, estimatedMinutes }: JobCard) => ({
  startMs: plannedStartMs,
  minutes: estimatedMinutes,
});

/** What the day needs against what the shop has; undefined until the crib is read. */
export function useReadiness(): { result?: Readiness; failure?: string } {
  const { document, plan, state } = useOpenJob();
  const { data: crib, failure } = useCribRead(CRIB_MS);
  const nowMs = useNow(60_000);
  const { id, plannedStartMs } = document;
  const { data: jobs } = useJobs(plannedStartMs, plannedStartMs + DAY_MS, CRIB_MS);
  const { minutes: ownMinutes, failure: unread } = useOwnMinutes(plan.kits.map((kit) => kit.id));
  const minutes = useMemo(() => jobProgress(plan, state).estimatedMinutes ?? 0, [plan, state]);
  const result = useMemo(
    () =>
      crib &&
      readiness(
        plan,
        state,
        {
          wrenches: document.wrenches,
          tools: crib.tools,
          bottles: crib.bottles,
          temperatures: crib.temperatures,
          ownMinutes,
          people: crib.people,
          ...(document.slot?.fitters ? { fitters: document.slot.fitters } : {}),
          alongside: (jobs ?? []).flatMap((job) =>
            job.id !== id && job.closedAtMs === undefined && overlap(hoursOf(job), { startMs: plannedStartMs, minutes })
              ? [{ number: job.number, specials: job.progress.specials ?? [] }]
              : [],
          ),
          withdrawn: document.kits.flatMap(({ document: kit, prefix, withdrawn }) =>
            withdrawn && plan.kits.some((entry) => entry.prefix === prefix)
              ? [{ kit: kit.title, because: withdrawn.because }]
              : [],
          ),
        },
        // What is off by the day it is needed is off.
        Math.max(nowMs, document.plannedStartMs),
      ),
    [crib, plan, state, document, ownMinutes, nowMs, jobs, id, plannedStartMs, minutes],
  );
  return { result, failure: failure ?? unread };
}
