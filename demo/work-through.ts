import { actGate } from '#core/job/act/do-act.ts';
import type { JobCommand, JobEvent } from '#core/job/acts.ts';
import { wantsRideHeight } from '#core/job/gate/joint-gate.ts';
import { hardwareLedger } from '#core/job/hardware-ledger.ts';
import { type JobLog, takeCommand } from '#core/job/job-log.ts';
import { stationState } from '#core/job/job-state.ts';
import { clockOfAct, runningClocks } from '#core/job/line-clocks.ts';
import { jointNext, nextOnLine } from '#core/job/line-next.ts';
import { debtTouched, lineProgress } from '#core/job/line-progress.ts';
import { threadHasSet } from '#core/job/locker-window.ts';
import { currentGroup, type NextStep, nextStep, pullBand } from '#core/job/next-station.ts';
import type { Person } from '#core/job/role.ts';
import { groupComplete } from '#core/job/station-progress.ts';
import type { RideHeight } from '#core/kit/kit-document.ts';
import { indexOf } from '#core/kit/plan.ts';
import { lineKind } from '#core/line/line-kinds.ts';
import { asksOf } from '#core/tightening/kinds.ts';
import { rankWrenches } from '#core/wrench/suitable-wrench.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { rightAnswers } from './answers.ts';

/** The vehicle where the sheet wants it. */
const rideHeights = ({ places, min, max }: RideHeight): Record<string, number> =>
  Object.fromEntries(
    places.map((place) => [place, min !== undefined && max !== undefined ? (min + max) / 2 : (min ?? max ?? 500)]),
  );

/**
 * Works a job as a careful fitter would, by asking the same functions the screens ask what comes next.
 * Used for demo history, tests and measurements.
 */
export class Worker {
  readonly events: JobEvent[] = [];
  /** What was given, in order. */
  readonly commands: JobCommand[] = [];
  private count = 0;

  constructor(
    public log: JobLog,
    private readonly wrenches: readonly Wrench[],
    private readonly by: Person,
    public nowMs: number,
    private readonly idPrefix = 'cmd',
    /** Seconds between two actions. */
    private readonly paceS = 12,
  ) {}

  /** Gives one command and keeps its events; throws on a refusal, since a careful fitter gets none. */
  give(command: JobCommand, by: Person = this.by): void {
    this.nowMs += this.paceS * 1000;
    this.count += 1;
    const outcome = takeCommand(this.log, this.wrenches, {
      id: `${this.idPrefix}-${this.count}`,
      atMs: this.nowMs,
      by,
      command,
    });
    if (!outcome.ok) throw new Error(`${command.type} refused: ${JSON.stringify(outcome.refusal)}`);
    this.log = outcome.log;
    this.events.push(...outcome.events);
    this.commands.push(command);
  }

  /** Counts every line as the sheet says. */
  checkIn(): void {
    for (const item of this.log.plan.items)
      this.give({ type: 'countLine', item: item.id, found: item.quantity, damaged: 0 });
  }

  /** One act of the line, the one that is next; false when the line is done. */
  onLine(): boolean {
    const { plan, state } = this.log;
    const next = nextOnLine(plan, state, this.by.id, this.nowMs);
    if (!next) return false;
    // What only time can do: the clock is let run.
    if (next.untilMs !== undefined) this.nowMs = Math.max(this.nowMs, next.untilMs);
    const { act } = next;
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
    const answers = rightAnswers(plan, state, act);
    this.give({ type: 'doAct', act: act.id, ...(Object.keys(answers).length > 0 ? { answers } : {}) });
    return true;
  }

  /** The line, for as long as this holds. */
  while(open: (worker: Worker) => boolean): void {
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
    if (kind === 'start') this.give({ type: 'startByHand', station: next.station });
    if (kind === 'compound') this.give({ type: 'applyCompound', station: next.station, cleaned: true });
    if (kind === 'snug') this.give({ type: 'snug', station: next.station, tool: 'hand' });
    if (kind === 'loosen')
      this.give({ type: 'loosen', station: next.station, to: 'started', reason: 'went past the band' });
    if (kind === 'confirmStop') this.give({ type: 'confirmStop', station: next.station, reason: 'By feel' });
    if (kind === 'pull') this.pull(next.station, next.pass);
  }

  private pull(stationId: string, pass: number): void {
    const station = indexOf(this.log.plan).stations.get(stationId);
    const band = station && pullBand(this.log.plan, station, pass);
    if (!station || !band) throw new Error(`No band for ${stationId}`);
    const group = indexOf(this.log.plan).groups.get(station.groupId);
    const second = group?.passes[pass]?.kind === 'verify';
    if (second && threadHasSet(this.log.plan, this.log.state, station, this.nowMs + this.paceS * 1000)) {
      this.give({ type: 'seeMark', station: stationId });
      return;
    }
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
    const best = rankWrenches(this.wrenches, band, this.nowMs).find((choice) => choice.faults.length === 0);
    if (!best) throw new Error(`No wrench for ${band.targetNm} N·m`);
    const asks = asksOf(station.spec);
    const slot = asks.includes('pinFits');
    // Readings scatter a little inside the band, repeatably.
    const share = ((this.count * 37) % 11) / 10 - 0.5;
    const room = Math.min(
      band.targetNm - band.minNm,
      (Number.isFinite(band.maxNm) ? band.maxNm : band.targetNm * 1.04) - band.targetNm,
    );
    const spread = slot ? 6 : band.angle ? 45 : share * room * 0.8;
    this.give({
      type: 'pull',
      station: stationId,
      torqueNm: Math.round((band.targetNm + spread) * 10) / 10,
      angleDeg: band.angle?.targetDeg,
      wrench: best.wrench.id,
      source: best.wrench.live ? 'live' : 'typed',
      movementDeg: best.wrench.live ? 24 : undefined,
      pinFits: slot || undefined,
      seatedAndBackedOff: asks.includes('seatedAndBackedOff') || undefined,
      gradientShare: band.gradient?.maxShare,
    });
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
    for (const line of hardwareLedger(this.log.plan, this.log.state)) {
      if (line.onTray > 0) this.give({ type: 'declareSpare', item: line.item.id, quantity: line.onTray });
    }
    const releases = runningClocks(this.log.plan, this.log.state, this.nowMs).map(({ id, endsAtMs }) => ({
      clock: id,
      endsAtMs,
      condition: 'No towing and no track before it has set.',
    }));
    this.give({ type: 'close', signature: this.by.name, ...(releases.length > 0 ? { releases } : {}) });
  }
}
