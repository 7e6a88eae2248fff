import type { DayDocument } from '#contract/day.ts';
import { cannotText, type DayNames, promiseText, stretchTitle } from '#contract/wording/day-text.ts';
import { say } from '#contract/wording/say.ts';
import { helperCalls } from '#core/day/day-advice.ts';
import type { DayPlan } from '#core/day/day-plan.ts';
import type { Need } from '../bays/needs.ts';

const MINUTE_MS = 60_000;
/** Who is wanted to hold something is called this long before, minutes (chosen by us). */
const CALLED_BEFORE_MIN = 60;

/** What of a plan a person should see to: promises at risk, hands that are wanted, what no order can mend. */
export function planNeeds(day: DayDocument, plan: DayPlan, names: DayNames): Need[] {
  const { nowMs } = day;
  const needs: Need[] = [];
  const title = (job: string) => {
    const { vehicle, number } = day.jobs.find(({ id }) => id === job)?.card ?? {};
    return vehicle ? `${vehicle.plate} ${vehicle.model} ${number}` : job;
  };
  for (const job of plan.jobs) {
    const { promise } = job;
    if (!promise || promise.risk === 'safe') continue;
    needs.push({
      key: `promise ${job.job}`,
      mark: names.clock(promise.promisedMs),
      pressing: promise.risk === 'late',
      title: `${names.job(job.job)} ${promise.risk === 'late' ? say('at risk') : say('close')}`,
      detail: say('{title}: {promiseText}. What it hangs on stands in its plan.', {
        title: title(job.job),
        promiseText: promiseText(job, names),
      }),
      to: `/plan/${job.job}`,
      rank: promise.risk === 'late' ? 50 : 1500,
    });
  }
  for (const { step, helper, missing } of helperCalls(plan)) {
    const inMin = (step.startMs - nowMs) / MINUTE_MS;
    if (inMin > CALLED_BEFORE_MIN || step.endMs <= nowMs) continue;
    const minutes = Math.max(1, Math.round((step.endMs - step.startMs) / MINUTE_MS));
    needs.push({
      key: `helper ${step.id}`,
      mark: names.clock(step.startMs),
      pressing: missing > 0,
      title:
        helper === undefined
          ? say('Nobody is free to help')
          : say('{person} to help', { person: names.person(helper) }),
      detail: say('{title}, for about {minutes} min: {stretchTitle}.', {
        title: title(step.job),
        minutes,
        stretchTitle: stretchTitle(step.step),
      }),
      to: `/plan/${step.job}`,
      rank: missing > 0 ? 60 : 1200 + inMin,
    });
  }
  for (const { group, job, closesAtMs } of plan.lost)
    needs.push({
      key: `lost ${job} ${group}`,
      mark: names.clock(closesAtMs),
      pressing: true,
      title: say('Locker sets before its last pull'),
      detail: say('{title}, {group}. No order of the work can mend it.', { title: title(job), group }),
      to: `/jobs/${job}/line`,
      rank: 10,
    });
  for (const { id, work } of day.jobs)
    for (const cannot of work.cannot)
      if (cannot.kind === 'windowShort')
        needs.push({
          key: `window ${id} ${cannot.group}`,
          mark: '!',
          pressing: false,
          title: say('More bolts than the locker waits for'),
          detail: `${title(id)}. ${cannotText(cannot)}`,
          to: `/plan/${id}`,
          rank: 1600,
        });
  return needs;
}
