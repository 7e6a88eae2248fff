import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { drafted, joints } from './fixture/drafted.ts';

const steps = (text: string) => drafted(text).steps.map((step) => step.text);
const cautions = (text: string) => drafted(text).cautions.map((caution) => caution.text);
const named = (text: string) => joints(drafted(text)).map(({ title, stations, nm }) => [title, stations, nm]);
const torques = (text: string) =>
  readSheet(text).facts.flatMap(({ value }) => (value.kind === 'torque' ? [[value.min, value.max, value.unit]] : []));
const counts = (text: string) =>
  readSheet(text).facts.flatMap(({ value }) => (value.kind === 'count' ? [[value.count, value.noun]] : []));

describe('figures in square brackets, their unit said once for all', () => {
  const captions = (line: string) => torques(`OIL COOLER KIT                 (all torques in Nm)\n\n${line}\n`);
  it.each([
    ['Fig. 1  Brackets on the frame. 4 x M6x16. [10]', [[10, 10, 'N·m']]],
    ['Fig. 1  Hose ends on the plate. [25-28]', [[25, 28, 'N·m']]],
    ['Fig. 1  Cooler on brackets. 4 x M6 nuts. [6, rubber must not bulge]', [[6, 6, 'N·m']]],
    ['Fig. 1  Crossbar. [120]', [[120, 120, 'N·m']]],
    // A piece of the drawing, and no figure.
    ['Secure the bracket with nuts (4).', []],
  ])('%s', (line, found) => expect(captions(line)).toEqual(found));
});

describe('figures that are told', () => {
  it.each([
    ['Bay 2 had used 18 Nm on the left, to be done again.', []],
    ['Engineer asked for 24 Nm.', [[24, 24, 'N·m']]],
    ['Instruction sheet issue 2 to show 24 Nm.', []],
    ['The original instruction asked for 75 Nm.', []],
    ['nuts inside ten newton metres each no sorry twelve newton metres', [[12, 12, 'N·m']]],
    [
      'tighten rails last, 5/8s got 150 ft-lbs and the 1/2s got 75',
      [
        [150, 150, 'lbf·ft'],
        [75, 75, 'lbf·ft'],
      ],
    ],
    // What was measured is no target.
    ['The wrench got 43 Nm off the old bolt.', []],
  ])('%s', (text, found) => expect(torques(text)).toEqual(found));
});

describe('lists of a scan and with crosses', () => {
  it('counts behind a class and a length', () =>
    expect(
      drafted(`In the box
Recovery point L/H x 1
Bolt M12 x 1.25 x 40 cl 10.9 x 4
Bolt M14 x 100 cl 10.9 x 2
Washer M12 HD x 4
Crush tube x 2

A. Fit the recovery point.
`).items.map(({ name, quantity }) => [name, quantity]),
    ).toEqual([
      ['Recovery point L/H', 1],
      ['Bolt M12 × 1.25 × 40', 4],
      ['Bolt M14 × 2 × 100', 2],
      ['Washer M12', 4],
      ['Crush tube', 2],
    ]));
  it('reads letters as figures where the other rows have figures', () =>
    expect(
      counts(`PARTS              No. off
A  Guard plate        l
B  Front bracket      1
C  Rear bracket       1
D  M1O x 3O set screw 6
E  M10 nyloc nut      4
F  M10 plain washer  1O
`),
    ).toEqual([
      [1, 'plate'],
      [1, 'bracket'],
      [1, 'bracket'],
      [6, 'screw'],
      [4, 'nut'],
      [10, 'washer'],
    ]));
  it('leaves letters alone where nothing else is counted', () =>
    expect(counts('Parts to hand\nGuard plate        l\nBracket\n')).toEqual([]));
});

describe('a washer', () => {
  it('lies under a bolt of any pitch of its size', () =>
    expect(
      joints(
        drafted(
          'Kit: 4 bolts M12 x 1.25 x 40, 4 washers M12.\n\n1. Tighten the four M12 bolts with washers to 105 Nm.\n',
        ),
      ),
    ).toMatchObject([{ stations: 4, pieces: ['bolt', 'washer'] }]));
});

