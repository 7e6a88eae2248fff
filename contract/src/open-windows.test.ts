import { describe, expect, it } from '@jest/globals';
import { openWindows } from './open-windows.ts';

const WEEKDAYS = { fromMin: 8 * 60, toMin: 17 * 60 };
const hours = {
  week: [WEEKDAYS, WEEKDAYS, WEEKDAYS, WEEKDAYS, WEEKDAYS, null, null],
  holidays: [{ day: '2026-12-02', name: 'Stocktaking' }],
};

describe('when a shop is open', () => {
  it('is nowhere said by a shop that never said', () => expect(openWindows({}, Date.now(), 7)).toEqual([]));
  it('is its weekdays, without weekends and holidays, by its own clock', () => {
    const found = openWindows({ hours, timeZone: 'UTC' }, Date.UTC(2026, 10, 27, 15), 7);
    expect(found.map(([from, to]) => [new Date(from).toISOString(), (to - from) / 3_600_000])).toEqual([
      ['2026-11-27T08:00:00.000Z', 9],
      ['2026-11-30T08:00:00.000Z', 9],
      ['2026-12-01T08:00:00.000Z', 9],
      ['2026-12-03T08:00:00.000Z', 9],
    ]);
  });
  it('begins by the clock on the wall also east of Greenwich', () => {
    const [first] = openWindows({ hours, timeZone: 'Pacific/Auckland' }, Date.UTC(2026, 10, 29, 20), 1);
    expect(new Date(first?.[0] ?? 0).toISOString()).toBe('2026-11-29T19:00:00.000Z');
  });
});
