import { describe, expect, it } from '@jest/globals';
import { lintKit } from '../lint/lint.ts';
import { drafted, joints } from './fixture/drafted.ts';
import { tidyTitle } from './joint-title.ts';

describe('a joint that is named before its figure', () => {
  const ladder = drafted(`You need
  8 hex screws M8 x 25
  8 wide washers
Method
Offer up the left foot, washer under every head, four screws in by hand, a dab of anti-seize on each. Do the same on the right.
When the ladder lies level, bring the screws up to 14, then to 22 Nm.
`);
  it('is found by its kind alone, with its count on both sides, its stage and its compound', () => {
    expect(joints(ladder)).toEqual([
      { title: 'Foot', stations: 8, nm: 22, pieces: ['bolt', 'washer'], compound: 'antiSeize' },
    ]);
    expect(ladder.groups[0]?.stages).toEqual([0.636, 1]);
  });
  it('leaves the headings out of the work', () =>
    expect(ladder.steps.map(({ text }) => text.split(' ')[0])).toEqual(['Offer', 'Do', 'When']));

  it('is what `them` points at, past a sentence that counts nothing', () =>
    expect(
      joints(
        drafted(`The frame hangs on six bolts of half-inch UNF. Put a plain washer under the head.
Pull them evenly to 70 Nm.
`),
      ),
    ).toMatchObject([{ title: '1/2-20 bolts', stations: 6, nm: 70 }]));

  it('has two stages where one goes round and another follows', () => {
    const kit = drafted(`0:00  Count: 6 legs, 12 M8x20 socket screws, 6 clamp plates.
0:30  A left, B right: clamp plates under the gutter, two M8 per leg, finger tight.
0:50  A goes round at 12 Nm. B follows at 20 Nm, same order.
1:05  Push test.
`);
    expect(joints(kit)).toMatchObject([{ stations: 12, nm: 20 }]);
    expect(kit.groups[0]?.stages).toEqual([0.6, 1]);
    const pulls = kit.steps.filter(({ actions }) => actions.some(({ type }) => type === 'torque'));
    expect(pulls.map(({ text }) => text)).toEqual(['A goes round at 12 Nm. B follows at 20 Nm, same order.']);
  });

  it('is doubled by `likewise`, and by each of so many', () => {
    expect(
      joints(
        drafted(`a) Hang the cross straps:
   i) front strap - two M10 bolts from below, nuts inside;
   ii) rear strap - likewise.
b) Pull down the straps (M10, 46 N m).
`),
      )[0]?.stations,
    ).toBe(4);
    expect(joints(drafted('Screw the legs to the rails, two M6 in each of four legs, 10 Nm.'))[0]?.stations).toBe(8);
  });
});

describe('what is not of the kit', () => {
  const kit = drafted(`In the box: pipe 1 piece, bolt M8x20 2 pieces, washer 2 pieces, bolt M10x25 8 pieces.
1) First the plate holder is removed, its two screws are kept.
2) The pipe is fixed with M8x20, one piece each side, middle strength glue.
3) Tightening moments: M8 22 Nm, M10 45 Nm.
4) The plate holder is mounted back on the pipe (2 Nm).
`);
  it('has neither the size nor the locker of the kit’s bolts', () => {
    const holder = joints(kit).at(-1);
    expect(holder).toMatchObject({ nm: 2, compound: undefined });
    expect(kit.stations.at(-1)?.drive).toEqual({ kind: 'unknown' });
  });
  it('names joints of a list of sizes by them', () =>
    expect(joints(kit).map(({ title }) => title)).toEqual([
      'M8 × 1.25 bolts',
      'M10 × 1.5 bolts',
      'Plate holder on the pipe',
    ]));
});

describe('a width near a joint', () => {
  const drive = (text: string) => drafted(text).stations.at(-1)?.drive;
  it('is left out where no head of that thread has it', () => {
    // A 3/4 in. wrench holds the half-inch bolts of the step before; a #10 screw takes a key.
    expect(
      drive(
        '1. Torque the 1/2-13 bolts to 75 ft-lb with a 3/4 wrench.\n2. Screw on the end caps, #10-24 x 1/2, 25 in-lb.',
      ),
    ).toEqual({ kind: 'hexKey', acrossFlatsMm: 3.97, inch: true });
  });
  it('is kept where one has', () =>
    expect(drive('1. Torque the M12 bolts to 80 Nm with a 19 mm spanner.')).toEqual({
      kind: 'hex',
      acrossFlatsMm: 19,
    }));
});

