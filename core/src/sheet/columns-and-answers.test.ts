import { describe, expect, it } from '@jest/globals';
import { modelColumns } from './model-columns.ts';
import { readSheet } from './read-sheet.ts';

const facts = (text: string, kind: string) =>
  readSheet(text).facts.flatMap(({ value, printed }) => (value.kind === kind ? [{ ...value, printed }] : []));
const threads = (text: string) =>
  facts(text, 'thread').map((value) => ('designation' in value ? [value.designation, value.printed] : []));
const pieces = (text: string) =>
  readSheet(text).facts.flatMap(({ value }) =>
    value.kind === 'count' && value.item !== undefined ? [[value.count, value.noun]] : [],
  );

describe('metric sizes as American sheets write them', () => {
  const sheet = `Hardware
12   8mm-1.25 x 25mm hex bolts
12   8mm lock washers
12   6mm-1.0 x 20mm carriage bolts
12   6mm nylon lock nuts
1. Attach the bracket with two 8mm hex bolts (13 mm socket).
2. Tighten the 8mm bolts to 17 ft-lbs and the 6mm nuts to 60 in-lbs.`;
  it('are threads wherever they stand, as they are printed', () =>
    expect(threads(sheet)).toEqual([
      ['M8 × 1.25', '8mm-1.25 x 25mm'],
      ['M8 × 1.25', '8mm'],
      ['M6 × 1', '6mm-1.0 x 20mm'],
      ['M6 × 1', '6mm'],
      ['M8 × 1.25', '8mm'],
      ['M8 × 1.25', '8mm'],
      ['M6 × 1', '6mm'],
    ]));
  it('leave the drives that are said', () =>
    expect(facts(sheet, 'drive').map(({ printed }) => printed)).toEqual(['13 mm socket']));
  it.each([['Remove the eight 13mm bolts.'], ['Undo the 10 mm bolts of the tray.'], ['Open the hole to 8 mm.']])(
    'are none in a sheet that writes no thread so: %s',
    (text) => expect(threads(text)).toEqual([]),
  );
});

describe('rows of a list', () => {
  it('name a bolt by its size alone', () =>
    expect(
      pieces(
        'In the crate\n  A  plate              1\n  D  M10 x 1.5 x 30, 8.8     8\n  E  1/2-13 x 3         4\n  F  nut M12            4',
      ),
    ).toEqual([
      [1, 'plate'],
      [8, 'bolt'],
      [4, 'bolt'],
      [4, 'nut'],
    ]));
  it('may begin with the bag they are in', () =>
    expect(
      pieces('PARTS\nBAG A  4 EA  1/2-13 X 3 GR 8 BOLT\n       4 EA  1/2-13 TOPLOCK NUT\n       8 EA  1/2 SAE WASHER'),
    ).toEqual([
      [4, 'bolt'],
      [4, 'nut'],
      [8, 'washer'],
    ]));
  it('count behind a cross that stands off the size', () =>
    expect(pieces('[PARTS] spacer ×2, flange nut M10 ×6, stud bolt M10×25 ×6 (pressed in), sticker ×1')).toEqual([
      [2, 'spacer'],
      [6, 'nut'],
      [6, 'bolt'],
      [1, 'sticker'],
    ]));
  it('may have their numbers in circles, all in one line', () =>
    expect(pieces('① bracket 4x   ② T-slot nut M8 8x   ③ bolt M8x30 8x   ④ washer 8.4 16x\n1. Fit them.')).toEqual([
      [4, 'bracket'],
      [8, 'nut'],
      [8, 'bolt'],
      [16, 'washer'],
    ]));
  it('part what comes with a bolt', () =>
    expect(pieces('Need: 2 packs, 4 u bolts 9/16 w/ 8 nuts, 8 bushings.')).toContainEqual([8, 'nut']));
  it('know the head of an intake from a bolt', () =>
    expect(pieces('Parts: body, head, template, 2 hose clamps, 6 studs M6 x 30.')).toContainEqual([1, 'part']));
});

