import { describe, expect, it } from '@jest/globals';
import type { Fact, FactValue } from './fact.ts';
import { readSheet } from './read-sheet.ts';

const of = <K extends FactValue['kind']>(text: string, kind: K) =>
  readSheet(text).facts.filter(
    (fact): fact is Fact & { value: Extract<FactValue, { kind: K }> } => fact.value.kind === kind,
  );
const pieces = (text: string) =>
  of(text, 'count')
    .filter(({ value }) => value.item !== undefined)
    .map(({ value: { label, count, item } }) => `${label ? `${label} ` : ''}${count} ${item}`);
const torques = (text: string) =>
  of(text, 'torque').map(({ value: { max, unit, only, stages, pair, angleDeg, limitNm } }) => ({
    max,
    unit,
    ...(only ? { only } : {}),
    ...(stages ? { stages: stages.length } : {}),
    ...(pair ? { pair: pair.max } : {}),
    ...(angleDeg ? { angleDeg } : {}),
    ...(limitNm ? { limit: Math.round(limitNm) } : {}),
  }));

describe('a list of pieces', () => {
  it.each([
    [
      'by letters before a dash, as a legend',
      'LEGEND\nA - brace bar, one\nB - end plate, two\nC - hex bolt 3/8-16 x 1-1/4, four\nD - 3/8 flat washer, eight\n\n1) Fit A.\n',
      ['a 1 brace bar', 'b 2 end plate', 'c 4 hex bolt 3/8-16 x 1-1/4', 'd 8 3/8 flat washer'],
    ],
    [
      'in the line of its heading, by letters',
      'Bolt legend: (P) M10x70  4 pcs   (Q) M8x30  8 pcs\n1 Position feet.\n2 Uprights to feet with Q.\n3 Tighten Q to 24 N·m.\n',
      ['p 4 M10x70', 'q 8 M8x30'],
    ],
    [
      'in the sentence behind its heading',
      'What you get. One cooler, two stays, a bag with 4 screws M6 x 20, 4 rubber washers.\nWhere it goes. In front.\n',
      ['1 cooler', '2 stays', '4 screws M6 x 20', '4 rubber washers'],
    ],
    [
      'inside the brackets of a bag',
      'Box: plate, two crossbars, bag of fixings (4 no. M10 x 30 hex set, 6 no. M8 penny washer)\n\nFit the plate.\n',
      ['1 plate', '2 crossbars', '4 M10 x 30 hex set', '6 M8 penny washer'],
    ],
    [
      'said in one breath, and not what is said below',
      'in the box you have the two guards, four brackets and eight clip nuts\nstart with the grille out, that’s two screws at the top\nclip nuts go on, four a side\n',
      ['2 guards', '4 brackets', '8 clip nuts'],
    ],
    [
      'of rows that begin with their count, under no heading',
      'STEEL BUMPER\n1 x Bumper\n8 x Bolt M12 x 35\n8 x Washer M12\n\n1. Fit it.\n',
      ['1 Bumper', '8 Bolt M12 x 35', '8 Washer M12'],
    ],
    [
      'where what comes with a piece is counted too',
      'IN THE BOX\n(1) guard\n(10) hex cap screws\n(2) 3/8-16 U-bolts w/ flange nuts (4)\n\n1) Fit.\n',
      ['1 guard', '10 hex cap screws', '2 3/8-16 U-bolts w/ flange nuts (4)'],
    ],
  ])('%s', (_, text, expected) => expect(pieces(text)).toEqual(expected));

  it('has no torques, whatever unit a later heading gives', () =>
    expect(
      torques(
        'In the box\nbracket ..... 2\nbolt M10x30 ..... 4\nwasher 10 ..... 4\nFitting (torques in Nm)\nTighten: frame 52.\n',
      ),
    ).toEqual([{ max: 52, unit: 'N·m' }]));
});

