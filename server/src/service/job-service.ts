import { createHash, randomUUID } from 'node:crypto';
import type {
  AddKit,
  CallOff,
  CommandBatch,
  CommandBatchAnswer,
  CommandResult,
  JobCard,
  JobDeviceInput,
  JobDocument,
  MoveJob,
  OpenJob,
  SentCommand,
  StoredEvent,
} from '#contract/job.ts';
import type { KitReach, KitUse } from '#contract/kit-draft.ts';
import type { PastVisit } from '#contract/vehicle.ts';
import type { ShelfBottle } from '#core/compound/shelf-bottle.ts';
import { outForJob } from '#core/crib/crib-tool.ts';
import { shelfBottles } from '#core/crib/shelf-bottle.ts';
import type { JobCommand, JobEvent } from '#core/job/acts.ts';
import { bestTimeMs } from '#core/job/command-time.ts';
import type { JobLog } from '#core/job/job-log.ts';
import { kitsNow, takeCommand } from '#core/job/job-log.ts';
import { jobProgress } from '#core/job/job-progress.ts';
import type { Refusal } from '#core/job/refusal.ts';
import type { HouseRules } from '#core/kit/house-rules.ts';
import { ofPrefix, scopedKeys } from '#core/kit/ids.ts';
import type { Plan } from '#core/kit/plan.ts';
import { fitVerdicts } from '#core/kit/resolve.ts';
import { erasedVehicle, kitHash, type SignedText } from '#core/record/seal.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { kitAnswers, kitPrefix, spreadAnswers, type VisitKit } from '#core/visit/visit.ts';
import { dayOf } from '#core/wrench/suitable-wrench.ts';
import type { RecordProof } from '../report/record-file.ts';
import type { RecordSeal } from '../seal/record-seal.ts';
import { type EventRow, JobMoved } from '../store/append-queue.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import type { CribRepository } from '../store/crib-repository.ts';
import type { JobEntity } from '../store/entities.ts';
import { chainHash, sha256 } from '../store/hash-chain.ts';
import type { JobRepository } from '../store/job-repository.ts';
import { type StoredSlot, slotOf, slotParts } from '../store/stored-slot.ts';
import type { Caller } from './caller.ts';
import type { Authority, CommandAuthority } from './command-authority.ts';
import { noteFitted } from './fitted-note.ts';
import type { JobDevices } from './job-devices.ts';
import type { JobLines } from './job-lines.ts';
import { JobShelf } from './job-shelf.ts';
import { type CallOffFault, type MoveFault, slotFault, workBegun } from './job-slot.ts';
import { type LiveJob, openedWith } from './live-job.ts';
import type { News } from './news.ts';
import { type OpenJobError, openJob } from './open-job.ts';
import { pastVisit } from './past-visit.ts';
import type { ReadingProofs } from './reading-proofs.ts';
import type { ShopWrenches } from './shop-wrenches.ts';
import { Turns } from './turns.ts';

/** Photos of one job, and their bytes together: a phone's pictures of every corner, and no album. */
const MOST_PHOTOS = 200;
const MOST_PHOTO_BYTES = 200e6;

/** How often a decision is made anew that another server was first with; each time that one has got somewhere. */
const MOST_OVERTAKEN = 20;

export type AddKitError = { code: 'unknownJob' | 'unknownKit' } | { code: 'kitDoesNotFit'; text: string; kit: string };
export type PhotoError = { code: 'unknownJob' | 'tooManyPhotos' | 'jobClosed' | 'recordBroken' | 'notPermitted' };

/** A command whose origin is known, or why it is not taken. */
type Judged = { id: string } & (
  | { refusal: Refusal }
  | { command: JobCommand; atMs: number; authority: Authority; clock?: { deviceMs: number; offsetMs: number } }
);

export interface JobServiceParts {
  jobs: JobRepository;
  catalog: CatalogRepository;
  crib: CribRepository;
  wrenches: ShopWrenches;
  authority: CommandAuthority;
  readings: ReadingProofs;
  devices: JobDevices;
  lines: JobLines;
  news: Pick<News, 'on' | 'tell'>;
  seal: RecordSeal;
  /** Apprentices of a shop who have yet to practise a pull, by id. */
  unpractised: (shopId: string) => Promise<string[]>;
  now?: () => number;
  /** Told of what failed after its command was stored and answered; it is made up later. */
  failedLater?: (error: unknown) => void;
}

