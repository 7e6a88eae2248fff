import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { readSheet } from './read-sheet.ts';

const WORK = '\n\n1. Fit the plate.\n2. Torque the M8 bolts to 22 Nm.\n';
/** The pieces a sheet lists, as `4 washers`. */
const listed = (list: string): string[] =>
  readSheet(list + WORK).facts.flatMap(({ value }) =>
    value.kind === 'count' && value.item !== undefined ? [`${value.count} ${value.item}`] : [],
  );

describe('a list under any heading, or none', () => {
  it.each([
    [
      'in a clause that says what a set is made of',
      '1.1 The set comprises one towing eye, six bolts M12 x 45 of class 10.9 ("the Main Bolts"), two bolts M8 x 20 and six hardened washers.',
      ['1 towing eye', '6 bolts M12 x 45 of class 10.9 ("the Main Bolts")', '2 bolts M8 x 20', '6 hardened washers'],
    ],
    [
      'behind the first words of a line, in the middle of it',
      '0:00  Unpack. Count: 6 legs, 12 M8x20 socket screws, 6 clamp plates, 8 M6x12.',
      ['6 legs', '12 M8x20 socket screws', '6 clamp plates', '8 M6x12'],
    ],
    [
      'with its counts behind the names',
      '- Qty: sliders 2, brkts 6 (3/side), M10x30 flg bolts 12, M12x40 8',
      ['2 sliders', '6 brkts', '12 M10x30 flg bolts', '8 M12x40'],
    ],
    [
      'by the piece, as translators count',
      'In the box exist: pipe 1 piece, sheet left 1 piece, bolt M10x25 8 pieces, washer 16 pieces.',
      ['1 pipe', '1 sheet left', '8 bolt M10x25', '16 washer'],
    ],
    [
      'under `You need`, where its rows count hardware',
      'You need\n  2 feet, 1 left 1 right\n  8 hex screws M8 x 25\n  8 wide washers\n  4 rubber pads',
      ['2 feet', '8 hex screws M8 x 25', '8 wide washers', '4 rubber pads'],
    ],
    [
      'by numbers in circles',
      'Parts list：\n①Bracket×2　②M8*30 bolt×4　③M8 flat pad×8',
      ['2 Bracket', '4 M8×30 bolt', '8 M8 flat pad'],
    ],
    [
      'row by row, its letters before and its counts in brackets behind',
      'PARTS LIST\nA  Arm, left (1)\nB  1/2-13 x 1-1/2 hex bolt, grade 8 (4)\nC  1/2 flat washer (8)',
      ['1 Arm, left', '4 1/2-13 x 1-1/2 hex bolt, grade 8', '8 1/2 flat washer'],
    ],
    [
      'by letters and dots, at the foot of a sheet',
      '(K) M10 x 30 flange bolt ..... 6\n(L) conical washer .......... 12\n(M) tow hook ................ 2',
      ['6 M10 x 30 flange bolt', '12 conical washer', '2 tow hook'],
    ],
    [
      'with sizes before its counts',
      'BAG: shield 1, M6 x 12 flange bolts 4, U-bolt M8 1, lock nuts M8 2',
      ['1 shield', '4 M6 x 12 flange bolts', '1 U-bolt M8', '2 lock nuts M8'],
    ],
    [
      'between strokes',
      '1/ PARTS: PUMP 1 / BANJO BOLT M12X1 2 / COPPER WASHER 4 / M6X16 3',
      ['1 PUMP', '2 BANJO BOLT M12X1', '4 COPPER WASHER', '3 M6X16'],
    ],
    [
      'of what a kit has',
      'Your kit has 2 hinges, 4 ball studs (M8), 12 #8 x 1/2 screws and 4 jam nuts.',
      ['2 hinges', '4 ball studs (M8)', '12 #8 x 1/2 screws', '4 jam nuts'],
    ],
    [
      'with a size at the head of a row, which is no letter of it',
      'In the box:\n• M8 x 25 studs – 4\n• M8 nyloc nuts – 4\n• hose clamps – 2',
      ['4 M8 x 25 studs', '4 M8 nyloc nuts', '2 hose clamps'],
    ],
  ])('%s', (_, list, pieces) => expect(listed(list)).toEqual(pieces));
  it('counts feet, and measures none', () =>
    expect(
      readSheet(`You need\n  2 feet, 1 left 1 right\n  8 hex screws M8 x 25\n  8 washers${WORK}`).facts.filter(
        ({ value }) => value.kind === 'length',
      ),
    ).toEqual([]));
  it.each([
    ['what is done with pieces', 'Fit two washers, four M8 bolts, four nuts and one cap to the left arm.'],
    ['what holds', 'It is held by two M8 bolts, four washers, two nuts and one pin.'],
    ['figures of joints', 'M8 22 Nm, M10 45 Nm, M12 78 Nm, M14 120 Nm.'],
    ['tools', 'Tools: 2 spanners 13 mm, 1 bolt cutter, 1 hammer, 2 nuts to jam.'],
    ['a question', 'And the clamp? Around the rod, 4 inches in from the end, the other two 3/8 bolts.'],
    ['a time', '10 minutes for the paint, 2 hours for the locker, 4 bolts later.'],
  ])('is not %s', (_, text) => expect(listed(text)).toEqual([]));
  it('has as many pieces as it counts, whatever they are called', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom('bolts M8 x 25', 'washers', 'nuts', 'brackets', 'plates', 'clips'), {
          minLength: 3,
        }),
        fc.array(fc.integer({ min: 2, max: 24 }), { minLength: 6, maxLength: 6 }),
        (names, counts) => {
          fc.pre(names.some((name) => /bolts|nuts|washers|clips/.test(name)));
          const list = names.map((name, at) => `${counts[at]} ${name}`);
          expect(listed(`Enclosed are ${list.join(', ')}.`)).toEqual(list);
        },
      ),
    ));
});

