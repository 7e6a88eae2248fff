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

/** From when to when a job takes its bay. */
export interface Extent {
  startMs: number;
  endMs: number;
}

/** As long as its kit says, from when it is to come. */
export const cardExtent = ({ plannedStartMs, estimatedMinutes }: JobCard): Extent => ({
  startMs: plannedStartMs,
  endMs: plannedStartMs + estimatedMinutes * MINUTE_MS,
});

const hourOf = (atMs: number) => Math.floor(atMs / HOUR_MS) * HOUR_MS;

/** The rule of a day: from opening to closing, and as much further as its jobs, or now, reach. */
export function dayScale(
  jobs: readonly JobCard[],
  dayMs: number,
  nowMs: number,
  extentOf: (job: JobCard) => Extent = cardExtent,
): DayScale {
  const open = openThen(dayMs);
  const isToday = nowMs >= dayMs && nowMs < dayMs + 24 * HOUR_MS;
  const fromMs = Math.min(
    shopHour(dayMs, open ? Math.floor(open.fromMin / 60) : DAY_FROM_H),
    ...jobs.map((job) => hourOf(extentOf(job).startMs)),
    ...(isToday ? [hourOf(nowMs)] : []),
  );
  const toMs = Math.max(
    shopHour(dayMs, open ? Math.ceil(open.toMin / 60) : DAY_TO_H),
    ...jobs.map((job) => extentOf(job).endMs),
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
  startMs: number;
  /** As long as it takes its bay, ms. */
  lengthMs: number;
  /** Where its name begins: at its own start, or earlier so that it does not run off the rule. */
  nameMs: number;
}

/** Jobs of one bay side by side in time: one whose bar or name would lie over another's goes into the next lane down. */
export function inLanes(
  jobs: readonly JobCard[],
  { fromMs, toMs }: Pick<DayScale, 'fromMs' | 'toMs'>,
  extentOf: (job: JobCard) => Extent = cardExtent,
): Placed[] {
  const nameMs = (toMs - fromMs) * NAME_SHARE;
  const ends: number[] = [];
  return [...jobs]
    .map((job) => ({ job, ...extentOf(job) }))
    .map((one) => ({ ...one, nameAtMs: Math.min(one.startMs, toMs - nameMs) }))
    .sort((a, b) => a.nameAtMs - b.nameAtMs || a.startMs - b.startMs)
    .map(({ job, nameAtMs, startMs, endMs }) => {
      const lengthMs = endMs - startMs;
      const free = ends.findIndex((endMs) => endMs <= nameAtMs);
      const lane = free < 0 ? ends.length : free;
      ends[lane] = Math.max(endMs, nameAtMs + nameMs);
      return { job, lane, startMs, lengthMs, nameMs: nameAtMs };
    });
}