/** Opens jobs, takes commands, and tells listeners what was added. */
export class JobService {
  private readonly shelf: JobShelf;
  /** Commands of one job are decided one after another, of different jobs side by side. */
  private readonly turns = new Turns();
  private readonly now: () => number;
  private readonly failedLater: (error: unknown) => void;

  constructor(private readonly parts: JobServiceParts) {
    this.shelf = new JobShelf(parts.jobs, parts.catalog, parts.seal);
    this.now = parts.now ?? Date.now;
    this.failedLater = parts.failedLater ?? (() => undefined);
    parts.news.on('jobs', () => this.shelf.clear());
  }

  cards(shopId: string, fromMs: number, toMs: number): Promise<JobCard[]> {
    return this.parts.jobs.cards(shopId, fromMs, toMs);
  }

  /** One job as lists show it. */
  card(shopId: string, id: string): Promise<JobCard | undefined> {
    return this.parts.jobs.card(shopId, id);
  }

  open(caller: Caller, input: OpenJob, id?: string): Promise<Result<{ id: string }, OpenJobError>> {
    return openJob(this.parts, caller, input, this.now(), id);
  }

  /** Whom a revised sheet concerns: open jobs with the kit, and vehicles it was fitted to. */
  async reach(shopId: string, kitId: string): Promise<KitReach> {
    const rows = await this.parts.jobs.withKit(shopId, kitId);
    const uses = rows.flatMap((row): KitUse[] => {
      const pin = row.kits.filter(({ id }) => id === kitId).at(-1);
      if (!pin) return [];
      const { model, plate } = row.vehicle;
      return [
        {
          job: row.id,
          number: row.number,
          revision: pin.revision,
          vehicle: { id: row.vehicleId, model, plate },
          ...(row.closedAtMs ? { closedAtMs: row.closedAtMs } : {}),
        },
      ];
    });
    return {
      open: uses.filter(({ closedAtMs }) => closedAtMs === undefined),
      fitted: uses.filter(({ closedAtMs }) => closedAtMs !== undefined),
    };
  }

  /** Moves a job to another time, bay, place or to other hands. What was done stays as it is. */
  async move(caller: Caller, id: string, input: MoveJob): Promise<Result<void, MoveFault>> {
    const { jobs, catalog } = this.parts;
    const row = await jobs.find(caller.shopId, id);
    if (!row) return fail({ code: 'unknownJob' });
    if (row.closedAtMs) return fail({ code: 'jobClosed' });
    const fault = await slotFault(catalog, caller.shopId, input);
    if (fault) return fail(fault);
    await jobs.move(id, { bay: input.bay, plannedStartMs: input.plannedStartMs, slot: slotOf(input) });
    this.shelf.drop(id);
    return ok(undefined);
  }

  /**
   * The vehicle does not come: the job stays, its bay is free. What was counted stays counted; a vehicle that was worked on
   * has come.
   */
  async callOff({ shopId, person }: Caller, id: string, said: CallOff): Promise<Result<void, CallOffFault>> {
    const row = await this.parts.jobs.find(shopId, id);
    if (!row) return fail({ code: 'unknownJob' });
    if (row.closedAtMs) return fail({ code: 'jobClosed' });
    if (workBegun(row.progress)) return fail({ code: 'workBegun' });
    await this.keepSlot(id, { ...row.slot, calledOff: { ...said, by: person.name, atMs: this.now() } });
    return ok(undefined);
  }

  /** It comes after all, at the time it was planned for. */
  async putBack({ shopId }: Caller, id: string): Promise<Result<void, CallOffFault>> {
    const row = await this.parts.jobs.find(shopId, id);
    if (!row) return fail({ code: 'unknownJob' });
    if (row.slot?.calledOff) await this.keepSlot(id, slotOf(row.slot));
    return ok(undefined);
  }

  private async keepSlot(id: string, slot: StoredSlot | null): Promise<void> {
    await this.parts.jobs.callOff(id, slot);
    this.shelf.drop(id);
  }

