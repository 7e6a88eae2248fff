import { Hono } from 'hono';
import { type Alignment, RackAskSchema } from '#contract/alignment.ts';
import { rackReading } from '#devices/alignment-rack/rack.ts';
import type { SignedInEnv } from './caller.ts';
import { validate } from './validate.ts';

/** The alignment rack: a stand-in that ships with the product, spoken to as a bridge to a real one would be. */
export const rackRoutes = (now: () => number = Date.now) =>
  new Hono<SignedInEnv>().post('/readings', validate('json', RackAskSchema), async (c) =>
    c.json(rackReading(c.req.valid('json'), now()) satisfies Alignment),
  );
