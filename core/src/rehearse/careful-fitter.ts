import type { ShelfBottle } from '../compound/shelf-bottle.ts';
import { parseThread } from '../fastener/thread.ts';
import { actGate } from '../job/act/do-act.ts';
import type { JobCommand, JobEvent } from '../job/acts.ts';
import type { CommandEnvelope } from '../job/command-envelope.ts';
import { basisClash } from '../job/figure-basis.ts';
import { tyreHeld, wantsRideHeight, wantsTyreHeld } from '../job/gate/joint-gate.ts';
import { hardwareLedger } from '../job/hardware-ledger.ts';
import { type CommandOutcome, type JobLog, takeCommand } from '../job/job-log.ts';
import { lineState, stationState } from '../job/job-state.ts';
import { keyIsBack } from '../job/key-held.ts';
import { keysOf } from '../job/keys.ts';
import { clockOfAct, runningClocks } from '../job/line-clocks.ts';
import { jointNext, nextOnLine } from '../job/line-next.ts';
import { debtTouched, lineProgress } from '../job/line-progress.ts';
import { lockerClock, threadHasSet } from '../job/locker-window.ts';
import { currentGroup, type NextStep, nextStep, pullBand } from '../job/next-station.ts';
import type { Refusal } from '../job/refusal.ts';
import type { Person } from '../job/role.ts';
import { groupComplete } from '../job/station-progress.ts';
import type { Answers } from '../kit/condition.ts';
import type { RideHeight } from '../kit/kit-document.ts';
import { indexOf, type PlanItem } from '../kit/plan.ts';
import { lineKind } from '../line/line-kinds.ts';
import { asksOf } from '../tightening/kinds.ts';
import { passFraction } from '../tightening/pass-plan.ts';
import { rankWrenches } from '../wrench/suitable-wrench.ts';
import type { Wrench } from '../wrench/wrench.ts';
import { rightAnswers } from './right-answers.ts';

/** The vehicle where the sheet wants it. */
const rideHeights = ({ places, min, max }: RideHeight): Record<string, number> =>
  Object.fromEntries(
    places.map((place) => [place, min !== undefined && max !== undefined ? (min + max) / 2 : (min ?? max ?? 500)]),
  );

/** A fitter was refused: with a kit that can be worked a careful one never is. */
export class FitterRefused extends Error {
  constructor(
    readonly refusal: Refusal,
    readonly command: JobCommand,
  ) {
    super(`${command.type} refused: ${JSON.stringify(refusal)}`);
  }
}

/** One thing a fitter did. */
export interface Move {
  command: JobCommand;
  /** The act of the line it was for; none for counting in and closing out. */
  act?: string;
  /** The station it was done to. */
  station?: string;
  /** Waited for before it, ms: a clock of the line. */
  waitedMs: number;
  /** How many events there are after it. */
  events: number;
}

/** How a fitter works, where it is not as usual. */
export interface FitterWays {
  idPrefix?: string;
  /** Seconds between two actions. */
  paceS?: number;
  /** Seconds a step takes before its first act, by its id: what no press tells of. Nobody pauses while a locker sets. */
  readyS?: (step: string) => number;
  /** The shop's shelf, where beads are to be taken from bottles of it. */
  bottles?: readonly ShelfBottle[];
  /** What is found and chosen on the line, by answer id; the rest is as a careful fitter would have it. */
  said?: Answers;
  /** Looks up a figure where the sheet gives none, and has a product named where it says no strength; nothing is by feel. */
  looksUpFigures?: boolean;
  /** Who looks again, where a second look is for somebody else. */
  secondLook?: Person;
  /** What takes the commands, where it is not the job's own log: a drill. */
  takes?: (envelope: CommandEnvelope) => CommandOutcome;
}

/** A torque that a thread of its size takes with room to spare, N·m: stands for a figure that somebody looked up (chosen by us). */
function lookedUpNm(thread = ''): number {
  const parsed = parseThread(thread);
  return parsed.ok ? Math.max(1, Math.round(0.02 * parsed.value.thread.nominalMm ** 3)) : 20;
}

/**
 * Works a job as a careful fitter would, by asking the same functions the screens ask what comes next.
 * Used for dry runs of a kit, demo history, tests and measurements.
 */
