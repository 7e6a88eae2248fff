import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { closedAt, openOn, weekdayOf } from '#core/shop/opening-hours.ts';
import { closedText, holidaysText, readHolidays, readWeek, weekText } from './opening-hours-text.ts';

const week = readWeek('Mon-Thu 7:30-17:00\nFri 7.30 – 15:00\nSaturday 9:00-12:00');
const hours = { week: typeof week === 'string' ? [] : week, holidays: [{ day: '2026-12-25', name: 'Midwinter' }] };

describe('opening hours', () => {
  it('are read as they are typed, and days that are not named are closed', () => {
    expect(weekText(hours.week)).toBe('Mon-Thu 7:30-17:00\nFri 7:30-15:00\nSat 9:00-12:00');
    expect(hours.week[6]).toBeNull();
  });
  it.each([
    ['Mon 17:00-8:00', /from an earlier to a later time/],
    ['Mon 8:00-24:30', /from an earlier/],
    ['Mon 8:75-9:00', /from an earlier/],
    ['Foo 8:00-9:00', /no opening time/],
    ['Fri-Mon 8:00-9:00', /no opening time/],
    ['eight to five', /no opening time/],
    ['Mon-Wed 8:00-9:00\nTue 10:00-11:00', /Tue is said twice/],
  ])('%j is refused with what and where', (typed, why) => {
    expect(readWeek(typed)).toMatch(why);
  });
  it('come back as they were, whatever they are', () => {
    const day = fc
      .tuple(fc.integer({ min: 0, max: 1439 }), fc.integer({ min: 1, max: 1440 }))
      .filter(([from, to]) => from < to)
      .map(([fromMin, toMin]) => ({ fromMin, toMin }));
    fc.assert(
      fc.property(fc.array(fc.option(day), { minLength: 7, maxLength: 7 }), (any) => {
        expect(readWeek(weekText(any))).toEqual(any);
      }),
    );
  });
  // ISO 8601: weeks begin on Monday. 25 December 2026 is a Friday, 28 February 2028 a Monday (the published calendar).
  it('know the day of the week of a date', () => {
    expect([weekdayOf('2026-12-25'), weekdayOf('2028-02-28'), weekdayOf('2028-02-29')]).toEqual([4, 0, 1]);
  });
  it('say why nobody is there', () => {
    const at = (day: string, minute: number) => {
      const closed = closedAt(hours, day, minute);
      return closed && closedText(closed);
    };
    expect(at('2026-11-27', 7 * 60)).toBe('The shop opens at 7:30 that day.');
    expect(at('2026-11-27', 15 * 60)).toBeUndefined();
    expect(at('2026-11-27', 15 * 60 + 1)).toBe('The shop closes at 15:00 that day.');
    expect(at('2026-11-29', 600)).toBe('The shop is closed on that day of the week.');
    expect(at('2026-12-25', 600)).toBe('The shop is closed that day: Midwinter.');
    expect(openOn(hours, '2026-12-25')).toBeNull();
    expect(openOn(hours, '2026-12-26')).toEqual({ fromMin: 540, toMin: 720 });
  });
});

describe('holidays', () => {
  it('are days of the calendar with a name, once each, in their order', () => {
    const read = readHolidays('2027-01-01\n2026-12-25 Midwinter');
    expect(typeof read === 'string' ? read : holidaysText(read)).toBe('2026-12-25 Midwinter\n2027-01-01');
    for (const [typed, why] of [
      ['2026-02-30', /no day/],
      ['25.12.2026', /no day/],
      ['2026-12-25\n2026-12-25 again', /said twice/],
    ] as const)
      expect(readHolidays(typed)).toMatch(why);
  });
});
