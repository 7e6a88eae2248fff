import { describe, expect, it } from '@jest/globals';
import { formatISO, parseISO, addMonths as reference } from 'date-fns';
import { addMonths } from './add-months.ts';

describe('calendar months', () => {
  it.each([
    ['2026-01-31', 1, '2026-02-28'],
    ['2028-01-31', 1, '2028-02-29'],
    ['2026-11-30', 12, '2027-11-30'],
    ['2026-03-31', -1, '2026-02-28'],
  ])('%s and %d months is %s', (day, months, sum) => expect(addMonths(day, months)).toBe(sum));

  it('agrees with date-fns over ten years of days', () => {
    for (let at = 0; at < 3650; at += 7) {
      const day = new Date(Date.UTC(2024, 0, 1) + at * 86_400_000).toISOString().slice(0, 10);
      for (const months of [1, 6, 12, 13, 60])
        expect([day, months, addMonths(day, months)]).toEqual([
          day,
          months,
          formatISO(reference(parseISO(day), months), { representation: 'date' }),
        ]);
    }
  });
});
