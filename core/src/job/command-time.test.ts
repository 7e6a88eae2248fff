import { describe, expect, it } from '@jest/globals';
import { bestTimeMs } from './command-time.ts';

describe('when a command was given', () => {
  it.each([
    ['as the device says, between its sign-in and its coming in', 500, 100, 900, 500],
    ['not after it came in', 2000, 100, 900, 900],
    ['not before its person could have', 50, 100, 900, 100],
    ['a bound from a clock of the future does not carry it past its coming in', 50, 2000, 900, 900],
  ])('%s', (_, claimed, notBefore, received, wanted) => {
    expect(bestTimeMs(claimed, notBefore, received)).toBe(wanted);
  });
});
