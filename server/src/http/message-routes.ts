import { Hono } from 'hono';
import { z } from 'zod';
import { RefusalSchema, ReplySchema, SendMessageSchema } from '#contract/owner-message.ts';
import { RetorqueOfSchema } from '#contract/retorque.ts';
import type { MessageService } from '../service/message-service.ts';
import type { SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

const Id = validate('param', z.object({ id: z.string().regex(/^\d{1,20}$/) }));

/** Messages to owners. */
export function messageRoutes(messages: MessageService) {
  return new Hono<SignedInEnv>()
    .get('/', async (c) => c.json(await messages.list(c.get('caller').shopId)))
    .get('/draft', validate('query', RetorqueOfSchema.required()), async (c) => {
      const { job, care } = c.req.valid('query');
      const draft = await messages.draft(c.get('caller').shopId, job, care);
      return draft ? c.json(draft) : problem(c, 'unknownDue');
    })
    .post('/', validate('json', SendMessageSchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const outcome = await messages.send(caller, c.req.valid('json'));
      return outcome.ok ? c.body(null, 204) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/:id/stop', Id, async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      return (await messages.stop(caller, c.req.valid('param').id)) ? c.body(null, 204) : problem(c, 'unknownMessage');
    })
    .post('/:id/reply', Id, validate('json', ReplySchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const taken = await messages.reply(caller, c.req.valid('param').id, c.req.valid('json').reply);
      return taken ? c.body(null, 204) : problem(c, 'unknownMessage');
    })
    .put('/refusals', validate('json', RefusalSchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const { address, wants } = c.req.valid('json');
      await messages.refusal(caller, address, wants);
      return c.body(null, 204);
    });
}
