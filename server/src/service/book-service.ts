import type { BookAnswer, BookPull, BookSearch, KitBook, KitCurves, KitTrouble, WrenchBook } from '#contract/book.ts';
import { BOOK_PAGE } from '#contract/book.ts';
import { deviationText } from '#contract/wording/deviation-text.ts';
import { stepTitle } from '#contract/wording/step-text.ts';
import type { WrenchCheck } from '#core/crib/check-pull.ts';
import { type UsePoint, wrenchDrift } from '#core/crib/wrench-drift.ts';
import type { StepHistory } from '#core/day/estimate.ts';
import { retorqueId } from '#core/hand-over/retorque-kit.ts';
import type { JobLog } from '#core/job/job-log.ts';
import { indexOf, type Plan, type PlanStation } from '#core/kit/plan.ts';
import { lineOf } from '#core/line/line.ts';
import { roundTo } from '#core/quantity/rounding.ts';
import { type Deviation, deviations } from '#core/record/deviations.ts';
import { recordLines } from '#core/record/record-lines.ts';
import { stationSpreads } from '#core/record/station-spread.ts';
import { stepSpreads, stepTimes } from '#core/record/step-times.ts';
import { fromContact } from '#core/trace/from-contact.ts';
import { thinned, unpackTrace } from '#core/trace/pack-trace.ts';
import { permissibleDeviation } from '#core/wrench/calibration.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import type { BookJobEntity, BookPullEntity, BookStepEntity, BookTroubleEntity } from '../store/book-entities.ts';
import { type BookRepository, MEANT_BY, type Meant, type Narrowed } from '../store/book-repository.ts';
import type { JobEntity } from '../store/entities.ts';
import type { Caller } from './caller.ts';
import type { JobService } from './job-service.ts';

/** Jobs written before an answer; more wait for the next, which says so. */
const WRITTEN_AT_ONCE = 40;
/** How long names are taken for the same where nothing is written, ms. */
const NAMES_MS = 300_000;
/** Pulls a kit's charts are drawn from, the newest of them. */
const MOST_FINALS = 100_000;
const MOST_STEPS = 20_000;
/** Curves that are laid over each other, and the points of each: more are a black band. */
const MOST_CURVES = 60;
const DRAWN_POINTS = 90;
/** What went otherwise and is nothing of the kit's: clocks, breaks of the chain, what a person took back. */
const NOT_OF_THE_KIT: ReadonlySet<Deviation['kind']> = new Set([
  'clockOff',
  'clockBackwards',
  'breakAcknowledged',
  'pullWithdrawn',
  'pullCorrected',
  'parked',
  'ownLook',
]);

type Name = Awaited<ReturnType<BookRepository['names']>>[number];

/** Everything ever pulled: searched, and what it says of a kit. */
export class BookService {
  private readonly names = new Map<string, { atMs: number; list: Promise<Name[]> }>();
  private readonly writing = new Map<string, Promise<number>>();

  constructor(
    private readonly store: BookRepository,
    private readonly jobs: JobService,
    private readonly failedLater: (error: unknown) => void,
    private readonly now: () => number = Date.now,
  ) {}

  /** Writes what is not in the book yet. @returns how many jobs still wait */
  catchUp(shopId: string): Promise<number> {
    const under = this.writing.get(shopId);
    if (under) return under;
    const work = this.write(shopId).finally(() => this.writing.delete(shopId));
    this.writing.set(shopId, work);
    return work;
  }

  private async write(shopId: string): Promise<number> {
    const behind = await this.store.behind(shopId, WRITTEN_AT_ONCE);
    for (const { id, seq } of behind)
      try {
        const [log, row] = await Promise.all([this.jobs.log(shopId, id), this.jobs.head(shopId, id)]);
        if (!log || !row) continue;
        await this.writeJob(row, log, seq);
        this.names.delete(shopId);
      } catch (error) {
        // One job that cannot be read must not keep the others out of the book.
        this.failedLater(error);
      }
    return behind.length < WRITTEN_AT_ONCE ? 0 : this.store.countBehind(shopId);
  }