const BARS = `Next put the axle bracket over the spring pack. U-bolts are tightened in a cross pattern a little at a time until all four reach 110 ft. lbs.

Hang the bar between the brackets with one 5/8-11 x 4-1/2" bolt, two washers and a lock nut at each end. With the weight of the truck on its wheels tighten these to 150 ft. lbs.

Repeat on the other side.
`;

describe('paragraphs', () => {
  it('are pulled by what their sentences begin with, and by what stood before', () =>
    expect(joints(drafted(BARS)).map(({ title, stations }) => [title, stations])).toEqual([
      ['U-bolts, left', 4],
      ['Bar between brackets, left', 2],
      ['U-bolts, right', 4],
      ['Bar between brackets, right', 2],
    ]));
  it('names no case and no weight', () =>
    expect(named('In both cases tighten the frame bracket bolts to 90 Nm.')[0]?.[0]).toBe('Frame bracket bolts'));
});

describe('pieces called by their work', () => {
  const BASKET = `HARDWARE
T-bolt, 5/16-18 x 1-3/4" ........ 8
1/4-20 x 1" button head bolt .... 12
1/4-20 nylon lock nut ........... 12

1. Join the halves of the basket with six button head bolts and lock nuts. Do not fully tighten.
2. Attach the fairing to the tube with four button head bolts and lock nuts. The two that are left over are spares.
3. Snug the six joining bolts, then torque them to 65 in-lb. Torque the fairing bolts to 50 in-lb.
4. Slide a T-bolt up through a clamp plate at each location.
`;
  const kit = drafted(BASKET);
  it('are those that were counted where it was done', () =>
    expect(joints(kit)).toMatchObject([
      { title: 'Joining bolts', stations: 6, pieces: ['bolt', 'nut'] },
      { title: 'Fairing bolts', stations: 4, pieces: ['bolt', 'nut'] },
    ]));
  it('keeps the shape of a bolt in its name', () => expect(kit.items[0]?.name).toBe('T-bolt 5/16-18 × 44.4'));
  it('says spares with the step before', () =>
    expect(steps(BASKET)[2]).toBe(
      'Attach the fairing to the tube with four button head bolts and lock nuts. The two that are left over are spares.',
    ));
});

describe('what is said and not done', () => {
  const POINTS = `A. Take off the factory tie-down hooks (2 bolts each). Hooks and bolts go back to the customer.
WARNING: HOOKS ARE NOT FOR RECOVERY.
B. Remove the bump stops. These are not used again.
C. High strength threadlocker on the M12 bolts. Not on the M14.
   Torque: M12 105 Nm
   Torque: M14 170 Nm
`;
  const kit = drafted(POINTS);
  it('is a caution, or what becomes of it', () => {
    expect(cautions(POINTS)).toContain('WARNING: HOOKS ARE NOT FOR RECOVERY.');
    expect(kit.removed.map(({ fate }) => fate)).toEqual(['keep', 'scrap']);
    expect(steps(POINTS)).not.toContain('These are not used again.');
  });
  it('leaves a thread dry that it names', () =>
    expect(joints(kit)).toMatchObject([{ compound: 'threadlockerHigh' }, { compound: undefined }]));
  it('still asks for two persons, and for what must be done', () =>
    expect(
      steps('1. Fit it.\nWARNING: Guard weighs 96 lb. Two persons.\nATTENTION: the sensors must be carried over.\n'),
    ).toEqual(expect.arrayContaining(['ATTENTION: the sensors must be carried over.'])));
});

