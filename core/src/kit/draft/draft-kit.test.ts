import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { KitDocumentSchema } from '#contract/kit.ts';
import { readKit, writeKit } from '#contract/read-kit.ts';
import { readSheet } from '../../sheet/read-sheet.ts';
import { kitFaults } from '../kit-integrity.ts';
import { lintKit } from '../lint/lint.ts';
import { draftKit } from './draft-kit.ts';
import type { Draft } from './drafting.ts';

const HEAD = { id: 'draft', title: 'Draft', maker: 'Pennant Works' };
const draft = (text: string): Draft => {
  const reading = readSheet(text);
  return draftKit(reading, reading.facts, HEAD);
};

describe('a draft kit from a sheet', () => {
  it('gives each value its stations, bolts and drive', () => {
    const { kit } = draft(
      'Hardware:\n6 x M10 x 30 flange bolts\n8 x M10 washers\n\n1. Tighten the six M10 bolts to 62 N·m (46 ft-lb) in a star pattern with a 16 mm socket.',
    );
    expect(kit.items.map((item) => [item.kind, item.quantity, item.thread, item.lengthMm])).toEqual([
      ['bolt', 6, 'M10 x 1.5', 30],
      ['washer', 8, undefined, undefined],
    ]);
    expect(kit.stations).toHaveLength(6);
    expect(kit.stations[0]).toMatchObject({
      specs: [{ spec: { kind: 'torque', targetNm: 62 }, printed: '62 N·m (46 ft-lb)' }],
      drive: { kind: 'hex', acrossFlatsMm: 16 },
    });
    expect(kit.groups).toMatchObject([{ torqueOrder: { pattern: 'star' } }]);
  });
  it('makes one station with two values of a value that depends on the model year', () => {
    const { kit } = draft('Torque the two M10 bolts: on 2011 and newer 40 ft-lb, up to 2010 52 ft-lb.');
    expect(kit.stations[0]?.specs.map(({ printed, when }) => [printed, when])).toEqual([
      ['40 ft-lb', { question: 'modelYear', atLeast: 2011 }],
      ['52 ft-lb', { question: 'modelYear', atMost: 2010 }],
    ]);
    expect(kit.questions).toMatchObject([{ id: 'modelYear', kind: 'number', from: 'modelYear' }]);
  });
  it('pairs what came off with what goes back', () => {
    const { kit } = draft(
      '1. Remove the six bolts from the splash shield.\n2. Unplug the fog lamp connector.\n3. Reconnect the fog lamp.\n4. Refit the splash shield.',
    );
    expect(kit.removed).toMatchObject([{ count: 6, fate: 'refit' }]);
    expect(kit.disconnects).toMatchObject([{ kind: 'connector' }]);
    expect(kit.steps.map((step) => step.actions.map((action) => action.type))).toEqual([
      ['remove'],
      ['disconnect'],
      ['reconnect'],
      ['refit'],
    ]);
  });
  it('starts by hand the group that is torqued next, and makes no step of a heading', () => {
    const { kit } = draft(
      'Rear brace\nSupplied:\n4 x M10 x 30 bolts\n1. Start all four bolts by hand.\n2. Tighten the four M10 bolts to 45 Nm.',
    );
    expect(kit.steps.map((step) => step.actions.map((action) => action.type))).toEqual([['start'], ['torque']]);
    expect(kit.steps[0]?.actions[0]).toMatchObject({ group: kit.groups[0]?.id });
  });
  it('keeps limits, angles and ranges', () => {
    const { kit } = draft('Tighten clamp to 27 in-lb, do not exceed 35. Bolts M12: 74 ft-lb plus 90°. Screws 8-10 Nm.');
    expect(kit.stations.map((station) => station.specs[0]?.spec.kind)).toEqual([
      'targetWithMaximum',
      'torqueAngle',
      'range',
    ]);
  });
  it('says what it assumed', () => {
    const { assumed } = draft('Torque bolts to 40 Nm.');
    expect(assumed.map((entry) => entry.code)).toEqual(
      expect.arrayContaining(['countAssumed', 'boltNotListed', 'thicknessUnknown']),
    );
  });
  it('what could not be read stands in the draft as its own text', () => {
    const { kit } = draft('Plate kit\nPolish the badge until it shines.\nTorque to 40 Nm.');
    expect(kit.steps.map((step) => step.text)).toContain('Polish the badge until it shines.');
  });
});

