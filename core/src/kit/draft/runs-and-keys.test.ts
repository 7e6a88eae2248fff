import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { drafted, joints } from './fixture/drafted.ts';

const LADDER = `LOWMOOR FABRICATION
Rear ladder for the Carrick - how we fit it here

What comes in the carton
------------------------
* ladder (1)
* upper hooks, left and right
* lower brackets x 2
* M8x25 button heads, A2-70, ten of them
* M8 flange nuts, ten
* two M6x50 through bolts with nylocs and four washers
* rubber pads - 4

Doing it
--------
Step one. Hooks over the gutter, pads between hook and paint. Don't tighten.
Step two. Ladder to the hooks: 4 of the M8 button heads, 5mm hex key, nut inside. Finger tight.
Step three. Lower brackets to the door skin, three M8 each side. Medium threadlock on these, not on the hook ones.
Step four. Through bolts (M6) join ladder and lower brackets. Nylocs so no threadlock.
Step five. Torques, top to bottom: hooks 18 Nm, brackets 20 Nm, through bolts 9 Nm.
`;

const SKID = `INSTALLATION INSTRUCTION No. 114  REV C            PENNANT WORKS
PRODUCT: Transmission cross-member skid, long wheelbase

HARDWARE KEY
 A  (6)  7/16-14 x 1-1/4 Gr 8 hex bolt w/ washer
 B  (2)  3/8-16 U-nut
 C  (2)  3/8-16 x 1 Gr 5 bolt
 D  (1)  spacer, 1/2 thick

1.0  Support transmission with a jack stand and wood block.
2.0  Clean the threads with a 7/16 tap. Blow out.
3.0  Lift skid. Start all six A. Anti-seize on A.
4.0  Clip U-nuts B to skid tabs, start C through the tabs, leave loose.
5.0  TORQUE: A 52 ft-lb (dry 65 ft-lb - do not use dry value with anti-seize)
             C 28 ft-lb
6.0  Remove stand. Road test 5 miles. RE-TORQUE A hot? NO - let cool 1 hr, then 52 ft-lb again.
`;

describe('figures in a run, each behind the part it is for', () => {
  const kit = drafted(LADDER);
  it('makes a joint of each, with the bolts its own step names', () => {
    expect(joints(kit)).toMatchObject([
      { title: 'Hooks', stations: 4, nm: 18, compound: undefined },
      { title: 'Brackets', stations: 6, nm: 20, compound: 'threadlockerMedium' },
      { title: 'Through bolts', stations: 2, nm: 9, compound: undefined },
    ]);
    const threads = kit.groups.map((group) => {
      const station = kit.stations.find(({ id }) => id === group.stations[0]);
      const ids = (station?.stack ?? []).flatMap((piece) => (piece.kind === 'hardware' ? [piece.item] : []));
      return kit.items.find((item) => item.kind === 'bolt' && ids.includes(item.id))?.thread;
    });
    expect(threads).toEqual(['M8 x 1.25', 'M8 x 1.25', 'M6 x 1']);
  });
  it('turns a button head by its key, 5 mm for M8 (ISO 7380-1)', () => {
    const bracket = kit.stations.find(({ id }) => id === kit.groups[1]?.stations[0]);
    expect(bracket?.drive).toEqual({ kind: 'hexKey', acrossFlatsMm: 5 });
  });
  it('keeps the list past a line that counts nothing, and counts in words behind a comma', () => {
    expect(kit.items.filter(({ source }) => source === 'kit').map(({ kind, quantity }) => [kind, quantity])).toEqual([
      ['part', 1],
      ['part', 2],
      ['bolt', 10],
      ['nut', 10],
      ['bolt', 2],
      ['nut', 2],
      ['washer', 4],
      ['part', 4],
    ]);
  });
});

