import { describe, expect, it } from '@jest/globals';
import type { FactValue } from './fact.ts';
import { oldColumns } from './old-columns.ts';
import { plainText } from './plain-text.ts';
import { readSheet } from './read-sheet.ts';

const of = <K extends FactValue['kind']>(text: string, kind: K) =>
  readSheet(text).facts.flatMap((fact) =>
    fact.value.kind === kind
      ? [{ ...(fact.value as Extract<FactValue, { kind: K }>), sure: fact.confidence >= 0.9 }]
      : [],
  );
const counts = (text: string) => of(text, 'count').map(({ count }) => count);
const threads = (text: string) => of(text, 'thread').map(({ designation, lengthMm }) => [designation, lengthMm]);
const torques = (text: string) => of(text, 'torque').map(({ min, max }) => [min, max]);
const compounds = (text: string) => of(text, 'compound').map(({ compound }) => compound);
const drives = (text: string) => of(text, 'drive').map(({ drive }) => drive);

describe('counts of what is not named again', () => {
  it.each([
    ['The hanger bolts are M10, four of them, 44 Nm.', 4],
    ['Washers under each head and each nut, so eight altogether.', 8],
    ['Bolts through the plate. Get all six started before you nip any.', 6],
    ['Long bolts at the front and two 8 mm ones at the rear.', 2],
  ])('%s', (text, count) => expect(counts(text)).toContain(count));
  it('wants a piece to stand for, and no corners', () => {
    expect(counts('All four of us went home.')).toEqual([]);
    expect(counts('Take out one side bolt at a time.')).toEqual([]);
  });
  it('takes a size that is all that is said of a bolt', () => {
    expect(counts('Fasten it with six M12 x 1.5 and two M10, class 10.9.')).toEqual([6, 2]);
    expect(counts('if there is a winch four M tens, sixty two newton metres')).toEqual([4]);
  });
});

describe('sizes as they are said', () => {
  it.each([
    ['M twelve by thirty five fine thread one point two five, finger tight', [['M12 × 1.25', 35]]],
    ['M12 by one point five by forty, 90 Nm', [['M12 × 1.5', 40]]],
    ['that is four sixteens two a side', [['M16 × 2', undefined]]],
    ['sixteen by fifty with the thick washers', [['M16 × 2', 50]]],
    ['M12, fine pitch, 1.25 on the stud', [['M12 × 1.25', undefined]]],
    ['two set screws 5/16 in. U.N.F. are slackened', [['5/16-24', undefined]]],
    ['bolts M10 x 60 in stead of 40', [['M10 × 1.5', 60]]],
  ])('%s', (text, wanted) => expect(threads(text)).toEqual(wanted));
});

describe('figures and what stands at them', () => {
  it('reads a range set wide, a tolerance below the value, and a breath before the unit', () => {
    expect(torques('Double clamp, 2 nuts, 23 . . . 27 Nm.')).toEqual([[23, 27]]);
    expect(torques('M10 bolts: 65 N·m, tolerance -5/+0')).toEqual([[60, 65]]);
    expect(torques('two M10 bolts a side at thirty eight, newton metres that is')).toEqual([[38, 38]]);
    expect(torques('Screws to 20 till 25 Nm.')).toEqual([[20, 25]]);
  });
  it('doubts a figure whose first digit may be under a stain, and takes no drag for a torque', () => {
    expect(of('Centre stay bolts, M8 ▒5 N·m', 'torque')).toMatchObject([{ max: 5, sure: false }]);
    expect(torques('Turning resistance of the pinion with new bearings 1.6 to 2.4 N·m.')).toEqual([]);
    expect(torques('Wrench this month: reads +2 Nm at 130.')).toEqual([]);
    expect(torques('The 190 Nm you mentioned is for the rear.')).toEqual([]);
  });
  it('takes no figure of an older thing for one of this', () => {
    expect(torques('Old carrier used 25 Nm, the new one 47 Nm on all four bolts.')).toEqual([[47, 47]]);
    expect(torques('Rails 15 Nm. Nothing on this tent is tighter than 15 Nm.')).toEqual([[15, 15]]);
    expect(torques('150 Nm is what an old leaflet gave for the wheel nuts.')).toEqual([]);
  });
  it('hears hundreds as they are said, in a memo and before a unit', () => {
    expect(torques('chassis bolts at two ten newton metres')).toEqual([[210, 210]]);
    expect(
      torques(
        'caliper bolts a hundred newton metres\nbleed nipple eleven\nwheels on one twenty in a star\nand that is it',
      ),
    ).toEqual([
      [100, 100],
      [11, 11],
      [120, 120],
    ]);
    expect(torques('then the long one fifty five newton metres')).toEqual([[55, 55]]);
    expect(counts('one twenty mil bolt and a washer')).not.toContain(120);
  });
  it('reads sizes and figures of one cell under the names of vehicles', () => {
    const read = of(
      'TORQUES  (all values N.m)\n\n                    Carrick        Gorse\nfront points        M12 95         M14 150\n   bolts per point  3              2\n',
      'torque',
    );
    expect(read).toMatchObject([{ max: 95 }, { max: 150 }]);
  });
  it('ends at a ceiling that is said after it', () => {
    expect(of('Cross tube bolts: 21 Nm and not a hair more.', 'torque')).toMatchObject([{ only: 'ceiling' }]);
  });
});

