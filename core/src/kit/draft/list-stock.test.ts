import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { draftPacking } from './draft-packing.ts';
import { startDrafting } from './drafting.ts';
import { stockOfList } from './list-stock.ts';

const SHEET = `Kit contains:
4 U-bolts 9/16-18 x 280
8 high nuts 9/16-18
6 bolts M10 x 1.5 x 30
6 nuts M10 x 1.5

1. Bracket to frame: six M10 bolts, 45 Nm.
2. U-bolts on, high nuts to 130 Nm.
`;

function stock() {
  const read = readSheet(SHEET);
  const drafting = startDrafting(read, read.facts, { id: 'k', title: 'Kit', maker: 'Maker' });
  const list = stockOfList(drafting, draftPacking(drafting));
  const [bracket = -1, axle = -1] = read.facts.flatMap(({ value, step }) => (value.kind === 'torque' ? [step] : []));
  return { list, bracket, axle };
}

describe('the stock of a list', () => {
  it('is looked up by kind and by thread', () => {
    const { list } = stock();
    expect(list.of('nut').map(({ quantity }) => quantity)).toEqual([8, 6]);
    expect(list.of('nut', 'M10 x 1.5').map(({ quantity }) => quantity)).toEqual([6]);
    expect(list.of('nut', 'M12 x 1.75')).toEqual([]);
    expect([...list.metricSizes]).toEqual([10]);
    expect(list.uBolts).toBe(true);
  });

  it('has less of what a joint took', () => {
    const { list, bracket } = stock();
    const [bolt] = list.of('bolt', 'M10 x 1.5');
    expect(list.left(bolt, bracket)).toBe(6);
    if (bolt) list.use(bolt, 4);
    expect([list.left(bolt, bracket), list.unused(bolt)]).toEqual([2, 2]);
    expect(list.left(undefined, bracket)).toBe(0);
  });

  it('keeps the nuts of U-bolts for the figure that is said of them', () => {
    const { list, bracket, axle } = stock();
    const [high] = list.of('nut');
    expect([list.left(high, bracket), list.left(high, axle)]).toEqual([0, 8]);
    expect(list.unused(high)).toBe(8);
  });
});
