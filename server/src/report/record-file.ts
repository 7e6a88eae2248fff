import type { JobDocument } from '#contract/job.ts';
import { RECORD_FORMAT, type RecordFile } from '#contract/record.ts';
import { appendEvents, type JobLog, openLog } from '#core/job/job-log.ts';

/** The record as an open file: the job, its pinned kit, and the chained events. */
export function recordFile(job: JobDocument): RecordFile {
  const { name, stages, verify } = job.shop;
  return {
    format: RECORD_FORMAT,
    version: 2,
    job: {
      id: job.id,
      number: job.number,
      bay: job.bay,
      plannedStartMs: job.plannedStartMs,
      odometerKm: job.odometerKm,
    },
    shop: { name, stages: stages ? [...stages] : undefined, verify },
    vehicle: job.vehicle,
    kits: job.kits.map(({ document, prefix }) => ({ document, prefix })),
    openedWith: job.openedWith,
    answers: job.answers,
    events: job.events,
  };
}

/** Works a job out again from its setup and events. */
export function replay(
  job: Pick<JobDocument, 'kits' | 'openedWith' | 'vehicle' | 'answers' | 'shop' | 'events'>,
): JobLog {
  const { stages, verify } = job.shop;
  const opened = openLog({
    kits: job.kits,
    openedWith: job.openedWith,
    vehicle: job.vehicle,
    answers: job.answers,
    shop: { stages, verify },
  });
  if (!opened.ok) throw new Error(`A stored job no longer resolves: ${opened.error.code}`);
  return appendEvents(
    opened.value,
    job.events.map((stored) => stored.event),
  );
}
