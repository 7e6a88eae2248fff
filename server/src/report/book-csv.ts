import { stringify } from 'csv-stringify/sync';
import type { BookPull, KitBook } from '#contract/book.ts';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import { type ClockRules, shopDay } from '#contract/wording/shop-time.ts';
import { written } from '#core/quantity/display.ts';
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
  const sheet = new Sheet(
    say('{title}: what we found', { title: book.title }),
    new Date(nowMs),
    `${shop} · ${shopDay(nowMs, rules)}`,
  );
  sheet.band(
    say('To the maker'),
    `${book.title}${revision === undefined ? '' : say(', sheet revision {revision}', { revision })}`,
    shop,
  );
  sheet.text(
    book.retorques > 0
      ? say('Found while fitting it in {jobs} and pulling it again in {retorques}.', {
          jobs: numberOf(book.jobs, 'job'),
          retorques: book.retorques,
        })
      : say('Found while fitting it in {jobs}.', { jobs: numberOf(book.jobs, 'job') }),
    { size: 11 },
  );
  sheet.plate(say('What went otherwise than the sheet says'));
  if (book.troubles.length === 0) sheet.text(say('Nothing.'));
  else
    sheet.table(
      [
        { title: say('Where'), width: 0.28 },
        { title: say('Jobs'), width: 0.08, figures: true, align: 'right' },
        { title: say('Times'), width: 0.08, figures: true, align: 'right' },
        { title: say('For example'), width: 0.56 },
      ],
      book.troubles.map(({ place, jobs, times, text }) => ({
        cells: [place || say('the job'), String(jobs), String(times), text],
      })),
    );
  sheet.plate(say('How the final pulls lie'));
  sheet.table(
    [
      { title: say('Station'), width: 0.4 },
      { title: say('Pulls'), width: 0.1, figures: true, align: 'right' },
      { title: say('Mean, N·m'), width: 0.14, figures: true, align: 'right' },
      { title: say('Deviation'), width: 0.14, figures: true, align: 'right' },
      { title: say('Band, N·m'), width: 0.22, figures: true, align: 'right' },
    ],
    book.spread.map(({ station, pulls, meanNm, sdNm, minNm, maxNm }) => ({
      cells: [
        station,
        String(pulls),
        written(meanNm, 1),
        written(sdNm, 2),
        say('{min} to {max}', { min: written(minNm, 1), max: maxNm === undefined ? say('open') : written(maxNm, 1) }),
      ],
    })),
  );
  sheet.text(say('No owner, no plate and no person stands in this letter.'), { size: 8, color: INK_2 });
  return sheet.finish();
}
