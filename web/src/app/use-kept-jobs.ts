import { useEffect, useState } from 'react';
import type { JobDocument } from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { keptJob } from '../job/outbox.ts';

/** Jobs this device has seen, by id: to name what waits for one that is not open. */
export function useKeptJobs(ids: readonly string[]): Record<string, JobDocument> {
  const [jobs, setJobs] = useState<Record<string, JobDocument>>({});
  const list = [...new Set(ids)].join(' ');
  useEffect(() => {
    let current = true;
    void Promise.all(list.split(' ').filter(Boolean).map(keptJob)).then((kept) => {
      if (current) setJobs(Object.fromEntries(kept.flatMap((job) => (job ? [[job.id, job]] : []))));
    });
    return () => {
      current = false;
    };
  }, [list]);
  return jobs;
}

/** A job as people name it. */
export const jobName = (job: JobDocument | undefined): string =>
  job ? `${job.vehicle.model} · ${job.number}` : say('A job');

/** What a station of a job is called. */
export const stationLabel = (job: JobDocument | undefined, station: string): string | undefined =>
  job?.kits
    .flatMap(({ prefix, document }) => document.stations.map(({ id, label }) => ({ id: `${prefix}${id}`, label })))
    .find(({ id }) => id === station)?.label;