export class CarefulFitter {
  readonly events: JobEvent[] = [];
  /** What was done, in order. */
  readonly moves: Move[] = [];
  private readonly idPrefix: string;
  private readonly paceS: number;
  private readonly readyS: (step: string) => number;
  private readonly begun = new Set<string>();
  private readonly bottles?: readonly ShelfBottle[];
  private readonly said: Answers;
  private readonly looksUpFigures: boolean;
  private readonly secondLook?: Person;
  private readonly takes?: (envelope: CommandEnvelope) => CommandOutcome;
  private count = 0;
  private inHand: { act?: string; waitedMs: number } = { waitedMs: 0 };

  constructor(
    public log: JobLog,
    private readonly wrenches: readonly Wrench[],
    readonly by: Person,
    public nowMs: number,
    {
      idPrefix = 'cmd',
      paceS = 12,
      readyS = () => 0,
      bottles,
      said = {},
      looksUpFigures = false,
      secondLook,
      takes,
    }: FitterWays = {},
  ) {
    this.idPrefix = idPrefix;
    this.paceS = paceS;
    this.readyS = readyS;
    this.bottles = bottles;
    this.said = said;
    this.looksUpFigures = looksUpFigures;
    this.secondLook = secondLook;
    this.takes = takes;
  }

  /** The act that was last taken in hand. */
  get inHandAct(): string | undefined {
    return this.inHand.act;
  }

  /** What was given, in order. */
  get commands(): JobCommand[] {
    return this.moves.map(({ command }) => command);
  }

  /**
   * Gives one command and keeps its events.
   * @throws FitterRefused
   */
  give(command: JobCommand, by: Person = this.by): void {
    this.nowMs += this.paceS * 1000;
    this.count += 1;
    const envelope = { id: `${this.idPrefix}-${this.count}`, atMs: this.nowMs, by, command };
    const outcome = this.takes?.(envelope) ?? takeCommand(this.log, this.wrenches, envelope, { bottles: this.bottles });
    if (!outcome.ok) throw new FitterRefused(outcome.refusal, command);
    this.log = outcome.log;
    this.events.push(...outcome.events);
    const station = 'station' in command ? command.station : undefined;
    this.moves.push({ command, ...this.inHand, ...(station ? { station } : {}), events: this.events.length });
    this.inHand = { ...this.inHand, waitedMs: 0 };
  }

  /** Counts every line as the sheet says; those that came with what was found later too. */
  checkIn(): void {
    for (const item of this.log.plan.items)
      if (this.log.state.lines[item.id]?.count === undefined)
        this.give({ type: 'countLine', item: item.id, found: item.quantity, damaged: 0, read: item.mark });
    for (const item of this.log.plan.items) this.readSerials(item);
  }

  /** Reads the number off each piece that carries one. */
  private readSerials(item: PlanItem): void {
    const { serials = [], count } = lineState(this.log.state, item.id);
    if (!item.serial || !count) return;
    for (let piece = serials.length + 1; piece <= count.found; piece += 1)
      this.give({ type: 'noteSerial', item: item.id, piece, serial: `${item.line}-${piece}` });
  }

  /** Hands the owner every key, bit and code that is still about. */
  private handKeys(): void {
    const { plan, state } = this.log;
    for (const { id, name, kind } of keysOf(plan, state).filter((key) => !keyIsBack(key)))
      this.give({ type: 'handKey', key: id, name, kind, to: { who: 'owner', name: 'the owner' } });
  }

  /** One act of the line, the one that is next; false when the line is done. */
  onLine(): boolean {
    const { plan, state } = this.log;
    const next = nextOnLine(plan, state, this.by.id, this.nowMs);
    if (!next) return false;
    const { act } = next;
    // What only time can do: the clock is let run.
    const waitedMs = next.untilMs === undefined ? 0 : Math.max(0, next.untilMs - this.nowMs);
    this.nowMs += waitedMs;
    if (!this.begun.has(act.step)) {
      this.begun.add(act.step);
      if (!plan.groups.some(({ id }) => lockerClock(plan, state, id))) this.nowMs += this.readyS(act.step) * 1000;
    }
    this.inHand = { act: act.id, waitedMs };
    const kind = lineKind(act.action);
    if (kind.byStations) {
      this.station(jointNext(plan, state, act));
      return true;
    }
    if (kind.clock?.(act.action).minutes !== undefined && !clockOfAct(plan, state, act)) {
      this.give({ type: 'beginClock', act: act.id });
      return true;
    }
    const touched = debtTouched(act.action);
    const debt = touched && !touched.opens ? lineProgress(plan, state).debts.get(touched.id) : undefined;
    if (debt?.asks.includes('torque')) {
      const figure = { spec: { kind: 'torque' as const, targetNm: 95 }, printed: '95 N·m' };
      this.give({ type: 'giveFigure', target: debt.id, source: 'vehicleMaker', note: 'manual, p. 31', figure });
      return true;
    }
    const gate = actGate(plan, state, act, {}, this.nowMs);
    if (gate?.code === 'fluidMissing') {
      this.give({ type: 'noteBought', wanted: gate.wanted, quantity: Math.max(gate.quantity, 1) });
      return true;
    }
    const answers = rightAnswers(plan, state, act, this.said);
    this.give({ type: 'doAct', act: act.id, ...(Object.keys(answers).length > 0 ? { answers } : {}) });
    return true;
  }

