import { Hono } from 'hono';
import { z } from 'zod';
import {
  BottleChangeSchema,
  BottleInputSchema,
  CheckInputSchema,
  LoanInputSchema,
  ReturnSchema,
  SettleSchema,
  TemperatureSchema,
  TesterPullSchema,
  ToolInputSchema,
  WrenchInputSchema,
} from '#contract/crib.ts';
import { type CribAction, mayInCrib } from '#core/crib/crib-role.ts';
import { testerReading } from '#devices/torque-tester/tester.ts';
import { reorderCsv } from '../report/reorder-csv.ts';
import type { CatalogService } from '../service/catalog-service.ts';
import type { CribService } from '../service/crib-service.ts';
import type { SessionService } from '../service/session-service.ts';
import type { SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

const Id = validate('param', z.object({ id: z.string().min(1).max(64) }));

/** Lets through those whose role may do this in the crib. */
const may = (action: CribAction) => async (c: import('hono').Context<SignedInEnv>, next: () => Promise<void>) => {
  if (!mayInCrib(c.get('caller').person.role, action)) return problem(c, 'notPermitted');
  await next();
  return undefined;
};

/** Wrenches, tools, loans and bottles of the caller's shop. */
export function cribRoutes(crib: CribService, catalog: CatalogService, sessions: SessionService) {
  return new Hono<SignedInEnv>()
    .get('/', async (c) => c.json(await crib.read(c.get('caller').shopId)))
    .get('/reorder', async (c) => c.json(await crib.reorder(c.get('caller').shopId)))
    .get('/reorder.csv', async (c) =>
      c.body(reorderCsv(await crib.reorder(c.get('caller').shopId)), 200, {
        'Content-Type': 'text/csv; charset=utf-8',
        'Content-Disposition': 'attachment; filename="reorder.csv"',
      }),
    )
    .post('/wrenches', may('keepWrenches'), validate('json', WrenchInputSchema), async (c) => {
      const outcome = await crib.addWrench(c.get('caller'), c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .put('/wrenches/:id', may('keepWrenches'), Id, validate('json', WrenchInputSchema), async (c) => {
      const outcome = await crib.changeWrench(c.get('caller'), c.req.valid('param').id, c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    })
    .delete('/wrenches/:id', may('keepWrenches'), Id, async (c) => {
      const outcome = await crib.retireWrench(c.get('caller'), c.req.valid('param').id);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/wrenches/:id/checks', may('check'), Id, validate('json', CheckInputSchema), async (c) => {
      const input = c.req.valid('json');
      if (input.kind === 'calibration' && !mayInCrib(c.get('caller').person.role, 'calibrate'))
        return problem(c, 'notPermitted');
      const outcome = await crib.check(c.get('caller'), c.req.valid('param').id, input);
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/tester', may('check'), validate('json', TesterPullSchema), async (c) => {
      const { wrench: id, setNm } = c.req.valid('json');
      const wrench = (await catalog.wrenches(c.get('caller').shopId)).find((entry) => entry.id === id);
      if (!wrench) return problem(c, 'unknownWrench');
      return c.json({ setNm, referenceNm: testerReading(wrench.serial ?? wrench.id, setNm) });
    })
    .post('/rechecks', may('settleRecheck'), validate('json', SettleSchema), async (c) => {
      const caller = c.get('caller');
      const input = c.req.valid('json');
      const proven = await sessions.prove(caller, input.secret);
      if (!proven.ok) return problem(c, proven.error.code, proven.error);
      const outcome = await crib.settleRecheck(caller, input);
      return outcome.ok ? c.body(null, 204) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/tools', may('keepStock'), validate('json', ToolInputSchema), async (c) => {
      const outcome = await crib.addTool(c.get('caller'), c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .put('/tools/:id', may('keepStock'), Id, validate('json', ToolInputSchema), async (c) => {
      const outcome = await crib.changeTool(c.get('caller'), c.req.valid('param').id, c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    })
    .delete('/tools/:id', may('keepStock'), Id, async (c) => {
      const outcome = await crib.retireTool(c.get('caller'), c.req.valid('param').id);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/loans', may('lend'), validate('json', LoanInputSchema), async (c) => {
      const outcome = await crib.lend(c.get('caller'), c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/loans/:id/return', may('lend'), Id, validate('json', ReturnSchema), async (c) => {
      const outcome = await crib.takeBack(c.get('caller'), c.req.valid('param').id, c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/bottles', may('keepStock'), validate('json', BottleInputSchema), async (c) => {
      const outcome = await crib.addBottle(c.get('caller'), c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/bottles/:id/changes', may('keepStock'), Id, validate('json', BottleChangeSchema), async (c) => {
      const outcome = await crib.changeBottle(c.get('caller'), c.req.valid('param').id, c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/temperatures', may('keepStock'), validate('json', TemperatureSchema), async (c) => {
      await crib.addTemperature(c.get('caller'), c.req.valid('json').temperatureC);
      return c.body(null, 204);
    });
}
