import { Hono } from 'hono';
import { z } from 'zod';
import { PairedOnlySchema, PutOutSchema, TabletNameSchema } from '#contract/tablet.ts';
import type { SessionService } from '../service/session-service.ts';
import type { TabletService } from '../service/tablet-service.ts';
import { leadOnly, type SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

const Id = validate('param', z.object({ id: z.uuid() }));

/** The shop's tablets, for its leads: let in by name, named anew, put out. */
export function tabletRoutes(tablets: TabletService, sessions: SessionService) {
  return new Hono<SignedInEnv>()
    .get('/', leadOnly, async (c) => c.json(await tablets.list(c.get('caller'))))
    .post('/codes', leadOnly, validate('json', TabletNameSchema), async (c) =>
      c.json(await tablets.invite(c.get('caller'), c.req.valid('json').name), 201),
    )
    .put('/paired-only', leadOnly, validate('json', PairedOnlySchema), async (c) => {
      await tablets.setPairedOnly(c.get('caller'), c.req.valid('json').on);
      return c.body(null, 204);
    })
    .put('/:id', leadOnly, Id, validate('json', TabletNameSchema), async (c) => {
      const outcome = await tablets.name(c.get('caller'), c.req.valid('param').id, c.req.valid('json').name);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code);
    })
    .post('/:id/out', leadOnly, Id, validate('json', PutOutSchema), async (c) => {
      const proven = await sessions.prove(c.get('caller'), c.req.valid('json').secret);
      if (!proven.ok) return problem(c, proven.error.code, proven.error);
      const outcome = await tablets.putOut(c.get('caller'), c.req.valid('param').id);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code);
    });
}
