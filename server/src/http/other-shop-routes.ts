import { Hono } from 'hono';
import { z } from 'zod';
import { AlsoLeadSchema, ConsentSchema, OpenAnotherSchema, TakeKitSchema } from '#contract/other-shops.ts';
import type { OtherShopService } from '../service/other-shop-service.ts';
import type { SessionService } from '../service/session-service.ts';
import { leadOnly, type SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

/** The owner's other shops, for leads; and the kits they offer, for whoever writes kits. */
export function otherShopRoutes(others: OtherShopService, sessions: SessionService) {
  return new Hono<SignedInEnv>()
    .get('/', leadOnly, async (c) => c.json(await others.read(c.get('caller'))))
    .post('/', leadOnly, validate('json', OpenAnotherSchema), async (c) => {
      const { secret, ...shop } = c.req.valid('json');
      const proven = await sessions.prove(c.get('caller'), secret);
      if (!proven.ok) return problem(c, proven.error.code, proven.error);
      const outcome = await others.open(c.get('caller'), shop);
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code);
    })
    .put('/consent', leadOnly, validate('json', ConsentSchema), async (c) => {
      await others.setConsent(c.get('caller'), c.req.valid('json'));
      return c.body(null, 204);
    })
    .post('/leads', leadOnly, validate('json', AlsoLeadSchema), async (c) => {
      const { secret, person } = c.req.valid('json');
      const proven = await sessions.prove(c.get('caller'), secret);
      if (!proven.ok) return problem(c, proven.error.code, proven.error);
      const outcome = await others.addLead(c.get('caller'), person);
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code);
    })
    .delete('/leads/:id', leadOnly, validate('param', z.object({ id: z.string().min(1).max(64) })), async (c) => {
      const outcome = await others.dropLead(c.get('caller'), c.req.valid('param').id);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code);
    })
    .get('/kits', async (c) => c.json(await others.offered(c.get('caller').shopId)))
    .post('/kits', validate('json', TakeKitSchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const outcome = await others.take(caller, c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    });
}
