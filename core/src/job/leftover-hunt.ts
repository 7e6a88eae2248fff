import type { Plan, PlanStation } from '../kit/plan.ts';
import { type JobState, stationState } from './job-state.ts';

/** Why a station may be the one that lacks a piece. */
export type HuntEvidence =
  /** Taken out and put back since. */
  | { what: 'takenOut'; times: number }
  /** Several of the piece belong into it. */
  | { what: 'several'; pieces: number }
  /** Started within seconds of the one before, by the same hand. */
  | { what: 'hurried'; seconds: number }
  /** Nobody but an apprentice has worked on it. */
  | { what: 'apprentice' }
  /** The work broke off right after it. */
  | { what: 'brokeOff'; minutes: number }
  /** It was pulled to its figure, and nobody has looked at it since. */
  | { what: 'notLookedAt' };

/** A station to be looked at, the likeliest first. */
export interface Suspect {
  station: PlanStation;
  evidence: HuntEvidence[];
}

/** A stack put together in less is put together in a hurry, s (chosen by us). */
const HURRY_S = 6;
/** The work broke off: nothing was started for so long, min (chosen by us). */
const BREAK_MIN = 15;
/** How much each counts (chosen by us). */
const WEIGHT: Record<HuntEvidence['what'], number> = {
  takenOut: 5,
  several: 3,
  hurried: 2,
  brokeOff: 2,
  apprentice: 1,
  notLookedAt: 1,
};

/**
 * Stations that may lack a piece of a line, since one more of it lies on the tray than can be left: every station it
 * belongs into that is put together, ranked by what speaks for each.
 *
 * @param item - the line that does not add up
 */
export function leftoverHunt(plan: Plan, state: JobState, item: string): Suspect[] {
  const users = plan.stations.filter(
    ({ id, stack }) =>
      stationState(state, id).stage !== 'empty' &&
      stack.some((piece) => piece.kind === 'hardware' && piece.item === item),
  );
  /** All starts of the job, in time. */
  const starts = plan.stations
    .flatMap(({ id }) => {
      const { started } = stationState(state, id);
      return started ? [{ id, started }] : [];
    })
    .sort((a, b) => a.started.atMs - b.started.atMs);
  const evidenceOf = (station: PlanStation): HuntEvidence[] => {
    const { loosenings, started, pulls, marks = [] } = stationState(state, station.id);
    const out = loosenings.filter(({ to }) => to === 'out').length;
    const pieces = station.stack.filter((piece) => piece.kind === 'hardware' && piece.item === item).length;
    const at = starts.findIndex(({ id }) => id === station.id);
    const before = starts[at - 1];
    const after = starts[at + 1];
    const found: HuntEvidence[] = [];
    if (out > 0) found.push({ what: 'takenOut', times: out });
    if (pieces > 1) found.push({ what: 'several', pieces });
    if (started && before && before.started.by.id === started.by.id) {
      const seconds = Math.round((started.atMs - before.started.atMs) / 1000);
      if (seconds < HURRY_S) found.push({ what: 'hurried', seconds });
    }
    if (started && after) {
      const minutes = Math.round((after.started.atMs - started.atMs) / 60_000);
      if (minutes >= BREAK_MIN) found.push({ what: 'brokeOff', minutes });
    }
    if (started?.by.role === 'apprentice' && pulls.every(({ by }) => by.role === 'apprentice'))
      found.push({ what: 'apprentice' });
    const passes = new Set(pulls.filter(({ withdrawn, voided }) => !withdrawn && !voided).map(({ by }) => by.id));
    if (passes.size < 2 && marks.length === 0) found.push({ what: 'notLookedAt' });
    return found;
  };
  const weigh = (evidence: readonly HuntEvidence[]): number =>
    evidence.reduce((sum, { what }) => sum + WEIGHT[what], 0);
  return users
    .map((station) => ({ station, evidence: evidenceOf(station) }))
    .sort((a, b) => weigh(b.evidence) - weigh(a.evidence));
}
