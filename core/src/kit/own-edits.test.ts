import { describe, expect, it } from '@jest/globals';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import type { KitDocument } from './kit-document.ts';
import { editsToCarry, ownEdits } from './own-edits.ts';

const file = (revision: number) => ({ revision });
const own = (revision: number) => ({ revision, note: 'longer bolt' });

describe('the shop’s own edits when a maker’s newer file comes', () => {
  it.each([
    ['one edit on the first file', [file(1), own(2), file(3)], { from: 1, to: 2 }],
    [
      'several, on the newest file before them',
      [file(1), own(2), file(3), own(4), own(5), file(9)],
      { from: 3, to: 5 },
    ],
    ['in any order of the list', [own(2), file(3), file(1)], { from: 1, to: 2 }],
    ['none where the newest is the shop’s own', [file(1), own(2)], undefined],
    ['none where nothing was edited since the last file', [file(1), own(2), file(3), file(4)], undefined],
    ['none where there is no file they were made on', [own(1), file(2)], undefined],
    ['none of a kit with one revision, or none', [file(1)], undefined],
  ])('%s', (_, revisions, expected) => {
    expect(ownEdits(revisions)).toEqual(expected);
  });
  it('none of nothing', () => expect(ownEdits([])).toBeUndefined());
});

describe('each edit against the newer file', () => {
  const changed = (change: (kit: KitDocument) => void): KitDocument => {
    const kit = structuredClone(TRANSFER_CASE_GUARD);
    change(kit);
    return kit;
  };
  const longer = (kit: KitDocument) => {
    if (kit.items[0]) kit.items[0].lengthMm = 45;
  };
  const note = (kit: KitDocument) => {
    if (kit.stations[0]) kit.stations[0].note = 'hold the nut';
  };
  it('is carried where the newer file says the same, and told where it does not', () => {
    const ours = changed((kit) => {
      longer(kit);
      note(kit);
    });
    const edits = (newer: KitDocument) =>
      editsToCarry(TRANSFER_CASE_GUARD, ours, newer).map(({ change, carried }) => [change.field, carried]);
    expect(edits(TRANSFER_CASE_GUARD)).toEqual([
      ['lengthMm', false],
      ['note', false],
    ]);
    expect(edits(changed(longer))).toEqual([
      ['lengthMm', true],
      ['note', false],
    ]);
    expect(edits(ours).every(([, carried]) => carried)).toBe(true);
    expect(editsToCarry(TRANSFER_CASE_GUARD, TRANSFER_CASE_GUARD, changed(longer))).toEqual([]);
  });
});