describe('a key of letters, and figures that are not to be used', () => {
  const kit = drafted(SKID);
  it('tightens each letter once, to its own figure', () => {
    expect(joints(kit)).toMatchObject([
      { stations: 6, nm: 71, compound: 'antiSeize' },
      { stations: 2, nm: 38, compound: undefined },
    ]);
  });
  it('takes a bolt with its washer for a bolt', () => {
    expect(kit.items.slice(0, 3).map(({ kind, quantity }) => [kind, quantity])).toEqual([
      ['bolt', 6],
      ['washer', 6],
      ['nut', 2],
    ]);
  });
  it('asks nothing that the sheet answers itself', () => {
    expect(kit.questions ?? []).toEqual([]);
  });
  it('takes nothing off where a hole is blown out', () => {
    expect(kit.removed.filter(({ name }) => /blow/i.test(name))).toEqual([]);
  });
});

describe('the part a figure plays', () => {
  const roles = (text: string) =>
    readSheet(text).facts.flatMap(({ value, printed }) =>
      value.kind === 'torque'
        ? [`${printed} target`]
        : value.kind === 'torqueAside'
          ? [`${printed} ${value.role}`]
          : [],
    );
  it.each([
    [
      '1. M8 bolts 20 Nm (dry 25 Nm - do not use the dry value), M6 bolts 9 Nm.',
      ['20 Nm target', '25 Nm superseded', '9 Nm target'],
    ],
    ['1. M8 bolts 20 Nm - do not use an impact wrench.', ['20 Nm target']],
    ['1. M8 bolts 20 Nm.\n2. Drive it. Let it cool and 20 Nm again.', ['20 Nm target', '20 Nm other']],
    ['1. Left M8 bolts 20 Nm.\n2. Right M8 bolts 20 Nm again.', ['20 Nm target', '20 Nm target']],
  ])('%j', (text, expected) => expect(roles(text)).toEqual(expected));
});

it('gives earlier and later models the years that are left', () => {
  const years = (text: string) =>
    readSheet(text).facts.flatMap(({ value }) => (value.kind === 'condition' ? [[value.from, value.to]] : []));
  expect(years('1. Spacer on the stud. 2018+ models only; earlier models go without.')).toEqual([
    [2018, undefined],
    [undefined, 2017],
  ]);
  expect(years('1. Cars up to 2016 take the long bolt. Newer models take the short one.')).toEqual([
    [undefined, 2016],
    [2017, undefined],
  ]);
});

const STAGED = `Fitting sheet 31-B - Bull bar brackets - Hatch & Vane

YOU GET: bracket pair, 8 off M12x40 (10.9), 8 off M12 flange nuts, 4 off M10x30 (8.8) + washers, shim pack (0.5, 1, 2 mm).

TIGHTENING TABLE
 where                      bolt      step 1     step 2      notes
 chassis face (outer row)   M12       50 Nm      110 Nm      thread locker, medium
 chassis face (inner row)   M12       50 Nm      110 Nm      thread locker, medium
 bracket to tow loop        M10       -          46 Nm       dry

PROCEDURE
(i)   brackets on the chassis ends, all M12 by hand.
(ii)  then the M10s by hand.
(iii) tighten per table. chassis first.
`;

describe('a table with a column for each stage', () => {
  const kit = drafted(STAGED);
  it('pulls each row through its stages, and makes no joint of a stage', () => {
    expect(kit.groups.map(({ title, stages }) => ({ title, stages }))).toEqual([
      { title: 'Chassis face', stages: [0.455, 1] },
      { title: 'Chassis face, inner row', stages: [0.455, 1] },
      { title: 'Bracket to tow loop', stages: undefined },
    ]);
    expect(joints(kit).map(({ nm }) => nm)).toEqual([110, 110, 46]);
  });
  it('counts a pair, sizes alone, and what stands behind a plus', () => {
    expect(kit.items.slice(0, 5).map(({ kind, quantity, thread }) => [kind, quantity, thread])).toEqual([
      ['part', 2, undefined],
      ['bolt', 8, 'M12 x 1.75'],
      ['nut', 8, 'M12 x 1.75'],
      ['bolt', 4, 'M10 x 1.5'],
      ['washer', 4, undefined],
    ]);
  });
  it.each([
    ['Joint        1st pass   2nd pass\nrail M10     20 Nm      45 Nm', [[20, 45]]],
    ['Joint        pre-torque   final\nrail M10     20 Nm        45 Nm', [[20, 45]]],
    ['Joint        stage 1  stage 2  stage 3\nrail M10     20 Nm    40 Nm    60 Nm', [[20, 40, 60]]],
    ['Joint        front    rear\nrail M10     20 Nm    45 Nm', [[20], [45]]],
  ])('%j', (table, expected) => {
    const read = readSheet(`${table}\n`).facts.flatMap(({ value }) =>
      value.kind === 'torque'
        ? [value.stages?.flatMap((stage) => ('torqueNm' in stage ? [stage.torqueNm] : [])) ?? [value.maxNm]]
        : [],
    );
    expect(read).toEqual(expected);
  });
});

