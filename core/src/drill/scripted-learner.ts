import { stationState } from '../job/job-state.ts';
import { jointNext, nextOnLine } from '../job/line-next.ts';
import { threadHasSet } from '../job/locker-window.ts';
import type { Person } from '../job/role.ts';
import { lineKind } from '../line/line-kinds.ts';
import { randomFrom } from '../quantity/random.ts';
import { CarefulFitter, FitterRefused } from '../rehearse/careful-fitter.ts';
import { ANY_WRENCH } from '../rehearse/rehearsal.ts';
import type { Drill, PlacedFault } from './drill.ts';
import { beginDrill, type DrillRun, drillCall, drillCommand, faultsOpen } from './drill-run.ts';
import { FAULTS, type FaultRoom, kindsOfRoom } from './fault-kind.ts';
import { type DrillAttempt, type DrillVerdict, judgeDrill } from './judge-drill.ts';

/**
 * A learner played by rules, to measure drills and their judge by: how likely each room's faults are told, and how often
 * something sound is called wrong.
 */
export interface LearnerStyle {
  tells: Record<FaultRoom, number>;
  /** For each station looked at. */
  falseAlarms: number;
}

export const STYLES: Readonly<Record<'careful' | 'hasty' | 'careless', LearnerStyle>> = {
  careful: { tells: { bag: 1, sheet: 1, hole: 1, pull: 1, clock: 1 }, falseAlarms: 0 },
  hasty: { tells: { bag: 0.7, sheet: 0.3, hole: 0.6, pull: 0.2, clock: 0.3 }, falseAlarms: 0.02 },
  careless: { tells: { bag: 0.1, sheet: 0, hole: 0.1, pull: 0, clock: 0 }, falseAlarms: 0.05 },
};

const LEARNER: Person = { id: 'learner', name: 'Learner', role: 'lead' };
const SECOND: Person = { id: 'second', name: 'Second look', role: 'lead' };
/** A Monday at eight, so that clocks say the same each time. */
const BEGINS_MS = Date.UTC(2026, 0, 5, 8);
const MOST_ACTS = 5_000;

/** What is in front of a learner now: the faults that could be told here. */
function inFront(run: DrillRun, place: { station?: string; stage?: 'start' | 'pull' }): PlacedFault[] {
  const station = run.log.plan.stations.find(({ id }) => id === place.station);
  return faultsOpen(run).filter(({ kind, target }) => {
    const { room } = FAULTS[kind];
    if (room === 'bag') return false;
    if (room === 'hole') return target === place.station && place.stage === 'start';
    if (room === 'pull') return target === place.station && place.stage === 'pull';
    if (room === 'clock')
      return station?.compound !== undefined && run.interruptions.some(({ group }) => group === target);
    return target === station?.groupId;
  });
}

/** Plays a drill by a style; the same seed gives the same attempt. */
export function playDrill(
  drill: Drill,
  style: LearnerStyle,
  seed: number,
  beginsMs = BEGINS_MS,
): { attempt: DrillAttempt; verdict: DrillVerdict } {
  const random = randomFrom(seed * 104_729 + 5);
  for (let warm = 0; warm < 5; warm++) random();
  const begun = beginDrill(drill);
  if (!begun.ok) throw new Error(`The drill does not begin: ${begun.error.code}`);
  let run = begun.value;
  const fitter = new DrillFitter(run, beginsMs);
  const say = (fault: PlacedFault) => {
    run = drillCall(run, { ...fault, atMs: fitter.nowMs - run.aheadMs }).run;
    fitter.follow(run);
    if (fault.kind === 'lockerSet') fitter.beadAnew();
    run = fitter.run;
  };
  const considered = new Set<PlacedFault>();
  const consider = (faults: readonly PlacedFault[]) => {
    for (const fault of faults) {
      // A fault is looked at once: who passes it by passes it by.
      if (considered.has(fault)) continue;
      considered.add(fault);
      if (random() < style.tells[FAULTS[fault.kind].room]) say(fault);
    }
  };
  consider(faultsOpen(run).filter(({ kind }) => FAULTS[kind].room === 'bag'));
  try {
    fitter.checkIn();
    for (let acts = 0; acts < MOST_ACTS; acts++) {
      run = fitter.run;
      const { plan, state } = run.log;
      const next = nextOnLine(plan, state, LEARNER.id, fitter.nowMs);
      if (!next) break;
      const joint = lineKind(next.act.action).byStations ? jointNext(plan, state, next.act) : undefined;
      const station = joint && 'station' in joint ? joint.station : undefined;
      const stage =
        joint?.kind === 'start' ? 'start' : joint?.kind === 'pull' || joint?.kind === 'snug' ? 'pull' : undefined;
      if (station !== undefined && stage) {
        consider(inFront(run, { station, stage }));
        if (random() < style.falseAlarms) {
          const kinds = kindsOfRoom(stage === 'start' ? 'hole' : 'pull');
          const kind = kinds[Math.floor(random() * kinds.length)];
          if (kind) say({ kind, target: station });
        }
      }
      fitter.checkIn();
      if (!fitter.onLine()) break;
    }
    run = fitter.run;
    fitter.closeOut();
  } catch (error) {
    // What the product refuses ends the attempt of who cannot go on.
    if (!(error instanceof FitterRefused)) throw error;
  }
  run = fitter.run;
  const attempt: DrillAttempt = {
    drill,
    events: run.events,
    calls: run.calls,
    refusals: run.refusals,
    laidOut: run.laidOut,
    beganMs: beginsMs,
    endedMs: fitter.nowMs,
  };
  return { attempt, verdict: judgeDrill(attempt) };
}

/** A careful fitter whose commands go through a drill. */
class DrillFitter extends CarefulFitter {
  constructor(
    public run: DrillRun,
    beginsMs: number,
  ) {
    super(run.log, ANY_WRENCH, LEARNER, beginsMs, {
      looksUpFigures: true,
      secondLook: SECOND,
      said: run.drill.answers,
      takes: (envelope) => {
        const taken = drillCommand(this.run, ANY_WRENCH, { ...envelope, atMs: envelope.atMs - this.run.aheadMs });
        const away = taken.run.aheadMs - this.run.aheadMs;
        this.run = taken.run;
        this.nowMs += away;
        return taken.refusal
          ? { ok: false, log: taken.run.log, refusal: taken.refusal }
          : { ok: true, log: taken.run.log, events: taken.events, repeated: taken.repeated };
      },
    });
  }

  /** Takes out what has begun to set, so that it is cleaned and beaded anew. */
  beadAnew(): void {
    const { plan, state } = this.log;
    for (const station of plan.stations) {
      const { stage } = stationState(state, station.id);
      if (!threadHasSet(plan, state, station, this.nowMs)) continue;
      if (stage === 'empty') this.give({ type: 'applyCompound', station: station.id, cleaned: true });
      else this.give({ type: 'loosen', station: station.id, to: 'out', reason: 'locker has set' });
    }
  }

  /** Goes on from what a word of the learner's made of the drill. */
  follow(run: DrillRun): void {
    this.run = run;
    this.log = run.log;
  }
}
