import { randomUUID } from 'node:crypto';
import { EventEmitter } from 'node:events';
import type {
  CommandBatchAnswer,
  CommandInput,
  CommandResult,
  JobCard,
  JobDocument,
  OpenJob,
  StoredEvent,
} from '#contract/job.ts';
import { outForJob } from '#core/crib/crib-tool.ts';
import { appendEvents, type JobLog, openLog, takeCommand } from '#core/job/job-log.ts';
import { jobProgress } from '#core/job/job-progress.ts';
import { fitVerdicts, type ResolveError } from '#core/kit/resolve.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import type { CribRepository } from '../store/crib-repository.ts';
import type { JobEntity } from '../store/entities.ts';
import { chainHash, FIRST_HASH } from '../store/hash-chain.ts';
import { type EventRow, JobMoved, type JobRepository } from '../store/job-repository.ts';
import type { Caller, SessionService } from './session-service.ts';

/** A device clock may run this far ahead before its commands are refused. */
const CLOCK_AHEAD_MS = 120_000;
/** Jobs kept folded in memory; the oldest used is dropped. */
const KEPT = 200;

/** A job folded up to `seq`. */
interface LiveJob {
  row: JobEntity;
  log: JobLog;
  seq: number;
  hash: string;
  lastEventAtMs?: number;
}

export type OpenJobError =
  | { code: 'unknownVehicle' }
  | { code: 'unknownKit' }
  | { code: 'bayUnknown'; bays: number }
  | { code: 'kitDoesNotFit'; text: string }
  | ResolveError;

/** Opens jobs, takes commands, and tells listeners what was added. */
export class JobService {
  private readonly live = new Map<string, LiveJob>();
  /** One queue per job: commands of one job are decided one after another, of different jobs side by side. */
  private readonly queues = new Map<string, Promise<unknown>>();
  private readonly wrenchesOf = new Map<string, Wrench[]>();
  private readonly added = new EventEmitter().setMaxListeners(0);

  constructor(
    private readonly jobs: JobRepository,
    private readonly catalog: CatalogRepository,
    private readonly sessions: SessionService,
    private readonly crib: CribRepository,
    private readonly now: () => number = Date.now,
  ) {}

  cards(shopId: string, fromMs: number, toMs: number): Promise<JobCard[]> {
    return this.jobs.cards(shopId, fromMs, toMs);
  }

  async open(caller: Caller, input: OpenJob): Promise<Result<{ id: string }, OpenJobError>> {
    const [vehicle, kit, shop] = await Promise.all([
      this.catalog.vehicle(caller.shopId, input.vehicle),
      this.catalog.kit(caller.shopId, input.kit),
      this.catalog.shop(caller.shopId),
    ]);
    if (!vehicle) return fail({ code: 'unknownVehicle' });
    if (!kit) return fail({ code: 'unknownKit' });
    if (input.bay > shop.bays) return fail({ code: 'bayUnknown', bays: shop.bays });
    const misfit = fitVerdicts(kit, vehicle, input.answers).find((verdict) => verdict.truth === 'false');
    if (misfit) return fail({ code: 'kitDoesNotFit', text: misfit.text });
    const opened = openLog({
      kit,
      vehicle,
      answers: input.answers,
      shop: { stages: shop.stages ?? undefined, verify: shop.verify ?? undefined },
    });
    if (!opened.ok) return opened;
    const nowMs = this.now();
    const planned = new Date(input.plannedStartMs).toISOString();
    const row = await this.jobs.insert(
      {
        id: randomUUID(),
        shopId: caller.shopId,
        bay: input.bay,
        plannedStartMs: input.plannedStartMs,
        odometerKm: input.odometerKm,
        vehicle,
        kitId: kit.id,
        kitRevision: kit.revision,
        answers: input.answers,
        openedAtMs: nowMs,
        seq: 0,
        hash: FIRST_HASH,
        progress: jobProgress(opened.value.plan, opened.value.state),
      },
      planned.slice(2, 10).replaceAll('-', ''),
    );
    return ok({ id: row.id });
  }

