import { performance } from 'node:perf_hooks';
import type { DueItem } from '#contract/due.ts';
import { readConfig } from '#server/config.ts';
import { seedDemo } from '#server/demo/seed.ts';
import { dueCalendar } from '#server/report/due-calendar.ts';
import { openSeal } from '#server/seal/open-seal.ts';
import { BookService } from '#server/service/book-service.ts';
import type { Caller } from '#server/service/caller.ts';
import { BookRepository } from '#server/store/book-repository.ts';
import { makeDataSource } from '#server/store/data-source.ts';
import { prepareSchema } from '#server/store/schema.ts';

const PULLS = 1_000_000;
const TRIES = 5;

const median = (list: number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;

/** Searches and a kit's charts among a million pulls of two thousand vehicles, in milliseconds (median of five), by name. */
export async function measureBook(): Promise<Array<{ what: string; ms: number }>> {
  const config = readConfig(process.env);
  if (!config.owner) throw new Error('The measurement needs the schema’s owner: run `npm run bench`.');
  const source = await makeDataSource(config.owner).initialize();
  try {
    await prepareSchema(source, config.database.username);
    await seedDemo(source, Date.now(), openSeal(config.sealDir).seal);
    const [{ id: shopId }] = (await source.query('SELECT id FROM shop LIMIT 1')) as [{ id: string }];
    await source.query('DELETE FROM book_pull');
    await source.query(
      `INSERT INTO vehicle (id, shop_id, card, version) SELECT CONCAT('bv-', seq), ?, JSON_OBJECT('id', CONCAT('bv-', seq),
        'plate', CONCAT('ZZ-', seq), 'make', 'Tolvan', 'model', ELT(1 + seq % 3, 'Carrick', 'Gorse', 'Tussock'), 'owner',
        CONCAT('Owner ', seq)), 1 FROM seq_1_to_2000`,
      [shopId],
    );
    await source.query(
      `INSERT INTO kit (shop_id, id, revision, document, added_at_ms) SELECT ?, CONCAT('kit-', seq), 1,
        JSON_OBJECT('title', CONCAT('Kit number ', seq)), 0 FROM seq_1_to_60`,
      [shopId],
    );
    // Vehicles, kits and stations in different strides, so that no two go together by chance.
    await source.query(
      `INSERT INTO book_pull SELECT UUID(), CONCAT('p-', seq), ?, 1700000000000 + seq * 60000, CONCAT('26-', seq),
        CONCAT('bv-', 1 + seq % 2000), CONCAT('ZZ-', 1 + seq % 2000), ELT(1 + seq % 3, 'Carrick', 'Gorse', 'Tussock'),
        CONCAT('kit-', 1 + (seq DIV 7) % 60), 1 + (seq DIV 420) % 3, CONCAT('Kit number ', 1 + (seq DIV 7) % 60),
        CONCAT('Plate, ', 1 + (seq DIV 3) % 400, ' bolt'), CONCAT('w-', 1 + seq % 12), CONCAT('W-', 1 + seq % 12),
        ELT(1 + seq % 3, 'u-vane', 'u-orrin', 'u-reed'), ELT(1 + seq % 3, 'Mira Vane', 'Rafe Orrin', 'Tam Reed'),
        50 + (seq * 7919 % 1000) / 100, 55, 50, 60, IF(seq % 97 = 0, 'over', 'accepted'), 1, 1
        FROM seq_1_to_${PULLS}`,
      [shopId],
    );
    await source.query(
      `INSERT INTO book_job SELECT id, shop_id, seq, 'demo', 1, 0 FROM job ON DUPLICATE KEY UPDATE seq = VALUES(seq)`,
    );
    // Fifteen steps of four hundred jobs a kit.
    await source.query(
      `INSERT INTO book_step SELECT CONCAT('j-', seq DIV 15), CONCAT('kit-', 1 + (seq DIV 15) % 60), CONCAT('s-', seq % 15), ?,
        1 + (seq DIV 6000) % 3, CONCAT('Step ', seq % 15), 10, 5 + seq * 7919 % 13, 1700000000000 + seq * 60000
        FROM seq_1_to_360000`,
      [shopId],
    );
    await source.query('ANALYZE TABLE book_pull, book_step');
    const jobs = { log: async () => undefined, head: async () => undefined, events: async () => [] };
    const store = new BookRepository(source);
    const book = new BookService(store, jobs as never, (error) => {
      throw error;
    });
    const caller = { shopId, person: { id: 'u-orrin', name: 'Rafe Orrin', role: 'lead' } } as Caller;
    const timed = async (what: string, work: () => Promise<unknown>) => {
      const took: number[] = [];
      for (let at = 0; at < TRIES; at++) {
        const begun = performance.now();
        await work();
        took.push(performance.now() - begun);
      }
      return { what, ms: median(took) };
    };
    const search =
      (words: string, more: object = {}) =>
      () =>
        book.search(caller, { words, ...more });
    await search('')();
    return [
      await timed('the newest pulls', search('')),
      await timed('by a plate', search('ZZ-1234')),
      await timed('by a model, half of all', search('carrick')),
      await timed('by person and wrench', search('mira w-7')),
      await timed('plate, kit and station that never met', search('ZZ-1234 number 400')),
      await timed('out of band, by kit', search('', { verdict: 'over', kit: 'kit-9' })),
      await timed('in one day of two years', search('carrick', { from: 1_730_000_000_000, to: 1_730_086_400_000 })),
      await timed('charts of one kit', () => book.kit(shopId, 'Kit', 'kit-9')),
    ];
  } finally {
    await source.destroy();
  }
}

/** A calendar of 5,000 things due, milliseconds. */
export function measureCalendar(): number {
  const items = Array.from(
    { length: 5000 },
    (_, at): DueItem => ({
      job: `${String(at).padStart(8, '0')}-0000-4000-8000-000000000000`,
      number: `26-${at}`,
      care: 'wheels',
      text: 'Wheel nuts again, on the ground.',
      vehicle: { id: 'v', make: 'Tolvan', model: 'Carrick', plate: `ZZ-${at}`, owner: 'Owner' },
      closedAtMs: 1_700_000_000_000,
      atKm: 1000 + at,
      lastKm: at,
      kmPerDay: 40,
      rateFrom: 'history',
      expected: { expectedMs: 1.7e12 + at * 1e7, earliestMs: 1.7e12, latestMs: 1.8e12, by: 'distance' },
    }),
  );
  const begun = performance.now();
  dueCalendar(items, {}, 1_700_000_000_000);
  return performance.now() - begun;
}
