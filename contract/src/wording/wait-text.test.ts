import { describe, expect, it } from '@jest/globals';
import { waitText } from './wait-text.ts';

const NOW = Date.UTC(2026, 10, 25, 8);
const HOUR = 3_600_000;
const wait = { stopsMs: NOW + HOUR, standsMinutes: 90, finishedMs: NOW + 5 * HOUR };

describe('what waiting for pieces comes to', () => {
  it.each([
    [wait, undefined, 'The work stops for it at about 09:00 and stands 1 h 30 min. Done at about 13:00.'],
    [
      wait,
      NOW + 4 * HOUR,
      'The work stops for it at about 09:00 and stands 1 h 30 min. Done at about 13:00: 1 h after the owner was promised it, 12:00. Call the owner.',
    ],
    [
      { ...wait, standsMinutes: 0 },
      NOW + 8 * HOUR,
      'It comes before the work wants it. Done at about 13:00, and the owner was promised it for 16:00.',
    ],
    [
      { standsMinutes: 0, finishedMs: NOW + 26 * HOUR },
      undefined,
      'The work does not stop for it. Done at about 10:00 on 2026-11-26.',
    ],
  ])('%j, promised %s', (told, owner, text) => expect(waitText(told, owner, NOW, { timeZone: 'UTC' })).toBe(text));
});