describe('paragraphs that begin with a range of years', () => {
  const kit = drafted(`Cars of 2016 to 2018. Bolt the clamps to the axle with four M10 x 60 bolts and tighten to 50 Nm.

Cars from 2021. Use the short M10 x 25 bolts, four of them, and tighten to 45 Nm.

All cars. Fit the cover, two M6 screws, 9 Nm.
`);
  it('give each joint its years, and the last none', () => {
    const whens = kit.groups.map(({ stations, when }) => {
      const station = kit.stations.find(({ id }) => id === stations[0]);
      return when ?? station?.specs[0]?.when;
    });
    expect(whens).toEqual([
      {
        all: [
          { question: 'modelYear', atLeast: 2016 },
          { question: 'modelYear', atMost: 2018 },
        ],
      },
      { question: 'modelYear', atLeast: 2021 },
      undefined,
    ]);
  });
  it('give each step its years, and make no step of the heading', () =>
    expect(kit.steps.map(({ text, when }) => [text.split(' ')[0], when !== undefined])).toEqual([
      ['Bolt', true],
      ['Use', true],
      ['Fit', false],
    ]));
  it('ask for the year once', () => expect(kit.questions.map(({ id }) => id)).toEqual(['modelYear']));
});

describe('a clause of a contract', () => {
  const kit =
    drafted(`1.1 The set comprises one eye, one plate, six bolts M12 x 1.25 x 45 ("the Main Bolts"), two bolts M8 x 20 ("the Guide Bolts") and a sachet of high strength threadlocker.
Section 3 Fitting
3.1 The plate shall be held to the frame by the Guide Bolts, which shall be tightened to 20 N m.
3.2 The eye shall be bolted through the plate by the Main Bolts. Threadlocker shall be applied to the Main Bolts only.
3.3 The Main Bolts shall be tightened crosswise, in a first pass to 60 N m and in a second pass to 105 N m.
4.1 The vehicle shall not tow for 24 hours.
4.2 The Main Bolts shall be checked at 500 km, at 95 N m, without being turned further.
`);
  it('gives each defined name its bolts and its compound', () =>
    expect(joints(kit)).toEqual([
      { title: 'Plate to the frame', stations: 2, nm: 20, pieces: ['bolt'], compound: undefined },
      { title: 'Main Bolts', stations: 6, nm: 105, pieces: ['bolt'], compound: 'threadlockerHigh' },
    ]));
  it('makes no joint of the figure of a check, and no step of what it forbids', () => {
    expect(kit.aftercare.map(({ afterKm }) => afterKm)).toEqual([500]);
    expect(kit.cautions.map(({ text }) => text)).toEqual(['The vehicle shall not tow for 24 hours.']);
    expect(kit.steps.some(({ text }) => /Section|tow/.test(text))).toBe(false);
  });
  it('is released without a fault', () =>
    expect(lintKit(kit).filter(({ severity }) => severity === 'error')).toEqual([]));
});

describe('versions that a table names by letters', () => {
  const kit = drafted(`Variant   Hub           Bracket bolts        Disc
  A       5-hole        M12x1.5x40 (4)       330
  B       5-hole sport  M14x1.5x40 (4)       345

Step 1. Clean the hub face.
Step 2. Fit bracket to upright. Torque: A 115 Nm, B 140 Nm.
Step 3. Disc on, two countersunk screws M6x12, 8 Nm.
`);
  it('are asked for as what was bought', () =>
    expect(kit.questions).toMatchObject([
      {
        id: 'version',
        bought: 'part',
        choices: [
          { value: 'A', label: 'A, 5-hole' },
          { value: 'B', label: 'B, 5-hole sport' },
        ],
      },
    ]));
  it('give one joint its figure each', () => {
    const [group] = kit.groups;
    const station = kit.stations.find(({ id }) => id === group?.stations[0]);
    expect(group?.title).toBe('Bracket to upright');
    expect(station?.specs.map(({ printed, when }) => [printed, when])).toEqual([
      ['115 Nm', { question: 'version', is: 'A' }],
      ['140 Nm', { question: 'version', is: 'B' }],
    ]);
  });
  it('are no steps', () =>
    expect(kit.steps.map(({ text }) => text.split(/[ .]/)[0])).toEqual(['Clean', 'Fit', 'Torque:', 'Disc']));
});

describe('a title', () => {
  it.each([
    ['Plate shall be held to the frame by the guide bolts', 'Plate to the frame'],
    ['Holder is mounted back on the pipe', 'Holder on the pipe'],
    ['Screw the end caps on with', 'End caps'],
    ['B screws the legs to the rails', 'Legs to the rails'],
    ['The frame hangs on six bolts of half-inch UNF', 'Frame'],
    ['Link studs are M12 and their nuts', 'Link studs'],
    ['Nothing changes on the side rails', 'Side rails'],
    ['Hanger to crossmember', 'Hanger to crossmember'],
    ['Tightening moments', undefined],
    ['Hardware', undefined],
    ['Long ones bottom out)', undefined],
    ['⑥ under ①', undefined],
  ])('%s is %s', (said, title) => expect(tidyTitle(said)).toBe(title));
});