describe('a column of old values', () => {
  const NOTE = `Torques:

  joint              up to lot 40    from lot 41
  side bolts         M10  50 Nm      M12  87 Nm
  centre bolt M16    190 Nm          210 Nm
  ball               unchanged, 150 Nm
`;
  it('is set aside with its sizes, and a row that has one value keeps it', () => {
    expect(torques(NOTE)).toEqual([
      [87, 87],
      [210, 210],
      [150, 150],
    ]);
    expect(threads(NOTE).map(([designation]) => designation)).toEqual(['M12 × 1.75', 'M16 × 2']);
    expect(oldColumns(NOTE)).toHaveLength(2);
  });
  it('is none without one of today beside it', () => expect(oldColumns('was   50 Nm\nnow   60 Nm')).toEqual([]));
});

describe('compounds that are on, off, or in the vehicle', () => {
  it.each([
    ['Underseal and cavity wax at the faces shall be removed over at least 20 mm around each hole.', []],
    ['Locking fluid shall not be applied.', []],
    ['Let the locking compound set for 2 h.', []],
    ['Fill in 1.9 l of hypoid oil.', []],
    ['Change the oil after 800 km.', []],
    ['Bare metal shall be painted.', ['paint']],
    ['Drill, deburr, prime, then set the rivet nut.', ['paint']],
    ['Bolts with medium lock on every one.', ['threadlockerMedium']],
  ])('%s', (text, wanted) => expect(compounds(text)).toEqual(wanted));
});

describe('drives', () => {
  it.each([
    ['6 screws M8 x 16, hexagon socket 6 mm', { kind: 'hexKey', acrossFlatsMm: 6 }],
    ['A five mil hex key fits.', { kind: 'hexKey', acrossFlatsMm: 5 }],
    ['Drain plug, 8 mm square', { kind: 'square', acrossFlatsMm: 8 }],
    ['2 studs with 12-pt nuts 14 mm', { kind: 'twelvePoint', acrossFlatsMm: 14 }],
    ['ring spanner 17 and 19.', { kind: 'hex', acrossFlatsMm: 19 }],
  ])('%s', (text, drive) => expect(drives(text)).toContainEqual(expect.objectContaining(drive)));
  it('takes no label of a line and no paragraph for one', () => {
    expect(drives('E4 Exhaust: double clamp.\nE5 Drain screw: until contact.')).toEqual([]);
    expect(drives('The screws of 2.2 are tightened again.')).toEqual([]);
  });
});

describe('what a scanner makes of letters', () => {
  it.each([
    ['the bo1ts after 25O mi1es', 'the bolts after 250 miles'],
    ['two h0urs on the s1ot', 'two hours on the slot'],
    ['N0 OlL', 'NO OIL'],
    ['32 1b. ft.', '32 lb. ft.'],
    ['5.3/4 in.', '5-3/4 in.'],
    // What only looks like it.
    ['10x1mm and M10x1 bolts', '10x1mm and M10x1 bolts'],
    ['25O Nm', '25O Nm'],
  ])('%s', (scanned, read) => expect(plainText(scanned)).toBe(read));
});

describe('a sheet of questions', () => {
  it('asks them, and makes no branch of one', () => {
    const faq =
      'Rattle after some days?\nNormal.\nLadder fitted?\nTwo pins.\nRound bars?\nUse the brackets if the bars are round.';
    expect(of(faq, 'condition').map(({ text }) => text)).toEqual(['if the bars are round']);
  });
});

describe('where on a part, and which vehicle', () => {
  const conditions = (text: string) => of(text, 'condition').map(({ text: when }) => when);
  it('tells them apart', () => {
    expect(conditions('On the flat of the axle tube, two of the bolts.')).toEqual([]);
    expect(conditions('Vehicles whose mass exceeds 2 400 kg are excluded.')).toHaveLength(1);
    expect(conditions('OPTION A bags: lower bracket 30 lb-ft')).toEqual(['OPTION A']);
    expect(conditions('With roof load the limit is 60 kg.')).toEqual(['With roof load']);
  });
});
