import { describe, expect, it } from '@jest/globals';
import { draftKit } from '../kit/draft/draft-kit.ts';
import { classCharts } from './chart-by-class.ts';
import { generalRules } from './general-torque.ts';
import { readSheet } from './read-sheet.ts';
import { signsExplained } from './signs-explained.ts';
import { stepTorques } from './torques-by-step.ts';
import { writtenOut } from './written-out.ts';

const read = (text: string, kind: string) => readSheet(text).facts.filter(({ value }) => value.kind === kind);
const torques = (text: string) =>
  read(text, 'torque').map(({ value, printed }) => (value.kind === 'torque' ? [printed, value.max, value.unit] : []));
const drafted = (text: string) => {
  const reading = readSheet(text);
  return draftKit(reading, reading.facts, { id: 'paper', title: 'Paper', maker: 'Pennant Works' }).kit;
};

describe('what is written out', () => {
  const { text, inSheet, holdsWords, asPrinted } = writtenOut('six screws (M), 9 Nm', [
    { start: 11, end: 14, words: '(medium locker)' },
  ]);
  it('stands in the words of the sheet around it', () => expect(text).toBe('six screws (medium locker), 9 Nm'));
  it('is found again where its sign stands, and all else where it was', () => {
    const whole = { start: 0, end: text.length };
    expect([holdsWords(whole), holdsWords({ start: 0, end: 5 })]).toEqual([true, false]);
    expect(asPrinted(whole)).toBe('six screws (M), 9 Nm');
    expect(inSheet({ start: 12, end: 18 })).toEqual({ start: 11, end: 14 });
    const at = text.indexOf('9 Nm');
    expect(inSheet({ start: at, end: at + 4 })).toEqual({ start: 16, end: 20 });
    expect(inSheet({ start: 0, end: text.length })).toEqual({ start: 0, end: 20 });
  });
});

const SIGNED = `STEP RAIL, SHORT
4 screws M8 x 25
4 screws M6 x 16

Signs
(R)  high strength threadlocker, on a clean thread
(N)  fit dry

1. Rail to the sill with the M8 screws (R), 24 Nm.
2. Tread to the rail with the M6 screws (N), 9 Nm.
3. Wipe the rail down.
`;

describe('signs that a legend explains', () => {
  it('are what they stand for at each joint, and are found where the sign stands', () => {
    expect(read(SIGNED, 'compound').map(({ printed, value }) => [printed, value])).toEqual([
      ['threadlocker', { kind: 'compound', compound: 'threadlockerHigh' }],
    ]);
    const [fact] = read(SIGNED, 'compound');
    expect(SIGNED.slice(fact?.start, fact?.end)).toBe('(R)');
    expect(read(SIGNED, 'dry')).toHaveLength(1);
  });
  it('leave no step of their legend', () =>
    expect(readSheet(SIGNED).steps.filter(({ text }) => /threadlocker, on|^\(N\)/.test(text))).toEqual([]));
  it('reach the draft', () => {
    const kit = drafted(SIGNED);
    const [rail, tread] = kit.groups.map(({ stations: [first] }) => kit.stations.find(({ id }) => id === first));
    expect(kit.compounds.find(({ id }) => id === rail?.compound)?.kind).toBe('threadlockerHigh');
    expect(tread?.compound).toBeUndefined();
  });
  it('are none where one line alone explains, where no sign is used, or where they are letters of pieces', () => {
    expect(signsExplained('(R)  high strength threadlocker\n\nScrews (R), 24 Nm.').places).toEqual([]);
    expect(signsExplained('(R)  high strength threadlocker\n(N)  fit dry\n\n1. Wipe down.').legend).toEqual([]);
    expect(signsExplained('(A)  M8 bolt\n(B)  M8 nut\n\n1. Fit (A) and (B).').places).toEqual([]);
  });
});

const CHARTED = `SKID PLATE
4   3/8-16 x 1-1/4" Grade 8 bolt
2   M10 x 30 bolt, class 10.9
1. Fit the plate with the four 3/8" bolts. Torque per chart.
2. Fit the tail with the M10 bolts and
   torque to the values in the torque chart below.
3. Fit the skid shoes with the 7/16" bolts. Tighten per chart.

TORQUE CHART (ft-lbs)
SIZE     GRADE 5   GRADE 8
5/16       16        22
3/8        28        40
7/16       45        63

TORQUE CHART, N·m
SIZE      8.8    10.9
M8         24      34
M10        47      68
`;

