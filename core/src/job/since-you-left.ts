import { indexOf, type Plan } from '../kit/plan.ts';
import { lineOf } from '../line/line.ts';
import type { JobEvent } from './acts.ts';
import type { JobState } from './job-state.ts';
import { clockOfAct, compoundClocks, type LineClock } from './line-clocks.ts';

/** What went on with a job while somebody was away from it. */
export interface SinceYouLeft {
  leftAtMs: number;
  others: Array<{ name: string; steps: string[]; groups: string[]; problems: string[] }>;
  /** Clocks that ran out meanwhile. */
  over: LineClock[];
}

/** A shorter pause is no break, ms (chosen by us). */
const BREAK_MS = 10 * 60_000;

/** Clocks that ran out between two times. */
function clocksOver(plan: Plan, job: JobState, fromMs: number, toMs: number): LineClock[] {
  const waits = lineOf(plan).steps.flatMap(({ acts }) => acts.flatMap((act) => clockOfAct(plan, job, act) ?? []));
  return [...waits, ...compoundClocks(plan, job)]
    .filter(({ endsAtMs }) => endsAtMs > fromMs && endsAtMs <= toMs)
    .sort((a, b) => a.endsAtMs - b.endsAtMs);
}

/**
 * What a person finds changed who comes back to a job: what others did since their own last entry, and the clocks that
 * ran out.
 *
 * @returns undefined for who was never on it, was not away for ten minutes, or missed nothing
 */
export function sinceYouLeft(
  plan: Plan,
  job: JobState,
  events: readonly JobEvent[],
  person: string,
  nowMs: number,
): SinceYouLeft | undefined {
  const own = events.findLastIndex(({ by }) => by.id === person);
  const last = events[own];
  if (!last) return undefined;
  const leftAtMs = last.atMs;
  const later = events.slice(own + 1);
  if (later.length === 0 && nowMs - leftAtMs < BREAK_MS) return undefined;
  const { stations, groups } = indexOf(plan);
  const others = new Map<string, { name: string; steps: Set<string>; groups: Set<string>; problems: string[] }>();
  for (const event of later) {
    const entry = others.get(event.by.id) ?? { name: event.by.name, steps: new Set(), groups: new Set(), problems: [] };
    others.set(event.by.id, entry);
    if (event.type === 'problemRaised') entry.problems.push(event.text);
    else if ('step' in event && lineOf(plan).stepById.has(event.step)) entry.steps.add(event.step);
    else if ('station' in event && event.station !== undefined) {
      const group = groups.get(stations.get(event.station)?.groupId ?? '');
      if (group) entry.groups.add(group.title);
    }
  }
  const over = clocksOver(plan, job, leftAtMs, nowMs);
  if (others.size === 0 && over.length === 0) return undefined;
  return {
    leftAtMs,
    others: [...others.values()].map((entry) => ({ ...entry, steps: [...entry.steps], groups: [...entry.groups] })),
    over,
  };
}
