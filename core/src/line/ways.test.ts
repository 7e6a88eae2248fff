import { describe, expect, it } from '@jest/globals';
import { HELD_BY } from '../kit/kit-step.ts';
import { waysIn } from './ways-in.ts';
import { waysOff } from './ways-off.ts';

const right = (options: ReturnType<typeof waysOff> | undefined) =>
  options?.filter(({ is }) => is === 'right').map(({ value }) => value);

// Common practice, no source: a press where the boot stays, a fork for scrap, heat for high strength.
describe('how the trade gets a thing out', () => {
  it('always has a right way, and says why of each', () => {
    for (const heldBy of HELD_BY)
      for (const fate of ['refit', 'scrap'] as const) {
        const options = waysOff(heldBy, fate);
        expect(right(options)?.length).toBeGreaterThan(0);
        expect(options.every(({ trade }) => trade !== undefined)).toBe(true);
      }
  });
  it('never drives a fork into a joint that goes back on, nor burns out a bush that does', () => {
    const isOf = (options: ReturnType<typeof waysOff>, value: string) =>
      options.find((option) => option.value === value)?.is;
    expect(isOf(waysOff('taper', 'refit'), 'fork')).toBe('refused');
    expect(isOf(waysOff('taper', 'scrap'), 'fork')).toBe('right');
    expect(isOf(waysOff('taper', 'scrap'), 'strikeTaper')).toBe('wrong');
    expect(isOf(waysOff('pressFit', 'transfer'), 'burnOut')).toBe('refused');
    expect(isOf(waysOff('lockerHigh', 'refit'), 'cold')).toBe('wrong');
  });
});

describe('how a bush goes in', () => {
  it('is named by what bore and bush measure', () => {
    expect(right(waysIn(45, 44.8))).toEqual(['retain']);
    expect(right(waysIn(45, 45.03))).toEqual(['pressIn']);
    expect(right(waysIn(45, 45.09))).toEqual(['warmOrChill']);
  });
  it('stakes a bore last of all, and finds no way for parts that cannot belong together', () => {
    expect(waysIn(45, 45.03)?.at(-1)).toMatchObject({ value: 'deformBore', is: 'wrong' });
    expect(waysIn(45, 48)).toBeUndefined();
    expect(waysIn(0, 48)).toBeUndefined();
  });
});
