import { Hono } from 'hono';
import { z } from 'zod';
import { AssignSchema, DrillAttemptSchema, DrillSchema, SignOffSchema } from '#contract/drill.ts';
import type { Drill } from '#core/drill/drill.ts';
import { LEAD_ONLY } from '#core/job/role.ts';
import { certificatePdf } from '../report/certificate-pdf.ts';
import type { DrillService } from '../service/drill-service.ts';
import type { ShopService } from '../service/shop-service.ts';
import type { SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

const Id = validate('param', z.object({ id: z.string().min(1).max(64) }));

const leads = async (c: import('hono').Context<SignedInEnv>, next: () => Promise<void>) => {
  if (!LEAD_ONLY.includes(c.get('caller').person.role)) return problem(c, 'notPermitted');
  await next();
  return undefined;
};

/** Practice: drills, what each learner did with them, and what leads see of it. */
export function drillRoutes(drills: DrillService, shop: ShopService) {
  return new Hono<SignedInEnv>()
    .get('/', async (c) => c.json(await drills.shelf(c.get('caller').shopId)))
    .post('/', leads, validate('json', DrillSchema), async (c) => {
      const outcome = await drills.add(c.get('caller'), c.req.valid('json') as Drill);
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .get('/attempts', async (c) => c.json(await drills.attempts(c.get('caller'))))
    .post('/attempts', validate('json', DrillAttemptSchema), async (c) => {
      const outcome = await drills.keep(c.get('caller'), c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .delete('/attempts', async (c) => c.json({ deleted: await drills.forget(c.get('caller')) }))
    .get('/attempts.json', async (c) => {
      c.header('Content-Disposition', 'attachment; filename="my-drills.json"');
      return c.json(await drills.takeAlong(c.get('caller')));
    })
    .get('/attempts/:id', Id, async (c) => {
      const outcome = await drills.attempt(c.get('caller'), c.req.valid('param').id);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code);
    })
    .get('/mastery', async (c) => {
      const { shopId, person } = c.get('caller');
      return c.json((await drills.learner(shopId, person.id)) ?? null);
    })
    .get('/learners', leads, async (c) => c.json(await drills.learners(c.get('caller').shopId)))
    .get('/learners/:id/certificate.pdf', Id, async (c) => {
      const caller = c.get('caller');
      const { name } = await shop.settings(caller.shopId);
      const outcome = await drills.shown(caller, name, c.req.valid('param').id);
      if (!outcome.ok) return problem(c, outcome.error.code);
      c.header('Content-Type', 'application/pdf');
      c.header('Content-Disposition', 'attachment; filename="shown-in-practice.pdf"');
      return c.body(new Uint8Array(await certificatePdf(outcome.value, Date.now())));
    })
    .get('/assignments', async (c) => c.json(await drills.assignments(c.get('caller'))))
    .post('/assignments', leads, validate('json', AssignSchema), async (c) => {
      const outcome = await drills.assign(c.get('caller'), c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/assignments/:id/sign', leads, Id, validate('json', SignOffSchema), async (c) => {
      const outcome = await drills.signOff(c.get('caller'), c.req.valid('param').id, c.req.valid('json').comment);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code);
    })
    .get('/:id', Id, async (c) => {
      const outcome = await drills.drill(c.get('caller').shopId, c.req.valid('param').id);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code);
    })
    .delete('/:id', leads, Id, async (c) => {
      const outcome = await drills.retire(c.get('caller'), c.req.valid('param').id);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code);
    });
}
