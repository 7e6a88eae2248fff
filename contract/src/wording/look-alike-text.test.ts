import { expect, it } from '@jest/globals';
import type { Difference } from '#core/kit/look-alike.ts';
import { differenceText, mixedUpText } from './look-alike-text.ts';

it.each<[Difference, string]>([
  [{ what: 'length', mm: 30, otherMm: 35 }, '30 mm long, not 35 mm'],
  [{ what: 'inside', mm: 10.5, otherMm: 11 }, '10.5 mm inside, not 11 mm'],
  [{ what: 'outside', mm: 21, otherMm: 24 }, '21 mm outside, not 24 mm'],
  [{ what: 'thickness', mm: 2, otherMm: 2.5 }, '2 mm thick, not 2.5 mm'],
  [{ what: 'thread', is: 'M10 × 1.25', otherIs: 'M10 × 1.5' }, 'M10 × 1.25, not M10 × 1.5'],
  [{ what: 'finish', is: 'black', otherIs: 'zinc' }, 'black, not zinc'],
  [{ what: 'side', is: 'left', otherIs: 'right' }, 'for the left, not the right'],
  [{ what: 'mark', is: 'A', otherIs: 'B' }, 'stamped A, not B'],
  [{ what: 'hand', left: true }, 'left-hand thread'],
  [{ what: 'locking', locks: false }, 'does not grip by itself'],
])('%j', (difference, text) => {
  expect(differenceText(difference)).toBe(text);
  expect(mixedUpText(difference) ?? 'nothing').toMatch(/^[A-Zn][^{}]+$/);
});
it('a class is told as it stands on the head', () => {
  expect(differenceText({ what: 'class', is: '10.9', otherIs: '8.8' })).toMatch(/10\.9 on the head, not .*8\.8/);
  expect(mixedUpText({ what: 'length', mm: 30, otherMm: 20 })).toMatch(/too few threads/);
  expect(mixedUpText({ what: 'length', mm: 30, otherMm: 40 })).toMatch(/bottom/);
});