  /** Every job of a shop, the oldest first. */
  everyJob(shopId: string): Promise<Array<{ id: string; number: string }>> {
    return this.parts.jobs.everyJob(shopId);
  }

  /** Everything a device needs to work the job; for a record, to the letter as it is stored. */
  document({ shopId, deviceId }: Caller, id: string): Promise<JobDocument | undefined> {
    return this.documentFor(shopId, id, deviceId);
  }

  /** The same for whoever asks from no device of the shop's. */
  async documentFor(shopId: string, id: string, deviceId: string): Promise<JobDocument | undefined> {
    const { jobs, catalog, wrenches, devices } = this.parts;
    const row = await jobs.find(shopId, id);
    if (!row) return undefined;
    const [kits, shop, wall, bottles, events, unheard] = await Promise.all([
      catalog.pinned(row.shopId, row.kits),
      catalog.shop(row.shopId),
      wrenches.of(row.shopId),
      this.shelfOf(row.shopId),
      jobs.eventsAfter(id, 0),
      devices.unheard(id, deviceId),
    ]);
    const integrity = await this.shelf.check(row, kits, events);
    const unpractised = await this.yetToPractise(row.shopId, row.passRule);
    return {
      id: row.id,
      number: row.number,
      bay: row.bay,
      plannedStartMs: row.plannedStartMs,
      ...slotParts(row.slot),
      odometerKm: row.odometerKm ?? undefined,
      vehicle: row.vehicle,
      kits: kits.map(({ document, prefix, side, withdrawn }) => ({
        document,
        prefix,
        ...(side ? { side } : {}),
        ...(withdrawn ? { withdrawn } : {}),
      })),
      openedWith: openedWith(row),
      answers: row.answers,
      shop: { name: shop.name, ...row.passRule },
      wrenches: wall,
      bottles,
      ...(unpractised ? { unpractised } : {}),
      events,
      integrity,
      unheard,
    };
  }

  /** Apprentices who have yet to practise, where a job's rules ask for that. */
  private async yetToPractise(shopId: string, rules: Partial<HouseRules>): Promise<string[] | undefined> {
    return rules.apprenticePulls === 'practised' ? this.parts.unpractised(shopId) : undefined;
  }

  /** The shop's bottles, as the one with a thread in hand needs to know them. */
  private async shelfOf(shopId: string): Promise<ShelfBottle[]> {
    const { crib } = this.parts;
    const [bottles, readings] = await Promise.all([crib.bottles(shopId), crib.temperatures(shopId, 0)]);
    return shelfBottles(bottles, readings, dayOf(this.now()));
  }

  /** Takes commands in order. Each gets its own answer; what was accepted is stored before this returns. */
  async command(caller: Caller, id: string, batch: CommandBatch): Promise<CommandBatchAnswer | undefined> {
    const receivedMs = this.now();
    const judged: Judged[] = [];
    for (const input of batch.commands) judged.push(await this.judge(caller, id, input, receivedMs));
    const offsetAtReceiptMs = batch.sentMs === undefined ? undefined : receivedMs - batch.sentMs;
    const answer = await this.inTurn(id, () => this.take(caller, id, judged, { receivedMs, offsetAtReceiptMs }));
    if (answer && batch.left !== undefined) this.parts.devices.heard(id, caller, { waiting: batch.left, away: false });
    return answer;
  }

  /**
   * Does work on a job when its turn comes. Where another server was first, the job is brought up to what is stored and the
   * work is done again: what it decided was decided on something older.
   */
  private inTurn<T>(id: string, work: () => Promise<T>): Promise<T> {
    return this.turns.take(id, async () => {
      for (let tries = 1; ; tries++) {
        try {
          return await work();
        } catch (error) {
          if (!(error instanceof JobMoved) || tries >= MOST_OVERTAKEN) throw error;
          await this.shelf.catchUp(id);
        }
      }
    });
  }

