import { randomUUID } from 'node:crypto';
import { EventEmitter } from 'node:events';
import type {
  AddKit,
  CommandBatchAnswer,
  CommandInput,
  CommandResult,
  JobCard,
  JobDocument,
  OpenJob,
  SentCommand,
  StoredEvent,
} from '#contract/job.ts';
import type { PastVisit } from '#contract/vehicle.ts';
import { outForJob } from '#core/crib/crib-tool.ts';
import type { JobCommand } from '#core/job/acts.ts';
import { appendEvents, type JobLog, kitsNow, openLog, takeCommand } from '#core/job/job-log.ts';
import { jobProgress } from '#core/job/job-progress.ts';
import { ofPrefix, scopedKeys } from '#core/kit/ids.ts';
import type { Plan } from '#core/kit/plan.ts';
import { fitVerdicts, type ResolveError } from '#core/kit/resolve.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { kitAnswers, kitPrefix, spreadAnswers, type VisitKit } from '#core/visit/visit.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import type { CribRepository } from '../store/crib-repository.ts';
import type { JobEntity } from '../store/entities.ts';
import { chainHash, FIRST_HASH } from '../store/hash-chain.ts';
import { type EventRow, JobMoved, type JobRepository } from '../store/job-repository.ts';
import { noteFitted } from './fitted-note.ts';
import { pastVisit } from './past-visit.ts';
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
  | { code: 'kitDoesNotFit'; text: string; kit: string }
  | { code: 'kitTwice'; kit: string }
  | (ResolveError & { kit: string });

export type AddKitError = { code: 'unknownJob' | 'unknownKit' } | { code: 'kitDoesNotFit'; text: string; kit: string };