const FOLDER = 'demo/sheets';
describe.each(readdirSync(FOLDER).filter((file) => file.endsWith('.txt')))('demo sheet %s', (file) => {
  const text = readFileSync(join(FOLDER, file), 'utf8');
  it('drafts to a document of the published shape whose references hold', () => {
    const { kit } = draft(text);
    expect(KitDocumentSchema.safeParse(kit)).toMatchObject({ success: true });
    expect(kitFaults(kit)).toEqual([]);
  });
  it('every torque of the sheet is in a station', () => {
    const reading = readSheet(text);
    const { kit } = draftKit(reading, reading.facts, HEAD);
    const numbers = kit.stations.flatMap((station) =>
      station.specs.flatMap(({ spec }) => Object.values(spec).filter((figure) => typeof figure === 'number')),
    );
    const has = (nm: number) => numbers.some((figure) => Math.abs(figure - nm) < 1e-3);
    // An end that stands alone is told in words, and is no figure to pull to.
    for (const { value } of reading.facts)
      if (value.kind === 'torque' && value.only === undefined) expect(has(value.maxNm)).toBe(true);
  });
});

it('drafts a valid document from any facts, without throwing', () => {
  const lines = fc.constantFrom(
    'Remove the six 10 mm bolts.',
    '4 x M8 x 25 bolts',
    'M8 washers (8)',
    'Torque the M8 bolts to 20 ft-lb.',
    'On 2016 and newer torque to 25 Nm.',
    'If equipped with a shield, refit it.',
    'Apply blue threadlocker.',
    'Unplug the sensor.',
    'Drill 9 mm holes.',
    'Re-torque after 25 miles.',
    'WARNING: hot.',
    'Allow 24 hours to cure.',
    'Torque to 40 lb.',
    'Polish it.',
  );
  fc.assert(
    fc.property(fc.array(lines, { maxLength: 14 }), (list) => {
      const { kit } = draft(list.join('\n'));
      expect(KitDocumentSchema.safeParse(kit).success).toBe(true);
      expect(kitFaults(kit).filter((fault) => fault.code !== 'empty')).toEqual([]);
      // Written and read, it is the same document.
      if (kitFaults(kit).length === 0) expect(readKit(writeKit(kit))).toEqual({ ok: true, value: kit });
    }),
    { numRuns: 200 },
  );
});

describe('a locker in a sheet', () => {
  const compounds = (text: string) => draft(text).kit.compounds;
  it('without a strength is left for a lead to name, and never taken for medium', () => {
    expect(compounds('1. Put threadlocker on the two M10 bolts and torque them to 40 Nm.')).toEqual([
      { id: 'threadlocker', name: 'Threadlocker', kind: 'threadlockerMedium', gradeUnknown: true },
    ]);
  });
  it.each([
    ['blue threadlocker', 'threadlockerMedium'],
    ['red threadlocker', 'threadlockerHigh'],
    ['medium strength threadlocker', 'threadlockerMedium'],
  ])('%s is that', (words, kind) => {
    const [compound] = compounds(`1. Put ${words} on the two M10 bolts and torque them to 40 Nm.`);
    expect(compound).toMatchObject({ kind });
    expect(compound?.gradeUnknown).toBeUndefined();
  });
});

