import { Hono, type MiddlewareHandler } from 'hono';
import { rateLimiter } from 'hono-rate-limiter';
import { z } from 'zod';
import {
  DueRangeSchema,
  HookInputSchema,
  IDEMPOTENCY_KEY,
  IdempotencySchema,
  KeyInputSchema,
  OfferedKitSchema,
  OpenedVisitSchema,
  RevokeSchema,
  type Scope,
  VisitDueSchema,
  VisitInputSchema,
  VisitRangeSchema,
  VisitSchema,
} from '#contract/outside.ts';
import type { OutsideService, Program } from '../outside/outside-service.ts';
import { dueCalendar } from '../report/due-calendar.ts';
import type { FollowUpService } from '../service/follow-up-service.ts';
import type { SessionService } from '../service/session-service.ts';
import type { ShopService } from '../service/shop-service.ts';
import { leadOnly, type SignedInEnv } from './caller.ts';
import { described } from './described.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

const Id = validate('param', z.object({ id: z.uuid() }));
/** Requests of one key in a minute. */
const A_MINUTE = 120;

/** Keys and listeners of other programs, for leads. */
export function programRoutes(outside: OutsideService, sessions: SessionService) {
  return new Hono<SignedInEnv>()
    .get('/', leadOnly, async (c) => c.json(await outside.list(c.get('caller').shopId)))
    .post('/keys', leadOnly, validate('json', KeyInputSchema), async (c) => {
      const input = c.req.valid('json');
      const proven = await sessions.prove(c.get('caller'), input.secret);
      if (!proven.ok) return problem(c, proven.error.code, proven.error);
      return c.json(await outside.makeKey(c.get('caller'), input), 201);
    })
    .post('/keys/:id/revoke', leadOnly, Id, validate('json', RevokeSchema), async (c) => {
      const proven = await sessions.prove(c.get('caller'), c.req.valid('json').secret);
      if (!proven.ok) return problem(c, proven.error.code, proven.error);
      const revoked = await outside.revokeKey(c.get('caller'), c.req.valid('param').id);
      return revoked ? c.body(null, 204) : problem(c, 'unknownProgram');
    })
    .post('/hooks', leadOnly, validate('json', HookInputSchema), async (c) => {
      const input = c.req.valid('json');
      const proven = await sessions.prove(c.get('caller'), input.secret);
      if (!proven.ok) return problem(c, proven.error.code, proven.error);
      return c.json(await outside.makeHook(c.get('caller'), input), 201);
    })
    .post('/hooks/:id/off', leadOnly, Id, validate('json', RevokeSchema), async (c) => {
      const proven = await sessions.prove(c.get('caller'), c.req.valid('json').secret);
      if (!proven.ok) return problem(c, proven.error.code, proven.error);
      const off = await outside.hookOff(c.get('caller'), c.req.valid('param').id);
      return off ? c.body(null, 204) : problem(c, 'unknownProgram');
    })
    .post(
      '/tellings/:telling/again',
      leadOnly,
      validate('param', z.object({ telling: z.coerce.number().int().positive() })),
      async (c) => {
        const again = await outside.again(c.get('caller'), c.req.valid('param').telling);
        return again ? c.body(null, 204) : problem(c, 'unknownProgram');
      },
    );
}

interface ProgramEnv {
  Variables: { program: Program; requestId: string };
}

/** The key of a request; a calendar that can only be told a password has it as that (RFC 7617). */
function keyIn(authorization = ''): string | undefined {
  const [, way = '', said = ''] = /^(Bearer|Basic) (\S+)$/i.exec(authorization) ?? [];
  if (way.toLowerCase() !== 'basic') return said || undefined;
  const pair = Buffer.from(said, 'base64').toString();
  return pair.slice(pair.indexOf(':') + 1) || undefined;
}

/** What other programs may ask with a key: kits, and visits opened and followed. Its shape is kept: version 1. */
export function outsideRoutes(outside: OutsideService, followUp: FollowUpService, shop: ShopService) {
  const keyed: MiddlewareHandler<ProgramEnv> = async (c, next) => {
    const key = keyIn(c.req.header('authorization'));
    const program = key === undefined ? undefined : await outside.program(key);
    if (!program) return problem(c, 'keyUnknown');
    c.set('program', program);
    await next();
    return undefined;
  };
  const may =
    (scope: Scope): MiddlewareHandler<ProgramEnv> =>
    async (c, next) => {
      if (!c.get('program').scopes.includes(scope)) return problem(c, 'keyMayNot', { detail: `It needs ${scope}.` });
      await next();
      return undefined;
    };
  const limit = rateLimiter<ProgramEnv>({
    windowMs: 60_000,
    limit: A_MINUTE,
    keyGenerator: (c) => c.get('program').keyId,
    handler: (c) => problem(c, 'tooManyRequests', { retryAfterS: 60 }),
  });
  return new Hono<ProgramEnv>()
    .use('*', keyed, limit)
    .get(
      '/kits',
      described('The kits this shop fits', { 200: z.array(OfferedKitSchema) }),
      may('kits:read'),
      async (c) => c.json(await outside.kits(c.get('program'))),
    )
    .get(
      '/visits',
      described('Visits planned between two instants, and those still open from before', { 200: z.array(VisitSchema) }),
      may('visits:read'),
      validate('query', VisitRangeSchema),
      async (c) => {
        const { from, to } = c.req.valid('query');
        return c.json(await outside.visits(c.get('program'), Date.parse(from), Date.parse(to)));
      },
    )
    .get('/visits/:id', described('One visit', { 200: VisitSchema }), may('visits:read'), Id, async (c) => {
      const visit = await outside.visit(c.get('program'), c.req.valid('param').id);
      return visit ? c.json(visit) : problem(c, 'unknownJob');
    })
    .get(
      '/due',
      described('What owners are to come back for after the visits signed between two instants', {
        200: z.array(VisitDueSchema),
      }),
      may('due:read'),
      validate('query', DueRangeSchema),
      async (c) => {
        const { from, to } = c.req.valid('query');
        return c.json(await outside.due(c.get('program'), Date.parse(from), Date.parse(to)));
      },
    )
    .get('/due.ics', may('due:read'), async (c) => {
      const { shopId } = c.get('program').caller;
      const { rules } = await shop.settings(shopId);
      return c.body(dueCalendar(await followUp.list(shopId), rules, Date.now(), { owners: false }), 200, {
        'Content-Type': 'text/calendar; charset=utf-8',
      });
    })
    .post(
      '/visits',
      described('Opens a visit; sent again with the same idempotency key it is the same visit', {
        200: OpenedVisitSchema,
        201: OpenedVisitSchema,
      }),
      may('visits:write'),
      validate('header', IdempotencySchema),
      validate('json', VisitInputSchema),
      async (c) => {
        const given = c.req.valid('header')[IDEMPOTENCY_KEY];
        const outcome = await outside.openVisit(c.get('program'), given, c.req.valid('json'));
        if (!outcome.ok) return problem(c, outcome.error.code, outcome.error);
        return c.json(outcome.value, outcome.value.repeated ? 200 : 201);
      },
    );
}
