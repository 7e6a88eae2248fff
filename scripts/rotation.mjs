/** Backups kept at close hand, and days of which the newest is kept beyond them. */
const NEWEST = 12;
const DAYS = 30;

/** Backups made on the schedule carry their instant in their name: `wrenchman-2026-11-27T063000.sql`. */
const SCHEDULED = /^wrenchman-(\d{4}-\d{2}-\d{2})T\d{6}\.sql$/;

/**
 * Which scheduled backups have had their time: all but the newest dozen and the newest of each of the last thirty days
 * that have one. What a person named otherwise is never in the list.
 */
export function outdatedBackups(names) {
  const scheduled = names.filter((name) => SCHEDULED.test(name)).sort((a, b) => (a < b ? 1 : -1));
  const kept = new Set(scheduled.slice(0, NEWEST));
  const days = new Set();
  for (const name of scheduled) {
    const [, day] = SCHEDULED.exec(name);
    if (days.has(day) || days.size >= DAYS) continue;
    days.add(day);
    kept.add(name);
  }
  return scheduled.filter((name) => !kept.has(name));
}

/** Name of a scheduled backup made at an instant. */
export const backupName = (at) => `wrenchman-${at.toISOString().slice(0, 19).replaceAll(':', '')}.sql`;