/** A command as the server takes it: from a device, or one it makes itself. */
type TakenCommand = SentCommand | (Omit<CommandInput, 'command'> & { command: JobCommand });

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
    /** Told of what failed after its command was stored and answered; it is made up later. */
    private readonly failedLater: (error: unknown) => void = () => undefined,
  ) {}

  cards(shopId: string, fromMs: number, toMs: number): Promise<JobCard[]> {
    return this.jobs.cards(shopId, fromMs, toMs);
  }

  async open(caller: Caller, input: OpenJob): Promise<Result<{ id: string }, OpenJobError>> {
    const [stored, shop, ...found] = await Promise.all([
      this.catalog.vehicle(caller.shopId, input.vehicle),
      this.catalog.shop(caller.shopId),
      ...input.kits.map((id) => this.catalog.currentKit(caller.shopId, id)),
    ]);
    if (!stored) return fail({ code: 'unknownVehicle' });
    if (input.bay > shop.bays) return fail({ code: 'bayUnknown', bays: shop.bays });
    const kits: VisitKit[] = [];
    for (const document of found) {
      if (!document) return fail({ code: 'unknownKit' });
      if (kits.some((kit) => kit.document.id === document.id)) return fail({ code: 'kitTwice', kit: document.title });
      kits.push({ document, prefix: kitPrefix(kits, document.id) });
    }
    // The reading of this visit is the vehicle's own from here on; the questions were answered for it as it came.
    const vehicle =
      input.odometerKm === undefined ? stored.vehicle : { ...stored.vehicle, odometerKm: input.odometerKm };
    const answers = spreadAnswers(kits, input.answers);
    for (const kit of kits) {
      const misfit = fitVerdicts(kit.document, vehicle, kitAnswers(kit, vehicle, answers)).find(
        (verdict) => verdict.truth === 'false',
      );
      if (misfit) return fail({ code: 'kitDoesNotFit', text: misfit.text, kit: kit.document.title });
    }
    const passRule = { stages: shop.stages ?? undefined, verify: shop.verify ?? undefined };
    const opened = openLog({
      kits,
      openedWith: kits.map(({ prefix }) => prefix),
      vehicle,
      answers,
      shop: passRule,
    });
    if (!opened.ok) return opened;
    if (input.odometerKm !== undefined) await this.catalog.saveVehicle(caller.shopId, vehicle, stored.version);
    const nowMs = this.now();
    const planned = new Date(input.plannedStartMs).toISOString();
    const row = await this.jobs.insert(
      {
        id: randomUUID(),
        shopId: caller.shopId,
        bay: input.bay,
        plannedStartMs: input.plannedStartMs,
        odometerKm: input.odometerKm,
        vehicleId: vehicle.id,
        vehicle,
        kits: kits.map(({ prefix, document }) => ({ prefix, id: document.id, revision: document.revision })),
        answers,
        passRule,
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
    const [kits, shop, wrenches, events] = await Promise.all([
      this.catalog.pinned(row.shopId, row.kits),
      this.catalog.shop(row.shopId),
      this.wrenches(row.shopId),
      this.jobs.eventsAfter(id, 0),
    ]);
    return {
      id: row.id,
      number: row.number,
      bay: row.bay,
      plannedStartMs: row.plannedStartMs,
      odometerKm: row.odometerKm ?? undefined,
      vehicle: row.vehicle,
      kits,
      openedWith: openedWith(row),
      answers: row.answers,
      shop: { name: shop.name, ...row.passRule },
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
    const [kits, events] = await Promise.all([this.catalog.pinned(row.shopId, row.kits), this.jobs.eventsAfter(id, 0)]);
    const opened = openLog({
      kits,
      openedWith: openedWith(row),
      vehicle: row.vehicle,
      answers: row.answers,
      shop: row.passRule,
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
  command(caller: Caller, id: string, commands: readonly SentCommand[]): Promise<CommandBatchAnswer | undefined> {
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

  /**
   * Takes a kit into a visit under way: it is pinned, then the command is decided like any other.
   * @returns the answer to the command, or why it could not be given
   */
  addKit(caller: Caller, id: string, input: AddKit): Promise<Result<CommandBatchAnswer, AddKitError>> {
    return this.inTurn(id, async () => {
      const live = await this.load(caller.shopId, id);
      const document = live && (await this.catalog.currentKit(caller.shopId, input.kit));
      if (!live) return fail({ code: 'unknownJob' as const });
      if (!document) return fail({ code: 'unknownKit' as const });
      const { setup, state } = live.log;
      const prefix = kitPrefix(setup.kits, document.id);
      const kit: VisitKit = { document, prefix };
      const answers = scopedKeys(prefix, input.answers);
      const known = spreadAnswers([...kitsNow(setup, state), kit], { ...state.answers, ...answers });
      const misfit = fitVerdicts(document, setup.vehicle, kitAnswers(kit, setup.vehicle, known)).find(
        (verdict) => verdict.truth === 'false',
      );
      if (misfit) return fail({ code: 'kitDoesNotFit' as const, text: misfit.text, kit: document.title });
      const own = ofPrefix(prefix, known);
      const command = { type: 'addKit' as const, prefix, kit: document.id, revision: document.revision, answers: own };
      const give = () => this.take(caller, id, [{ id: input.id, atMs: this.now(), by: caller.person.id, command }]);
      // A kit that is in already is refused like any command, and leaves no pin behind.
      if (live.log.plan.kits.some((entry) => entry.id === document.id)) {
        const refused = await give();
        return refused ? ok(refused) : fail({ code: 'unknownJob' as const });
      }
      const kits = [...live.row.kits, { prefix, id: document.id, revision: document.revision, added: true as const }];
      const row = { ...live.row, kits };
      this.live.set(id, { ...live, row, log: { ...live.log, setup: { ...setup, kits: [...setup.kits, kit] } } });
      await this.jobs.pin(id, kits);
      const answer = await give();
      // Refused, the kit must not stay half in.
      if (!answer?.results[0]?.ok) this.live.delete(id);
      return answer ? ok(answer) : fail({ code: 'unknownJob' as const });
    });
  }

  /** The plan of a job as its own events made it; undefined where the shop has no such job. */
  async plan(shopId: string, id: string): Promise<Plan | undefined> {
    return (await this.load(shopId, id))?.log.plan;
  }

  /** A vehicle's visits with what was torqued and what came off. */
  async history(shopId: string, vehicleId: string): Promise<PastVisit[]> {
    const rows = await this.jobs.ofVehicle(shopId, vehicleId);
    return Promise.all(
      rows.map(async (row) => {
        const live = await this.load(shopId, row.id);
        if (!live) throw new Error(`Job ${row.id} is gone`);
        return pastVisit(row, live.log);
      }),
    );
  }

  minutesOf(shopId: string, kitId: string): Promise<number[]> {
    return this.jobs.minutesOf(shopId, kitId);
  }

  async addPhoto(caller: Caller, jobId: string, type: string, bytes: Buffer): Promise<string> {
    const id = randomUUID();
    await this.jobs.addPhoto({ id, jobId, type, bytes, takenBy: caller.person.id, takenAtMs: this.now() });
    return id;
  }

  photo(jobId: string, id: string) {
    return this.jobs.photo(jobId, id);
  }

  /**
   * Brings what finished jobs put on their vehicles into the vehicles' cards. The close is stored before; whatever fails
   * here is owed, and made up when the vehicle is next looked at or the server next starts.
   */
  async noteOwed(of?: { shopId: string; vehicleId: string }): Promise<void> {
    for (const row of await this.jobs.owedToVehicles(of)) {
      try {
        const live = await this.load(row.shopId, row.id);
        if (live) await this.noteFitted(live);
      } catch (error) {
        // One job that cannot be read must not keep its vehicle's page, or the server, from opening.
        this.failedLater(error);
      }
    }
  }

  private async noteFitted({ row, log }: Pick<LiveJob, 'row' | 'log'>): Promise<void> {
    await noteFitted(this.catalog, row, log);
    await this.jobs.noted(row.id);
  }

  private async take(
    caller: Caller,
    id: string,
    commands: readonly TakenCommand[],
  ): Promise<CommandBatchAnswer | undefined> {
    const live = await this.load(caller.shopId, id);
    if (!live) return undefined;
    const wrenches = await this.wrenches(caller.shopId);
    const nowMs = this.now();
    let { log, seq, hash } = live;
    const rows: EventRow[] = [];
    const results: CommandResult[] = [];
    for (const input of commands) {
      if ('unreadable' in input) {
        results.push({ id: input.id, ok: false, refusal: { code: 'commandUnreadable', faults: input.unreadable } });
        continue;
      }
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
      if (rows.some(({ event }) => event.type === 'jobClosed'))
        await this.noteFitted({ ...live, log }).catch((error: unknown) => this.failedLater(error));
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

/** Prefixes of the kits a job was opened with. */
const openedWith = (row: JobEntity): string[] => row.kits.filter(({ added }) => !added).map(({ prefix }) => prefix);

/** Adds pulls just stored to their wrenches' counts, so that 5 000 is not passed unseen between two readings. */
function countPulls(wrenches: Wrench[], rows: readonly EventRow[]): void {
  for (const { event } of rows) {
    if (event.type !== 'pullRecorded') continue;
    const at = wrenches.findIndex((wrench) => wrench.id === event.wrench.id);
    const wrench = wrenches[at];
    if (wrench) wrenches[at] = { ...wrench, pullsSinceCalibration: (wrench.pullsSinceCalibration ?? 0) + 1 };
  }
}
