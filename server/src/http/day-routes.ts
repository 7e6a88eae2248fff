import { Hono } from 'hono';
import { z } from 'zod';
import { DayAskedSchema } from '#contract/day.ts';
import { planDay } from '#core/day/day-plan.ts';
import { dayCalendar } from '../report/day-calendar.ts';
import type { DayService } from '../service/day-service.ts';
import type { SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

/** A calendar is read now and then: the first plan does. */
const CALENDAR_EFFORT = { looks: 40 };
const PersonId = z.object({ person: z.string().min(1).max(64) });

/** What the shop's days are planned from, and each person's part as a calendar. */
export function dayRoutes(days: DayService) {
  return new Hono<SignedInEnv>()
    .get('/', validate('query', DayAskedSchema), async (c) => {
      const { from, to } = c.req.valid('query');
      return c.json(await days.day(c.get('caller').shopId, from, to));
    })
    .get('/:person/plan.ics', validate('param', PersonId), validate('query', DayAskedSchema), async (c) => {
      const { person } = c.req.valid('param');
      const { from, to } = c.req.valid('query');
      const day = await days.day(c.get('caller').shopId, from, to);
      if (!day.people.some(({ id }) => id === person)) return problem(c, 'unknownPerson');
      const planned = planDay(day, CALENDAR_EFFORT);
      if (!planned.ok || planned.value.kind !== 'plan') return problem(c, 'noPlan');
      return c.body(dayCalendar(day, planned.value.plan, person, day.nowMs), 200, {
        'Content-Type': 'text/calendar; charset=utf-8',
        'Content-Disposition': 'attachment; filename="plan.ics"',
      });
    });
}
