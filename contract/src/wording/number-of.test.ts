import { expect, it } from '@jest/globals';
import { numberOf } from './number-of.ts';

it.each([
  [0, 'station', '0 stations'],
  [1, 'station', '1 station'],
  [2, 'packing line', '2 packing lines'],
  [1, 'pass', '1 pass'],
  [3, 'pass', '3 passes'],
])('%i %s is %s', (count, what, text) => expect(numberOf(count, what)).toBe(text));
