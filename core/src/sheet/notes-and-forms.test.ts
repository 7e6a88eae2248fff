import { describe, expect, it } from '@jest/globals';
import { draftKit } from '../kit/draft/draft-kit.ts';
import type { FactValue } from './fact.ts';
import { readSheet } from './read-sheet.ts';

const read = <Kind extends FactValue['kind']>(text: string, kind: Kind) =>
  readSheet(text).facts.flatMap(({ value }) =>
    value.kind === kind ? [value as Extract<FactValue, { kind: Kind }>] : [],
  );
const torques = (text: string) => read(text, 'torque').map(({ max, unit }) => `${max} ${unit}`);
const counts = (text: string) => read(text, 'count').map(({ count, noun }) => `${count} ${noun}`);

describe('lists whose unit is said once', () => {
  it('below them, with sizes and remarks in cells of their own', () => {
    const list = `caliper          2 x M12x1.25     95  no paste
disc bell        10 x M6          12  blue
top mount        3 nuts M8        28  (was 25)
hub nut          270 + 30deg      new each time
All Nm.`;
    expect(torques(list)).toEqual(['95 N·m', '12 N·m', '28 N·m', '270 N·m']);
    expect(read(list, 'torque').at(-1)?.angleDeg).toBe(30);
    expect(read(list, 'compound').map(({ compound }) => compound)).toEqual(['threadlockerMedium']);
  });
  it('with arrows in place of columns', () => {
    expect(
      torques('-> 4x front bolts M10x30 -> 45!! not 60\n-> 2x rear bolts M12 -> 80\n-> cover, 3 screws -> 6\nall Nm\n'),
    ).toEqual(['45 N·m', '80 N·m', '6 N·m']);
  });
  it('not over names without figures', () => {
    expect(torques('All Nm.\nfront bolts      M10 x 30      blue\nrear bolts       M12 x 40      blue\n')).toEqual([]);
  });
});

describe('figures nothing is pulled to', () => {
  it.each([
    ['may once have been', 'The M8 clamp bolts may have been tightened to 35 N·m at the works.'],
    ['of the line that says what was', 'Before: link nut tightened to 95 N·m.\nAfter: link nut, see 4.'],
    ['of loosening', 'Test: loosening torque 58 N·m.'],
    ['somebody reported', 'One outlet reported 35 Nm on the M8 and a torn insert.'],
    ['was mentioned', 'We trust this answers your letter, in which 180 N·m was mentioned.'],
    ['of a turning part', 'Residual turning of the neck lock max 4 Nm'],
  ])('%s', (_, text) => expect(torques(text)).toEqual([]));
  it('what was done and is to be done again is', () =>
    expect(torques('Once the bolts have been tightened to 40 Nm, turn them 90°.')).toEqual(['40 N·m']));
});

describe('fields, one a line', () => {
  const form = `joint: lower strut
 fastener: bolt M14x1.5x75 10.9
 qty: 2
 tool: 21 mm / 22 mm
 torque: 110 Nm
 angle: 90 deg
 compound: none`;
  it('count the piece that is named above', () => expect(counts(form)).toEqual(['2 bolt']));
  it('give the angle to the torque above it', () => expect(read(form, 'torque')[0]?.angleDeg).toBe(90));
  it('name tools and what is left dry', () => {
    expect(read(form, 'drive').map(({ drive }) => drive)).toMatchObject([{ acrossFlatsMm: 21 }, { acrossFlatsMm: 22 }]);
    expect(read(form, 'dry')).toHaveLength(1);
  });
});

describe('numbers that count nothing', () => {
  it('of parts in a picture', () =>
    expect(counts('Install four screws (3) and washers (4).\nTorque two screws (6) to 20 Nm.')).toEqual([
      '4 screw',
      '2 screw',
    ]));
  it('said twice', () => expect(counts('Fit four bolts (4) and two nuts (2).')).toEqual(['4 bolt', '2 nut']));
  it('of operations and of times', () => expect(counts('Op 040 Pins: film of grease.\n5:30 bolts')).toEqual([]));
  it('before a due distance', () =>
    expect(read('Back by 4, 300 km later he comes for the check.', 'aftercare')).toEqual([]));
});