describe('a checklist with boxes', () => {
  const CHECKLIST = [
    'IN THE BOX',
    '[ ] 6   flange bolt M12 x 1.75 x 40, class 10.9',
    '[ ] 6   flange nut M12',
    '[ ] 2   latch screw M8 x 25, class 8.8',
    '',
    'HINGE',
    '[ ] Torque the six bolts to 92 Nm, middle pair first, then the outer four.',
    'LATCH',
    '[ ] 2 latch screws M8, 13 mm, 24 Nm.',
  ].join('\n');
  it('starts by hand what it only torques, so that it can be released', () => {
    const { kit } = draft(CHECKLIST);
    for (const { id } of kit.groups) {
      const acts = kit.steps.flatMap(({ actions }) =>
        actions.flatMap((action) => ('group' in action && action.group === id ? [action.type] : [])),
      );
      expect(acts).toEqual(['start', 'torque']);
    }
  });
  it('takes the pieces of the list there are as many of, names no joint by its spanner, and keeps the boxes out', () => {
    const { kit } = draft(CHECKLIST);
    expect(kit.items.filter(({ source }) => source === 'factory')).toEqual([]);
    expect(kit.groups.map(({ title }) => title).at(-1)).toBe('Latch screws M8');
    expect(kit.steps.filter(({ text }) => text.startsWith('['))).toEqual([]);
  });
});

describe('steps counted in words, and pieces told by their line of the list', () => {
  it('takes `Step one.` for a number, and what stands before the first for no work', () => {
    const { kit } = draft(
      [
        'ROOF LADDER',
        'Tools: 13 mm spanner, torque wrench reaching 25 N·m.',
        'WHAT TO DO',
        'Step one. Open the tailgate.',
        'Step two',
        'Hang the ladder in its plates.',
        'Step three: Torque the four M8 bolts to 22 N·m.',
      ].join('\n'),
    );
    expect(kit.steps.map(({ number, text }) => [number, text])).toEqual([
      ['1', 'Open the tailgate.'],
      ['2', 'Hang the ladder in its plates.'],
      ['3', 'Torque the four M8 bolts to 22 N·m.'],
    ]);
    expect(kit.stations).toHaveLength(4);
    // A step that is no number stays a sentence.
    expect(draft('Step back. Look at it. Torque the bolt to 20 N·m.').kit.steps[0]?.number).toBeUndefined();
  });
  it('reads a count in words behind dots, and a pair', () => {
    const { kit } = draft(
      'Contents:\n- ladder (1)\n- 8 mm washers ... eight off\n- flange nuts … four\n\n1. Torque the four bolts to 22 N·m.',
    );
    expect(kit.items.filter(({ source }) => source === 'kit').map(({ name, quantity }) => [name, quantity])).toEqual([
      ['Ladder', 1],
      ['8 mm washers', 8],
      ['Flange nuts', 4],
    ]);
  });
  it('keeps two joints apart that only share the word item, each with its own piece', () => {
    const { kit } = draft(
      [
        'CONTENTS',
        '#   item           qty   size',
        '1   flange bolt    3     M8 x 1.25 x 25',
        '2   worm clip      2     32-50',
        '3   bracket screw  1     M6 x 1.0 x 16',
        '',
        'A) Pipe on, all three flange bolts (item 1) in by hand.',
        'B) Flange bolts to 24 Nm.',
        'C) Bracket screw (item 3): 9 Nm.',
        'D) Clips (item 2) to 6 Nm.',
      ].join('\n'),
    );
    const joints = kit.groups.map(({ title, stations }) => {
      const first = kit.stations.find(({ id }) => id === stations[0]);
      const [piece] = first?.stack ?? [];
      const item = piece?.kind === 'hardware' ? kit.items.find(({ id }) => id === piece.item) : undefined;
      return [title, stations.length, item?.thread];
    });
    expect(joints).toEqual([
      ['Flange bolts', 3, 'M8 x 1.25'],
      ['Bracket screw', 1, 'M6 x 1'],
      ['Clips', 2, undefined],
    ]);
  });
});