  /** The line, for as long as this holds. */
  while(open: (worker: CarefulFitter) => boolean): void {
    // A line that is not done after this many acts goes in a circle.
    for (let left = 5_000; open(this) && this.onLine(); left -= 1)
      if (left === 0) throw new Error(`The line leads nowhere after ${JSON.stringify(this.events.slice(-3))}`);
  }

  /** Everything up to the last fastener started by hand. */
  startAll(): void {
    this.while(({ log }) => log.plan.stations.some(({ id }) => stationState(log.state, id).stage === 'empty'));
  }

  /** One next step of the group in hand; false when no group has any left. */
  step(): boolean {
    const group = currentGroup(this.log.plan, this.log.state);
    if (!group) return false;
    const next = nextStep(this.log.plan, this.log.state, group.id);
    if (next.kind === 'done') return false;
    this.station(next);
    return true;
  }

  private station(next: NextStep): void {
    const { kind } = next;
    if ((kind === 'pull' || kind === 'confirmStop') && this.looksUpFigures && this.lookUp(next.station)) return;
    if (kind === 'start') this.give({ type: 'startByHand', station: next.station });
    if (kind === 'compound') this.bead(next.station);
    if (kind === 'stage') this.stage(next.station, next.stage);
    if (kind === 'snug') this.give({ type: 'snug', station: next.station, tool: 'hand' });
    if (kind === 'loosen')
      this.give({ type: 'loosen', station: next.station, to: 'started', reason: 'went past the band' });
    if (kind === 'confirmStop') this.give({ type: 'confirmStop', station: next.station, reason: 'By feel' });
    if (kind === 'pull') this.pull(next.station, next.pass);
  }

  /** The figure of a joint whose sheet gives none: with it the joint wants something else next. */
  private lookUp(id: string): boolean {
    const station = indexOf(this.log.plan).stations.get(id);
    if (station?.spec.kind !== 'missing') return false;
    const { items } = indexOf(this.log.plan);
    const threads = station.stack.flatMap((piece) =>
      piece.kind === 'hardware' ? (items.get(piece.item)?.thread ?? []) : [],
    );
    const targetNm = lookedUpNm(threads[0]);
    const figure = { spec: { kind: 'torque' as const, targetNm }, printed: `${targetNm} N·m` };
    this.give({ type: 'giveFigure', target: id, source: 'vehicleMaker', note: 'manual', figure });
    return true;
  }

  /** A bead on a clean thread, from the first good bottle of its kind. */
  private bead(station: string): void {
    const { stations, compounds } = indexOf(this.log.plan);
    const compound = compounds.get(stations.get(station)?.compound ?? '');
    if (compound?.gradeUnknown && this.looksUpFigures)
      this.give({ type: 'nameCompound', compound: compound.id, grade: 'threadlockerMedium', product: compound.name });
    const bottle = this.bottles?.find(({ kind, fault }) => kind === compound?.kind && fault === undefined);
    this.give({ type: 'applyCompound', station, cleaned: true, ...(bottle ? { bottle: bottle.id } : {}) });
  }

  /** One stage of a procedure, as printed. */
  private stage(stationId: string, stage: number): void {
    const spec = indexOf(this.log.plan).stations.get(stationId)?.spec;
    const what = spec?.kind === 'procedure' ? spec.stages[stage] : undefined;
    if (what?.do !== 'tighten') {
      this.give({ type: 'doStage', station: stationId, stage });
      return;
    }
    const best = rankWrenches(this.wrenches, { targetNm: what.torqueNm }, this.nowMs).find(
      (choice) => choice.faults.length === 0,
    );
    if (!best) throw new Error(`No wrench for ${what.torqueNm} N·m`);
    this.give({ type: 'doStage', station: stationId, stage, torqueNm: what.torqueNm, wrench: best.wrench.id });
  }

