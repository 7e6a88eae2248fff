import { Hono } from 'hono';
import { SettleDueSchema } from '#contract/due.ts';
import { OpenRetorqueSchema, RetorqueOfSchema } from '#contract/retorque.ts';
import { dueCalendar } from '../report/due-calendar.ts';
import { dueCsv } from '../report/due-csv.ts';
import type { FollowUpService } from '../service/follow-up-service.ts';
import type { RetorqueService } from '../service/retorque-service.ts';
import type { ShopService } from '../service/shop-service.ts';
import type { SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

/** What owners are to come back for: the list, as a table and a calendar, and what became of it. */
export function dueRoutes(followUp: FollowUpService, retorque: RetorqueService, shop: ShopService) {
  const rulesOf = async (shopId: string) => (await shop.settings(shopId)).rules;
  return new Hono<SignedInEnv>()
    .get('/', async (c) => c.json(await followUp.list(c.get('caller').shopId)))
    .get('/due.csv', async (c) => {
      const { shopId } = c.get('caller');
      return c.body(dueCsv(await followUp.list(shopId), await rulesOf(shopId)), 200, {
        'Content-Type': 'text/csv; charset=utf-8',
        'Content-Disposition': 'attachment; filename="due.csv"',
      });
    })
    .get('/due.ics', async (c) => {
      const { shopId } = c.get('caller');
      return c.body(dueCalendar(await followUp.list(shopId), await rulesOf(shopId), Date.now()), 200, {
        'Content-Type': 'text/calendar; charset=utf-8',
        'Content-Disposition': 'attachment; filename="due.ics"',
      });
    })
    .get('/retorque', validate('query', RetorqueOfSchema), async (c) => {
      const { job, care } = c.req.valid('query');
      const choices = await retorque.choices(c.get('caller').shopId, job, care);
      return choices ? c.json(choices) : problem(c, 'unknownJob');
    })
    .post('/retorque', validate('json', OpenRetorqueSchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const outcome = await retorque.open(caller, c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/settled', validate('json', SettleDueSchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const outcome = await followUp.settle(caller, c.req.valid('json'));
      return outcome.ok ? c.body(null, 204) : problem(c, outcome.error.code);
    });
}