describe('what a sheet says in its own words', () => {
  it('`blocking liquid` and `locker (the strong one)`', () => {
    expect(read('Close the screws with blocking liquid (medium).', 'compound')[0]?.compound).toBe('threadlockerMedium');
    expect(read('M10 x 65, 40 Nm, locker (the strong one).', 'compound')[0]?.compound).toBe('threadlockerHigh');
  });
  it('grease on one thing and off another', () => {
    const text = 'Grease the bushes but keep the grease off the threads.';
    expect(read(text, 'compound')).toHaveLength(1);
    expect(read(text, 'dry').length + read(text, 'residue').length).toBeGreaterThan(0);
  });
  it('a tolerance by its name', () =>
    expect(read('Tightening: 25 N m, tolerance +/-2.', 'torque')[0]).toMatchObject({ min: 23, max: 27 }));
  it('a figure that is taken back, in the unit of the one before, doubted', () => {
    const { facts } = readSheet(
      "They get forty-five newton metres, no sorry, that's the old ones, these are fifty-two.",
    );
    expect(facts.filter(({ value }) => value.kind === 'torque')).toMatchObject([
      { value: { max: 52, unit: 'N·m' }, confidence: 0.7 },
    ]);
  });
  it('stages in words', () =>
    expect(read('Go round three times, thirty then fifty then seventy foot pounds.', 'torque')[0]?.stages).toHaveLength(
      3,
    ));
  it('bolts counted by their size alone', () =>
    expect(counts('The feet: four M10 x 65 with 17 mm heads; fit carrier, 6 off M8x20.')).toEqual([
      '4 bolt',
      '6 bolt',
    ]));
  it('two languages with a stroke between', () => {
    const facts = readSheet(
      [
        'Contenu: 1 barre, 4 pieds, 8 vis M6x16 / Contents: 1 bar, 4 feet, 8 screws M6x16',
        'Nettoyer le toit avec de la benzine. / Clean the roof.',
        'Poser la barre et les vis. / Fit the bar, 8 screws, 6 Nm.',
        'Ne pas serrer. / Do not tighten.',
      ].join('\n'),
    ).facts;
    expect(facts.flatMap(({ value }) => (value.kind === 'count' ? [value.count] : []))).toEqual([1, 4, 8, 8]);
  });
});

describe('one torque in several units', () => {
  it('side by side in cells', () => {
    const [one, ...rest] = read('Front crossmember, M14 bolts (2)    150 Nm   111 lb-ft', 'torque');
    expect(one).toMatchObject({ max: 150, unit: 'N·m', pair: { max: 111, unit: 'lbf·ft', agrees: true } });
    expect(rest).toEqual([]);
  });
  it('not where the two are of different joints', () =>
    expect(torques('front 150 Nm   rear 60 lb-ft')).toEqual(['150 N·m', '60 lbf·ft']));
  it('in three columns, one of them a scanner broke', () => {
    const table = `Tightening torques            N·m    kgf·m   lbf·ft
Upper arm bolt  M14 x 1.5     135    13.8    100
Wheel nut  M14 x 1.5          l3O    13.3     96
`;
    expect(torques(table)).toEqual(['135 N·m', '130 N·m']);
    expect(
      readSheet(table)
        .facts.filter(({ value }) => value.kind === 'torque')
        .at(-1)?.confidence,
    ).toBe(0.5);
  });
});

describe('what was tried', () => {
  it('is pulled by nobody', () =>
    expect(
      torques(
        'Specimen 1 failed at 118 N·m, specimen 2 at 121 N·m, specimen 3 held 125 N·m.\nLoosening after vibration 4 N·m of 48 N·m.\nRail to floor, M10: 48 N·m',
      ),
    ).toEqual(['48 N·m']));
  it('a class of bolt is no torque', () =>
    expect(torques('Pinch bolt: 55 N·m, new one, they are 10.9.')).toEqual(['55 N·m']));
});

describe('sizes that count', () => {
  it('a number in brackets behind a size', () =>
    expect(counts('Skid, M8 (9)    24 Nm\nPanel, T40 (6)    9 Nm')).toEqual(['9 bolt', '6 bolt']));
  it('part of a number counts once', () =>
    expect(counts('There are only three of the four M8x35 bolts.')).toEqual(['4 bolt']));
});

describe('a draft', () => {
  it('takes no date to keep for the hours of the job', () => {
    const sheet = readSheet('1. Tighten the M8 bolts to 23 Nm.\n2. The workshop sends the form within 14 days.');
    const { kit } = draftKit(sheet, sheet.facts, { id: 'a', title: 'A', maker: 'B' });
    expect(kit.statedMinutes).toBeUndefined();
  });
});