const TABLES = `FITTING TIMES & TORQUES - PENNANT RECOVERY HITCH

Fasteners
| Ref | Description             | Qty | Size            | Grade |
|-----|-------------------------|-----|-----------------|-------|
| F1  | Hex bolt, hitch to beam | 4   | 9/16-12 x 2     | 8     |
| F2  | Lock nut                | 4   | 9/16-12         | G     |
| F3  | Hardened washer         | 8   | 9/16            | -     |

Sequence
| # | Do                                              | With        | Value            |
|---|--------------------------------------------------|-------------|------------------|
| 1 | Drop the spare wheel                             | -           | -                |
| 2 | Hitch on the beam, F1 through from the front     | by hand     | -                |
| 3 | F2 with F3 under both faces                      | 7/8 socket  | 110 lb-ft        |
| 4 | Spare wheel up                                   | -           | -                |
`;

describe('tables with bars and rules', () => {
  const kit = drafted(TABLES);
  it('counts by the column that its heading calls so', () => {
    expect(kit.items.slice(0, 3).map(({ kind, quantity }) => [kind, quantity])).toEqual([
      ['bolt', 4],
      ['nut', 4],
      ['washer', 8],
    ]);
  });
  it('makes a step of each row, with its number, and none of rules and headings', () => {
    expect(kit.steps.map(({ number, text }) => [number, text])).toEqual([
      ['1', 'Drop the spare wheel'],
      ['2', 'Hitch on the beam, F1 through from the front, by hand'],
      ['3', 'F2 with F3 under both faces, 7/8 socket, 110 lb-ft'],
      ['4', 'Spare wheel up'],
    ]);
  });
  it('knows the pieces by their references', () => {
    expect(joints(kit)).toMatchObject([{ stations: 4, nm: 149 }]);
    // Bolt, a washer under either face, lock nut.
    expect(kit.stations[0]?.stack.filter(({ kind }) => kind === 'hardware')).toHaveLength(4);
  });
});

it('gives a size whose pitch stands on the list that pitch, whichever sentence says it', () => {
  const kit = drafted(`Contents
  3 legs
  6 hex bolts M10 x 1.25 x 45
1. Rail to the legs, two M10 to each leg, by hand.
2. Rail bolts 65 Nm.
`);
  expect(kit.items.filter(({ kind }) => kind === 'bolt').map(({ thread, quantity }) => [thread, quantity])).toEqual([
    ['M10 x 1.25', 6],
  ]);
});

it('doubles a list that is told per side, and keeps size and class behind commas with their piece', () => {
  const kit = drafted(`Rock rail set, left and right

Items per side
  1 rail
  3 legs
  6 hex bolts, M10 x 1.25 x 45, 10.9
  6 flat washers

Per side the same:
  a) Rail to the legs, two M10 to a leg, hand tight.
  b) M10s: 65 Nm. Copper paste on the threads or they seize.
`);
  expect(kit.items.map(({ kind, quantity, thread }) => [kind, quantity, thread])).toEqual([
    ['part', 2, undefined],
    ['part', 6, undefined],
    ['bolt', 12, 'M10 x 1.25'],
    ['washer', 12, undefined],
  ]);
  expect(joints(kit)).toMatchObject([{ stations: 12, nm: 65, compound: 'antiSeize' }]);
});
