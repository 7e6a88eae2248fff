import { describe, expect, it } from '@jest/globals';
import { backupName, outdatedBackups } from './rotation.mjs';

const HOUR_MS = 3_600_000;
const names = (count: number, everyMs: number): string[] =>
  Array.from({ length: count }, (_, at) => backupName(new Date(Date.UTC(2026, 10, 27, 12) - at * everyMs)));

describe('scheduled backups', () => {
  it('carry their instant, in an order that is the order of time', () => {
    expect(backupName(new Date('2026-11-27T06:30:00Z'))).toBe('wrenchman-2026-11-27T063000.sql');
    const all = names(50, HOUR_MS);
    expect([...all].sort().reverse()).toEqual(all);
  });
  it('the newest dozen stay, and the newest of each of thirty days', () => {
    const all = names(4 * 40, 6 * HOUR_MS);
    const kept = all.filter((name) => !outdatedBackups(all).includes(name));
    expect(kept).toEqual(expect.arrayContaining(all.slice(0, 12)));
    expect(new Set(kept.map((name) => name.slice(10, 20))).size).toBe(30);
    expect(kept.length).toBeLessThanOrEqual(42);
  });
  it('what a person named otherwise is never let go', () => {
    const own = ['before-restore-2020-01-01T000000000Z.sql', 'shop.sql', 'wrenchman-2020-01-01T000000.sql.partial'];
    expect(outdatedBackups([...names(100, HOUR_MS), ...own])).not.toEqual(expect.arrayContaining(own.slice(0, 1)));
    for (const name of own) expect(outdatedBackups([...names(100, HOUR_MS), ...own])).not.toContain(name);
  });
});
