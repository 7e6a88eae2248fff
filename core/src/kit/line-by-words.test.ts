import { describe, expect, it } from '@jest/globals';
import { linesByWords } from './line-by-words.ts';

const ITEMS = [
  { id: 'damper', kind: 'bolt' as const, name: 'Damper bolt M12 × 90', thread: 'M12 x 1.75', acrossFlatsMm: 18 },
  { id: 'm8', kind: 'bolt' as const, name: 'Flange bolt M8 × 25', thread: 'M8 x 1.25', acrossFlatsMm: 13 },
  {
    id: 'm13',
    kind: 'bolt' as const,
    name: 'Hex bolt',
    thread: 'M12 x 1.75',
    acrossFlatsMm: 19,
    aliases: ['long one'],
  },
  { id: 'wheel', kind: 'nut' as const, name: 'Wheel nut M12', thread: 'M12 x 1.5', acrossFlatsMm: 19 },
  { id: 'cap', kind: 'bolt' as const, name: 'Socket cap screw M10', thread: 'M10 x 1.5', acrossFlatsMm: 8 },
  { id: 'pin', kind: 'pin' as const, name: 'Split pin 3.2 × 32' },
];
const meant = (words: string) => linesByWords(words, ITEMS).lines.map(({ id }) => id);

/** What things are called in the trade: common practice, no source. */
describe('what a person calls a line', () => {
  it.each([
    ['shock bolt', ['damper']],
    ['lug nut', ['wheel']],
    ['cotter', ['pin']],
    ['allen bolt', ['cap']],
    ['flange', ['m8']],
    ['the long one', ['m13']],
    ['M12 x 1.5', ['wheel']],
    ['m12x1.75', ['damper', 'm13']],
    ['gasket', []],
    ['', []],
  ])('%s', (words, ids) => expect(meant(words)).toEqual(ids));

  it('asks of a bare figure whether it is a thread or a spanner', () => {
    const { bare } = linesByWords('the 13 bolt', ITEMS);
    expect(bare).toMatchObject({ mm: 13 });
    expect(bare?.asThread).toEqual([]);
    expect(bare?.asSpanner.map(({ id }) => id)).toEqual(['m8']);
    expect(linesByWords('8mm bolt', ITEMS).bare).toMatchObject({
      asThread: [{ id: 'm8' }],
      asSpanner: [{ id: 'cap' }],
    });
    // A thread callout is not bare, nor is a length beside one.
    for (const words of ['M8 bolt', 'M8 x 25 bolt', 'shock bolt'])
      expect(linesByWords(words, ITEMS).bare).toBeUndefined();
  });
});
