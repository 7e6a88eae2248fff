import { Hono } from 'hono';
import { z } from 'zod';
import { DrawerInputSchema, DrawersSchema, type SupplierAnswer, WantedSchema } from '#contract/shelf.ts';
import { mayInCrib } from '#core/crib/crib-role.ts';
import { orderNumber, promise } from '#devices/supplier/supplier.ts';
import type { ShelfService } from '../service/shelf-service.ts';
import type { SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

const Id = validate('param', z.object({ id: z.string().min(1).max(64) }));

const keeps = async (c: import('hono').Context<SignedInEnv>, next: () => Promise<void>) => {
  if (!mayInCrib(c.get('caller').person.role, 'keepStock')) return problem(c, 'notPermitted');
  await next();
  return undefined;
};

/** The shop's own fasteners. */
export function shelfRoutes(shelf: ShelfService) {
  return new Hono<SignedInEnv>()
    .get('/', async (c) => c.json(await shelf.shelf(c.get('caller').shopId)))
    .post('/', keeps, validate('json', DrawersSchema), async (c) =>
      c.json({ ids: await shelf.add(c.get('caller'), c.req.valid('json').drawers) }, 201),
    )
    .put('/:id', keeps, Id, validate('json', DrawerInputSchema), async (c) => {
      const outcome = await shelf.change(c.get('caller'), c.req.valid('param').id, c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    })
    .delete('/:id', keeps, Id, async (c) => {
      const outcome = await shelf.retire(c.get('caller'), c.req.valid('param').id);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    });
}

const MINUTE_MS = 60_000;

/** The supplier's counter: a stand-in that ships with the product, spoken to as a real one would be. */
export function supplierRoutes(now: () => number = Date.now) {
  return new Hono<SignedInEnv>()
    .post('/promises', validate('json', WantedSchema), async (c) =>
      c.json(promise(c.req.valid('json'), now()) satisfies SupplierAnswer),
    )
    .post('/orders', keeps, validate('json', WantedSchema), async (c) => {
      // The instant within the minute numbers it: each of the shop's servers has a counter before it.
      const serial = now() % MINUTE_MS;
      const answer = { ...promise(c.req.valid('json'), now()), order: orderNumber(now(), serial) };
      return c.json(answer satisfies SupplierAnswer, 201);
    });
}
