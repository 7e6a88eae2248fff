import { Hono } from 'hono';
import { EraseOwnerSchema, OwnerNameSchema, OwnersChangeSchema } from '#contract/owner.ts';
import type { OwnerService } from '../service/owner-service.ts';
import type { SessionService } from '../service/session-service.ts';
import { leadOnly, type SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

/** Owners of vehicles: merged, given what is held of them, forgotten. */
export function ownerRoutes(owners: OwnerService, sessions: SessionService) {
  return new Hono<SignedInEnv>()
    .put('/', validate('json', OwnersChangeSchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const outcome = await owners.change(caller.shopId, c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code);
    })
    .get('/export', leadOnly, validate('query', OwnerNameSchema), async (c) => {
      const data = await owners.export(c.get('caller').shopId, c.req.valid('query').name);
      if (!data) return problem(c, 'unknownOwner');
      return c.body(`${JSON.stringify(data, null, 2)}\n`, 200, {
        'Content-Type': 'application/json; charset=utf-8',
        'Content-Disposition': 'attachment; filename="owner.json"',
      });
    })
    .post('/erase', leadOnly, validate('json', EraseOwnerSchema), async (c) => {
      const { name, secret } = c.req.valid('json');
      const caller = c.get('caller');
      const proven = await sessions.prove(caller, secret);
      if (!proven.ok) return problem(c, proven.error.code, proven.error);
      const vehicles = await owners.erase(caller.shopId, name);
      return vehicles === undefined ? problem(c, 'unknownOwner') : c.json({ vehicles });
    });
}