describe('a card that calls screws by their heads and says the work once', () => {
  const { kit } = draft(
    [
      'WHAT’S IN THE BOX',
      'upright ........ 4',
      '3/8-16 x 1-1/4 button head, stainless ... 8',
      '5/16-18 x 3/4 hex bolt, gr 5 ... 8',
      '',
      'YOU NEED: 7/32 hex key, torque wrench to 50 ft-lb, a helper.',
      '',
      '>> Hang the clamp and run two button heads through upright and clamp, finger tight. Same at all four uprights.',
      '>> Lay the cross rails on. Two bolts each end.',
      '>> Now squeeze the clamps: button heads 22 ft-lb.',
      '>> Cross rail bolts to 16 ft-lb.',
    ].join('\n'),
  );
  it('has a station for each screw, from its own line of the list', () => {
    const told = kit.groups.map(({ stations }) => {
      const piece = kit.stations.find(({ id }) => id === stations[0])?.stack.find(({ kind }) => kind === 'hardware');
      const item = piece?.kind === 'hardware' ? kit.items.find(({ id }) => id === piece.item) : undefined;
      return [stations.length, item?.name];
    });
    expect(told).toEqual([
      [8, 'Button head 3/8-16 × 31.8'],
      [8, 'Bolt 5/16-18 × 19'],
    ]);
  });
  it('has no step of what is needed, and the wrench is no torque', () => {
    expect(kit.steps.some(({ text }) => /YOU NEED/.test(text))).toBe(false);
    expect(kit.stations.flatMap(({ specs }) => specs.map(({ printed }) => printed))).not.toContain('50 ft-lb');
  });
});

describe('chapters of a sheet', () => {
  it('are no steps, nor is the word that stands over a caution', () => {
    const { kit } = draft(
      [
        'Attention!',
        'A. Disassemble',
        ' a) Unscrew the old bar.',
        'B. Assemble',
        ' a) Hold the bar to the axle and turn the screws in by hand.',
        ' b) Tighten the screws (2 x M10) with 48 Nm.',
      ].join('\n'),
    );
    expect(kit.steps.map(({ text }) => text.slice(0, 12))).toEqual(['Unscrew the ', 'Hold the bar', 'Tighten the ']);
  });
});

describe('a numbered step over its sub-steps', () => {
  it('stays where it says what is to be done', () => {
    const { kit } = draft(
      '1. Remove the bumper\n a) Undo the six screws.\n b) Lift it off.\n2. Tighten the M8 bolts to 22 Nm.',
    );
    expect(kit.steps[0]?.text).toMatch(/^Remove the bumper/);
  });
});

describe('joints are told apart by their own words', () => {
  const titles = (text: string) => draft(text).kit.groups.map(({ title }) => title);
  it('two ends with one figure are two joints, named without what they get', () => {
    expect(
      titles(
        [
          'STEP 5 OF 9 - TRACK BAR',
          'Axle end bolt (new, 9/16-12 x 3-1/2): 125 lb-ft.',
          'Frame end: stock bolt, 125 lb-ft.',
          'The two big bolts through the receiver get 150 lb-ft.',
        ].join('\n'),
      ),
    ).toEqual(['Axle end bolt', 'Frame end: stock bolt', 'Big bolts through receiver']);
  });
  it('`step 5 of 9` counts nothing, `4 pl.` counts its places', () => {
    const { kit } = draft('STEP 6 OF 9 - SWAY BAR LINKS\nLink nuts 7/16-20, 4 pl.: 50 lb-ft.');
    expect(kit.items.map(({ quantity }) => quantity)).not.toContain(9);
    expect(kit.groups.map(({ stations }) => stations.length)).toEqual([4]);
  });
  it('what holds a wheel is known for it, and grease on it is warned of', () => {
    const { kit } = draft('1. Fit the bracket.\n2. Grease the wheel nuts and tighten them to 120 Nm.');
    expect(kit.stations.map(({ tags }) => tags)).toEqual([['wheel']]);
    expect(lintKit(kit).map(({ code }) => code)).toContain('slipperyWheel');
  });
});

describe('a table in another language', () => {
  it('has as many stations as its rows count, and no piece of its own for them', () => {
    const { kit } = draft(
      [
        'Pos | Bezeichnung        | Stk | Gewinde | Nm',
        '----+--------------------+-----+---------+-----',
        ' 2  | Sechskantschraube  |  6  | M12x35  | 110',
        ' 4  | Sechskantschraube  |  4  | M8x20   |  23',
        ' 5  | Mutter             |  2  | M10     | 46±4',
      ].join('\n'),
    );
    expect(kit.groups.map(({ stations }) => stations.length)).toEqual([6, 4, 2]);
    expect(kit.items.map(({ name }) => name)).not.toContain('Piece');
  });
});
