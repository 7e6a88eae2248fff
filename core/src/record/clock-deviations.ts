import type { JobEvent } from '../job/acts.ts';
import type { JobState } from '../job/job-state.ts';
import type { Plan } from '../kit/plan.ts';
import { type Deviation, deviations } from './deviations.ts';

/** A clock this far from the server's is said; less is the drift of a day and the length of a line. */
const OFF_MS = 2 * 60_000;
/** Entries of one device may change places by this much without anything being wrong. */
const BACKWARDS_MS = 5000;

/**
 * Devices whose clocks were wrong, changed while they were away, or ran backwards: each once, at its worst. The times on
 * the record are corrected for it as far as that is known; that it was so stays to be seen.
 */
export function clockDeviations(events: readonly JobEvent[]): Deviation[] {
  const worst = new Map<string, { off: Deviation; byMs: number }>();
  const backwards = new Map<string, Deviation>();
  const last = new Map<string, number>();
  for (const { device, clock, atMs, by } of events) {
    if (device === undefined || clock === undefined) continue;
    const { deviceMs, offsetMs, offsetAtReceiptMs = offsetMs } = clock;
    const offMs = [offsetMs, offsetAtReceiptMs].reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a));
    const changed = Math.abs(offsetAtReceiptMs - offsetMs) > OFF_MS;
    if (Math.abs(offMs) > OFF_MS && Math.abs(offMs) > (worst.get(device)?.byMs ?? 0))
      worst.set(device, { off: { kind: 'clockOff', offMs, changed, atMs, by }, byMs: Math.abs(offMs) });
    const saidMs = deviceMs + offsetMs;
    const before = last.get(device);
    if (before !== undefined && saidMs < before - BACKWARDS_MS && !backwards.has(device))
      backwards.set(device, { kind: 'clockBackwards', byMs: before - saidMs, atMs, by });
    last.set(device, Math.max(before ?? saidMs, saidMs));
  }
  return [...[...worst.values()].map(({ off }) => off), ...backwards.values()];
}

/** All that departed from the plan, the clocks included, in the order it happened. */
export const recordDeviations = (plan: Plan, state: JobState, events: readonly JobEvent[]): Deviation[] =>
  [...deviations(plan, state), ...clockDeviations(events)].sort(
    (a, b) => a.atMs - b.atMs || a.kind.localeCompare(b.kind),
  );