describe('a count', () => {
  const counts = (text: string) =>
    of(text, 'count')
      .filter(({ value }) => value.item === undefined)
      .map(({ value: { count, noun } }) => `${count} ${noun}`);
  it.each([
    ['Remove three (3) upper strut nuts (14 mm).', ['3 nut']],
    ['Take out six of the push pins.', ['6 pin']],
    ['Put four M14 x 1.5 x 45 (two left, two right) in by hand.', ['4 bolt']],
    ['Refit two of the m sixes.', ['2 bolt']],
    ['LEAF SPRING U-BOLTS, AXLE FLIP SET AF-2', []],
  ])('%s', (text, expected) => expect(counts(text)).toEqual(expected));
});

describe('a figure', () => {
  it.each([
    ['Torque the cover to 120 in-lbs., then 20 ft-lbs. (27 N-m).', [{ max: 20, unit: 'lbf·ft', stages: 2, pair: 27 }]],
    ['Go round the bolts at 8 Nm, no more.', [{ max: 8, unit: 'N·m', limit: 8 }]],
    ['Tighten the screws to no more than 8 Nm.', [{ max: 8, unit: 'N·m', only: 'ceiling', limit: 8 }]],
    [
      'The frame bolts get 75 Nm. The track bar bolt takes 125.',
      [
        { max: 75, unit: 'N·m' },
        { max: 125, unit: 'N·m' },
      ],
    ],
    [
      'Fronts 160 Nm, 160 rears plus a quarter turn.',
      [
        { max: 160, unit: 'N·m' },
        { max: 160, unit: 'N·m', angleDeg: 90 },
      ],
    ],
  ])('%s', (text, expected) => expect(torques(text)).toEqual(expected));
  it('that was tried, or lost its load, is nobody’s', () =>
    expect(torques('Tried 55 Nm, one insert turned. All eight bolts at 48 Nm now.')).toEqual([
      { max: 48, unit: 'N·m' },
    ]));
  it('in kg-m is one though a property class looks like it', () =>
    expect(
      torques(
        'FASTENER          SIZE        QTY   KG-M   FT-LB\nStarter           M10 x 1.5   2     4.6    33\nPressure plate    M8 x 1.25   9     2.2    16\n',
      ),
    ).toEqual([
      { max: 4.6, unit: 'kgf·m', pair: 33 },
      { max: 2.2, unit: 'kgf·m', pair: 16 },
    ]));
  it('is of the size said behind it, as the sheet writes it', () =>
    expect(
      of('Four M14 x 1.5 x 45 and six M12 x 40. Then 180 Nm on the M14 and 90 Nm (66 ft-lb) on the M12.', 'torque').map(
        ({ about }) => about,
      ),
    ).toEqual(['M14 × 1.5', 'M12 × 1.75']));
});

describe('a size', () => {
  it('in inches is said with its threads to the inch', () =>
    expect(
      of('ten five sixteenths eighteen by an inch and a quarter', 'thread').map(({ value }) => value),
    ).toMatchObject([{ designation: '5/16-18', lengthMm: 31.75 }]));
  it('a bolt is called by is no head of it', () =>
    expect(of('Kit: 1/2-13 x 1-1/2 bolts. Fit (4) 1/2" bolts.', 'drive')).toEqual([]));
  it.each([
    ['Unclip the brake line bracket (10mm).', 10],
    ['The pinch bolt out (13 mm), mark it first.', 13],
  ])('%s: what undoes it', (text, mm) =>
    expect(of(text, 'drive').map(({ value }) => value.drive)).toEqual([{ kind: 'hex', acrossFlatsMm: mm }]),
  );
  it('of a six-lobe head may stand behind the word for it', () =>
    expect(of('9 screws, six-lobe 30', 'drive').map(({ value }) => value.drive)).toEqual([
      { kind: 'sixLobe', size: 'T30' },
    ]));
});

describe('what is no condition, and no compound', () => {
  it.each([
    'On the right rail the work is the same.',
    'when you’re happy with that go round the bolts',
    'With the weight on the wheels tighten it.',
  ])('%s', (text) => expect(of(text, 'condition')).toEqual([]));
  it.each(['Grease?', 'Pump until grease shows.'])('%s', (text) => expect(of(text, 'compound')).toEqual([]));
  it.each(['M10 dry.', 'none on the clip nuts', 'Do not use sealing tape.', 'Not on bolts.'])(
    '%s is left dry',
    (text) => expect(of(text, 'dry')).toHaveLength(1),
  );
});
