import { Hono } from 'hono';
import { RecallBySchema, RecallMessageSchema } from '#contract/recall.ts';
import { recallCsv } from '../report/recall-csv.ts';
import type { RecallService } from '../service/recall-service.ts';
import type { ShopService } from '../service/shop-service.ts';
import { leadOnly, type SignedInEnv } from './caller.ts';
import { validate } from './validate.ts';

/** Vehicles that carry what turned out wrong. */
export function recallRoutes(recalls: RecallService, shop: ShopService) {
  return new Hono<SignedInEnv>()
    .get('/', validate('query', RecallBySchema), async (c) =>
      c.json(await recalls.hits(c.get('caller').shopId, c.req.valid('query'))),
    )
    .get('/vehicles.csv', validate('query', RecallBySchema), async (c) => {
      const { shopId } = c.get('caller');
      const { rules } = await shop.settings(shopId);
      return c.body(recallCsv(await recalls.hits(shopId, c.req.valid('query')), rules), 200, {
        'Content-Type': 'text/csv; charset=utf-8',
        'Content-Disposition': 'attachment; filename="recall.csv"',
      });
    })
    .post('/messages', leadOnly, validate('json', RecallMessageSchema), async (c) =>
      c.json(await recalls.tell(c.get('caller'), c.req.valid('json'))),
    );
}