describe('a work order', () => {
  const ORDER = `VEHICLE  SARN MERLE 1.6T 2021     KIT  BIG BRAKE BRACKETS FRONT

LINE  CODE   DESCRIPTION                                HRS   SPEC
010   R&R    WHEELS FRONT                               0.2   LUG BOLTS 120NM
020   R&I    CALIPER, 2 BOLTS PER SIDE                  0.4
040   INST   BRACKET TO KNUCKLE M12X1.5X30, 2 PER SIDE  0.5   115NM  RED
060   INST   BANJO BOLT, NEW WASHERS BOTH FACES         0.3   30NM

OFFICE NOTE: BRACKET BOLTS ARE ONE USE. RED/BLUE = HIGH/MEDIUM THREADLOCK.
`;
  it('is named by what its rows describe, and not by their codes', () =>
    expect(named(ORDER)).toEqual([
      ['Lug bolts', 1, 120],
      ['Bracket to knuckle', 4, 115],
      ['Banjo bolt', 1, 30],
    ]));
  it('has its rows for steps, and not its heading', () => {
    const texts = steps(ORDER);
    expect(texts).toHaveLength(4);
    expect(texts[1]).toContain('CALIPER, 2 BOLTS PER SIDE');
  });
  it('minds what its office notes', () => expect(cautions(ORDER)).toEqual(['OFFICE NOTE: BRACKET BOLTS ARE ONE USE.']));
});

describe('a table of operations', () => {
  const LIFT = `Op | Work                                    | Tool  | Nm | Remark
10 | Undo strut top nuts, 3 per side         | 13 mm | -  | keep
20 | Undo drop link at strut                 | 16 mm | -  |
30 | Strut in, top nuts M8                   | 13 mm | 25 | kept nuts
40 | Drop link                               | 16 mm | 55 |
`;
  const kit = drafted(LIFT);
  it('takes off what a cell undoes, and puts back what it pulls', () => {
    expect(kit.removed.map(({ name, count, fate }) => [name, count, fate])).toEqual([
      ['strut top nuts', 6, 'keep'],
      ['drop link', 1, 'refit'],
    ]);
    expect(kit.steps.map(({ phase }) => phase)).toEqual(['strip', 'strip', 'torque', 'torque']);
  });
  it('pulls as many as came off', () => expect(joints(kit)).toMatchObject([{ stations: 6 }, { title: 'Drop link' }]));
});

describe('answers by their number', () => {
  const FAX = `Q1 THE BOLTS IN THE BAG ARE LONGER THAN ON THE DRAWING.
A1 CORRECT. M12X40 REPLACES M12X35, FOUR OFF. TORQUE AS BEFORE, 83 NM.

Q2 CLAMP BOLT M8X50?
A2 ONE PER CLAMP, TWO CLAMPS, 22 NM.
`;
  it('have the size that was asked about', () =>
    expect(drafted(FAX).stations.map(({ stack, specs }) => [stack.length > 0, specs.length])).toHaveLength(6));
  it('are done, and what was asked is not', () =>
    expect(steps(FAX)).toEqual(['TORQUE AS BEFORE, 83 NM.', 'ONE PER CLAMP, TWO CLAMPS, 22 NM.']));
});

describe('a translation', () => {
  const BAR = `Composition of the kit: n. 2 tie rods, n. 4 screws M8x30, n. 4 nuts M10 self-locking.

Lift the vehicle at the rear and take away the wheels.
Lock the screws of the supports with couple of 2,5 daNm.
Wheels: couple 11 daNm.
`;
  const kit = drafted(BAR);
  it('ties nothing with its rods', () => expect(kit.items[0]).toMatchObject({ name: 'Tie rods', kind: 'part' }));
  it('calls joints by their name alone', () =>
    expect(joints(kit)).toMatchObject([{ title: 'Screws of supports' }, { title: 'Wheels', nm: 110 }]));
  it('puts the wheels back', () =>
    expect(kit.steps.at(-1)?.actions.map(({ type }) => type)).toEqual(['refit', 'start', 'torque']));
  it('is sure of its couples', () =>
    expect(
      readSheet(BAR)
        .facts.filter(({ value }) => value.kind === 'torque')
        .map(({ confidence }) => confidence),
    ).toEqual([1, 1]));
});

describe('sizes in a sentence', () => {
  it('have no pitch and are still told apart', () =>
    expect(
      named(
        'Each crossrail has four 1/2 carriage bolts through the frame.\nCenter to rails is four 5/8 bolts.\nTighten rails last. 5/8s get 150 ft-lbs and the 1/2s get 75 ft-lbs.\n',
      ),
    ).toEqual([
      ['5/8" bolts', 4, 203],
      ['1/2" bolts', 4, 102],
    ]));
});

