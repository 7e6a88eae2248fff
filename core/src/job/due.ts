import type { Plan } from '../kit/plan.ts';
import { type Care, careList } from './care.ts';
import type { JobState } from './job-state.ts';

const DAY_MS = 86_400_000;
/** A vehicle in use is warmed through and cold again once a day, near enough to write to its owner by (chosen by us). */
const HEAT_CYCLES_A_DAY = 1;

/** Something the owner is to come back for, and when as far as that can be known. */
export interface Due {
  care: Care;
  /** The reading of the odometer at which it is due, km; undefined where nobody read it, or no distance is given. */
  atKm?: number;
  /** The instant it is due, Unix ms; undefined where no time is given. */
  atMs?: number;
}

/**
 * What a signed job asks its owner to come back for: all that is due and was not let go, counted from when it was signed
 * and from the odometer of the visit. What comes with an event alone (the first tow) has neither.
 *
 * @param odometerKm - as it was read when the vehicle came
 */
export function dueAfter(
  plan: Plan,
  job: Pick<JobState, 'visit'>,
  { closedAtMs, odometerKm }: { closedAtMs: number; odometerKm?: number },
): Due[] {
  return careList(plan, job)
    .filter(({ waived }) => !waived)
    .map((care) => dueFrom(care, { closedAtMs, ...(odometerKm === undefined ? {} : { odometerKm }) }));
}

/** When something falls due, counted from a job or from when it was done last. */
export function dueFrom(care: Care, { closedAtMs, odometerKm }: { closedAtMs: number; odometerKm?: number }): Due {
  const when = care.from === 'sheet' ? care.entry : care.raised;
  const days = 'afterDays' in when ? when.afterDays : undefined;
  const hours = 'afterHours' in when ? when.afterHours : undefined;
  const cycles = 'afterHeatCycles' in when ? when.afterHeatCycles : undefined;
  // Whichever comes first, as the trade means it.
  const times = [
    days === undefined ? [] : days * DAY_MS,
    hours === undefined ? [] : hours * 3_600_000,
    cycles === undefined ? [] : (cycles / HEAT_CYCLES_A_DAY) * DAY_MS,
  ].flat();
  const later = times.length === 0 ? undefined : Math.min(...times);
  return {
    care,
    ...(odometerKm === undefined || when.afterKm === undefined ? {} : { atKm: odometerKm + when.afterKm }),
    ...(later === undefined ? {} : { atMs: closedAtMs + later }),
  };
}
