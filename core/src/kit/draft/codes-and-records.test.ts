import { describe, expect, it } from '@jest/globals';
import { lintKit } from '../lint/lint.ts';
import { drafted, joints } from './fixture/drafted.ts';

const OUTLINE = `FRONT GUARD, ASSEMBLY TREE                                drawing 4410 sheet 2
1 Guard assembly
  1.1 Main plate (1)
      1.1.1 Screw M8 x 20 (6)                 T1
      1.1.2 Washer 8 (6)
  1.2 Crossmember (1)
      1.2.1 Bolt M10 x 90, 10.9 (2)           T3
      1.2.2 Nut M10, prevailing torque (2)
  1.3 Side arm left (1) and right (1)
      1.3.1 Bolt M10 x 25 (2 per arm)         T2
Torque codes
T1 = 22 +/- 2 Nm
T2 = 40 +/- 4 Nm, apply medium threadlocker
T3 = 55 Nm +/- 5 Nm, turn the nut, hold the bolt
Tighten T3, then T2, T1.
`;

describe('an outline whose figures stand in codes at its foot', () => {
  const kit = drafted(OUTLINE);
  it('has each row at its code, and is called by the part above it', () =>
    expect(joints(kit)).toMatchObject([
      { title: 'Main plate bolts', stations: 6, nm: 22 },
      { title: 'Side arm left and right bolts', stations: 2, nm: 40, compound: 'threadlockerMedium' },
      { title: 'Crossmember bolts', stations: 2, nm: 55 },
    ]));
  it('tightens them in the order of the step that calls their codes', () => {
    const order = kit.steps.flatMap(({ actions }) =>
      actions.flatMap((action) => (action.type === 'torque' ? [action.group] : [])),
    );
    expect(order).toEqual([kit.groups[2]?.id, kit.groups[1]?.id, kit.groups[0]?.id]);
  });
  it('makes no steps of rows and headings', () =>
    expect(kit.steps.map(({ text }) => text)).not.toContain('Torque codes'));
});

const RECORD = `kit: rear air spring cradle
parts:
  - cradle_upper: 2
  - bolt M10x30 8.8: 8
  - flange nut M10: 8
joints:
  - name: upper cradle to chassis
    fastener: M10x30
    qty: 4 per side
    locker: medium
    torque_nm: 48
    tool: 16 mm socket
  - name: lower cradle to axle pad
    fastener: M8x25
    qty: 2 per side
    locker: none
    torque_nm: 22
    torque_ftlb: 16
`;

describe('a record as a program writes it', () => {
  const kit = drafted(RECORD);
  it('has a joint for each record, counted on both sides', () =>
    expect(joints(kit)).toMatchObject([
      { title: 'Upper cradle to chassis', stations: 8, nm: 48, compound: 'threadlockerMedium' },
      { title: 'Lower cradle to axle pad', stations: 4, nm: 22, compound: undefined },
    ]));
  it('counts behind a colon, and stops at the next part', () =>
    expect(kit.items.filter(({ source }) => source === 'kit').map(({ kind, quantity }) => [kind, quantity])).toEqual([
      ['part', 2],
      ['bolt', 8],
      ['nut', 8],
    ]));
});

const DECAL = `ALL TORQUES FT-LB UNLESS NOTED
LOC   FASTENER                 QTY  DRY   LUBED
A     1/2-13 X 1-1/2 GR 8       4   80    65
B     3/8-16 X 1 GR 5           6   30    24
D     M6 CLIP SCREW             5   80 IN-LB
USE THE LUBED COLUMN WITH THE SUPPLIED ANTI-SEIZE ON A. B GOES ON DRY.
1. HANG WING ON A STUDS, SNUG.
2. TORQUE A IN AN X. TORQUE B.
3. RECHECK A AT 100 MI.
`;

describe('a joint that no step calls', () => {
  const kit = drafted(DECAL);
  it('is tightened all the same, behind the others', () => {
    const pulls = kit.steps.flatMap(({ actions }) =>
      actions.flatMap((action) => (action.type === 'torque' ? [action.group] : [])),
    );
    expect(pulls).toEqual(kit.groups.map(({ id }) => id));
    expect(kit.steps.map(({ text }) => text)).toContain('M6 clip screw: 80 IN-LB');
  });
  it('snugs the bolts its letter calls, before anything is tightened', () =>
    expect(kit.steps.slice(0, 3).map(({ phase, actions }) => [phase, actions.map(({ type }) => type).join()])).toEqual([
      ['loose', 'apply'],
      ['loose', 'start,snug'],
      ['torque', 'torque'],
    ]));
  it('has the compound its letter is given', () =>
    expect(joints(kit).map(({ compound }) => compound)).toEqual(['antiSeize', undefined, undefined]));
  it('is released without a fault', () =>
    expect(lintKit(kit).filter(({ severity }) => severity === 'error')).toEqual([]));
});

describe('a talk round the vehicle', () => {
  const kit =
    drafted(`Right so starting front left, there's the bracket on the chassis leg, two M12 bolts. Eighty eight newton metres on both of those. Same again on the front right.
Going back, the centre hanger, that's four little ones, M8, twenty four.
Back of the sill, left and right, one big one each, M14, one hundred and thirty five.
Oh and the chassis leg ones again after the pad's on, same eighty eight.
`);
  it('counts both sides of `same again on the front right`, and `one big one each`', () =>
    expect(joints(kit).map(({ stations, nm }) => [stations, nm])).toEqual([
      [4, 88],
      [4, 24],
      [2, 135],
    ]));
  it('pulls once more what it says is done again', () =>
    expect(kit.steps.at(-1)?.actions).toEqual([{ type: 'torque', group: kit.groups[0]?.id }]));
});

describe('answers to questions', () => {
  const kit = drafted(`> Q1 what are the figures for the side plates?
The side plates go on with three M12 x 40 bolts a side, class 10.9. Tightening torque for those is 95 Nm.
> Q2 electrics bracket?
That one is held by a single M6 screw with a 10 mm head. 8 Nm is plenty.
`);
  it('has `those` for the bolts just said, and no joint called `that one`', () =>
    expect(joints(kit)).toMatchObject([
      { title: 'Side plates', stations: 6, nm: 95 },
      { title: 'M6 × 1 bolts', stations: 1, nm: 8 },
    ]));
});

describe('a joint that is only there on some vehicles', () => {
  const kit = drafted(`1. Bolt the bar to the feet, four M8 bolts, 20 Nm.
2. With a glass roof: low feet, two M6 screws, 9 Nm.
3. Cars before 2020: hanger bolts M10, 45 Nm.
`);
  it('is there then, with its own pieces, and leaves no gap elsewhere', () => {
    const [feet, roof] = kit.groups;
    expect([feet?.when, roof?.when]).toEqual([undefined, { question: expect.stringMatching(/^has-/), is: true }]);
    const station = kit.stations.find(({ id }) => id === roof?.stations[0]);
    expect(station?.specs.map(({ when }) => when)).toEqual([undefined]);
    expect(lintKit(kit).filter(({ code }) => code === 'specGap')).toHaveLength(1);
  });
  it('leaves the year itself out of `before 2020`', () =>
    expect(kit.stations.at(-1)?.specs[0]?.when).toEqual({ question: 'modelYear', atMost: 2019 }));
});

it('starts by hand what one sentence starts and tightens, in that order', () => {
  const kit = drafted(
    '1. Hang the links, four M12 nuts, hand tight, then let it down on its wheels and pull the nuts to 75 Nm.\n',
  );
  expect(kit.steps[0]?.actions.map(({ type }) => type)).toEqual(['start', 'torque']);
});
