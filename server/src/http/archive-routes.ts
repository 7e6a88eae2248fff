import { randomUUID } from 'node:crypto';
import { Readable } from 'node:stream';
import { Hono } from 'hono';
import { z } from 'zod';
import { ArchiveInputSchema } from '#contract/archive.ts';
import type { Caller } from '../service/caller.ts';
import type { Once } from '../service/reading-proofs.ts';
import type { ServerCodes } from '../service/server-codes.ts';
import type { SessionService } from '../service/session-service.ts';
import { leadOnly, type SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

/** How long a lead who gave their PIN may begin to fetch. */
const TICKET_MS = 60_000;

const TicketSchema = z.strictObject({ id: z.uuid(), session: z.string(), untilMs: z.number() });

/** The whole shop as one file: asked for with the lead's own secret, then fetched once. */
export function archiveRoutes(
  sessions: SessionService,
  codes: ServerCodes,
  once: Once,
  write: (caller: Caller) => Promise<{ name: string; stream: Readable }>,
) {
  return new Hono<SignedInEnv>()
    .post('/', leadOnly, validate('json', ArchiveInputSchema), async (c) => {
      const caller = c.get('caller');
      const proven = await sessions.prove(caller, c.req.valid('json').secret);
      if (!proven.ok) return problem(c, proven.error.code, proven.error);
      const said = { id: randomUUID(), session: caller.tokenHash, untilMs: Date.now() + TICKET_MS };
      return c.json({ ticket: codes.write('ticket', said) }, 201);
    })
    .get('/:ticket', leadOnly, validate('param', z.object({ ticket: z.string().max(400) })), async (c) => {
      const { ticket } = c.req.valid('param');
      const caller = c.get('caller');
      const said = TicketSchema.safeParse(codes.read('ticket', ticket)).data;
      const good = said?.session === caller.tokenHash && said.untilMs > Date.now();
      if (!good || !(await once.spend(`ticket ${said.id}`, randomUUID(), said.untilMs))) return problem(c, 'notFound');
      const { name, stream } = await write(caller);
      return c.body(Readable.toWeb(stream) as ReadableStream, 200, {
        'Content-Type': 'application/zip',
        'Content-Disposition': `attachment; filename="${name}"`,
        'Cache-Control': 'no-store',
      });
    });
}