  private async writeJob(row: JobEntity, { plan, state, setup }: JobLog, seq: number): Promise<void> {
    const again = setup.kits[0]?.document.again;
    const before = again && (await this.jobs.log(row.shopId, again.job));
    const of = kitOf(plan, before?.plan);
    const [first] = (before?.plan ?? plan).kits;
    const job: BookJobEntity = {
      jobId: row.id,
      shopId: row.shopId,
      seq,
      kitId: first?.id ?? '',
      kitRevision: first?.revision ?? 0,
      again: again !== undefined,
    };
    const vehicle = {
      vehicleId: row.vehicleId,
      plate: row.vehicle.plate.slice(0, 40),
      model: `${row.vehicle.make} ${row.vehicle.model}`.slice(0, 200),
    };
    const pulls = recordLines(plan, state).flatMap(({ group, joints }) =>
      joints.flatMap(({ station, pulls: lines }) =>
        lines.map(({ pull, pass, stands }): BookPullEntity => {
          const kit = of(station);
          return {
            jobId: row.id,
            pullId: pull.id,
            shopId: row.shopId,
            atMs: pull.atMs,
            number: row.number,
            ...vehicle,
            kitId: kit.id,
            kitRevision: kit.revision,
            kitTitle: kit.title.slice(0, 200),
            station: `${group.title}, ${station.label} ${station.name}`.slice(0, 200),
            wrenchId: pull.wrench.id,
            wrench: pull.wrench.label,
            personId: pull.by.id,
            person: pull.by.name,
            torqueNm: pull.torqueNm,
            targetNm: pull.targetNm,
            minNm: pull.minNm,
            maxNm: pull.maxNm ?? null,
            verdict: pull.verdict,
            stands: stands === 'stands',
            final: pass === undefined || (pass.kind === 'tighten' && pass.fraction === 1),
          };
        }),
      ),
    );
    const troubles = deviations(plan, state)
      .filter(({ kind }) => !NOT_OF_THE_KIT.has(kind))
      .map((deviation): Omit<BookTroubleEntity, 'id'> => {
        const station =
          'station' in deviation && deviation.station
            ? indexOf(plan).stations.get(deviation.station as never)
            : undefined;
        const kit = station ? of(station) : { id: job.kitId, revision: job.kitRevision };
        return {
          jobId: row.id,
          shopId: row.shopId,
          kitId: kit.id,
          kitRevision: kit.revision,
          kind: deviation.kind,
          place: placeOf(plan, deviation, station).slice(0, 200),
          text: deviationText(deviation, plan, plan).slice(0, 500),
          atMs: deviation.atMs,
        };
      });
    await this.store.write(job, pulls, troubles, again ? [] : await this.stepsOf(row, plan));
  }

  /** What each step of a job took, by the kit it is of and as that calls it. */
  private async stepsOf(row: JobEntity, plan: Plan): Promise<BookStepEntity[]> {
    const { stepById } = lineOf(plan);
    const once = new Map<string, BookStepEntity>();
    for (const { step, plannedMin, tookMin, by } of stepTimes(plan, await this.jobs.events(row.shopId, row.id))) {
      const of = stepById.get(step)?.step;
      const kit = plan.kits.find(({ id }) => id === of?.kit);
      if (!of || !kit) continue;
      const own = step.slice(step.lastIndexOf('/') + 1).slice(0, 160);
      once.set(`${kit.id} ${own}`, {
        jobId: row.id,
        shopId: row.shopId,
        kitId: kit.id,
        kitRevision: kit.revision,
        step: own,
        text: stepTitle(plan, of).slice(0, 200),
        plannedMin: plannedMin ?? null,
        tookMin,
        personId: by ?? null,
        model: `${row.vehicle.make} ${row.vehicle.model}`.slice(0, 200),
        atMs: row.plannedStartMs,
      });
    }
    return [...once.values()];
  }

  /** What the steps of some kits took in a shop, whatever their revision, the newest first. */
  paces(shopId: string, kits: readonly string[]): Promise<StepHistory[]> {
    return kits.length === 0 ? Promise.resolve([]) : this.store.paces(shopId, kits, MOST_STEPS);
  }

  /** Names of a shop that words may mean, kept for a moment. */
  private namesOf(shopId: string): Promise<Name[]> {
    const known = this.names.get(shopId);
    if (known && this.now() - known.atMs < NAMES_MS) return known.list;
    const list = this.store.names(shopId);
    this.names.set(shopId, { atMs: this.now(), list });
    list.catch(() => this.names.delete(shopId));
    return list;
  }

  /** The newest pulls that answer to a search, a page of them. */
  async search(caller: Caller, asked: BookSearch): Promise<BookAnswer> {
    const behind = await this.catchUp(caller.shopId);
    const found = await this.page(caller, asked, BOOK_PAGE + 1);
    return { pulls: found.slice(0, BOOK_PAGE).map(shown), more: found.length > BOOK_PAGE, behind };
  }

  private async page({ shopId, person }: Caller, asked: BookSearch, most: number): Promise<BookPullEntity[]> {
    const { words, from, to, beforeMs, beforeJob, beforeId, verdict, kit, revision } = asked;
    // Whose pulls somebody looks for is their own business, and the leads'.
    const others = person.role === 'lead' ? undefined : person.id;
    const names = await this.namesOf(shopId);
    const meant = words
      .toLowerCase()
      .split(/\s+/)
      .filter(Boolean)
      .map((word) => meantBy(names, word, others));
    const narrowed: Narrowed = {
      verdict,
      kit,
      revision,
      fromMs: from,
      toMs: to,
      ...(beforeMs === undefined || beforeJob === undefined || beforeId === undefined
        ? {}
        : { before: { atMs: beforeMs, job: beforeJob, id: beforeId } }),
    };
    return this.store.search(shopId, meant, narrowed, most);
  }

