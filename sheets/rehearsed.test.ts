import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { appendEvents, openLog } from '#core/job/job-log.ts';
import { draftKit } from '#core/kit/draft/draft-kit.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { type Rehearsal, rehearse } from '#core/rehearse/rehearsal.ts';
import { combinationsToPlay } from '#core/rehearse/rehearse-all.ts';
import { readSheet } from '#core/sheet/read-sheet.ts';

const sheetsOf = (folder: string) =>
  readdirSync(folder)
    .filter((name) => name.endsWith('.txt'))
    .map((name) => join(folder, name));

function drafted(path: string): KitDocument {
  const reading = readSheet(readFileSync(path, 'utf8'));
  return draftKit(reading, reading.facts, { id: 'paper', title: 'Paper', maker: 'Pennant Works' }).kit;
}

/** Ways a kit is fitted that are played of each, of the many a sheet with options has. */
const MOST_WAYS = 3;
const ways = (kit: KitDocument, most = MOST_WAYS): Rehearsal[] =>
  combinationsToPlay(kit)
    .play.slice(0, most)
    .map((answers) => rehearse(kit, answers));

/** A figure that the sheet gives for some model years alone: a person has to say what holds for the others. */
const wantsFigure = ({ deadEnd }: Rehearsal): boolean =>
  deadEnd?.code === 'noPlan' && deadEnd.error.code === 'specMissing';

/** What leaves a station tightened: a pull, a turn or a stop that was looked at, the last stage of a procedure. */
const TIGHTENS = new Set<string>(['pullRecorded', 'stopConfirmed', 'stageDone']);

/** Sheets whose figures are for some years only. */
const YEARS_OPEN = /05-big-brakes|173-mentor-letter|prose-by-year/;

describe.each(['sheets/known', 'sheets/whole', 'sheets/played'])(
  'a draft as it stands, worked by a careful fitter: %s',
  (folder) => {
    // Of the many of the first folder every third is played in several ways, the others in one.
    const most = (at: number) => (folder === 'sheets/known' && at % 3 > 0 ? 1 : MOST_WAYS);
    it.each(sheetsOf(folder).map((path, at) => [path, most(at)] as const))(
      '%s comes to its signature',
      (path, times) => {
        const kit = drafted(path);
        for (const played of ways(kit, times)) {
          if (YEARS_OPEN.test(path) && wantsFigure(played)) continue;
          expect(played.deadEnd).toBeUndefined();
          // Whatever is there for these answers was tightened: nothing stands on no step.
          const opened = openLog(played.setup);
          if (!opened.ok) throw new Error(opened.error.code);
          const { plan } = appendEvents(opened.value, played.events);
          const tightened = new Set(
            played.events.flatMap((event) => ('station' in event && TIGHTENS.has(event.type) ? [event.station] : [])),
          );
          expect(plan.stations.filter(({ id }) => !tightened.has(id)).map(({ name }) => name)).toEqual([]);
        }
      },
    );
  },
);

it('most blind sheets come to their signature as well', () => {
  const sheets = sheetsOf('sheets/blind');
  const through = sheets.filter((path) => ways(drafted(path)).every(({ deadEnd }) => deadEnd === undefined));
  process.stdout.write(
    `drafts of blind sheets that are worked to their signature: ${through.length} of ${sheets.length}\n`,
  );
  expect(through.length).toBeGreaterThan(0.85 * sheets.length);
});
