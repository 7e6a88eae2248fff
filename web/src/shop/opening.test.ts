import { afterEach, describe, expect, it } from '@jest/globals';
import type { Session } from '#contract/session.ts';
import { readWeek } from '#contract/wording/opening-hours-text.ts';
import { dayScale } from '../feature/bays/day-scale.ts';
import { useSession } from './session.ts';
import { closedThen, nextOpening, openThen } from './shop-time.ts';

const week = readWeek('Mon-Thu 7:30-17:00\nFri 7:30-15:00');
if (typeof week === 'string') throw new Error(week);
/** A shop in a zone an hour ahead of UTC in winter. */
function at(hours: boolean) {
  const rules = {
    timeZone: 'Europe/Berlin',
    ...(hours ? { hours: { week, holidays: [{ day: '2026-12-25', name: 'Midwinter' }] } } : {}),
  };
  useSession.setState({
    session: { shop: { id: 's', name: 'Harrow Lane', bays: 2, secretDigits: 4, rules } } as Session,
  });
}
afterEach(() => useSession.setState({ session: undefined }));
const utc = (text: string) => Date.parse(`${text}:00Z`);
const iso = (ms: number) => new Date(ms).toISOString().slice(0, 16);

describe('a shop that says when it is open', () => {
  it('counts by its own clock', () => {
    at(true);
    // 6:40 UTC is 7:40 on its wall.
    expect(closedThen(utc('2026-11-26T06:40'))).toBeUndefined();
    expect(closedThen(utc('2026-11-26T06:20'))).toEqual({ why: 'early', opensMin: 450 });
    expect(closedThen(utc('2026-11-27T14:30'))).toEqual({ why: 'late', closesMin: 900 });
    expect(closedThen(utc('2026-11-28T10:00'))).toEqual({ why: 'weekday' });
    expect(closedThen(utc('2026-12-25T10:00'))).toEqual({ why: 'holiday', name: 'Midwinter' });
    expect(openThen(utc('2026-11-28T10:00'))).toBeNull();
    expect(closedThen(Number.NaN)).toBeUndefined();
  });
  it('opens next on a day it is open: over a weekend, and over a holiday', () => {
    at(true);
    expect(iso(nextOpening(utc('2026-11-27T10:00')))).toBe('2026-11-30T06:30');
    expect(iso(nextOpening(utc('2026-12-24T10:00')))).toBe('2026-12-28T06:30');
    at(false);
    expect(iso(nextOpening(utc('2026-11-27T10:00')))).toBe('2026-11-28T07:00');
  });
  it('gives the day its length', () => {
    at(true);
    const friday = dayScale([], utc('2026-11-26T23:00'), utc('2026-11-01T00:00'));
    expect([iso(friday.fromMs), iso(friday.toMs)]).toEqual(['2026-11-27T06:00', '2026-11-27T14:00']);
    at(false);
    const usual = dayScale([], utc('2026-11-26T23:00'), utc('2026-11-01T00:00'));
    expect([iso(usual.fromMs), iso(usual.toMs)]).toEqual(['2026-11-27T07:00', '2026-11-27T17:00']);
  });
});
