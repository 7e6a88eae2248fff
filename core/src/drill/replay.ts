import type { JobEvent } from '../job/acts.ts';

/** Everybody who did something, by name. */
const namesIn = (events: readonly JobEvent[]): string[] => [...new Set(events.map(({ by }) => by.name))];

/** Replaces what a string says of people, wherever it stands in a value. */
function replaced(value: unknown, alias: ReadonlyMap<string, string>): unknown {
  if (typeof value === 'string') {
    let text = value;
    for (const [name, other] of alias) text = text.replaceAll(name, other);
    return text;
  }
  if (Array.isArray(value)) return value.map((entry) => replaced(entry, alias));
  if (value !== null && typeof value === 'object')
    return Object.fromEntries(Object.entries(value).map(([key, entry]) => [key, replaced(entry, alias)]));
  return value;
}

/**
 * A job's events with its people's names taken out: what is watched to learn from is not about who did it. The same
 * person is the same fitter throughout.
 *
 * @param others - further names that stand in them: the owner's
 */
export function withoutNames(events: readonly JobEvent[], others: readonly string[] = []): JobEvent[] {
  const alias = new Map([
    ...namesIn(events).map((name, at) => [name, `Fitter ${at + 1}`] as const),
    ...others.filter((name) => name.trim() !== '').map((name) => [name, 'the owner'] as const),
  ]);
  return events.map((event) => {
    const { by, ...rest } = event;
    const told = replaced(rest, alias) as Omit<JobEvent, 'by'>;
    return { ...told, by: { ...by, name: alias.get(by.name) ?? by.name } } as JobEvent;
  });
}

/** Longest that a watched job stands still between two events, ms (chosen by us). */
const LONGEST_GAP_MS = 4_000;

/** How long to wait before an event is shown, ms, at so many times the speed it was done at. */
export function gapBefore(events: readonly JobEvent[], at: number, speed: number): number {
  const [before, event] = [events[at - 1], events[at]];
  if (!before || !event) return 0;
  return Math.min(LONGEST_GAP_MS, Math.max(0, event.atMs - before.atMs) / speed);
}
