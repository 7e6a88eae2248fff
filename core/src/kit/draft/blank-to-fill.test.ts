import { describe, expect, it } from '@jest/globals';
import { readSheet } from '../../sheet/read-sheet.ts';
import { blankToFill } from './blank-to-fill.ts';
import { draftKit } from './draft-kit.ts';

describe('a blank of a work card', () => {
  it.each([
    [
      'Gap board to sill: 18 mm at front ______ mm   at rear ______ mm   (max difference 2 mm)',
      { unit: 'mm', places: ['front', 'rear'], spread: 2, target: 18, tolerance: 2 },
    ],
    ['Hub to arch, left ____ mm, right ____ mm', { unit: 'mm', places: ['left', 'right'] }],
    ['Difference at most 2 mm: left ____ mm, right ____ mm', { unit: 'mm', places: ['left', 'right'], spread: 2 }],
    ['Free play: ____ mm', { unit: 'mm' }],
    ['Measured ______ in', { unit: 'in' }],
    ['Tilt ___° left, ___° right', { unit: '°' }],
    [
      'Ride height front ____ mm rear ____ mm, difference at most 1,5 mm',
      { unit: 'mm', places: ['Ride height front', 'rear'], spread: 1.5 },
    ],
  ])('%s', (text, blank) => expect(blankToFill(text)).toEqual(blank));
  it.each([
    'Signed ________   Checked by ________',
    '24 Nm   reading ______',
    'Gap 18 mm at the front',
    'Part no. ____ installed',
  ])('%s asks for no reading of a length', (text) => expect(blankToFill(text)).toBeUndefined());
  it('is measured in the draft, and not ticked', () => {
    const reading = readSheet(
      'Side step\n\n[ ] 1   Hang the bracket with two M8 bolts. Hand tight.\n[ ] 2   Gap to sill: 18 mm at front ______ mm   at rear ______ mm   (max difference 2 mm)\n[ ] 3   M8 bolts:   24 Nm      reading ______\n',
    );
    const { kit, assumed } = draftKit(reading, reading.facts, {
      id: 'step',
      title: 'Side step',
      maker: 'Lowmoor Fabrication',
    });
    expect(kit.checks).toMatchObject([{ unit: 'mm', places: ['front', 'rear'], spread: 2, target: 18, tolerance: 2 }]);
    expect(assumed).toContainEqual({ path: 'checks[0]', code: 'toleranceAssumed', about: 'Gap to sill' });
    expect(kit.steps.find(({ number }) => number === '2')?.actions).toEqual([
      { type: 'check', check: kit.checks[0]?.id },
    ]);
  });
});
