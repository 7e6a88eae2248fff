import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { lintKit } from '../lint/lint.ts';
import { drafted, joints } from './fixture/drafted.ts';

const listed = (text: string) => drafted(text).items.map(({ name, quantity }) => [name, quantity]);

describe('a list of pieces', () => {
  it('stands in the line of its heading, with what bears no number', () =>
    expect(
      listed(
        'Kit: flywheel, pressure plate, 8 flywheel bolts M10 x 1 x 22, 6 bolts M8 x 18, black.\n\n1 Fit the flywheel.\n2 Lower it.\n',
      ),
    ).toEqual([
      ['Flywheel', 1],
      ['Pressure plate', 1],
      ['Bolt M10 × 1 × 22', 8],
      ['Bolt M8 × 1.25 × 18', 6],
    ]));
  it('has two of what is left and right', () =>
    expect(
      listed('In the packet: recovery point left and right, four M12 x 40 bolts, two crush tubes.\n\nFit them.\n'),
    ).toContainEqual(['Recovery point left and right', 2]));
  it('stands beside one another, counted behind', () =>
    expect(
      listed(
        'CONTENTS\nCooler core (1)   Bracket set (1)   M6 x 20 bolts (4)   Rubber washers (8)   Hose 8 mm, 3 m (1)\n\n1. Mount the cooler.\n',
      ),
    ).toEqual([
      ['Cooler core', 1],
      ['Bracket set', 1],
      ['Bolt M6 × 1 × 20', 4],
      ['Rubber washers', 8],
      ['Hose 8 mm, 3 m', 1],
    ]));
  it('says its counts as `2x` behind, and a key’s number is its size', () =>
    expect(listed('Content: grid 1x, foot 2x, screw M8x35 4x, washer A8 8x, key 13.\n\n1. Put the feet in.\n')).toEqual(
      [
        ['Grid', 1],
        ['Foot', 2],
        ['Screw M8 × 1.25 × 35', 4],
        ['Washer A8', 8],
        ['Key 13', 1],
      ],
    ));
  it('is headed by fasteners and parts, each with its letter', () =>
    expect(
      listed(
        'Fasteners and parts\nA   2   carriage bolt 1/2-13 x 1.75 Gr. 5\nB   2   square hole spacer\nC   2   flange nut 1/2-13\n\n1. Fit it.\n',
      ).map(([, count]) => count),
    ).toEqual([2, 2, 2]));
});

describe('a size in millimetres without its M', () => {
  const threads = (text: string) =>
    readSheet(text).facts.flatMap(({ value }) =>
      value.kind === 'thread' ? [[value.designation, value.lengthMm]] : [],
    );
  // ISO 261: the pitches of a size.
  it.each([
    ['six nuts 10mm x 1.25', ['M10 × 1.25', undefined]],
    ['bolts 12mm-1.75 x 40mm', ['M12 × 1.75', 40]],
    ['four bolts 8 mm x 1.25 x 25', ['M8 × 1.25', 25]],
  ])('%s', (text, thread) => expect(threads(text)).toEqual([thread]));
  it.each(['a plate 10 mm x 25 mm', 'a strip 12 mm x 1.30', 'a hose 8 mm x 2 m'])('%s is none', (text) =>
    expect(threads(text)).toEqual([]),
  );
});

describe('what undoes something', () => {
  const drives = (text: string) =>
    readSheet(text).facts.flatMap(({ value }) =>
      value.kind === 'drive' && value.drive.kind === 'hex' ? [value.drive.acrossFlatsMm] : [],
    );
  it.each([
    ['Remove the carrier (three bolts, 17 mm).', [17]],
    ['Remove the link nut from the strut, 17mm, hold the stud.', [17]],
    ['Remove the upper (15mm) and lower (18mm) shock bolts.', [15, 18]],
    ['Remove the 4 bolts of the support, two each side, 18mm.', [18]],
    ['Remove the grille and trim the edge, 18 mm.', []],
  ])('%s', (text, sizes) => expect(drives(text)).toEqual(sizes));
});

const POINTS = `RECOVERY POINTS, FRONT, PAIR

In the packet: recovery point left and right, four M12 x 40 bolts grade 10.9, two M12 x 110 bolts grade 10.9, eight M12 washers, two flange nuts M12.

Remove the bash plate (six bolts, 14 mm head). Undo the tie-down hooks, two bolts each, these are not needed any more.

Put the recovery point against the chassis rail. Start two M12 x 40 bolts with washers from below. The long bolt goes through from outside with a washer under head and nut.

Torque the short bolts to 118 Nm, then the long bolt to 95 Nm. Repeat for the other side.

Refit the bash plate, 38 Nm.

After the first recovery check all bolts with the torque wrench.
`;

