import { type Phase as LinePhase, PHASES } from '../kit/phase.ts';
import { indexOf, type Plan } from '../kit/plan.ts';
import { inTheBox } from '../kit/put-on.ts';
import { lineOf } from '../line/line.ts';
import { debtsOf, isOwed } from './debt.ts';
import { shortages } from './hardware-ledger.ts';
import { type JobState, type LineState, lineState, stationState } from './job-state.ts';
import { lineProgress } from './line-progress.ts';
import { type LockerClock, lockerClock } from './locker-window.ts';
import { currentGroup } from './next-station.ts';
import { oncePerState } from './once-per-state.ts';
import { spoilingPull, stationComplete } from './station-progress.ts';

/** Minutes a station takes where the sheet states no time, until own history says better (chosen by us). */
const ASSUMED_STATION_MIN = 6;

export type Phase = 'checkIn' | LinePhase | 'closeOut' | 'closed';

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
  /** `promisedMs`: the last of what is ordered for it and not here. */
  shortLines: Array<{ line: string; name: string; short: number; stations: number; promisedMs?: number }>;
  /** It was put aside, what it was short of has come since, and nothing is short now. */
  partsHere?: true;
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
  /** Specials its sheets list, by name: there is one of each in most shops. */
  specials?: string[];
}

/** When the last of a line's orders that is not whole is promised, ms. */
function promisedFor({ ordered = [], arrived = [] }: LineState): number | undefined {
  const open = ordered.filter(({ order, quantity }) => {
    const here = arrived.filter((entry) => entry.order === order).reduce((sum, entry) => sum + entry.quantity, 0);
    return here < quantity;
  });
  return open.length === 0 ? undefined : Math.max(...open.map(({ promisedMs }) => promisedMs));
}

/** Whether pieces came since the job was put aside. */
const cameSincePut = ({ lines, visit }: JobState): boolean => {
  const { parked } = visit;
  return (
    parked !== undefined &&
    Object.values(lines).some(({ arrived = [] }) => arrived.some(({ atMs }) => atMs > parked.atMs))
  );
};

/** Ticks of a stretch of the line: an act each; where stations do it, one for each of them. */
function ticksOf(
  plan: Plan,
  state: JobState,
  phase: LinePhase,
  finished: ReadonlySet<string>,
): { done: number; of: number } {
  let done = 0;
  let of = 0;
  for (const { step, acts } of lineOf(plan).steps) {
    if (step.phase !== phase) continue;
    for (const act of acts) {
      const { action } = act;
      const stations =
        action.type === 'start' || action.type === 'snug' || action.type === 'torque' || action.type === 'verify'
          ? (indexOf(plan).orders.get(action.group)?.listed ?? [])
          : [];
      if (stations.length === 0) {
        of += 1;
        done += finished.has(act.id) ? 1 : 0;
        continue;
      }
      of += stations.length;
      done += stations.filter((station) => {
        const entry = stationState(state, station.id);
        if (finished.has(act.id)) return true;
        if (action.type === 'start') return entry.stage !== 'empty';
        if (action.type === 'snug') return entry.stage === 'snug';
        return stationComplete(station, entry);
      }).length;
    }
  }
  return { done, of };
}

/** How much of each stretch is done. */
export const phaseProgress = oncePerState((plan, state): PhaseProgress[] => {
  const boxed = plan.items.filter(inTheBox);
  const counted = boxed.filter((item) => state.lines[item.id]?.count !== undefined).length;
  const { acts } = lineProgress(plan, state);
  return [
    { phase: 'checkIn', done: counted, of: boxed.length },
    ...PHASES.map((phase) => ({ phase, ...ticksOf(plan, state, phase, acts) })),
    { phase: 'closeOut', done: state.closed ? 1 : 0, of: 1 },
  ];
});

/** Where a job stands. */
export function jobProgress(plan: Plan, state: JobState, lastEventAtMs?: number): JobProgress {
  const phases = phaseProgress(plan, state);
  const open = phases.find((entry) => entry.done < entry.of);
  const short = shortages(plan, state);
  return {
    phase: state.closed ? 'closed' : (open?.phase ?? 'closeOut'),
    phases,
    group: currentGroup(plan, state)?.title,
    shortLines: short.map(({ item, short: pieces, stations }) => {
      const promisedMs = promisedFor(lineState(state, item.id));
      return {
        line: item.line,
        name: item.name,
        short: pieces,
        stations: stations.length,
        ...(promisedMs === undefined ? {} : { promisedMs }),
      };
    }),
    ...(short.length === 0 && cameSincePut(state) ? { partsHere: true as const } : {}),
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
    specials: [...new Set(plan.tools.flatMap(({ special, name }) => (special ? [name] : [])))],
  };
}
