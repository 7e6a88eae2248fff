import { scaleLinear } from 'd3-scale';
import type { JobCard } from '#contract/job.ts';
import { openThen, shopHour } from '../../shop/shop-time.ts';

export const HOUR_MS = 3_600_000;
export const MINUTE_MS = 60_000;
/** What a job is moved by: nobody plans finer. */
export const QUARTER_MS = 15 * MINUTE_MS;
/** The day on the rule of a shop that never said when it is open; it stretches for jobs before or after. */
const DAY_FROM_H = 8;
const DAY_TO_H = 18;
/** What a job is called takes this share of the day, however short the job is. */
export const NAME_SHARE = 0.27;

/** The hours of a day as they lie on the rule. */
export interface DayScale {
  fromMs: number;
  toMs: number;
  hours: number[];
  quarters: number[];
  /** Where an instant lies, per cent of the rule. */
  percent(atMs: number): number;
}

const hourOf = (atMs: number) => Math.floor(atMs / HOUR_MS) * HOUR_MS;

/** The rule of a day: from opening to closing, and as much further as its jobs, or now, reach. */
export function dayScale(jobs: readonly JobCard[], dayMs: number, nowMs: number): DayScale {
  const open = openThen(dayMs);
  const isToday = nowMs >= dayMs && nowMs < dayMs + 24 * HOUR_MS;
  const fromMs = Math.min(
    shopHour(dayMs, open ? Math.floor(open.fromMin / 60) : DAY_FROM_H),
    ...jobs.map((job) => hourOf(job.plannedStartMs)),
    ...(isToday ? [hourOf(nowMs)] : []),
  );
  const toMs = Math.max(
    shopHour(dayMs, open ? Math.ceil(open.toMin / 60) : DAY_TO_H),
    ...jobs.map((job) => job.plannedStartMs + job.estimatedMinutes * MINUTE_MS),
    ...(isToday ? [hourOf(nowMs) + HOUR_MS] : []),
  );
  const scale = scaleLinear().domain([fromMs, toMs]).range([0, 100]);
  const every = (stepMs: number) =>
    Array.from({ length: Math.floor((toMs - fromMs) / stepMs) + 1 }, (_, index) => fromMs + index * stepMs);
  return {
    fromMs,
    toMs,
    hours: every(HOUR_MS),
    quarters: every(QUARTER_MS).filter((atMs) => atMs < toMs && (atMs - fromMs) % HOUR_MS !== 0),
    percent: (atMs) => scale(atMs),
  };
}

/** A job in its bay's row. */
export interface Placed {
  job: JobCard;
  lane: number;
  /** As long as it is planned for, ms. */
  lengthMs: number;
  /** Where its name begins: at its own start, or earlier so that it does not run off the rule. */
  nameMs: number;
}

/** Jobs of one bay side by side in time: one whose bar or name would lie over another's goes into the next lane down. */
export function inLanes(jobs: readonly JobCard[], { fromMs, toMs }: Pick<DayScale, 'fromMs' | 'toMs'>): Placed[] {
  const nameMs = (toMs - fromMs) * NAME_SHARE;
  const ends: number[] = [];
  return [...jobs]
    .map((job) => ({ job, nameAtMs: Math.min(job.plannedStartMs, toMs - nameMs) }))
    .sort((a, b) => a.nameAtMs - b.nameAtMs || a.job.plannedStartMs - b.job.plannedStartMs)
    .map(({ job, nameAtMs }) => {
      const lengthMs = job.estimatedMinutes * MINUTE_MS;
      const free = ends.findIndex((endMs) => endMs <= nameAtMs);
      const lane = free < 0 ? ends.length : free;
      ends[lane] = Math.max(job.plannedStartMs + lengthMs, nameAtMs + nameMs);
      return { job, lane, lengthMs, nameMs: nameAtMs };
    });
}
