import { describe, expect, it } from '@jest/globals';
import { shopClock, shopDay, shopMoment, shopTime } from './shop-time.ts';

// Offsets and dates of changeover are the IANA time zone database's, as this Node carries it.
const BERLIN = { timeZone: 'Europe/Berlin' };
const NOON_UTC = Date.UTC(2026, 10, 27, 12);

describe('a time in the shop', () => {
  it('is the clock on its wall, with the zone beside it', () => {
    expect(shopTime(NOON_UTC, BERLIN)).toBe('2026-11-27 13:00 CET');
    expect(shopTime(Date.UTC(2026, 6, 1, 12), BERLIN)).toBe('2026-07-01 14:00 CEST');
    expect(shopTime(NOON_UTC, { timeZone: 'Australia/Adelaide' })).toMatch(/^2026-11-27 22:30 /);
    expect(shopTime(NOON_UTC)).toBe('2026-11-27 12:00 UTC');
  });
  it('is written as the shop writes it', () => {
    const chicago = { timeZone: 'America/Chicago', dates: 'monthFirst' } as const;
    expect(shopTime(NOON_UTC, chicago)).toMatch(/^Nov 27, 2026 6:00 AM /);
    expect(shopTime(NOON_UTC, { dates: 'yearFirst' })).toBe('2026-11-27 12:00 UTC');
    // The hours round noon and midnight, which twelve-hour clocks call twelve.
    const clock = (hour: number) =>
      shopClock(Date.UTC(2026, 10, 27, hour, 30), { timeZone: 'UTC', dates: 'monthFirst' });
    expect([0, 1, 11, 12, 13, 23].map(clock)).toEqual([
      '12:30 AM',
      '1:30 AM',
      '11:30 AM',
      '12:30 PM',
      '1:30 PM',
      '11:30 PM',
    ]);
  });
  it('in a table leaves out its year and zone', () => {
    expect(shopMoment(NOON_UTC)).toBe('11-27 12:00');
    expect(shopMoment(NOON_UTC, { ...BERLIN, dates: 'monthFirst' })).toBe('Nov 27 1:00 PM');
  });
  it('may be another day than in UTC', () => {
    const late = Date.UTC(2026, 11, 31, 23, 30);
    expect(shopDay(late, BERLIN)).toBe('2027-01-01');
    expect(shopClock(late, BERLIN)).toBe('00:30');
    expect(shopDay(late, { timeZone: 'America/Chicago' })).toBe('2026-12-31');
  });
});