  private pull(stationId: string, pass: number): void {
    const station = indexOf(this.log.plan).stations.get(stationId);
    const band = station && pullBand(this.log.plan, station, pass);
    if (!station || !band) throw new Error(`No band for ${stationId}`);
    const group = indexOf(this.log.plan).groups.get(station.groupId);
    const second = group?.passes[pass]?.kind === 'verify';
    const looker = second && group?.verifyBy === 'another' ? this.secondLook : undefined;
    if (second && threadHasSet(this.log.plan, this.log.state, station, this.nowMs + this.paceS * 1000)) {
      this.give({ type: 'seeMark', station: stationId }, looker);
      return;
    }
    // What goes on the thread is not what its figure counts on: somebody answers for one or the other.
    if (this.looksUpFigures && station.aimed === undefined && basisClash(this.log.plan, station))
      this.give({ type: 'settleBasis', station: stationId, use: 'asPrinted', reason: 'as the sheet prints it' });
    const standing = this.log.state.load?.state;
    const heights = group?.rideHeight && rideHeights(group.rideHeight);
    const taken = this.log.state.load?.heights ?? {};
    const measured = Object.keys(heights ?? {}).every((place) => taken[place] !== undefined);
    if (
      group &&
      wantsRideHeight(group, station) &&
      (!measured || (standing !== 'rideHeight' && standing !== 'onWheels'))
    )
      this.give({
        type: 'setLoadState',
        state: standing === 'onWheels' ? 'onWheels' : 'rideHeight',
        ...(heights ? { heights } : {}),
      });
    if (group && wantsTyreHeld(group, station, pass) && !tyreHeld(this.log.state))
      this.give({ type: 'setLoadState', state: 'tyreTouches' });
    const best = rankWrenches(this.wrenches, band, this.nowMs).find((choice) => choice.faults.length === 0);
    if (!best) throw new Error(`No wrench for ${band.targetNm} N·m`);
    const asks = asksOf(station.spec, group?.passes[pass] && passFraction(group.passes[pass]));
    const slot = asks.includes('pinFits');
    // Readings scatter a little inside the band, repeatably.
    const share = ((this.count * 37) % 11) / 10 - 0.5;
    const room = Math.min(
      band.targetNm - band.minNm,
      (Number.isFinite(band.maxNm) ? band.maxNm : band.targetNm * 1.04) - band.targetNm,
    );
    const above = band.maxNm - band.targetNm;
    const spread = slot ? Math.min(6, above) : band.angle ? Math.min(45, above) : share * room * 0.8;
    // As finely as such a wrench shows it.
    const steps = band.targetNm < 10 ? 100 : 10;
    const recheck = indexOf(this.log.plan).groups.get(station.groupId)?.recheck === true;
    const command: JobCommand = {
      type: 'pull',
      station: stationId,
      torqueNm: Math.round((band.targetNm + spread) * steps) / steps,
      angleDeg: band.angle?.targetDeg,
      wrench: best.wrench.id,
      source: best.wrench.live ? 'live' : 'typed',
      // What was tightened well at a visit before holds.
      ...(recheck
        ? { moved: false, movementDeg: best.wrench.live ? 0 : undefined }
        : { movementDeg: best.wrench.live ? 24 : undefined }),
      pinFits: slot || undefined,
      seatedAndBackedOff: asks.includes('seatedAndBackedOff') || undefined,
      seatNm: station.spec.kind === 'bearing' ? station.spec.seatNm : undefined,
      gradientShare: band.gradient?.maxShare,
    };
    this.give(command, looker);
  }

  /** Everything up to and with the last pull. */
  finishTorque(): void {
    this.while(({ log }) => log.plan.groups.some(({ id }) => !groupComplete(log.plan, log.state, id)));
  }

  /** The whole line. */
  finishLine(): void {
    this.while(() => true);
  }

  /** Finishes the line, counts the tray and signs; the driver is told in writing what still sets. */
  closeOut(): void {
    this.finishLine();
    this.inHand = { waitedMs: 0 };
    for (const line of hardwareLedger(this.log.plan, this.log.state)) {
      if (line.onTray > 0) this.give({ type: 'declareSpare', item: line.item.id, quantity: line.onTray });
    }
    this.handKeys();
    const releases = runningClocks(this.log.plan, this.log.state, this.nowMs).map(({ id, endsAtMs }) => ({
      clock: id,
      endsAtMs,
      condition: 'No towing and no track before it has set.',
    }));
    this.give({ type: 'close', signature: this.by.name, ...(releases.length > 0 ? { releases } : {}) });
  }
}
