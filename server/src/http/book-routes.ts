import { type Context, Hono } from 'hono';
import { stream } from 'hono/streaming';
import { BookSearchSchema, KitBookSchema, KitCurvesSchema, WrenchBookSchema } from '#contract/book.ts';
import { bookHead, bookRows, makerPdf, troubleCsv } from '../report/book-csv.ts';
import type { BookService } from '../service/book-service.ts';
import type { CatalogService } from '../service/catalog-service.ts';
import type { CribService } from '../service/crib-service.ts';
import type { ShopService } from '../service/shop-service.ts';
import type { SignedInEnv } from './caller.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

const file = (c: Context, name: string, type: string) => {
  c.header('Content-Type', type);
  c.header('Content-Disposition', `attachment; filename="${name}"`);
};

/** The book of everything ever pulled, and what it says of a kit. */
export function bookRoutes(book: BookService, catalog: CatalogService, shop: ShopService, crib: CribService) {
  const kitBook = async (shopId: string, kit: string, revision?: number) => {
    const document = await catalog.kit(shopId, kit, revision);
    return document && book.kit(shopId, document.title, kit, revision);
  };
  return new Hono<SignedInEnv>()
    .get('/', validate('query', BookSearchSchema), async (c) =>
      c.json(await book.search(c.get('caller'), c.req.valid('query'))),
    )
    .get('/pulls.csv', validate('query', BookSearchSchema), (c) => {
      const caller = c.get('caller');
      const asked = c.req.valid('query');
      file(c, 'pulls.csv', 'text/csv; charset=utf-8');
      return stream(c, async (out) => {
        await out.write(bookHead());
        for await (const pulls of book.all(caller, asked)) {
          if (out.aborted) return;
          await out.write(bookRows(pulls));
        }
      });
    })
    .get('/kit', validate('query', KitBookSchema), async (c) => {
      const { kit, revision } = c.req.valid('query');
      const found = await kitBook(c.get('caller').shopId, kit, revision);
      return found ? c.json(found) : problem(c, 'unknownKit');
    })
    .get('/kit/curves', validate('query', KitCurvesSchema), async (c) => {
      const { kit, station } = c.req.valid('query');
      return c.json(await book.curves(c.get('caller').shopId, kit, station));
    })
    .get('/wrench', validate('query', WrenchBookSchema), async (c) => {
      const { shopId } = c.get('caller');
      const asked = c.req.valid('query').wrench;
      const wrench = (await crib.read(shopId)).wrenches.find(({ id }) => id === asked);
      return wrench ? c.json(await book.wrench(shopId, wrench, wrench.checks)) : problem(c, 'unknownWrench');
    })
    .get('/kit/maker.csv', validate('query', KitBookSchema), async (c) => {
      const { shopId } = c.get('caller');
      const { kit, revision } = c.req.valid('query');
      const found = await kitBook(shopId, kit, revision);
      if (!found) return problem(c, 'unknownKit');
      file(c, 'to-the-maker.csv', 'text/csv; charset=utf-8');
      return c.body(troubleCsv(found, (await shop.settings(shopId)).rules));
    })
    .get('/kit/maker.pdf', validate('query', KitBookSchema), async (c) => {
      const { shopId } = c.get('caller');
      const { kit, revision } = c.req.valid('query');
      const found = await kitBook(shopId, kit, revision);
      if (!found) return problem(c, 'unknownKit');
      const { name, rules } = await shop.settings(shopId);
      file(c, 'to-the-maker.pdf', 'application/pdf');
      return c.body(new Uint8Array(await makerPdf(found, revision, name, rules, Date.now())));
    });
}
