import { describe, expect, it } from '@jest/globals';
import type { Item } from '../kit-document.ts';
import { calledByLength } from './by-length.ts';

const bolt = (id: string, thread: string, lengthMm?: number): Item => ({
  id,
  kind: 'bolt',
  name: id,
  quantity: 4,
  line: '1',
  bag: '',
  source: 'kit',
  thread,
  ...(lengthMm === undefined ? {} : { lengthMm }),
});
const bolts = [bolt('a', 'M8 x 1.25', 25), bolt('b', 'M8 x 1.25', 40), bolt('c', 'M10 x 1.5', 60), bolt('d', 'M6 x 1')];

describe('bolts called by their length alone', () => {
  it.each([
    ['then the long one, ', 'c'],
    ['the longest bolts ', 'c'],
    // The short ones are the shorter of one size, not the shortest of the list.
    ['and the short ones ', 'a'],
    ['along the rail ', undefined],
    ['the bolts ', undefined],
  ])('%s', (phrase, id) => expect(calledByLength(phrase, bolts)?.id).toBe(id));

  it('are none where the list does not tell which', () => {
    expect(calledByLength('the long ones ', [bolt('a', 'M8', 40), bolt('b', 'M10', 40)])).toBeUndefined();
    expect(calledByLength('the short ones ', [bolt('a', 'M8', 40), bolt('b', 'M10', 20)])).toBeUndefined();
    expect(calledByLength('the long one ', [bolt('a', 'M8', 40)])).toBeUndefined();
  });
});