describe('a chart of torques by size and class', () => {
  it('is said at the steps that send there, by the class of the list', () =>
    expect(torques(CHARTED)).toEqual([
      ['40 lbf·ft', 40, 'lbf·ft'],
      ['68 N·m', 68, 'N·m'],
    ]));
  it('says nothing of a size whose class nobody gives', () =>
    expect(read(CHARTED, 'torque').some(({ value }) => value.kind === 'torque' && value.max === 45)).toBe(false));
  it('takes the class of the step before that of the list, and the only figure of a row', () => {
    const chart = 'TORQUE CHART (ft-lbs)\nSIZE  GRADE 5  GRADE 8\n3/8     28       40\nU-BOLT 1/2        75\n';
    expect(
      torques(
        `2   3/8-16 x 1" Grade 5 bolt\n\n1. Swap in Grade 8 bolts of 3/8". Torque per chart.\n2. Pull the U-bolt nuts in steps of 30, 60 and final per chart.\n\n${chart}`,
      ),
    ).toEqual([
      ['40 lbf·ft', 40, 'lbf·ft'],
      ['75 lbf·ft', 75, 'lbf·ft'],
    ]);
  });
  it('gives every size of the list its own where all hardware is sent there', () =>
    expect(
      torques(
        'PARTS\n4   3/8-16 x 1" Grade 5 bolt\n2   5/16-18 x 1" Grade 8 bolt\n2   spacer\n\n1. Torque all hardware per chart.\n\nTORQUE CHART (ft-lbs)\nSIZE  GRADE 5  GRADE 8\n5/16    16       22\n3/8     28       40\n',
      ).map(([, figure]) => figure),
    ).toEqual([22, 28]));
  it('has its rows under the class they stand below, with gaps too', () => {
    const [chart] = classCharts(
      'Torque, lb-ft\n  SIZE        GRADE 5      GRADE 8\n  3/8                         40\n  7/16          45\n',
    );
    expect(chart?.rows.map(({ figures }) => [...figures])).toEqual([[['grade 8', 40]], [['grade 5', 45]]]);
  });
  it('is none without a unit, or with one class alone', () => {
    expect(classCharts('SIZE  GRADE 5  GRADE 8\n3/8   28  40\n')).toEqual([]);
    expect(classCharts('TORQUE (ft-lbs)\nSIZE  GRADE 5\n3/8   28\n')).toEqual([]);
  });
  it('reads a long line in no time', () => {
    const begun = performance.now();
    classCharts(`TORQUE (ft-lbs) ${'GRADE 5 3/8 28 '.repeat(20_000)}`);
    generalRules('unless stated otherwise '.repeat(20_000));
    stepTorques('torques: step 5, '.repeat(20_000));
    readSheet(`2   3/8 bolt   ${'2   nut 3/8   '.repeat(3_000)}`);
    expect(performance.now() - begun).toBeLessThan(20_000);
  });
});

const RULED = `Supplied: 2 guards, 8 bolts M8 x 25, 4 bolts M10 x 35, 12 washers.

Unless stated otherwise tighten to: M6 10 Nm, M8 24 Nm, M10 48 Nm.

1. Front guard: hold up, four M8 bolts with washers, finger tight.
2. Four M10 bolts with spacers through both guards.
3. Tighten the M8 bolts, then the M10 bolts.
4. The two M8 bolts next to the oil filter: tighten to 18 Nm only, they go into aluminium.
5. Do not tighten the M6 screws yet.
`;

describe('a rule that gives each size its torque', () => {
  it('holds where a step tightens such a size and says nothing else', () =>
    expect(torques(RULED)).toEqual([
      ['24 N·m', 24, 'N·m'],
      ['48 N·m', 48, 'N·m'],
      ['18 Nm', 18, 'N·m'],
    ]));
  it('is no joint itself; its figures are shown as another’s', () =>
    expect(read(RULED, 'torqueAside').map(({ value }) => value.kind === 'torqueAside' && value.max)).toEqual([
      10, 24, 48,
    ]));
  it('reaches the draft, with the step in its own words', () => {
    const kit = drafted(RULED);
    expect(kit.groups.slice(0, 2).map(({ stations }) => stations.length)).toEqual([8, 4]);
    expect(kit.steps.map(({ text }) => text)).toContain('Tighten the M8 bolts, then the M10 bolts.');
  });
  it('has the joints itself where no step tightens what it names', () =>
    expect(
      torques('BUMPER, TORQUE TABLE\nUnless otherwise noted: M12 90, M10 40 and M8 20 ft-lb.\nM6: 8 Nm\n').map(
        ([, figure]) => figure,
      ),
    ).toEqual([90, 40, 20, 8]));
  it('is none with one size alone, or without a unit', () => {
    expect(generalRules('Unless stated otherwise tighten to: M8 24 Nm.')).toEqual([]);
    expect(generalRules('Unless stated otherwise: M8 24, M10 48.')).toEqual([]);
  });
});