  /** Finds out where a command is from and what shows it; none of that needs the job. */
  private async judge(caller: Caller, job: string, input: SentCommand, receivedMs: number): Promise<Judged> {
    const { id } = input;
    if ('unreadable' in input) return { id, refusal: { code: 'commandUnreadable', faults: input.unreadable } };
    const { authority, readings, devices } = this.parts;
    const found = await authority.of(caller, job, input);
    if (!found.ok) return { id, refusal: found.error };
    const { command } = input;
    if (command.type === 'pull' && command.source === 'live' && !readings.holds(command, caller.shopId))
      return { id, refusal: { code: 'liveUnproven', station: command.station } };
    const notBeforeMs = Math.max(found.value.notBeforeMs, devices.emptyAtMs(caller.deviceId));
    const atMs = bestTimeMs(input.atMs, notBeforeMs, receivedMs);
    return { id, command, atMs, authority: found.value, clock: input.clock };
  }

  /**
   * Takes a kit into a visit under way: decided first, then pinned, so that a refused one leaves nothing behind.
   * @returns the answer to the command, or why it could not be given
   */
  addKit(caller: Caller, id: string, input: AddKit): Promise<Result<CommandBatchAnswer, AddKitError>> {
    return this.inTurn(id, async () => {
      const live = await this.shelf.get(caller.shopId, id);
      const pinned = live && (await this.parts.catalog.currentPinned(caller.shopId, input.kit));
      if (!live) return fail({ code: 'unknownJob' as const });
      if (!pinned) return fail({ code: 'unknownKit' as const });
      const { document, revision } = pinned;
      const { setup, state } = live.log;
      const prefix = kitPrefix(setup.kits, document.id);
      const kit: VisitKit = { document, prefix };
      const answers = scopedKeys(prefix, input.answers);
      const known = spreadAnswers([...kitsNow(setup, state), kit], { ...state.answers, ...answers });
      const misfit = fitVerdicts(document, setup.vehicle, kitAnswers(kit, setup.vehicle, known)).find(
        (verdict) => verdict.truth === 'false',
      );
      if (misfit) return fail({ code: 'kitDoesNotFit' as const, text: misfit.text, kit: document.title });
      const command: JobCommand = {
        type: 'addKit',
        prefix,
        kit: document.id,
        revision,
        answers: ofPrefix(prefix, known),
        sha256: kitHash(sha256, pinned.stored),
      };
      const kits = [...live.row.kits, { prefix, id: document.id, revision, added: true as const }];
      const log = { ...live.log, setup: { ...setup, kits: [...setup.kits, kit] } };
      const before = async () => {
        await this.parts.jobs.pin(id, kits);
        live.row.kits = kits;
      };
      const answer = await this.give(caller, { ...live, log }, { id: input.id, command }, before);
      return ok(answer);
    });
  }

  /** Gives a command the server itself makes, in the caller's name. `before` runs once it is decided, before it is stored. */
  private async give(
    caller: Caller,
    live: LiveJob,
    { id, command }: { id: string; command: JobCommand },
    before?: () => Promise<void>,
  ): Promise<CommandBatchAnswer> {
    const nowMs = this.now();
    const authority: Authority = { by: caller.person, device: caller.deviceId, notBeforeMs: nowMs };
    return this.decideAll(caller, live, [{ id, command, atMs: nowMs, authority }], { receivedMs: nowMs }, before);
  }

  /** What is kept beside a job to prove its record by. */
  async recordProof(shopId: string, id: string): Promise<RecordProof | undefined> {
    const { jobs, catalog } = this.parts;
    const row = await jobs.find(shopId, id);
    if (!row) return undefined;
    const [signed, kits] = await Promise.all([jobs.proofs(id), catalog.pinned(shopId, row.kits)]);
    return {
      seal: row.seal ?? undefined,
      personalSalt: row.personalSalt ?? undefined,
      closing: row.closing ? (JSON.parse(row.closing) as SignedText) : undefined,
      keys: await jobs.keysOf(id),
      signed,
      stored: new Map(kits.map(({ prefix, stored }) => [prefix, stored])),
    };
  }

  /** A job as its own events made it; undefined where the shop has no such job. */
  async log(shopId: string, id: string): Promise<JobLog | undefined> {
    return (await this.shelf.get(shopId, id))?.log;
  }

