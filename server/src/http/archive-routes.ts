import { randomBytes } from 'node:crypto';
import { Readable } from 'node:stream';
import { Hono } from 'hono';
import { LRUCache } from 'lru-cache';
import { z } from 'zod';
import { ArchiveInputSchema } from '#contract/archive.ts';
import type { Caller } from '../service/caller.ts';
import type { SessionService } from '../service/session-service.ts';
import { leadOnly, type SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

/** How long a lead who gave their PIN may begin to fetch. */
const TICKET_MS = 60_000;

/** The whole shop as one file: asked for with the lead's own secret, then fetched once. */
export function archiveRoutes(
  sessions: SessionService,
  write: (caller: Caller) => Promise<{ name: string; stream: Readable }>,
) {
  const tickets = new LRUCache<string, string>({ max: 100, ttl: TICKET_MS });
  return new Hono<SignedInEnv>()
    .post('/', leadOnly, validate('json', ArchiveInputSchema), async (c) => {
      const caller = c.get('caller');
      const proven = await sessions.prove(caller, c.req.valid('json').secret);
      if (!proven.ok) return problem(c, proven.error.code, proven.error);
      const ticket = randomBytes(24).toString('base64url');
      tickets.set(ticket, caller.tokenHash);
      return c.json({ ticket }, 201);
    })
    .get('/:ticket', leadOnly, validate('param', z.object({ ticket: z.string().max(64) })), async (c) => {
      const { ticket } = c.req.valid('param');
      const caller = c.get('caller');
      if (tickets.get(ticket) !== caller.tokenHash) return problem(c, 'notFound');
      tickets.delete(ticket);
      const { name, stream } = await write(caller);
      return c.body(Readable.toWeb(stream) as ReadableStream, 200, {
        'Content-Type': 'application/zip',
        'Content-Disposition': `attachment; filename="${name}"`,
        'Cache-Control': 'no-store',
      });
    });
}
