import { stringify } from 'csv-stringify/sync';
import type { BookPull, KitBook } from '#contract/book.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { type ClockRules, shopDay } from '#contract/wording/shop-time.ts';
import { INK_2, Sheet } from './pdf-sheet.ts';

const LOOK = { record_delimiter: '\r\n', escape_formulas: true } as const;

/** The head of the table of pulls, with a byte-order mark for spreadsheets. */
export const bookHead = (): string =>
  stringify(
    [
      [
        'at_utc',
        'job',
        'plate',
        'vehicle',
        'kit',
        'revision',
        'station',
        'torque_nm',
        'target_nm',
        'min_nm',
        'max_nm',
        'verdict',
        'stands',
        'wrench',
        'person',
      ],
    ],
    { ...LOOK, bom: true },
  );

export const bookRows = (pulls: readonly BookPull[]): string =>
  stringify(
    pulls.map((pull) => [
      new Date(pull.atMs).toISOString(),
      pull.number,
      pull.vehicle.plate,
      pull.vehicle.model,
      pull.kit.title,
      pull.kit.revision,
      pull.station,
      pull.torqueNm,
      pull.targetNm,
      pull.minNm,
      pull.maxNm ?? '',
      pull.verdict,
      pull.stands ? 'yes' : 'no',
      pull.wrench,
      pull.person,
    ]),
    LOOK,
  );

/** Where a kit went otherwise than planned, as a table for its maker: no owner, no plate, no person. */
export const troubleCsv = ({ troubles }: KitBook, { timeZone }: ClockRules): string =>
  stringify(
    [
      ['kind', 'place', 'times', 'jobs', 'last', 'for_example'],
      ...troubles.map(({ kind, place, times, jobs, lastMs, text }) => [
        kind,
        place,
        times,
        jobs,
        shopDay(lastMs, { timeZone }),
        text,
      ]),
    ],
    { ...LOOK, bom: true },
  );

/** A letter to the maker of a kit: what went otherwise, where, and in how many jobs. */
export function makerPdf(
  book: KitBook,
  revision: number | undefined,
  shop: string,
  rules: ClockRules,
  nowMs: number,
): Promise<Buffer> {
  const sheet = new Sheet(`${book.title}: what we found`, new Date(nowMs), `${shop} · ${shopDay(nowMs, rules)}`);
  sheet.band('To the maker', `${book.title}${revision === undefined ? '' : `, sheet revision ${revision}`}`, shop);
  sheet.text(
    `Found while fitting it in ${numberOf(book.jobs, 'job')}${book.retorques > 0 ? ` and pulling it again in ${book.retorques}` : ''}.`,
    { size: 11 },
  );
  sheet.plate('What went otherwise than the sheet says');
  if (book.troubles.length === 0) sheet.text('Nothing.');
  else
    sheet.table(
      [
        { title: 'Where', width: 0.28 },
        { title: 'Jobs', width: 0.08, figures: true, align: 'right' },
        { title: 'Times', width: 0.08, figures: true, align: 'right' },
        { title: 'For example', width: 0.56 },
      ],
      book.troubles.map(({ place, jobs, times, text }) => ({
        cells: [place || 'the job', String(jobs), String(times), text],
      })),
    );
  sheet.plate('How the final pulls lie');
  sheet.table(
    [
      { title: 'Station', width: 0.4 },
      { title: 'Pulls', width: 0.1, figures: true, align: 'right' },
      { title: 'Mean, N·m', width: 0.14, figures: true, align: 'right' },
      { title: 'Deviation', width: 0.14, figures: true, align: 'right' },
      { title: 'Band, N·m', width: 0.22, figures: true, align: 'right' },
    ],
    book.spread.map(({ station, pulls, meanNm, sdNm, minNm, maxNm }) => ({
      cells: [
        station,
        String(pulls),
        meanNm.toFixed(1),
        sdNm.toFixed(2),
        `${minNm.toFixed(1)} to ${maxNm?.toFixed(1) ?? 'open'}`,
      ],
    })),
  );
  sheet.text('No owner, no plate and no person stands in this letter.', { size: 8, color: INK_2 });
  return sheet.finish();
}