  /** Everything that happened in a job, in its order; none where the shop has no such job. */
  async events(shopId: string, id: string): Promise<JobEvent[]> {
    const { jobs } = this.parts;
    return (await jobs.find(shopId, id)) ? (await jobs.eventsAfter(id, 0)).map(({ event }) => event) : [];
  }

  /** What a job is called by, and whose it is. */
  async head(shopId: string, id: string): Promise<JobEntity | undefined> {
    return (await this.shelf.get(shopId, id))?.row;
  }

  /** The plan of a job as its own events made it; undefined where the shop has no such job. */
  async plan(shopId: string, id: string): Promise<Plan | undefined> {
    return (await this.shelf.get(shopId, id))?.log.plan;
  }

  /**
   * Takes what is personal of a vehicle's owner out of the vehicle's card and out of every job of it, on the owner's wish.
   * The records stay whole: their seals hold only a salted hash of it.
   */
  async erasePersonal(shopId: string, vehicleId: string): Promise<boolean> {
    const { catalog, jobs } = this.parts;
    const stored = await catalog.vehicle(shopId, vehicleId);
    if (!stored) return false;
    for (const row of await jobs.ofVehicle(shopId, vehicleId))
      await this.turns.take(row.id, async () => {
        await jobs.erase(row.id, erasedVehicle(row.vehicle));
        this.shelf.drop(row.id);
      });
    // What another server has in memory of it goes too.
    await this.parts.news.tell('jobs');
    await catalog.saveVehicle(shopId, erasedVehicle(stored.vehicle), stored.version);
    return true;
  }

  /** A vehicle's visits with what was torqued and what came off. One that cannot be read is listed without. */
  async history(shopId: string, vehicleId: string): Promise<PastVisit[]> {
    const rows = await this.parts.jobs.ofVehicle(shopId, vehicleId);
    return Promise.all(
      rows.map(async (row) => {
        try {
          return pastVisit(row, (await this.shelf.get(shopId, row.id))?.log);
        } catch (error) {
          this.failedLater(error);
          return pastVisit(row, undefined);
        }
      }),
    );
  }

  /** Which jobs were signed in a stretch of time, and when. */
  signedHeads(shopId: string, fromMs: number, toMs: number): Promise<Array<{ id: string; closedAtMs: number }>> {
    return this.parts.jobs.signedHeads(shopId, fromMs, toMs);
  }

  /** Signed jobs with their logs, one after the other; one that cannot be read is left out and reported. */
  async *signed(
    shopId: string,
    heads: ReadonlyArray<{ id: string; closedAtMs: number }>,
  ): AsyncIterable<{ row: JobEntity; log: JobLog; closedAtMs: number }> {
    for (const { id, closedAtMs } of heads)
      try {
        const live = await this.shelf.get(shopId, id);
        if (live) yield { row: live.row, log: live.log, closedAtMs };
      } catch (error) {
        this.failedLater(error);
      }
  }

  /** Jobs signed in a stretch of time, in that order, with their logs; one that cannot be read is left out and reported. */
  async signedBetween(
    shopId: string,
    fromMs: number,
    toMs: number,
  ): Promise<Array<{ row: JobEntity; log: JobLog; closedAtMs: number }>> {
    const found: Array<{ row: JobEntity; log: JobLog; closedAtMs: number }> = [];
    // One after the other: a quarter's jobs at once would be a quarter's logs in memory.
    for (const row of await this.parts.jobs.signedBetween(shopId, fromMs, toMs))
      try {
        const log = (await this.shelf.get(shopId, row.id))?.log;
        if (log && row.closedAtMs) found.push({ row, log, closedAtMs: row.closedAtMs });
      } catch (error) {
        this.failedLater(error);
      }
    return found;
  }

  minutesOf(shopId: string, kitId: string): Promise<number[]> {
    return this.parts.jobs.minutesOf(shopId, kitId);
  }

