import { Hono } from 'hono';
import { rateLimiter } from 'hono-rate-limiter';
import { z } from 'zod';
import {
  AccessChangeSchema,
  OpeningSchema,
  PersonInputSchema,
  ShopInputSchema,
  type ShopNetwork,
} from '#contract/shop.ts';
import type { SessionService } from '../service/session-service.ts';
import type { ShopService } from '../service/shop-service.ts';
import type { Addresses } from './address.ts';
import { leadOnly, type SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

const Id = validate('param', z.object({ id: z.string().min(1).max(64) }));

/** Opening an empty installation: nobody can be signed in yet, the code off the console says who may. */
export function openingRoutes(shop: ShopService, addresses: Addresses) {
  const limit = rateLimiter<SignedInEnv>({
    windowMs: 60_000,
    limit: 10,
    keyGenerator: addresses.of,
    handler: (c) => problem(c, 'tooManyAttempts', { retryAfterS: 60 }),
  });
  return new Hono<SignedInEnv>()
    .get('/', async (c) => c.json({ open: await shop.mayOpen() }))
    .post('/', limit, validate('json', OpeningSchema), async (c) => {
      const outcome = await shop.open(c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    });
}

/** The shop's settings and people, for its leads. */
export function shopRoutes(shop: ShopService, sessions: SessionService, network: ShopNetwork) {
  return new Hono<SignedInEnv>()
    .get('/', leadOnly, async (c) => c.json({ ...(await shop.settings(c.get('caller').shopId)), network }))
    .put('/', leadOnly, validate('json', ShopInputSchema), async (c) => {
      await shop.change(c.get('caller'), c.req.valid('json'));
      return c.body(null, 204);
    })
    .post('/people', leadOnly, validate('json', PersonInputSchema), async (c) => {
      const outcome = await shop.addPerson(c.get('caller'), c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .put('/people/:id', leadOnly, Id, validate('json', PersonInputSchema), async (c) => {
      const outcome = await shop.changePerson(c.get('caller'), c.req.valid('param').id, c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/people/:id/access', leadOnly, Id, validate('json', AccessChangeSchema), async (c) => {
      const caller = c.get('caller');
      const input = c.req.valid('json');
      const proven = await sessions.prove(caller, input.secret);
      if (!proven.ok) return problem(c, proven.error.code, proven.error);
      const outcome = await shop.changeAccess(caller, c.req.valid('param').id, input.do);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    });
}
