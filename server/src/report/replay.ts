import type { JobDocument } from '#contract/job.ts';
import { appendEvents, type JobLog, openLog } from '#core/job/job-log.ts';
import type { HouseRules } from '#core/kit/house-rules.ts';

/** Works a job out again from its setup and events. */
export function replay(
  job: Pick<JobDocument, 'kits' | 'openedWith' | 'vehicle' | 'answers' | 'events'> & { shop: Partial<HouseRules> },
): JobLog {
  const opened = openLog({
    kits: job.kits,
    openedWith: job.openedWith,
    vehicle: job.vehicle,
    answers: job.answers,
    shop: job.shop,
  });
  if (!opened.ok) throw new Error(`A stored job no longer resolves: ${opened.error.code}`);
  return appendEvents(
    opened.value,
    job.events.map((stored) => stored.event),
  );
}
