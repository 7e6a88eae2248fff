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

Remove the bash plate (six bolts, 14 mm head).

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
  it('has no step of its title', () => expect(kit.steps[0]?.text).toMatch(/^Remove the bash plate/));
  it('says after what it is checked', () => expect(kit.aftercare[0]?.event).toBe('After the first recovery'));
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
