import { Hono } from 'hono';
import { z } from 'zod';
import { BroughtSchema } from '#contract/moving-in/brought.ts';
import type { MovingInService } from '../service/moving-in/moving-in-service.ts';
import { leadOnly, type SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

/** What a shop brings along from another program: looked at first, taken whole or not at all, and undone. */
export function movingInRoutes(movingIn: MovingInService) {
  return new Hono<SignedInEnv>()
    .get('/', leadOnly, async (c) => c.json(await movingIn.list(c.get('caller').shopId)))
    .post('/preview', leadOnly, validate('json', BroughtSchema), async (c) =>
      c.json(await movingIn.preview(c.get('caller'), c.req.valid('json'))),
    )
    .post('/', leadOnly, validate('json', BroughtSchema), async (c) => {
      const outcome = await movingIn.take(c.get('caller'), c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/:id/undo', leadOnly, validate('param', z.object({ id: z.uuid() })), async (c) => {
      const outcome = await movingIn.undo(c.get('caller'), c.req.valid('param').id);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    });
}