describe('letters below a number', () => {
  const { steps } = readSheet(`1  Front wing
   a  Remove the liner.
   b  Tape the template to the wing.
2  Body
   a  Screw the studs into the body, 4 Nm.
   b  Fit the nuts, 6 Nm.`);
  it('are steps with both', () =>
    expect(steps.map(({ number, text }) => [number, text.split(' ')[0]])).toEqual([
      ['1', 'Front'],
      ['1a', 'Remove'],
      ['1b', 'Tape'],
      ['2', 'Body'],
      ['2a', 'Screw'],
      ['2b', 'Fit'],
    ]));
  it('are no labels of a list', () =>
    expect(
      readSheet('Parts\n  a  Plate   1\n  b  Bolt M8   4\n  c  Nut M8   4').steps.map(({ number }) => number),
    ).not.toContain('a'));
});

describe('questions and answers by their letters', () => {
  const talk = `Q What is in the bag?
A Ten M8 by 25 button heads, ten M8 nylocs, twenty M8 washers.

Q How tight?
A 20 Nm the feet, 12 Nm the roller, 4 the end caps, no more, they are into plastic.

Q Again later?
A Feet after the first hundred kilometres.`;
  it('count what the answer counts', () =>
    expect(pieces(talk)).toEqual([
      [10, 'head'],
      [10, 'nyloc'],
      [20, 'washer'],
    ]));
  it('give a figure without its unit that of those before', () =>
    expect(facts(talk, 'torque').map((value) => ('maxNm' in value ? value.maxNm : 0))).toEqual([20, 12, 4]));
  it('keep an answer apart from what is asked', () =>
    expect(readSheet(talk).steps.map(({ text }) => text)).toContain('How tight?'));
});

describe('small words', () => {
  it.each([
    ['Two screws M8 x 20, 18 Nm. Dry.', 'dry'],
    ['Put silicone around the hole.', 'compound'],
    ['WHEELS 100 FT#, STAR.', 'pattern'],
    ['Unbolt the links, 15 mm top, 18 mm bottom.', 'drive'],
    ['Remove the stabilizer link nut {14 mm}.', 'drive'],
  ])('are read: %s', (text, kind) => expect(facts(text, kind).length).toBeGreaterThan(0));
  it('no nut is as long as it is counted', () => {
    expect(threads('Fit flange nut M10 ×6.').map(([size]) => size)).toEqual(['M10 × 1.5']);
    expect(facts('Fit flange nut M10 ×6.', 'thread')[0]).not.toHaveProperty('lengthMm');
    expect(facts('Fit the screw M10 x 20.', 'thread')[0]).toHaveProperty('lengthMm', 20);
  });
  it('Dry weather is nothing done to a thread', () =>
    expect(facts('Dry weather is best. Work outside.', 'dry')).toEqual([]));
});

describe('columns by vehicle', () => {
  const table = (heads: string) => `                         |  ${heads}
  Cross bar to rails     |  95 Nm      |  110 Nm
  Plates to bar          |  48 Nm      |  48 Nm
  Plate to gearbox       |  not fitted |  40 Nm`;
  const models = (text: string) => [...modelColumns(text).values()];
  it('give each figure its own', () =>
    expect(models(table('short      |  long'))).toEqual(['short', 'long', 'short', 'long', 'long']));
  it('are no columns of places', () => expect(models(table('front      |  rear'))).toEqual([]));
  it('are no columns of units', () => expect(models(table('N·m        |  ft-lb'))).toEqual([]));
  it('are no question where one column is of old values', () =>
    expect(
      readSheet(
        'Position          Issue B      Issue C\nbracket to frame  90 Nm        98 Nm\nbrake line clip   9 Nm         10 Nm',
      ).facts.flatMap(({ model }) => model ?? []),
    ).toEqual([]));
  it('read a spreadsheet kept as text', () =>
    expect(
      facts(
        'Pos;Joint;Fastener;Qty;Tool;Torque Nm\n10;Arm to frame;M12 x 1.75 x 95;4;18 mm;110\n30;Ball joint;M8 x 1.25 x 25;8;13 mm;28\n40;Bracket;M6 x 1 x 16;2;10 mm;9',
        'torque',
      ).map((value) => ('maxNm' in value ? value.maxNm : 0)),
    ).toEqual([110, 28, 9]));
});
