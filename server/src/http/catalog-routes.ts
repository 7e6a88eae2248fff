import { Hono } from 'hono';
import { z } from 'zod';
import { EraseSchema, SaveVehicleSchema, type VehicleHistory, VehicleSchema } from '#contract/vehicle.ts';
import { platePdf } from '../report/plate-pdf.ts';
import type { CatalogService } from '../service/catalog-service.ts';
import type { JobService } from '../service/job-service.ts';
import type { KitDraftService } from '../service/kit-draft-service.ts';
import type { SessionService } from '../service/session-service.ts';
import type { ShopService } from '../service/shop-service.ts';
import type { ShopWrenches } from '../service/shop-wrenches.ts';
import type { SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

const KitId = z.object({ id: z.string().min(1).max(64) });

/** Vehicles, kits and wrenches of the caller's shop. */
export function catalogRoutes(
  catalog: CatalogService,
  jobs: JobService,
  drafts: KitDraftService,
  sessions: SessionService,
  wrenches: ShopWrenches,
  shop: ShopService,
) {
  return new Hono<SignedInEnv>()
    .get('/vehicles', async (c) => c.json(await catalog.vehicles(c.get('caller').shopId)))
    .get('/vehicles/:id', validate('param', KitId), async (c) => {
      const { shopId } = c.get('caller');
      const { id } = c.req.valid('param');
      await jobs.noteOwed({ shopId, vehicleId: id });
      const stored = await catalog.vehicle(shopId, id);
      if (!stored) return problem(c, 'unknownVehicle');
      return c.json({ ...stored, visits: await jobs.history(shopId, id) } satisfies VehicleHistory);
    })
    .get('/vehicles/:id/plate.pdf', validate('param', KitId), async (c) => {
      const { shopId } = c.get('caller');
      const { id } = c.req.valid('param');
      await jobs.noteOwed({ shopId, vehicleId: id });
      const stored = await catalog.vehicle(shopId, id);
      if (!stored) return problem(c, 'unknownVehicle');
      c.header('Content-Type', 'application/pdf');
      c.header('Content-Disposition', 'attachment; filename="what-it-may-carry.pdf"');
      const { name } = await shop.settings(shopId);
      return c.body(new Uint8Array(await platePdf(stored.vehicle, name, Date.now())));
    })
    .post('/vehicles', validate('json', VehicleSchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const outcome = await catalog.addVehicle(caller.shopId, c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .put('/vehicles/:id', validate('param', KitId), validate('json', SaveVehicleSchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const { vehicle, version } = c.req.valid('json');
      const outcome = await catalog.saveVehicle(caller.shopId, { ...vehicle, id: c.req.valid('param').id }, version);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    })
    .get('/kits/:id/minutes', validate('param', KitId), async (c) =>
      c.json(await jobs.minutesOf(c.get('caller').shopId, c.req.valid('param').id)),
    )
    .get('/wrenches', async (c) => c.json(await wrenches.of(c.get('caller').shopId)))
    .get('/kits', async (c) => c.json(await catalog.kits(c.get('caller').shopId)))
    .get('/kits/:id', validate('param', KitId), async (c) => {
      const kit = await catalog.kit(c.get('caller').shopId, c.req.valid('param').id);
      return kit ? c.json(kit) : problem(c, 'unknownKit');
    })
    .post('/vehicles/:id/erase', validate('param', KitId), validate('json', EraseSchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role !== 'lead') return problem(c, 'notPermitted');
      const proven = await sessions.prove(caller, c.req.valid('json').secret);
      if (!proven.ok) return problem(c, proven.error.code, proven.error);
      const erased = await jobs.erasePersonal(caller.shopId, c.req.valid('param').id);
      return erased ? c.body(null, 204) : problem(c, 'unknownVehicle');
    })
    .post('/kits', validate('query', z.object({ waive: z.string().trim().min(1).max(300).optional() })), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      // The file's own text, not parsed JSON, so that a broken file is reported like any other fault.
      const outcome = await drafts.importKit(caller, await c.req.text(), c.req.valid('query').waive);
      if (!outcome.ok) return problem(c, outcome.error.code, outcome.error);
      return c.json(outcome.value, 201);
    });
}
