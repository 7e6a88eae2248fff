import { describe, expect, it } from '@jest/globals';
import { readSheet } from './read-sheet.ts';

const WORK = '\n\n1. Fit the plate.\n2. Torque the M8 bolts to 22 Nm.\n';
/** The pieces a sheet lists, as `4 washers`. */
const listed = (list: string): string[] =>
  readSheet(list + WORK).facts.flatMap(({ value }) =>
    value.kind === 'count' && value.item !== undefined ? [`${value.count} ${value.item}`] : [],
  );

describe('a packing list', () => {
  it.each([
    [
      'Contents: frame, two side plates, eight M12 bolts and as many nuts, a tube of paste.',
      ['1 frame', '2 side plates', '8 M12 bolts', '8 nuts', '1 tube of paste'],
    ],
    [
      'You should find: 1 off skid plate; 4 off M8 x 25 setscrews; 4 off M8 spring washers; 2 off spacers 20 mm long.',
      ['1 skid plate', '4 M8 x 25 setscrews', '4 M8 spring washers', '2 spacers 20 mm long'],
    ],
    [
      'Check the bag first. There ought to be four M8 bolts 25 long, eight washers, four nyloc nuts and a bracket.',
      ['4 M8 bolts 25 long', '8 washers', '4 nyloc nuts', '1 bracket'],
    ],
    ['| bolt M8x25 | x4 |\n| washer | x8 |\n| skid plate | x1 |', ['4 bolt M8x25', '8 washer', '1 skid plate']],
    ['M8x25 - 4\nM8 washer - 8\nskid plate - 1', ['4 M8x25', '8 M8 washer', '1 skid plate']],
    ['Bag 1: 4 x M8x25, 4 x washer\nBag 2: 2 x M10x30, 2 x M10 nut', ['4 M8x25', '4 washer', '2 M10x30', '2 M10 nut']],
  ])('%s', (list, pieces) => expect(listed(list)).toEqual(pieces));
  it.each([
    ['figures behind dashes that no washer stands among', 'M8 bolts - 22\nM10 bolts - 48\nM12 bolts - 85'],
    ['a gap', 'There should be a gap of 3 mm, no more.'],
    ['a click', 'You should hear a click, then a second one.'],
    ['adjectives', 'Fit the long, black, stainless side.'],
  ])('is not made of %s', (_, text) => expect(listed(text)).toEqual([]));
  it('names no adjective of a counted piece as a piece of its own', () =>
    expect(listed('Contents: four M8 bolts, zinc plated, eight washers, one bracket, black.')).toEqual([
      '4 M8 bolts',
      '8 washers',
      '1 bracket',
    ]));
});
