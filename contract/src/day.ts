import { z } from 'zod';
import type { DayInput, DayJob, DayPerson } from '#core/day/day-problem.ts';
import type { JobCard } from './job.ts';

/** Days of the shop that a plan reaches over, the first included. */
export const PLANNED_DAYS = 7;
/** Days whose opening hours are looked at: what does not get done in a week goes on in the next. */
export const OPEN_DAYS = 21;

const Instant = z.coerce.number().int().min(0).max(8.64e15);
/** `from`, `to`: of days of the shop, Unix ms. */
export const DayAskedSchema = z.object({ from: Instant, to: Instant });

/** A step that is done. */
export interface DoneStep {
  number: number;
  text: string;
  expectedMin: number;
  tookMin: number;
}

/** A job of the day, with what a plan needs of it. */
export interface DayJobCard extends DayJob {
  card: JobCard;
  /** Steps that are done, with what they took against what was expected, minutes. */
  done: DoneStep[];
  /** Its record cannot be read: it stands as long as its kit says, as one stretch. */
  unread?: true;
}

/** Everything a plan of some days is made from, so that a device makes it, and other plans beside it. */
export interface DayDocument extends Omit<DayInput, 'jobs' | 'people'> {
  jobs: DayJobCard[];
  people: Array<DayPerson & { name: string; initials: string }>;
  bays: number;
}
