import { createEvents, type EventAttributes } from 'ics';
import type { DayDocument } from '#contract/day.ts';
import { stretchTitle } from '#contract/wording/day-text.ts';
import { say } from '#contract/wording/say.ts';
import type { DayPlan } from '#core/day/day-plan.ts';

/**
 * A person's days as a calendar (RFC 5545): each stretch of a job they work on or help at. The same step keeps its id, so
 * that a calendar that reads anew moves it.
 *
 * @throws Error where the calendar cannot be written
 */
export function dayCalendar(day: DayDocument, plan: DayPlan, person: string, nowMs: number): string {
  const events = plan.steps
    .filter(({ people }) => people.includes(person))
    .map((step): EventAttributes => {
      const job = day.jobs.find(({ id }) => id === step.job);
      const helps = step.people[0] !== person;
      return {
        uid: `${step.id.replaceAll(/[^\w-]/g, '-')}-${person}@wrenchman`,
        start: step.startMs,
        startInputType: 'utc',
        startOutputType: 'utc',
        end: step.endMs,
        endInputType: 'utc',
        endOutputType: 'utc',
        title: `${helps ? say('Help: ') : ''}${job?.card.vehicle.plate ?? ''} ${stretchTitle(step.step)}`.slice(0, 120),
        description: `${job?.card.number ?? ''} ${job?.card.kitTitle ?? ''}`.trim(),
        ...(job?.bay === undefined ? {} : { location: say('Bay {bay}', { bay: job.bay }) }),
        productId: 'wrenchman',
        lastModified: nowMs,
      };
    });
  const { error, value } = createEvents(events, {
    calName: day.people.find(({ id }) => id === person)?.name ?? person,
  });
  if (error || !value) throw error ?? new Error('The calendar could not be written.');
  return value;
}