describe('a text without numbers', () => {
  const kit = drafted(POINTS);
  it('tells short bolts from long ones, and has as many back as came off', () =>
    expect(joints(kit)).toMatchObject([
      { title: 'Short bolts, left', stations: 2, nm: 118 },
      { title: 'Long bolt, left', stations: 1, nm: 95 },
      { title: 'Bash plate', stations: 6, nm: 38 },
      { title: 'Short bolts, right', stations: 2, nm: 118 },
      { title: 'Long bolt, right', stations: 1, nm: 95 },
    ]));
  it('puts back what it refits, and scraps what is not needed', () =>
    expect(kit.removed.map(({ name, fate }) => [name, fate])).toEqual([
      ['bash plate', 'refit'],
      ['tie-down hooks', 'scrap'],
    ]));
  it('has no step of its title', () => expect(kit.steps[0]?.text).toMatch(/^Remove the bash plate/));
  it('says after what it is checked', () => expect(kit.aftercare[0]?.event).toBe('after the first recovery'));
  it('is released without a fault', () =>
    expect(lintKit(kit).filter(({ severity }) => severity === 'error')).toEqual([]));
});

describe('two figures of one sentence', () => {
  it('are told apart by their places', () =>
    expect(
      joints(
        drafted(
          '1. Remove the upper (15mm) and lower (18mm) shock bolts.\n2. New shock in with the factory bolts: upper 68 Nm, lower 115 Nm.\n3. Lower it.\n',
        ),
      ).map(({ title }) => title),
    ).toEqual(['New shock, upper', 'New shock, lower']));
  it('have each its own size in inches', () =>
    expect(
      joints(
        drafted(
          'Hardware\n2 carriage bolts 1/2-13 x 1.75\n2 nuts 1/2-13\n4 hex bolts M12-1.75 x 40\n\n1. Start all bolts.\n2. Torque all M12 hardware to 86 Lb.Ft. Torque all 1/2" hardware to 75 Lb.Ft.\n',
        ),
      ).map(({ title, stations }) => [title, stations]),
    ).toEqual([
      ['M12 × 1.75 bolts', 4],
      ['1/2-13 bolts', 2],
    ]));
});

describe('what is said of what came off', () => {
  const kit = drafted(
    '1. Remove the two lower strut bolts (21mm). Keep the nuts and bolts.\n2. Fit the disc with the centring tool. Remove the tool.\n3. Tighten the strut bolts to 210 Nm.\n',
  );
  it('stands with it, and a tool leaves no debt', () => {
    expect(kit.steps[0]?.text).toBe('Remove the two lower strut bolts (21mm). Keep the nuts and bolts.');
    expect(kit.removed.map(({ name }) => name)).toEqual(['lower strut bolts']);
  });
});

describe('a figure between two parts of the drive', () => {
  it('is the joint’s, and not what the engine gives', () =>
    expect(
      joints(drafted('10 Install the gearbox. Gearbox to engine: M12 80 Nm, M10 43 Nm.\n11 Lower it.\n')).map(
        ({ nm }) => nm,
      ),
    ).toEqual([80, 43]));
});

const LIFT = `SUSPENSION LIFT

Torque values
Strut top nut M10            45 Nm
Lower arm cam bolt M14       165 Nm (at ride height)
Stabiliser link M12          75 Nm
U-bolt nut M14               130 Nm
Wheel nut                    125 Nm

Bag F (front): 2 strut spacers, 6 nuts M10, 4 cam bolts M14 x 110
Bag R (rear): 2 blocks 50 mm, 4 U-bolts M14, 8 nuts M14, 8 washers 14

Front
1  Mark the cams. Wheels off.
2  Link off the strut. Brake hose bracket off (10 mm).
3  Spacer on the strut, strut in with the new nuts.
4  Replace the cam bolts with those of bag F, same marks up.
5  Bracket and link on.
Rear
6  Support the axle. U-bolts off, one side at a time.
7  New U-bolts, tighten crosswise in three passes.
8  Wheels on, vehicle on the ground. Tighten the cam bolts now.
`;

