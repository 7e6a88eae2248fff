import { describe, expect, it } from '@jest/globals';
import { buildMonthField, isBuildMonth, readBuildMonth } from './build-month.ts';
import { evaluate } from './condition.ts';

describe('the month a vehicle was built in', () => {
  it('is read as a month field gives it, and written back the same', () => {
    for (const text of ['2019-03', '1999-12', '2026-01']) expect(buildMonthField(readBuildMonth(text) ?? 0)).toBe(text);
    for (const text of ['2019-13', '2019-00', '2019-3', 'March 2019', '', '1880-01'])
      expect(readBuildMonth(text)).toBeUndefined();
    expect([201_900, 201_913, 201_903.5, 19].map(isBuildMonth)).toEqual([false, false, false, false]);
  });
  it('compares as one number: a kit for vehicles built from September 2020 takes January 2021 and not August', () => {
    const from = { question: 'built', atLeast: 202_009 };
    expect(evaluate(from, { built: 202_101 }).truth).toBe('true');
    expect(evaluate(from, { built: 202_008 }).truth).toBe('false');
    expect(evaluate(from, {}).truth).toBe('unknown');
  });
});