const BY_STEP = `4 M8 x 20 button head screws
4 M6 x 16 screws
2 hooks

3) Screw the hooks to the ladder, two M8 screws to a hook. Do not tighten yet.
5) Screw the lower brackets to the tailgate with the M6 screws.
7) Tighten the hooks, then look that the tailgate opens fully.

Torques: step 5, 8 Nm. Step 7, 22 Nm.
`;

describe('torques by the numbers of steps', () => {
  it('are said in their steps, whole, and are no joints of the list', () =>
    expect(torques(BY_STEP)).toEqual([
      ['8 Nm', 8, 'N·m'],
      ['22 Nm', 22, 'N·m'],
    ]));
  it('make joints of what those steps tighten', () =>
    expect(drafted(BY_STEP).groups.map(({ title, stations }) => [title, stations.length])).toEqual([
      ['Lower brackets to tailgate', 4],
      ['Hooks', 4],
    ]));
  it('may be one for two steps, and go before no figure of a step’s own', () => {
    const text =
      '1. Tighten the feet.\n2. Tighten the rail.\n3. Tighten the cap to 5 Nm.\n\nTorques: steps 1 and 2: 20 Nm, step 3: 6 Nm.\n';
    expect(torques(text).map(([, figure]) => figure)).toEqual([20, 20, 5]);
  });
  it('stay joints of their list where one of its steps is not there: none is lost', () =>
    expect(
      torques('1. Tighten the feet.\n2. Look.\n3. Go.\n\nTorques: step 1: 20 Nm, step 9: 7 Nm.\n').map(
        ([, figure]) => figure,
      ),
    ).toEqual([20, 7]));
  it('are none without a word of torque before them, or with one step alone', () => {
    expect(stepTorques('See step 5, 8 Nm and step 7, 22 Nm.')).toEqual([]);
    expect(stepTorques('Torque: step 5, 8 Nm.')).toEqual([]);
  });
});

describe('two bags beside each other', () => {
  const BAGS = `BAG 7701-1                     BAG 7701-2
2   Lift block, tapered        8   9/16" high nut
4   U-bolt 9/16"               8   9/16" hardened washer
2   Bump stop                  4   3/8-16 x 2" Grade 5 bolt
                               4   3/8-16 lock nut

1. Set the block on the pad, raise the axle and fit the U-bolts with washers and high nuts.
2. Snug the U-bolt nuts in a cross pattern, then torque in steps of 40, 80 and 110 ft-lbs.
`;
  it('are two lists, the left before the right', () =>
    expect(
      drafted(BAGS)
        .items.filter(({ source }) => source === 'kit')
        .map(({ quantity, kind }) => [quantity, kind]),
    ).toEqual([
      [2, 'part'],
      [4, 'bolt'],
      [2, 'part'],
      [8, 'nut'],
      [8, 'washer'],
      [4, 'bolt'],
      [4, 'nut'],
    ]));
  it('have the nuts of the U-bolts, twice as many, for `the U-bolt nuts`', () => {
    const kit = drafted(BAGS);
    const [group] = kit.groups;
    expect(group?.title).toBe('U-bolt nuts');
    expect(group?.stations).toHaveLength(8);
    expect(group?.stages).toHaveLength(3);
  });
  it('are rows of one table where their numbers run on, or the right one has cells of its own', () => {
    const rows =
      'Pos Part                Pcs Size      Torque\n1   U-bolt              4   M14x1.5   135 Nm\n2   Nut for 1           8   M14x1.5   135 Nm\n3   Pin                 2   M12       90 Nm\n';
    expect(torques(rows).map(([, figure]) => figure)).toEqual([135, 135, 90]);
  });
});

describe('steps with letters alone before them', () => {
  const LETTERED = `a  Take the cover off.\nb  Bar between the arms on the M8 bolts.\nc  Lock nuts 21 Nm.\nd  Cover on again.\n`;
  it('are parted and numbered by them', () =>
    expect(readSheet(LETTERED).steps.map(({ number, text }) => [number, text.slice(0, 8)])).toEqual([
      ['a', 'Take the'],
      ['b', 'Bar betw'],
      ['c', 'Lock nut'],
      ['d', 'Cover on'],
    ]));
  it('are no letters where they do not run on', () =>
    expect(readSheet('a  Take one.\na  Bolt more.\nb  Nut.\nc  Pin.\n').steps.map(({ number }) => number)).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
    ]));
});

it('counts screws that are told `to an arm` as often as the list has them', () => {
  const kit = drafted(
    'In the box\n2 arms, left and right\n6 screws M6 x 18\n1 bar\n\n1. Arms to the crash beam, three M6 screws to an arm, 9.5 Nm.\n2. Bar between the arms.\n3. Check the gap.\n',
  );
  expect(kit.groups[0]?.stations).toHaveLength(6);
});
