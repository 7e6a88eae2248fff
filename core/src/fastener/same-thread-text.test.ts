import { expect, it } from '@jest/globals';
import { isSameThreadText } from './same-thread-text.ts';

it.each([
  ['M10 x 1.5', 'M10×1.5', true],
  ['M10 x 1.5', 'M10', true],
  ['M10 x 1.25', 'M10', false],
  ['3/8-16', '3/8-16', true],
  ['3/8-16', '3/8-24', false],
  ['no thread', 'No Thread', true],
])('%s and %s', (a, b, same) => {
  expect(isSameThreadText(a, b)).toBe(same);
});