  /** Everything a device needs to work the job. */
  async document(caller: Caller, id: string): Promise<JobDocument | undefined> {
    const row = await this.jobs.find(caller.shopId, id);
    if (!row) return undefined;
    const [kit, shop, wrenches, events] = await Promise.all([
      this.catalog.kit(row.shopId, row.kitId, row.kitRevision),
      this.catalog.shop(row.shopId),
      this.wrenches(row.shopId),
      this.jobs.eventsAfter(id, 0),
    ]);
    if (!kit) throw new Error(`Job ${id} pins a kit that is not stored`);
    return {
      id: row.id,
      number: row.number,
      bay: row.bay,
      plannedStartMs: row.plannedStartMs,
      odometerKm: row.odometerKm ?? undefined,
      vehicle: row.vehicle,
      kit,
      answers: row.answers,
      shop: { name: shop.name, stages: shop.stages ?? undefined, verify: shop.verify ?? undefined },
      wrenches,
      events,
    };
  }

  /** A wrench of this shop was changed, locked or calibrated: the next command reads them anew. */
  forgetWrenches(shopId: string): void {
    this.wrenchesOf.delete(shopId);
  }

  /** The shop's wrenches with their pulls since calibration; kept until the crib changes one. */
  private async wrenches(shopId: string): Promise<Wrench[]> {
    const known = this.wrenchesOf.get(shopId);
    if (known) return known;
    const [stored, pulls] = await Promise.all([this.catalog.wrenches(shopId), this.crib.pullsSinceCalibration(shopId)]);
    const wrenches = stored.map((wrench) => ({ ...wrench, pullsSinceCalibration: pulls.get(wrench.id) ?? 0 }));
    this.wrenchesOf.set(shopId, wrenches);
    return wrenches;
  }

  private async load(shopId: string, id: string): Promise<LiveJob | undefined> {
    const known = this.live.get(id);
    if (known) {
      if (known.row.shopId !== shopId) return undefined;
      this.live.delete(id);
      this.live.set(id, known);
      return known;
    }
    const row = await this.jobs.find(shopId, id);
    if (!row) return undefined;
    const [kit, shop, events] = await Promise.all([
      this.catalog.kit(row.shopId, row.kitId, row.kitRevision),
      this.catalog.shop(row.shopId),
      this.jobs.eventsAfter(id, 0),
    ]);
    if (!kit) throw new Error(`Job ${id} pins a kit that is not stored`);
    const opened = openLog({
      kit,
      vehicle: row.vehicle,
      answers: row.answers,
      shop: { stages: shop.stages ?? undefined, verify: shop.verify ?? undefined },
    });
    if (!opened.ok) throw new Error(`Job ${id} no longer resolves: ${opened.error.code}`);
    const live: LiveJob = {
      row,
      log: appendEvents(
        opened.value,
        events.map((stored) => stored.event),
      ),
      seq: events.length,
      hash: events.at(-1)?.hash ?? FIRST_HASH,
      lastEventAtMs: events.at(-1)?.event.atMs,
    };
    this.live.set(id, live);
    const oldest = this.live.keys().next().value;
    if (this.live.size > KEPT && oldest !== undefined) this.live.delete(oldest);
    return live;
  }

  /** Runs `work` when everything queued for this job before it has finished. */
  private inTurn<T>(id: string, work: () => Promise<T>): Promise<T> {
    const before = this.queues.get(id) ?? Promise.resolve();
    const turn = before.then(work, work);
    this.queues.set(id, turn);
    const clear = () => {
      if (this.queues.get(id) === turn) this.queues.delete(id);
    };
    turn.then(clear, clear);
    return turn;
  }

