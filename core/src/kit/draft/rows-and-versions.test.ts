import { describe, expect, it } from '@jest/globals';
import { kitFaults } from '../kit-integrity.ts';
import { drafted, joints } from './fixture/drafted.ts';

describe('a card in rows', () => {
  const kit = drafted(`HINGED SPARE CARRIER   -   quick card

spindle housing > chassis      |  4 × M12×1.25×35 10.9  |  105±5 N m   | copper grease NO
spindle nut (castellated)      |  1 × M24×2             |  60 N m then back 1/6 turn, pin |  grease bearing
latch plate > bumper           |  2 × M8                |  22 N m      | medium
gas strut ball studs           |  2 × M8                |  18 N m      | -
wheel on carrier               |  3 × M14×1.5 wheel nut |  80 N m | dry

After one week: striker and latch. Each year: grease the spindle.
Tailgate must clear the carrier by 15 mm or more all round.
`);
  it('keeps to each row its own pieces, count and compound', () => {
    expect(joints(kit).map(({ stations, pieces, compound }) => [stations, pieces, compound])).toEqual([
      [4, ['bolt'], undefined],
      [1, ['nut'], 'grease'],
      [2, ['bolt'], 'threadlockerMedium'],
      [2, ['bolt'], undefined],
      [3, ['nut'], undefined],
    ]);
  });
  it('asks who tightens how the spindle nut ends that is turned back, and is never checked to what came before', () => {
    const nut = kit.stations.find(({ id }) => id === kit.groups[1]?.stations[0]);
    expect(nut?.specs[0]?.spec).toEqual({
      kind: 'missing',
      why: 'notGiven',
      note: '60 N·m, then back off 60°: what it ends at is no torque.',
    });
  });
  it('counts bolts whose head and key are said behind their thread', () =>
    expect(kit.groups.find(({ title }) => title.startsWith('Latch plate'))?.stations).toHaveLength(2));
  it('is a kit that can be released', () => expect(kitFaults(kit)).toEqual([]));
  it('comes back after a week, and measures the gap', () => {
    expect(kit.aftercare.map(({ afterDays }) => afterDays)).toEqual([7, 365]);
    expect(kit.checks).toMatchObject([{ min: 15, unit: 'mm' }]);
  });
});

describe('a list of torques by positions', () => {
  const kit = drafted(`TORQUE LIST   ladder rack & bed rails        all N·m

pos  joint                              thread        torque
01   rail foot to bed, 6x               M8            24
02   cross bar to rail, 8x              M8            24
08   roller bracket, 2 per roller       M8            22
09   light bar                          M6            6
`);
  it('makes a joint of each row, however alike, with the count of its own row', () => {
    expect(joints(kit).map(({ title, stations, nm }) => [title, stations, nm])).toEqual([
      ['Rail foot to bed', 6, 24],
      ['Cross bar to rail', 8, 24],
      ['Roller bracket', 1, 22],
      ['Light bar', 1, 6],
    ]);
  });
  it('has no step of the heading', () => {
    expect(kit.steps.map(({ text }) => text).filter((text) => /^pos\b/.test(text))).toEqual([]);
  });
});

describe('keys of a drawing', () => {
  const kit = drafted(`FIG. 4   SWING ARM AXLE, exploded view

 1  Axle bolt M16x1.5x210 (1)      T1
 6  Pinch bolt M8x30 (2)           T2
 8  Cover screw M5x12 (4)          T4

Torques:  T1 = 140 N·m   T2 = 25 N·m   T4 = 4 N·m
`);
  it('give each figure the row that bears its key', () => {
    expect(joints(kit).map(({ stations, nm }) => [stations, nm])).toEqual([
      [1, 140],
      [2, 25],
      [4, 4],
    ]);
  });
});

describe('several versions in one sheet', () => {
  const kit = drafted(`BRACKET SET FOR STEPS - three versions, pick yours

VERSION S (short wheelbase)
2 brackets per side. Bracket to sill: 2 x M8, 22 Nm.

VERSION L (long wheelbase)
3 brackets per side. Bracket to sill: 2 x M8, 22 Nm. Bracket to chassis: 1 x M10, 45 Nm.

ALL VERSIONS
Step tube to brackets: 2 x M8 button head, 18 Nm.
`);
  it('are asked as what was bought, with the sheet’s own words', () => {
    expect(kit.questions).toMatchObject([
      {
        kind: 'choice',
        bought: 'part',
        choices: [
          { value: 'S', label: 'S, short wheelbase' },
          { value: 'L', label: 'L, long wheelbase' },
        ],
      },
    ]);
  });
  it('have joints and steps of their own, counted at each bracket; what is of all has no condition', () => {
    expect(
      kit.groups.map(({ title, stations, when }) => [title, stations.length, when && 'is' in when && when.is]),
    ).toEqual([
      ['Bracket to sill, version S', 8, 'S'],
      ['Bracket to sill, version L', 12, 'L'],
      ['Bracket to chassis, version L', 6, 'L'],
      ['Step tube to brackets', 2, undefined],
    ]);
    expect(kit.steps.map(({ when }) => when && 'is' in when && when.is)).toEqual(['S', 'L', 'L', undefined]);
  });
});

describe('wheels that are counted by the wheel', () => {
  const kit = drafted(`Front wheels off.
Bracket on the strut with two M6 screws each side, 9.5 Nm.
They are stainless, a dab of anti-seize.
Old copper washers go in the bin.
Wheels on, 5 nuts each, 120 Nm crosswise, and 120 again after 50 km.
`);
  it('have their nuts on each wheel that came off, now and again later', () => {
    expect(joints(kit).map(({ stations, nm, compound }) => [stations, nm, compound])).toEqual([
      [4, 10, 'antiSeize'],
      [10, 120, undefined],
    ]);
    expect(kit.steps.at(-1)?.actions.map(({ type }) => type)).toContain('torque');
    expect(kit.aftercare.map(({ afterKm }) => afterKm)).toEqual([50]);
  });
  it('and what goes in the bin is scrap', () => {
    expect(kit.removed.map(({ name, fate }) => [name, fate])).toContainEqual(['Old copper washers', 'scrap']);
  });
});

describe('a matrix of vehicles', () => {
  const kit = drafted(
    'TIGHTENING (N·m)      Elm 20    Elm 30\nCross member nuts     65        90\nDrop bracket          110       -\n',
  );
  it('asks once which vehicle it is, and gives each joint the figure of each', () => {
    expect(kit.questions.map(({ id, choices }) => [id, choices?.map(({ label }) => label)])).toEqual([
      ['model', ['Elm 20', 'Elm 30']],
    ]);
    const [nuts, bracket] = kit.stations;
    expect(nuts?.specs.map(({ spec, when }) => [spec, when])).toEqual([
      [
        { kind: 'torque', targetNm: 65 },
        { question: 'model', is: 'elm-20' },
      ],
      [
        { kind: 'torque', targetNm: 90 },
        { question: 'model', is: 'elm-30' },
      ],
    ]);
    expect(bracket?.specs).toHaveLength(1);
  });
});
