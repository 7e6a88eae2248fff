import { describe, expect, it } from '@jest/globals';
import { lookAlikes, type Seen } from './look-alike.ts';

const bolt = (over: Partial<Seen>): Seen => ({
  kind: 'bolt',
  name: 'Bolt',
  thread: 'M10 x 1.5',
  lengthMm: 30,
  head: 'hex',
  propertyClass: '10.9',
  ...over,
});
const washer = (over: Partial<Seen>): Seen => ({
  kind: 'washer',
  name: 'Washer',
  insideMm: 10.5,
  outsideMm: 21,
  ...over,
});
const apart = (a: Seen, b: Seen) => lookAlikes(a, [b])[0]?.differs.map(({ what }) => what);

describe('look-alikes', () => {
  it.each<[string, Seen, Seen, string[] | undefined]>([
    ['5 mm longer', bolt({}), bolt({ lengthMm: 35 }), ['length']],
    ['twice as long is seen at once', bolt({}), bolt({ lengthMm: 60 }), undefined],
    ['fine beside coarse', bolt({}), bolt({ thread: 'M10 x 1.25' }), ['thread']],
    // 3/8 in is 9.525 mm, 5/16 in 7.938 mm: an inch bolt among metric ones.
    ['3/8 in beside 10 mm', bolt({}), bolt({ thread: '3/8-16' }), ['thread']],
    ['5/16 in beside 8 mm', bolt({ thread: 'M8 x 1.25' }), bolt({ thread: '5/16-18' }), ['thread']],
    ['M8 beside M10 is seen', bolt({ thread: 'M8 x 1.25' }), bolt({}), undefined],
    ['a lower class', bolt({}), bolt({ propertyClass: '8.8' }), ['class']],
    ['another head is seen', bolt({}), bolt({ head: 'socketCap', lengthMm: 35 }), undefined],
    ['left-hand beside right-hand', bolt({}), bolt({ leftHand: true }), ['hand']],
    ['the same piece twice is no look-alike', bolt({}), bolt({}), undefined],
    ['washers 0.5 mm apart inside', washer({}), washer({ insideMm: 11 }), ['inside']],
    ['a fender washer is seen', washer({}), washer({ outsideMm: 30 }), undefined],
    [
      'a nylon nut beside a plain one',
      bolt({ kind: 'nut', lengthMm: undefined, locking: 'nylon' }),
      bolt({ kind: 'nut', lengthMm: undefined }),
      ['locking'],
    ],
  ])('%s', (_, a, b, differs) => {
    expect(apart(a, b)).toEqual(differs);
    // What looks like something looks like it from the other side too.
    expect(apart(b, a)).toEqual(differs);
  });
  it('handed parts of one name are told by their side and mark', () => {
    const arm = (side: 'left' | 'right'): Seen => ({
      kind: 'part',
      name: `Upper arm, ${side}`,
      side,
      mark: side === 'left' ? 'L' : 'R',
    });
    expect(lookAlikes(arm('left'), [arm('right')])[0]?.differs).toEqual([
      { what: 'side', is: 'left', otherIs: 'right' },
      { what: 'mark', is: 'L', otherIs: 'R' },
    ]);
  });
  it('a bolt with no readable thread is compared with nothing', () => {
    expect(lookAlikes(bolt({ thread: '16 mm' }), [bolt({})])).toEqual([]);
  });
});