  /** Keeps a photo and puts its hash on the record. */
  addPhoto(
    caller: Caller,
    jobId: string,
    type: string,
    bytes: Buffer,
    /** The id the device gave it: sent twice, it is kept once. */
    id: string = randomUUID(),
  ): Promise<Result<{ id: string }, PhotoError>> {
    // Stored here, and its event overtaken by another server's: the event is still to come.
    let stored = false;
    return this.inTurn(jobId, async () => {
      const { jobs } = this.parts;
      const live = await this.shelf.get(caller.shopId, jobId);
      if (!live) return fail({ code: 'unknownJob' as const });
      if (!stored && (await jobs.photo(jobId, id))) return ok({ id });
      const kept = await jobs.photosOf(jobId);
      if (kept.count >= MOST_PHOTOS || kept.bytes + bytes.length > MOST_PHOTO_BYTES)
        return fail({ code: 'tooManyPhotos' as const });
      const hash = createHash('sha256').update(bytes).digest('hex');
      const command: JobCommand = { type: 'keepPhoto', photo: id, sha256: hash, mime: type, bytes: bytes.length };
      const row = { id, jobId, type, bytes, sha256: hash, takenBy: caller.person.id, takenAtMs: this.now() };
      const { results } = await this.give(caller, live, { id, command }, async () => {
        if (!stored) await jobs.addPhoto(row);
        stored = true;
      });
      const [result] = results;
      if (!result || result.ok) return ok({ id });
      const { code } = result.refusal;
      return fail({ code: code === 'jobClosed' || code === 'recordBroken' ? code : ('notPermitted' as const) });
    });
  }

  /** The photos of a job's own people: what a pack names, and what it holds. */
  async photosWhole(jobId: string): Promise<Array<{ id: string; type: string; sha256: string; bytes: Buffer }>> {
    return this.parts.jobs.photosWhole(jobId);
  }

  photo(jobId: string, id: string) {
    return this.parts.jobs.photo(jobId, id);
  }

  /**
   * Brings what finished jobs put on their vehicles into the vehicles' cards. The close is stored before; whatever fails
   * here is owed, and made up when the vehicle is next looked at or the server next starts.
   */
  async noteOwed(of?: { shopId: string; vehicleId: string }): Promise<void> {
    for (const row of await this.parts.jobs.owedToVehicles(of)) {
      try {
        const live = await this.shelf.get(row.shopId, row.id);
        if (live) await this.noteFitted(live);
      } catch (error) {
        // One job that cannot be read must not keep its vehicle's page, or the server, from opening.
        this.failedLater(error);
      }
    }
  }

  private async noteFitted({ row, log }: Pick<LiveJob, 'row' | 'log'>): Promise<void> {
    await noteFitted(this.parts.catalog, row, log);
    await this.parts.jobs.noted(row.id);
  }

  private async take(
    caller: Caller,
    id: string,
    commands: readonly Judged[],
    received: { receivedMs: number; offsetAtReceiptMs?: number },
  ): Promise<CommandBatchAnswer | undefined> {
    const live = await this.shelf.get(caller.shopId, id);
    return live && this.decideAll(caller, live, commands, received);
  }

