import type { JobCommand, JobEvent } from '#core/job/acts.ts';
import { hardwareLedger } from '#core/job/hardware-ledger.ts';
import { type JobLog, takeCommand } from '#core/job/job-log.ts';
import { currentGroup, nextStep, pullBand } from '#core/job/next-station.ts';
import type { Person } from '#core/job/role.ts';
import { indexOf } from '#core/kit/plan.ts';
import { asksOf } from '#core/tightening/kinds.ts';
import { rankWrenches } from '#core/wrench/suitable-wrench.ts';
import type { Wrench } from '#core/wrench/wrench.ts';

/**
 * Works a job as a careful fitter would, by asking the same functions the screens ask what comes next.
 * Used for demo history, tests and measurements.
 */
export class Worker {
  readonly events: JobEvent[] = [];
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
  }

  /** Counts every line as the sheet says. */
  checkIn(): void {
    for (const item of this.log.plan.items)
      this.give({ type: 'countLine', item: item.id, found: item.quantity, damaged: 0 });
  }

  /** Starts every station of every group by hand, in its start order. */
  startAll(): void {
    for (const group of this.log.plan.groups)
      for (const station of group.startOrder) this.give({ type: 'startByHand', station });
  }

  /** One next step of the group in hand; false when no group has any left. */
  step(): boolean {
    const group = currentGroup(this.log.plan, this.log.state);
    if (!group) return false;
    const next = nextStep(this.log.plan, this.log.state, group.id);
    switch (next.kind) {
      case 'start':
        this.give({ type: 'startByHand', station: next.station });
        return true;
      case 'compound':
        this.give({ type: 'applyCompound', station: next.station, cleaned: true });
        return true;
      case 'snug':
        this.give({ type: 'snug', station: next.station, tool: 'hand' });
        return true;
      case 'loosen':
        this.give({ type: 'loosen', station: next.station, to: 'started', reason: 'went past the band' });
        return true;
      case 'confirmStop':
        this.give({ type: 'confirmStop', station: next.station, reason: 'By feel' });
        return true;
      case 'pull': {
        if (group.atRideHeight && this.log.state.load?.state !== 'rideHeight')
          this.give({ type: 'setLoadState', state: 'rideHeight' });
        this.pull(next.station, next.pass);
        return true;
      }
      case 'done':
        return false;
    }
  }

  private pull(stationId: string, pass: number): void {
    const station = indexOf(this.log.plan).stations.get(stationId);
    const band = station && pullBand(this.log.plan, station, pass);
    if (!station || !band) throw new Error(`No band for ${stationId}`);
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
    while (this.step());
  }

  /** Counts the tray and signs. */
  closeOut(): void {
    for (const line of hardwareLedger(this.log.plan, this.log.state)) {
      if (line.onTray > 0) this.give({ type: 'declareSpare', item: line.item.id, quantity: line.onTray });
    }
    this.give({ type: 'close', signature: this.by.name });
  }
}