describe('a table of joints', () => {
  const table = `| No | Joint           | Fastener    | Off | Key | Nm     |
|----|-----------------|-------------|-----|-----|--------|
| 1  | Plates to horns | M12x35 10.9 | 2x4 | 18  | 95-105 |
| 2  | Fairlead        | M10x40 8.8  | 2   | 17  | 45     |
| 3  | Number plate    | M6x16       | 2   | T30 | 6 max  |
`;
  const { facts } = readSheet(table);
  it('is no packing list, and counts what each row tightens', () =>
    expect(
      facts.flatMap(({ value }) => (value.kind === 'count' ? [[value.count, value.noun, value.item]] : [])),
    ).toEqual([
      [8, 'piece', undefined],
      [2, 'piece', undefined],
      [2, 'piece', undefined],
    ]));
  it('reads a ceiling whose word stands behind its figure', () =>
    expect(facts.flatMap(({ value }) => (value.kind === 'torque' ? [[value.max, value.only]] : []))).toEqual([
      [105, undefined],
      [45, undefined],
      [6, 'ceiling'],
    ]));
});

describe('rows that say their own unit', () => {
  const { facts } = readSheet(`Spacer set WS-25              Front axle      Rear axle
Spacer thickness, mm          20              25
Bolts to hub                  5 x M14x1.5x45  5 x M14x1.5x45
Torque to hub, Nm             120             120
Wheel nuts, Nm                130             140
Key, mm                       17              19
`);
  const of = (kind: string) => facts.filter(({ value }) => value.kind === kind).map(({ printed }) => printed);
  it('give their figures, one where both columns have the same', () =>
    expect(of('torque')).toEqual(['120', '130', '140']));
  it('count nothing that they measure', () => expect(of('count')).toEqual(['5 x M14x1.5x45', '5 x M14x1.5x45']));
  it('say with what it is turned', () => expect(of('drive')).toEqual(['17', '19']));
});