  /** Everything that answers to a search, page by page: it streams. */
  async *all(caller: Caller, asked: BookSearch): AsyncIterable<BookPull[]> {
    await this.catchUp(caller.shopId);
    const PAGE = 1000;
    let from = asked;
    while (true) {
      const page = await this.page(caller, from, PAGE);
      if (page.length > 0) yield page.map(shown);
      const last = page.at(-1);
      if (!last || page.length < PAGE) return;
      from = { ...from, beforeMs: last.atMs, beforeJob: last.jobId, beforeId: last.pullId };
    }
  }

  /** What was pulled with a kit, station by station, and where it went otherwise than planned. */
  async kit(shopId: string, title: string, kit: string, revision?: number): Promise<KitBook> {
    const behind = await this.catchUp(shopId);
    const [finals, troubles, counts, steps] = await Promise.all([
      this.store.finals(shopId, kit, revision, MOST_FINALS),
      this.store.troubles(shopId, kit, revision),
      this.store.jobsOf(shopId, kit, revision),
      this.store.steps(shopId, kit, revision, MOST_STEPS),
    ]);
    return {
      title,
      ...counts,
      spread: stationSpreads(finals),
      steps: stepSpreads(steps),
      troubles: troubles.map(
        ({ kind, place, text, times, jobs, last }): KitTrouble => ({
          kind: String(kind),
          place: String(place),
          text: String(text),
          times: Number(times),
          jobs: Number(jobs),
          lastMs: Number(last),
        }),
      ),
      behind,
    };
  }

  /** The curves of a station over the revisions of its kit, thinned to what is drawn. */
  async curves(shopId: string, kit: string, station: string): Promise<KitCurves> {
    await this.catchUp(shopId);
    const packed = await this.store.curves(shopId, kit, station, MOST_CURVES);
    return {
      station,
      curves: packed.flatMap(({ trace, ...curve }) => {
        const samples = unpackTrace(trace);
        if (!samples || samples.length === 0) return [];
        const points = thinned(fromContact(samples), DRAWN_POINTS).map(
          ({ angleDeg, torqueNm }) => [roundTo(angleDeg, 1), roundTo(torqueNm, 2)] as const,
        );
        return [{ ...curve, points }];
      }),
    };
  }

  /** How a wrench read at its checks, against the pulls it had made by then. */
  async wrench(shopId: string, wrench: Wrench, checks: readonly WrenchCheck[]): Promise<WrenchBook> {
    const behind = await this.catchUp(shopId);
    const counts = await this.store.pullsBetween(
      shopId,
      wrench.id,
      checks.map(({ atMs }) => atMs),
    );
    const permissible = permissibleDeviation(wrench.fullScaleNm, wrench.kind);
    let pulls = 0;
    const points = checks.map(({ atMs, mean, worst, kind }, at): UsePoint => {
      pulls += counts[at] ?? 0;
      return { atMs, pulls, mean, worst, calibration: kind === 'calibration' };
    });
    const drift = wrenchDrift(points, permissible);
    return {
      label: wrench.label,
      permissible,
      points,
      ...(drift ? { drift } : {}),
      pullsSince: counts.at(-1) ?? 0,
      behind,
    };
  }
}

/** What a word stands for: every name it is in. */
function meantBy(names: readonly Name[], word: string, onlyPerson: string | undefined): Meant {
  const meant = Object.fromEntries(MEANT_BY.map((by) => [by, [] as string[]])) as unknown as Meant;
  for (const { by, id, text } of names) {
    if (!text?.toLowerCase().includes(word)) continue;
    if (by === 'person_id' && onlyPerson !== undefined && id !== onlyPerson) continue;
    meant[by].push(id);
  }
  return meant;
}

/** The kit a station is of; at a re-torque the one that put it on. */
function kitOf(plan: Plan, before: Plan | undefined) {
  const kits = new Map([...(before?.kits ?? []), ...plan.kits].map((kit) => [kit.id, kit]));
  const fitted = new Map(before?.stations.map((station) => [retorqueId(station.id), station.kit]));
  return ({ id, kit }: PlanStation): { id: string; revision: number; title: string } => {
    const of = kits.get(fitted.get(id) ?? kit);
    return { id: of?.id ?? kit, revision: of?.revision ?? 0, title: of?.title ?? kit };
  };
}

/** Where it went otherwise, in words. */
function placeOf(plan: Plan, deviation: Deviation, station: PlanStation | undefined): string {
  if (station) return `${station.label} ${station.name}`;
  if ('item' in deviation) {
    const item = indexOf(plan).items.get(deviation.item as never);
    return item ? `${item.line} ${item.name}` : '';
  }
  return '';
}

const shown = (pull: BookPullEntity): BookPull => ({
  id: pull.pullId,
  job: pull.jobId,
  number: pull.number,
  atMs: pull.atMs,
  vehicle: { id: pull.vehicleId, plate: pull.plate, model: pull.model },
  kit: { id: pull.kitId, revision: pull.kitRevision, title: pull.kitTitle },
  station: pull.station,
  torqueNm: pull.torqueNm,
  targetNm: pull.targetNm,
  minNm: pull.minNm,
  ...(pull.maxNm == null ? {} : { maxNm: pull.maxNm }),
  verdict: pull.verdict,
  stands: pull.stands,
  wrench: pull.wrench,
  person: pull.person,
});
