import type { Plan } from '../kit/plan.ts';
import { debtsOf, isOwed } from './debt.ts';
import { shortages } from './hardware-ledger.ts';
import { type JobState, stationState } from './job-state.ts';
import { type LockerClock, lockerClock } from './locker-window.ts';
import { currentGroup } from './next-station.ts';
import { nextPassIndex, spoilingPull } from './station-progress.ts';
import { isStrip, refitSteps, stepsDone } from './step-progress.ts';

/** Minutes a station takes where the sheet states no time, until own history says better (chosen by us). */
const ASSUMED_STATION_MIN = 6;

export type Phase = 'checkIn' | 'strip' | 'fitLoose' | 'torque' | 'refit' | 'closeOut' | 'closed';

/** Ticks of one phase: how many of its small steps are done. */
export interface PhaseProgress {
  phase: Exclude<Phase, 'closed'>;
  done: number;
  of: number;
}

/** A job in one line, for lists: kept as a projection beside the events. */
export interface JobProgress {
  phase: Phase;
  phases: PhaseProgress[];
  /** The group being worked on. */
  group?: string;
  shortLines: Array<{ line: string; name: string; short: number; stations: number }>;
  openProblems: Array<{ station?: string; text: string }>;
  spoiled: string[];
  lockers: LockerClock[];
  lastEventAtMs?: number;
  /** Titles of the kits, joined. */
  title?: string;
  /** Stated by the sheets together; where one states none, six minutes a station (chosen by us). */
  estimatedMinutes?: number;
  /** Conflicts between kits that wait for a lead. */
  conflicts?: number;
  /** Off the vehicle or open, and not back. */
  owed?: number;
}

/** Where a job stands. */
export function jobProgress(plan: Plan, state: JobState, lastEventAtMs?: number): JobProgress {
  const counted = plan.items.filter((item) => state.lines[item.id]?.count !== undefined).length;
  const started = plan.stations.filter((station) => stationState(state, station.id).stage !== 'empty').length;
  // Torque ticks: the snug and every pass of every station.
  const torqueOf = plan.stations.reduce((sum, station) => sum + 1 + station.passIndexes.length, 0);
  const torqueDone = plan.stations.reduce((sum, station) => {
    const entry = stationState(state, station.id);
    if (entry.stage !== 'snug') return sum;
    const next = nextPassIndex(station, entry);
    const passes = next === undefined ? station.passIndexes.length : station.passIndexes.indexOf(next);
    return sum + 1 + passes;
  }, 0);
  const finished = stepsDone(plan, state);
  const strip = plan.steps.filter(isStrip);
  const back = refitSteps(plan, state);
  const phases: PhaseProgress[] = [
    { phase: 'checkIn', done: counted, of: plan.items.length },
    { phase: 'strip', done: strip.filter((step) => finished.has(step.id)).length, of: strip.length },
    { phase: 'fitLoose', done: started, of: plan.stations.length },
    { phase: 'torque', done: torqueDone, of: torqueOf },
    { phase: 'refit', done: back.filter((step) => finished.has(step.id)).length, of: back.length },
    { phase: 'closeOut', done: state.closed ? 1 : 0, of: 1 },
  ];
  const open = phases.find((entry) => entry.done < entry.of);
  return {
    phase: state.closed ? 'closed' : (open?.phase ?? 'closeOut'),
    phases,
    group: currentGroup(plan, state)?.title,
    shortLines: shortages(plan, state).map(({ item, short, stations }) => ({
      line: item.line,
      name: item.name,
      short,
      stations: stations.length,
    })),
    openProblems: Object.values(state.problems).flatMap(({ station, text, cleared }) =>
      cleared ? [] : [{ station, text }],
    ),
    spoiled: plan.stations
      .filter((station) => spoilingPull(stationState(state, station.id)))
      .map((station) => station.label),
    lockers: plan.groups.flatMap((group) => lockerClock(plan, state, group.id) ?? []),
    lastEventAtMs,
    title: plan.title,
    estimatedMinutes: plan.kits.reduce(
      (sum, kit) =>
        sum +
        (kit.statedMinutes ?? plan.stations.filter((station) => station.kit === kit.id).length * ASSUMED_STATION_MIN),
      0,
    ),
    conflicts: plan.conflicts.filter(({ settled }) => settled === undefined).length,
    owed: debtsOf(plan, state).filter(isOwed).length,
  };
}