describe('a table by vehicles', () => {
  const GUARD = `Torques in Nm
Joint                       Tussock   Carrick
a  front edge to cradle        45        60
b  middle to gearbox beam      45        60
c  rear edge to cross member   24        45

Number: a 4, b 2, c 4.

1. Guard up with a jack, all bolts in by hand.
2. Tighten a, then c, then b.
`;
  const kit = drafted(GUARD);
  it('has as many as its letters count, without their letters', () =>
    expect(joints(kit).map(({ title, stations }) => [title, stations])).toEqual([
      ['Front edge to cradle', 4],
      ['Middle to gearbox beam', 2],
      ['Rear edge to cross member', 4],
    ]));
  it('is pulled where its letters are called, in their order', () => {
    const [pulled] = kit.steps.filter(({ actions }) => actions.some(({ type }) => type === 'torque'));
    const order = pulled?.actions.flatMap((action) => (action.type === 'torque' ? [action.group] : []));
    expect(order).toEqual([kit.groups[0]?.id, kit.groups[2]?.id, kit.groups[1]?.id]);
  });
});

describe('an old booklet', () => {
  const BOOKLET = `PREPARATION. The vehicle should stand on level ground. It is not necessary to jack it up.

THE FRAME BRACKET. The two nuts which hold the bump rubber are taken off and the bracket placed over the studs. The nuts are put back and drawn up to 28 lb. ft.

THE BAR. The two pins are 1/2 in. U.N.F. by 3 in. and their nuts are tightened to 55 lb. ft. with two persons sitting in the back.
`;
  const kit = drafted(BOOKLET);
  it('calls joints by the heads of its paragraphs, which nobody does', () => {
    expect(joints(kit).map(({ title }) => title)).toEqual(['Frame bracket nuts', 'Bar nuts']);
    expect(steps(BOOKLET)).not.toContain('THE BAR.');
  });
  it('takes off and puts back in the passive, and lifts nothing that need not be', () => {
    const types = kit.steps.flatMap(({ actions }) => actions.map(({ type }) => type));
    expect(types).toEqual(expect.arrayContaining(['remove', 'refit']));
    expect(types).not.toContain('lift');
  });
});

describe('a bulletin', () => {
  const BULLETIN = `CONDITION: Some customers may hear a knock.
CORRECTION: Replace all 10 ring gear bolts (one-time-use) as follows.

1. Remove the cover (10 bolts, 13 mm).
2. Tighten in a star pattern in three passes.

   PASS     SPEC
   1        30 N.m (22 lb ft)
   2        60 N.m (44 lb ft)
   3        +75 degrees

LABOR: 2.4 hr.
`;
  it('pulls what is replaced in one step with its passes', () => {
    expect(named(BULLETIN)[0]?.slice(0, 2)).toEqual(['Ring gear bolts', 10]);
    expect(steps(BULLETIN)).toEqual([
      'CORRECTION: Replace all 10 ring gear bolts (one-time-use) as follows.',
      'Remove the cover (10 bolts, 13 mm).',
      'Tighten in a star pattern in three passes. 1 30 N.m (22 lb ft) 2 60 N.m (44 lb ft) 3 +75 degrees',
    ]);
  });
});

describe('pages of a program', () => {
  const PAGES = `1  Pull the twelve rubber grommets from the sill. They are not needed again.
Lowmoor Fabrication Ltd                   Sheet
                                                            2
2  Fit the brackets. A second person is a big help.
Lowmoor Fabrication Ltd                   Sheet
3  Tighten the M8 to 22 Nm.
`;
  const kit = drafted(PAGES);
  it('are not done', () => expect(kit.steps.map(({ number }) => number)).toEqual(['1', '2', '3']));
  it('take off what is pulled out of its place, for good', () =>
    expect(kit.removed).toMatchObject([{ name: 'rubber grommets', fate: 'scrap' }]));
  it('ask for a second person where the work is', () => expect(kit.steps[1]).toMatchObject({ people: 2 }));
});
