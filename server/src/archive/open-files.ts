import type { TableBook } from '#contract/moving-in/book.ts';
import type { WrenchRow } from '#contract/moving-in/brought.ts';
import { rowOf, writeRows } from '#contract/moving-in/write-rows.ts';
import { writeKit } from '#contract/read-kit.ts';
import { dayOf } from '#core/wrench/suitable-wrench.ts';
import { recordFile } from '../report/record-file.ts';
import type { Caller } from '../service/caller.ts';
import type { CatalogService } from '../service/catalog-service.ts';
import type { CribService } from '../service/crib-service.ts';
import type { JobService } from '../service/job-service.ts';
import type { KitDraftService } from '../service/kit-draft-service.ts';
import type { ShelfService } from '../service/shelf-service.ts';
import type { ShopService } from '../service/shop-service.ts';
import type { ArchiveFile } from './write-archive.ts';

export interface OpenParts {
  catalog: CatalogService;
  crib: CribService;
  shelf: ShelfService;
  shop: ShopService;
  jobs: JobService;
  drafts: KitDraftService;
  /** The key the shop signs its records with, SPKI in base64. */
  publicKey: string;
}

async function* one(text: string) {
  yield text;
}

/** Books as tables that Moving in takes again, every kit revision, and every record with what proves it. */
export async function* openFiles(parts: OpenParts, caller: Caller): AsyncIterable<ArchiveFile> {
  const { shopId } = caller;
  const table = (book: TableBook, cards: readonly object[]): ArchiveFile => ({
    name: `${book}.csv`,
    parts: () =>
      one(
        writeRows(
          book,
          cards.map((card) => rowOf(book, card)),
        ),
      ),
  });
  yield table('vehicles', await parts.catalog.vehicles(shopId));
  const crib = await parts.crib.read(shopId);
  yield table(
    'wrenches',
    crib.wrenches.map(({ checks, ...wrench }): Partial<WrenchRow> => {
      const last = checks.filter(({ kind }) => kind === 'calibration').at(-1);
      const { readings = [], certificate, atMs = 0 } = last ?? {};
      const on = dayOf(atMs);
      return { ...wrench, ...(last ? { calibration: { on, certificate, readings } } : {}) } as Partial<WrenchRow>;
    }),
  );
  yield table('tools', crib.tools);
  yield table('compounds', crib.bottles);
  yield table('fasteners', await parts.shelf.shelf(shopId));
  const { people } = await parts.shop.settings(shopId);
  const initialsOf = new Map(people.map(({ id, initials }) => [id, initials]));
  yield table(
    'people',
    people
      .filter(({ leftAtMs }) => leftAtMs === undefined)
      .map(({ mentor, ...person }) => ({ ...person, ...(mentor ? { mentor: initialsOf.get(mentor) } : {}) })),
  );
  for (const { id, revision } of await parts.drafts.everyRevision(shopId)) {
    const kit = await parts.catalog.kit(shopId, id, revision);
    if (kit) yield { name: `kits/${id}-r${revision}.json`, parts: () => one(writeKit(kit)) };
  }
  for (const { id, number } of await parts.jobs.everyJob(shopId))
    yield { name: `records/${number}.json`, parts: () => record(parts.jobs, caller, id) };
  yield { name: 'public-key.txt', parts: () => one(`${parts.publicKey}\n`) };
}

/** A record as it is given on its own; one that cannot be read any more says so in its place. */
async function* record(jobs: JobService, caller: Caller, id: string) {
  const [document, proof] = await Promise.all([jobs.document(caller, id), jobs.recordProof(caller.shopId, id)]);
  yield document && proof
    ? `${JSON.stringify(recordFile(document, proof), null, 2)}\n`
    : `${JSON.stringify({ id, unreadable: true })}\n`;
}
