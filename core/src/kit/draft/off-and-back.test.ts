import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { lintKit } from '../lint/lint.ts';
import { draftKit } from './draft-kit.ts';

function drafted(text: string) {
  const reading = readSheet(text);
  return draftKit(reading, reading.facts, { id: 'paper', title: 'Paper', maker: 'Pennant Works' }).kit;
}

const LIFT = `1. Unbolt the shocks at the axle end. Keep the hardware.
2. Remove the stock U-bolts one side at a time. Discard them.
3. Set the block on the pad and raise the axle.
4. Refit the shocks with the stock hardware. Torque to 66 ft-lbs.
`;

describe('what comes off', () => {
  const kit = drafted(LIFT);
  it('is called by what it is, and not by the turns it is done in', () =>
    expect(kit.removed.map(({ name, fate }) => [name, fate])).toEqual([
      ['shocks', 'refit'],
      ['stock U-bolts', 'scrap'],
    ]));
  it('goes back by its own words: `stock` says nothing of which', () =>
    expect(
      kit.steps.flatMap(({ actions }) => actions.flatMap((act) => (act.type === 'refit' ? [act.removed] : []))),
    ).toEqual([kit.removed[0]?.id]));
  it('stands in nobody’s way when it is discarded in a sentence of its own', () =>
    expect(lintKit(kit).filter(({ severity }) => severity === 'error')).toEqual([]));
  it('that a later sentence bins goes back where another piece of the same name does not', () => {
    const [clips] = drafted(
      '1. Take off the trim clips. Bin them.\n2. Fit the bar.\n3. Refit the trim with new clips.\n',
    ).removed;
    expect(clips?.fate).toBe('scrap');
  });
});
