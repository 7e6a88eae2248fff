import { afterEach, describe, expect, it } from '@jest/globals';
import type { Session } from '#contract/session.ts';
import type { HouseRules } from '#core/kit/house-rules.ts';
import { useSession } from './session.ts';
import { fromField, shopFormat, toField } from './shop-time.ts';

function inShop(dates?: HouseRules['dates']) {
  const rules = { timeZone: 'Europe/Berlin', ...(dates ? { dates } : {}) };
  useSession.setState({
    session: { shop: { id: 's', name: 'Harrow Lane', bays: 2, secretDigits: 4, rules } } as Session,
  });
}
afterEach(() => useSession.setState({ session: undefined }));

/** A Friday, half past one in the afternoon on the wall. */
const THEN = Date.UTC(2026, 10, 27, 12, 30, 5);

describe('a time as the shop writes it', () => {
  it.each([
    ['d MMM HH:mm', '27 Nov 13:30', 'Nov 27 1:30 PM', '11-27 13:30'],
    ['EEE d MMM yyyy HH:mm', 'Fri 27 Nov 2026 13:30', 'Fri Nov 27, 2026 1:30 PM', 'Fri 2026-11-27 13:30'],
    ['EEEE d MMMM', 'Friday 27 November', 'Friday, November 27', 'Friday 27 November'],
    [
      "EEEE d MMMM 'at' HH:mm",
      'Friday 27 November at 13:30',
      'Friday, November 27 at 1:30 PM',
      'Friday 27 November at 13:30',
    ],
    ['EEE HH:mm', 'Fri 13:30', 'Fri 1:30 PM', 'Fri 13:30'],
    ['HH:mm:ss', '13:30:05', '1:30:05 PM', '13:30:05'],
    ['H', '13', '1 PM', '13'],
  ])('%s', (pattern, dayFirst, monthFirst, yearFirst) => {
    inShop();
    expect(shopFormat(THEN, pattern)).toBe(dayFirst);
    inShop('monthFirst');
    expect(shopFormat(THEN, pattern)).toBe(monthFirst);
    inShop('yearFirst');
    expect(shopFormat(THEN, pattern)).toBe(yearFirst);
  });
  it('fields of forms are the same in every shop', () => {
    for (const dates of [undefined, 'monthFirst', 'yearFirst'] as const) {
      inShop(dates);
      expect(toField(THEN)).toBe('2026-11-27T13:30');
      expect(fromField(toField(THEN))).toBe(Date.UTC(2026, 10, 27, 12, 30));
    }
  });
});
