import type { JobEvent } from '../job/acts.ts';
import type { CommandEnvelope } from '../job/command-envelope.ts';
import { appendEvents, type JobLog, type JobSetup, oneKit, openLog, takeCommand } from '../job/job-log.ts';
import type { Refusal } from '../job/refusal.ts';
import { askedBefore } from '../kit/asked.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { indexOf } from '../kit/plan.ts';
import type { ResolveError } from '../kit/resolve.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Wrench } from '../wrench/wrench.ts';
import { type Drill, type PlacedFault, sameFault } from './drill.ts';
import { FAULTS, type FaultKind } from './fault-kind.ts';
import { stagedKit } from './staged-kit.ts';

/** A learner says that something is wrong, and where. */
export interface DrillCall {
  atMs: number;
  /** How many events stood when it was said. */
  afterEvents: number;
  kind: FaultKind;
  /** A packing line, a station or a group. */
  target: string;
  /** Whether there is such a fault, not found before. */
  right: boolean;
}

/** The product refused something: what was about to happen was caught by it, and not by the learner. */
export interface DrillRefusal {
  atMs: number;
  afterEvents: number;
  code: Refusal['code'];
  station?: string;
}

/** The learner was called away, and a clock ran on. */
export interface Interruption {
  group: string;
  minutes: number;
  afterEvents: number;
}

/** How a learner lays out a joint group before the line begins. */
export interface LaidOut {
  group: string;
  /** Stations in the order they are to be tightened. */
  order: string[];
  /** An id of the kit's compounds, or none. */
  compound?: string;
  wrench?: string;
  /** What the learner would pull to, N·m. */
  figureNm?: number;
}

/** A drill being worked. */
export interface DrillRun {
  drill: Drill;
  log: JobLog;
  events: JobEvent[];
  calls: DrillCall[];
  refusals: DrillRefusal[];
  interruptions: Interruption[];
  laidOut: LaidOut[];
  /** How far the drill's clock is ahead of the learner's, ms. */
  aheadMs: number;
}

const setupOf = (drill: Drill, kit: KitDocument): JobSetup => {
  const before = new Set(askedBefore(kit).map(({ id }) => id));
  return {
    ...oneKit(kit),
    vehicle: { fitted: [] },
    answers: Object.fromEntries(Object.entries(drill.answers).filter(([id]) => before.has(id))),
    shop: {},
  };
};

/** Faults nobody has named yet. */
export const faultsOpen = ({ drill, calls }: Pick<DrillRun, 'drill' | 'calls'>): PlacedFault[] =>
  drill.faults.filter((fault) => !calls.some((call) => call.right && sameFault(call, fault)));

/** The plan as it is meant, with no slip in it. */
export const meantLog = (drill: Drill): Result<JobLog, ResolveError & { kit: string }> =>
  openLog(setupOf(drill, drill.kit));

/** Begins a drill. Fails where its kit has no plan for the answers it gives. */
export function beginDrill(drill: Drill): Result<DrillRun, ResolveError & { kit: string }> {
  const opened = openLog(setupOf(drill, stagedKit(drill.kit, drill.faults)));
  if (!opened.ok) return fail(opened.error);
  return ok({
    drill,
    log: opened.value,
    events: [],
    calls: [],
    refusals: [],
    interruptions: [],
    laidOut: [],
    aheadMs: 0,
  });
}

/** Minutes past the end of a compound's working time that a learner is kept away. */
const KEPT_AWAY_MIN = 5;

/** Where a bead has just begun to set and nobody is there: the interruption of a `lockerSet`, with its first bead. */
function calledAway(
  run: DrillRun,
  events: readonly JobEvent[],
): { interruption: Interruption; aheadMs: number } | undefined {
  const { stations, compounds } = indexOf(run.log.plan);
  for (const event of events) {
    if (event.type !== 'compoundApplied') continue;
    const station = stations.get(event.station);
    const fault = faultsOpen(run).find(({ kind, target }) => kind === 'lockerSet' && target === station?.groupId);
    const window = compounds.get(station?.compound ?? '')?.workingWindowMin;
    const all = run.log.plan.stations.filter(
      (other) => other.groupId === station?.groupId && other.compound !== undefined,
    );
    const beads = [...run.events, ...events].filter(
      (other) => other.type === 'compoundApplied' && stations.get(other.station)?.groupId === station?.groupId,
    );
    const before = run.interruptions.some(({ group }) => group === station?.groupId);
    if (!fault || window === undefined || before || beads.length < all.length) continue;
    const minutes = window + KEPT_AWAY_MIN;
    return {
      interruption: { group: fault.target, minutes, afterEvents: run.events.length + events.length },
      aheadMs: minutes * 60_000,
    };
  }
  return undefined;
}

/** Takes a command as the line does; what the product refuses is kept, too. */
export function drillCommand(
  run: DrillRun,
  wrenches: readonly Wrench[],
  envelope: CommandEnvelope,
): { run: DrillRun; events: JobEvent[]; refusal?: Refusal; repeated: boolean } {
  const ahead = { ...envelope, atMs: envelope.atMs + run.aheadMs };
  const outcome = takeCommand(run.log, wrenches, ahead, { bottles: [] });
  if (!outcome.ok) {
    const station = 'station' in envelope.command ? envelope.command.station : undefined;
    const refused: DrillRefusal = {
      atMs: ahead.atMs,
      afterEvents: run.events.length,
      code: outcome.refusal.code,
      ...(station === undefined ? {} : { station }),
    };
    return {
      run: { ...run, refusals: [...run.refusals, refused] },
      events: [],
      refusal: outcome.refusal,
      repeated: false,
    };
  }
  const away = calledAway(run, outcome.events);
  const next: DrillRun = {
    ...run,
    log: outcome.log,
    events: [...run.events, ...outcome.events],
    ...(away ? { interruptions: [...run.interruptions, away.interruption], aheadMs: run.aheadMs + away.aheadMs } : {}),
  };
  return { run: next, events: outcome.events, repeated: outcome.repeated };
}

/**
 * A learner names a fault. One that is there is put right: a sheet gets its figure, a thread is cleaned, a piece is
 * changed, and the work goes on.
 */
export function drillCall(
  run: DrillRun,
  named: { kind: FaultKind; target: string; atMs: number },
): { run: DrillRun; right: boolean } {
  const { kind, target, atMs } = named;
  // Who was away was away from every bead that was on: it is named at whichever joint is next.
  const meant = faultsOpen(run).find(
    (fault) =>
      sameFault(fault, { kind, target }) ||
      (kind === 'lockerSet' && fault.kind === kind && run.interruptions.some(({ group }) => group === fault.target)),
  );
  const right = meant !== undefined;
  const call: DrillCall = {
    atMs: atMs + run.aheadMs,
    afterEvents: run.events.length,
    kind,
    target: meant?.target ?? target,
    right,
  };
  const called: DrillRun = { ...run, calls: [...run.calls, call] };
  if (!right || FAULTS[kind].room !== 'sheet') return { run: called, right };
  // The figure of the sheet is put right under the work that was done by it.
  const mended = openLog(setupOf(run.drill, stagedKit(run.drill.kit, faultsOpen(called))));
  if (!mended.ok) throw new Error(`A kit without its slip does not resolve: ${mended.error.code}`);
  return { run: { ...called, log: appendEvents(mended.value, run.events) }, right };
}
