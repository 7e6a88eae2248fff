import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { drafted, joints } from './fixture/drafted.ts';

const torques = (text: string) =>
  readSheet(text).facts.flatMap(({ value }) => (value.kind === 'torque' ? [value] : []));
const named = (text: string) => joints(drafted(text)).map(({ title, stations }) => [title, stations]);
const specs = (text: string) => {
  const kit = drafted(text);
  return kit.groups.map(({ stations: [first] }) => kit.stations.find(({ id }) => id === first)?.specs[0]?.spec);
};

describe('a turn in several strokes', () => {
  it.each([
    ['Tighten in star order: 40 Nm, then 60 degrees, then 60 degrees more.', 120, [60, 60]],
    ['Bolts 30 Nm, then 90°, then another 90 degrees.', 180, [90, 90]],
    ['Bolts 50 Nm and 45° and 45°.', 90, [45, 45]],
    ['Plate bolts 25 Nm, then 90°, then 20 Nm for the small ones.', 90, undefined],
  ])('%s', (text, angleDeg, strokesDeg) => {
    const [first] = torques(text);
    expect([first?.angleDeg, first?.strokesDeg]).toEqual([angleDeg, strokesDeg]);
  });
  it('stands in rows of its own', () =>
    expect(torques('Stage 1: 30 Nm\nStage 2: 60 Nm\nStage 3: 60 degrees\nStage 4: 60 degrees\n')).toMatchObject([
      { max: 60, angleDeg: 120 },
    ]));
});

describe('a castle nut', () => {
  it.each([
    [
      'Tie rod end: install the castle nut, 35 ft-lb, then tighten further to align the cotter pin hole. Never back off. Do not exceed 50 ft-lb.',
    ],
    ['Castle nut 35 ft-lb, on to the next slot, do not exceed 50 ft-lb.'],
  ])('goes on to its pin: %s', (text) => expect(specs(text)).toMatchObject([{ kind: 'slot', slots: 6 }]));
  it('is a target with its limit where no pin is aligned', () =>
    expect(specs('Lock nut 35 ft-lb. Do not exceed 50 ft-lb.')).toMatchObject([{ kind: 'targetWithMaximum' }]));
});

describe('the same figure', () => {
  it('is said of another joint', () =>
    expect(torques('Damper eye 90 Nm.\nOther eye, same bolt, same figure.\n')).toHaveLength(2));
  it('is no other joint on the other side', () =>
    expect(torques('Sway links: 52 ft. lbs. Same figure on the other side.')).toHaveLength(1));
});

const HUBS = `Kit contains: 2 hub bodies, 2 outer nuts, 12 M8 x 1.25 x 30 socket head bolts.

1. Raise the front, remove the wheels and the brake calipers (2 bolts each, 17mm).
2. Remove the factory drive flange, 6 bolts per side. Bolts and flanges are not reused.
3. Pack the bearings with wheel bearing grease.
4. Adjust the bearings: tighten the inner spindle nut to 50 ft-lb.
5. Torque the outer nut to 65 ft-lb.
6. Install the hub body with a new gasket. Torque the six bolts to 20 ft-lb.
7. Reinstall the calipers, 75 ft-lb. Never back off.
8. Wheels on, lug nuts to 85 ft-lb in a star pattern (6 per wheel).
`;

describe('hubs', () => {
  const kit = drafted(HUBS);
  it('have as many of each as the list, the wheels and what came off say', () =>
    expect(named(HUBS)).toEqual([
      ['Adjust bearings: inner spindle nut', 1],
      ['Outer nut', 2],
      ['Hub body', 12],
      ['Calipers', 4],
      ['Lug nuts', 12],
    ]));
  it('keep the grease of a bearing off the nuts of a wheel', () =>
    expect(joints(kit).at(-1)?.compound).toBeUndefined());
  it('do not take off what is never backed off, and scrap what is not reused', () => {
    expect(kit.removed.map(({ name, fate }) => [name, fate])).toEqual([
      ['wheels', 'refit'],
      ['brake calipers', 'refit'],
      ['factory drive flange', 'scrap'],
    ]);
    expect(kit.steps.map(({ text }) => text)).not.toContain('Never back off.');
  });
});

describe('what is said of one part of several', () => {
  const list = 'Kit contains: 2 latches, 8 bolts M5 x 0.8 x 16.\n\n';
  it.each([
    ['is done at each, by its name in the singular', '1. Fit the latch with four bolts, 5 Nm.', 8],
    ['is not, where another part is fitted', '1. Fit the strap with four bolts, 5 Nm.', 4],
    ['is not, where some of the pieces are named', '1. Fit the latch with four of the bolts, 5 Nm.', 4],
  ])('%s', (_, step, count) => expect(named(`${list}${step}\n`).map(([, often]) => often)).toEqual([count]));
});

describe('a figure that names nothing', () => {
  const FLYWHEEL = `Parts: flywheel, 8 flywheel bolts M10x1, 6 plate bolts M7x18.

1 New flywheel over the dowel. New bolts, threads oiled, heads oiled.
2 Tighten in star order: 40 Nm, then 60 degrees.
3 Plate bolts in cross order, in two steps, 10 then 20 Nm.
`;
  it('is of what the step before put in', () =>
    expect(joints(drafted(FLYWHEEL))).toMatchObject([
      { title: 'Flywheel bolts', stations: 8 },
      { title: 'Plate bolts', stations: 6 },
    ]));
});

describe('pieces that a later sentence counts', () => {
  it('are none of an earlier joint’s', () =>
    expect(
      joints(
        drafted(
          '1. Steering coupling: M8 pinch bolt 24 Nm, new nyloc.\n2. Handbrake cable: lock the two M8 nuts against each other, 15 Nm.\n',
        ),
      ),
    ).toMatchObject([
      { title: 'Steering coupling', stations: 1 },
      { stations: 2, pieces: ['nut'] },
    ]));
});

describe('a second round', () => {
  it('is no joint of its own', () =>
    expect(
      named(
        '- First pass 30 ft-lb. Second pass 60 ft-lb. Third pass 80 ft-lb.\n- Run the engine to operating temperature, let it cool overnight, check the nuts at 80 ft-lb without loosening.\n',
      ),
    ).toHaveLength(1));
});

describe('two rims', () => {
  it('are one joint with a figure for each', () => {
    const kit = drafted('1. Wheel on adapter, steel rim 110 Nm, alloy rim 130 Nm.\n');
    expect(kit.groups).toHaveLength(1);
    expect(kit.stations[0]?.specs.map(({ spec }) => ('targetNm' in spec ? spec.targetNm : undefined))).toEqual([
      110, 130,
    ]);
  });
});