describe('a table of figures by the names of joints', () => {
  const kit = drafted(LIFT);
  const pulledIn = (words: RegExp) =>
    kit.steps
      .filter(({ text }) => words.test(text))
      .flatMap(({ actions }) => actions)
      .flatMap((action) => (action.type === 'torque' ? [kit.groups.find(({ id }) => id === action.group)?.title] : []));
  it('is pulled where its joints are put together', () => {
    expect(pulledIn(/^Spacer on the strut/)).toEqual(['Strut top nut M10']);
    expect(pulledIn(/link on/)).toEqual(['Stabiliser link M12']);
    expect(pulledIn(/^New U-bolts/)).toEqual(['U-bolt nut M14']);
    expect(pulledIn(/^Wheels on/)).toEqual(['Wheel nut']);
    expect(pulledIn(/^Tighten the cam bolts/)).toEqual(['Lower arm cam bolt M14']);
    expect(kit.steps.some(({ text }) => /\d Nm/.test(text))).toBe(false);
  });
  it('leaves the nuts and washers of the U-bolts to them', () =>
    expect(joints(kit).find(({ title }) => title.startsWith('U-bolt'))).toMatchObject({
      stations: 8,
      pieces: ['washer', 'nut'],
    }));
  it('makes no step of where the work is', () =>
    expect(kit.steps.some(({ text }) => /^(?:Front|Rear)$/.test(text))).toBe(false));
});

describe('steps by letters, and settings by size at the foot', () => {
  const kit = drafted(`TOWBAR
MATERIALS
Ref  Description                 Qty
1    Crossbar                    1
2    Neck                        1
5    M10 x 35 bolt 8.8           6
8    M12 x 70 bolt 10.9          2
10   M16 x 50 bolt 8.8           2

a. Remove the crash beam by its 8 nuts (13 mm).
b. Insert the brackets. Secure with bolts (5), three a side, finger tight.
c. Refit four of the crash beam nuts on the studs, two a side.
d. Place crossbar (1) between the brackets, bolts (8).
e. Fully tighten in the order b, c, d.
f. Fix neck (2) with bolts (10).

TORQUE SETTINGS
M10 (8.8)   52 Nm
M12 (10.9)  120 Nm
M16 (8.8)   195 Nm
Crash beam nuts  22 Nm
`);
  const pulled = kit.steps.map(({ text, actions }) => [
    text.slice(0, 13),
    actions.flatMap((action) =>
      action.type === 'torque' ? [kit.groups.find(({ id }) => id === action.group)?.title] : [],
    ),
  ]);
  it('are pulled where the sheet says so, and what is fitted behind that at its own step', () =>
    expect(pulled.slice(-2)).toEqual([
      ['Fully tighten', ['M10 × 1.5 bolts', 'M12 × 1.75 bolts', 'Crash beam nuts on the studs']],
      ['Fix neck (2) ', ['M16 × 2 bolts']],
    ]));
  it('share what was counted over both sides', () =>
    expect(joints(kit).map(({ stations }) => stations)).toEqual([6, 2, 2, 4]));
});

describe('an arm that is done on both sides and pulled on the ground', () => {
  const kit = drafted(`1. Undo the ball joint nut (M10, 16 mm).
2. Undo the front arm bolt (18 mm) and the two rear bracket bolts (18 mm). Take the arm out.
3. Fit the arm. Front bolt M12 and rear bracket bolts M12 finger tight.
4. Ball joint, new nut, 45 Nm, hold with a 5 mm hex key.
5. Other side the same.
6. Car down on its wheels.
7. Front arm bolt: 70 Nm + 90°. Rear bracket bolts: 100 Nm.
`);
  it('has the bolts of both, as many as came off', () =>
    expect(joints(kit).map(({ title, stations }) => [title, stations])).toEqual([
      ['Ball joint, left', 1],
      ['Front arm bolt', 2],
      ['Rear bracket bolts', 4],
      ['Ball joint, right', 1],
    ]));
  it('is turned by what undid it, and not by what holds the other end', () =>
    expect(kit.stations[0]?.drive).toEqual({ kind: 'hex', acrossFlatsMm: 16 }));
});

describe('the bolts of the list that a paragraph speaks of', () => {
  it('are those whose word it says', () =>
    expect(
      joints(
        drafted(
          'Supplied Parts\n12 Header bolt M8-1.25 x 25\n4 Collector bolt 3/8-16 x 1-1/2\n\n[ ] Slide the header in from below. Start all bolts with a little anti-seize.\n[ ] Torque from the center out: first 10 ft-lb, then 18 ft-lb.\n[ ] Lower it.\n',
        ),
      ),
    ).toMatchObject([{ title: 'Header bolts', stations: 12, nm: 24 }]));
  it('are counted before a thread in inches', () =>
    expect(
      listed('In the box\n10 1/4-20 x 1 stainless button head screws\n2 bed rails\n\n1. Set the rails on the bed.\n'),
    ).toContainEqual([expect.stringMatching(/1\/4-20/), 10]));
});