  /** Takes commands in order. Each gets its own answer; what was accepted is stored before this returns. */
  command(caller: Caller, id: string, commands: readonly CommandInput[]): Promise<CommandBatchAnswer | undefined> {
    return this.inTurn(id, async () => {
      try {
        return await this.take(caller, id, commands);
      } catch (error) {
        // Whatever is in memory may be ahead of the store now.
        this.live.delete(id);
        if (error instanceof JobMoved) return this.take(caller, id, commands);
        throw error;
      }
    });
  }

  private async take(
    caller: Caller,
    id: string,
    commands: readonly CommandInput[],
  ): Promise<CommandBatchAnswer | undefined> {
    const live = await this.load(caller.shopId, id);
    if (!live) return undefined;
    const wrenches = await this.wrenches(caller.shopId);
    const nowMs = this.now();
    let { log, seq, hash } = live;
    const rows: EventRow[] = [];
    const results: CommandResult[] = [];
    for (const input of commands) {
      if (input.atMs > nowMs + CLOCK_AHEAD_MS) {
        results.push({ id: input.id, ok: false, refusal: { code: 'clockAhead', byMs: input.atMs - nowMs } });
        continue;
      }
      const by = await this.sessions.actor(caller, input.by, input.atMs);
      if (!by) {
        results.push({ id: input.id, ok: false, refusal: { code: 'notSignedInThen', person: input.by } });
        continue;
      }
      const envelope = {
        id: input.id,
        atMs: input.atMs,
        by,
        device: caller.deviceId,
        command: input.command,
      };
      // Only closing asks what is still out for the job.
      const toolsOut = input.command.type === 'close' ? outForJob(await this.crib.loansOfJob(id), id) : [];
      const outcome = takeCommand(log, wrenches, envelope, toolsOut);
      if (!outcome.ok) {
        results.push({ id: input.id, ok: false, refusal: outcome.refusal });
        continue;
      }
      ({ log } = outcome);
      outcome.events.forEach((event, commandIndex) => {
        seq += 1;
        hash = chainHash(hash, seq, event);
        rows.push({ seq, hash, event, commandIndex });
      });
      results.push({ id: input.id, ok: true, repeated: outcome.repeated });
    }
    const events: StoredEvent[] = rows.map((row) => ({ seq: row.seq, hash: row.hash, event: row.event }));
    if (rows.length > 0) {
      const lastEventAtMs = rows.at(-1)?.event.atMs;
      const received = { atMs: nowMs, deviceId: caller.deviceId };
      const progress = jobProgress(log.plan, log.state, lastEventAtMs);
      await this.jobs.append(id, live.seq, rows, received, progress, log.state.closed?.atMs);
      this.live.set(id, { ...live, log, seq, hash, lastEventAtMs });
      countPulls(wrenches, rows);
      this.added.emit(id, events);
    }
    return { results, events, seq };
  }

  eventsAfter(id: string, seq: number): Promise<StoredEvent[]> {
    return this.jobs.eventsAfter(id, seq);
  }

  async exists(shopId: string, id: string): Promise<boolean> {
    return this.live.get(id)?.row.shopId === shopId || (await this.jobs.find(shopId, id)) !== undefined;
  }

  /** Calls back with events as they are stored; returns how to stop. */
  listen(id: string, callback: (events: StoredEvent[]) => void): () => void {
    this.added.on(id, callback);
    return () => this.added.off(id, callback);
  }
}

/** Adds pulls just stored to their wrenches' counts, so that 5 000 is not passed unseen between two readings. */
function countPulls(wrenches: Wrench[], rows: readonly EventRow[]): void {
  for (const { event } of rows) {
    if (event.type !== 'pullRecorded') continue;
    const at = wrenches.findIndex((wrench) => wrench.id === event.wrench.id);
    const wrench = wrenches[at];
    if (wrench) wrenches[at] = { ...wrench, pullsSinceCalibration: (wrench.pullsSinceCalibration ?? 0) + 1 };
  }
}
