import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import { KitDocumentSchema } from '#contract/kit.ts';
import { readKit, writeKit } from '#contract/read-kit.ts';
import { draftKit } from '#core/kit/draft/draft-kit.ts';
import type { Draft } from '#core/kit/draft/drafting.ts';
import { kitFaults } from '#core/kit/kit-integrity.ts';
import { lintKit } from '#core/kit/lint/lint.ts';
import { doubts } from '#core/sheet/doubt.ts';
import { readSheet, type SheetReading } from '#core/sheet/read-sheet.ts';

/** What a person who writes the kit from the sheet by hand makes of it. */
interface Expected {
  /** Pieces of the packing list: how many, and a word of the line. */
  packing: Array<[number, string]>;
  groups: Array<{
    about: string;
    stations: number;
    /** The vehicle's own, whose number the sheet leaves out. */
    stationsFree?: boolean;
    nm: [number, number];
    thread: string | null;
    compound: string | null;
    driveMm: number | null;
    stages?: number;
  }>;
  aftercareKm: number[];
  waitMinutes: number[];
}

const FOLDER = 'sheets/whole';
const SHEETS = readdirSync(FOLDER)
  .filter((file) => file.endsWith('.txt'))
  .map((file) => file.replace('.txt', ''));

const draftOf = (name: string) => {
  const reading = readSheet(readFileSync(join(FOLDER, `${name}.txt`), 'utf8'));
  return draftKit(reading, reading.facts, { id: name, title: name, maker: 'Pennant Works' });
};

describe('whole sheets, written with their kit before the reader saw them', () => {
  it.each(SHEETS)('%s: joints, pieces and what is due are those of its kit', (name) => {
    const expected = JSON.parse(readFileSync(join(FOLDER, `${name}.json`), 'utf8')) as Expected;
    const { kit } = draftOf(name);
    const groups = kit.groups.map((group) => {
      const station = kit.stations.find(({ id }) => id === group.stations[0]);
      const spec = station?.specs[0]?.spec;
      const pieces = station?.stack.flatMap((piece) =>
        piece.kind === 'hardware' ? [kit.items.find(({ id }) => id === piece.item)] : [],
      );
      const drive = station?.drive;
      return {
        stations: group.stations.length,
        nm:
          spec?.kind === 'range'
            ? [spec.minNm, spec.maxNm]
            : spec && 'targetNm' in spec
              ? [spec.targetNm, spec.targetNm]
              : [],
        thread: pieces?.find((piece) => piece?.thread !== undefined)?.thread ?? null,
        compound: kit.compounds.find(({ id }) => id === station?.compound)?.kind ?? null,
        drive: drive && 'acrossFlatsMm' in drive ? drive.acrossFlatsMm : null,
        ...(group.stages ? { stages: group.stages.length } : {}),
      };
    });
    expect(groups).toEqual(
      expected.groups.map((group, at) => ({
        stations: group.stationsFree ? groups[at]?.stations : group.stations,
        nm: group.nm.map((nm) => expect.closeTo(nm, 1)),
        thread: group.thread === null ? null : group.thread.replace(' × ', ' x '),
        compound: group.compound,
        drive: group.driveMm === null ? groups[at]?.drive : expect.closeTo(group.driveMm, 1),
        ...(group.stages ? { stages: group.stages } : {}),
      })),
    );
    const listed = kit.items.filter(({ source }) => source === 'kit');
    expect(listed.map(({ quantity }) => quantity)).toEqual(expected.packing.map(([quantity]) => quantity));
    expect(kit.aftercare.flatMap(({ afterKm }) => afterKm ?? [])).toEqual(expected.aftercareKm);
    const waits = kit.steps.flatMap(({ actions }) =>
      actions.flatMap((action) => ('minutes' in action && action.minutes !== undefined ? [action.minutes] : [])),
    );
    expect(waits).toEqual(expected.waitMinutes);
  });
});

/** Every sheet of a folder with its draft, each read once: two thirds of the time is reading. */
const drafted = new Map<string, Array<{ file: string; reading: SheetReading; draft: Draft }>>();
function draftsOf(folder: string) {
  const known = drafted.get(folder);
  if (known) return known;
  const fresh = readdirSync(join('sheets', folder))
    .filter((file) => file.endsWith('.txt'))
    .map((file) => {
      const reading = readSheet(readFileSync(join('sheets', folder, file), 'utf8'));
      const draft = draftKit(reading, reading.facts, { id: 'draft', title: file, maker: 'Pennant Works' });
      return { file, reading, draft };
    });
  drafted.set(folder, fresh);
  return fresh;
}

describe('any sheet', () => {
  it.each(['known', 'blind', 'whole'])('of %s makes a draft that can be read back, or says why not', (folder) => {
    for (const {
      file,
      draft: { kit },
    } of draftsOf(folder)) {
      expect([file, KitDocumentSchema.safeParse(kit).error?.issues.slice(0, 3)]).toEqual([file, undefined]);
      const back = readKit(writeKit(kit));
      expect([file, back.ok ? [] : back.error]).toEqual([file, []]);
      // A sheet may hold no joint at all; nothing else is wrong with its draft.
      expect([file, kitFaults(kit).filter(({ code }) => code !== 'empty')]).toEqual([file, []]);
    }
  });
});

describe('what keeps a draft from its release', () => {
  /** Sheets that are wrong themselves, or give figures for some years alone. */
  const MOST = { known: 14, blind: 1 };
  it.each(['known', 'blind'] as const)('hardly ever is a fault of the draft: %s', (folder) => {
    const kept = draftsOf(folder).filter(({ draft }) =>
      lintKit(draft.kit).some(({ severity }) => severity === 'error'),
    );
    process.stdout.write(`drafts of ${folder} sheets with an error of the lint: ${kept.length}\n`);
    expect(kept.length).toBeLessThanOrEqual(MOST[folder]);
  });
});

/** What nobody types: names that files give to things, and where a station is drawn. */
const GIVEN = new Set(['id', 'format', 'version', 'revision', 'xMm', 'yMm', 'widthMm', 'heightMm']);
/** How many values a person enters who writes a kit by hand. */
function valuesOf(value: unknown): number {
  if (value === null || typeof value !== 'object') return 1;
  return Object.entries(value).reduce((sum, [name, inside]) => sum + (GIVEN.has(name) ? 0 : valuesOf(inside)), 0);
}

describe('what is left to do on a draft', () => {
  it.each(['whole', 'blind', 'known'])('of %s is less than a tenth of writing the kit', (folder) => {
    let [keys, values] = [0, 0];
    for (const { reading, draft } of draftsOf(folder)) {
      // A doubt and an assumption take one key each.
      keys += doubts(reading.facts).size + draft.assumed.length;
      values += valuesOf(draft.kit);
    }
    process.stdout.write(`drafts of ${folder} sheets: ${keys} keys for ${values} values\n`);
    expect(keys).toBeLessThan(0.1 * values);
  });
});
