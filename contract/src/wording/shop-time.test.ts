import { describe, expect, it } from '@jest/globals';
import { shopClock, shopDay, shopTime } from './shop-time.ts';

// Offsets and dates of changeover are the IANA time zone database's, as this Node carries it.
const NOON_UTC = Date.UTC(2026, 10, 27, 12);

describe('a time in the shop', () => {
  it('is the clock on its wall, with the zone beside it', () => {
    expect(shopTime(NOON_UTC, 'Europe/Berlin')).toBe('2026-11-27 13:00 CET');
    expect(shopTime(Date.UTC(2026, 6, 1, 12), 'Europe/Berlin')).toBe('2026-07-01 14:00 CEST');
    expect(shopTime(NOON_UTC, 'Australia/Adelaide')).toMatch(/^2026-11-27 22:30 /);
    expect(shopTime(NOON_UTC)).toBe('2026-11-27 12:00 UTC');
  });
  it('may be another day than in UTC', () => {
    const late = Date.UTC(2026, 11, 31, 23, 30);
    expect(shopDay(late, 'Europe/Berlin')).toBe('2027-01-01');
    expect(shopClock(late, 'Europe/Berlin')).toBe('00:30');
    expect(shopDay(late, 'America/Chicago')).toBe('2026-12-31');
  });
});