  private async decideAll(
    caller: Caller,
    live: LiveJob,
    commands: readonly Judged[],
    { receivedMs, offsetAtReceiptMs }: { receivedMs: number; offsetAtReceiptMs?: number },
    before?: () => Promise<void>,
  ): Promise<CommandBatchAnswer> {
    const { crib, jobs, wrenches, readings, lines } = this.parts;
    const { id } = live.row;
    const wall = await wrenches.of(caller.shopId);
    const { open } = live.integrity;
    let { log, seq, hash } = live;
    const rows: EventRow[] = [];
    const results: CommandResult[] = [];
    for (const input of commands) {
      if ('refusal' in input) {
        results.push({ id: input.id, ok: false, refusal: input.refusal });
        continue;
      }
      const { command, atMs, authority, clock } = input;
      const { by, device, signingKey, proof } = authority;
      const envelope = {
        id: input.id,
        atMs,
        by,
        device,
        signingKey,
        proof,
        clock: { deviceMs: clock?.deviceMs ?? atMs, offsetMs: clock?.offsetMs ?? 0, receivedMs, offsetAtReceiptMs },
        command,
      };
      // Only closing asks what is still out for the job.
      const toolsOut = command.type === 'close' ? outForJob(await crib.loansOfJob(id), id) : [];
      const bottles = command.type === 'applyCompound' ? await this.shelfOf(caller.shopId) : undefined;
      const unpractised =
        command.type === 'pull' && by.role === 'apprentice'
          ? await this.yetToPractise(caller.shopId, log.plan.rules)
          : undefined;
      const outcome = takeCommand(log, wall, envelope, { toolsOut, breaks: open, bottles, unpractised });
      if (!outcome.ok) {
        results.push({ id: input.id, ok: false, refusal: outcome.refusal });
        continue;
      }
      if (command.type === 'pull' && !outcome.repeated && !(await readings.takeOnce(command, input.id))) {
        results.push({ id: input.id, ok: false, refusal: { code: 'liveUnproven', station: command.station } });
        continue;
      }
      ({ log } = outcome);
      // After a tail that was cut off the numbers go on where they were: they are not given twice.
      if (rows.length === 0 && outcome.events.length > 0) seq = Math.max(seq, live.row.seq);
      outcome.events.forEach((event, commandIndex) => {
        seq += 1;
        hash = chainHash(hash, seq, event);
        rows.push({ seq, hash, event, commandIndex, proof: commandIndex === 0 ? authority.kept : undefined });
      });
      results.push({ id: input.id, ok: true, repeated: outcome.repeated });
    }
    // Refused by what another server has changed since: it is decided anew.
    const refused = results.some((result) => !result.ok);
    if (refused && (await jobs.seqOf(id)) !== live.row.seq) throw new JobMoved(id);
    const events: StoredEvent[] = rows.map((row) => ({ seq: row.seq, hash: row.hash, event: row.event }));
    if (rows.length > 0) {
      await before?.();
      const lastEventAtMs = rows.at(-1)?.event.atMs;
      const progress = jobProgress(log.plan, log.state, lastEventAtMs);
      const received = { atMs: receivedMs, deviceId: caller.deviceId };
      const closedAtMs = log.state.closed?.atMs;
      try {
        await jobs.append({ jobId: id, fromSeq: live.row.seq, rows, received, progress, closedAtMs });
      } catch (error) {
        // Whatever is in memory may be ahead of the store now.
        if (!(error instanceof JobMoved)) this.shelf.drop(id);
        throw error;
      }
      const acknowledged = rows.some(({ event }) => event.type === 'breakAcknowledged');
      const integrity = acknowledged ? { ...live.integrity, open: [] } : live.integrity;
      const row = { ...live.row, seq, hash, progress };
      const next: LiveJob = { ...live, row, log, seq, hash, lastEventAtMs, integrity };
      this.shelf.put(next);
      if (acknowledged) await this.shelf.note(row, integrity);
      wrenches.countPulls(caller.shopId, events);
      // Whoever works on it has it before them.
      if (workBegun(progress) && !workBegun(live.row.progress)) await this.putBack(caller, id);
      lines.stored(id, events);
      if (rows.some(({ event }) => event.type === 'jobClosed')) await this.afterClose(next);
    }
    return { results, events, seq };
  }

  /** What follows a close is stored apart from it; where it fails it is made up later. */
  private async afterClose(live: LiveJob): Promise<void> {
    try {
      await this.shelf.signClosed(live);
      await this.noteFitted(live);
    } catch (error) {
      this.failedLater(error);
    }
  }

  /** A device says what waits on it for a job, and whether it has left it. */
  async device(caller: Caller, id: string, said: JobDeviceInput): Promise<boolean> {
    if (!(await this.exists(caller.shopId, id))) return false;
    await this.parts.devices.said(id, caller, said);
    return true;
  }

  eventsAfter(id: string, seq: number): Promise<StoredEvent[]> {
    return this.parts.jobs.eventsAfter(id, seq);
  }

  async exists(shopId: string, id: string): Promise<boolean> {
    return this.shelf.has(shopId, id) || (await this.parts.jobs.find(shopId, id)) !== undefined;
  }

  /** Calls back with events after `seq` as they are stored, by whichever server; returns how to stop. */
  listen(id: string, seq: number, callback: (events: StoredEvent[]) => void): () => void {
    return this.parts.lines.listen(id, seq, callback);
  }

  /** Holds every job of the installation against its seal, and names the altered ones. */
  checkAll(pause: () => Promise<void>): Promise<string[]> {
    return this.shelf.checkAll(pause, this.failedLater);
  }
}
