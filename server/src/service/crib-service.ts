import { randomUUID } from 'node:crypto';
import type {
  BottleChange,
  BottleInput,
  CheckInput,
  Crib,
  LoanInput,
  Recheck,
  ReturnInput,
  SettleInput,
  ToolInput,
  WrenchInput,
} from '#contract/crib.ts';
import { say } from '#contract/wording/say.ts';
import { stationBeadMl } from '#core/crib/bead-use.ts';
import { type Bottle, bottleFor, leftMl, type ReorderLine, reorderList } from '#core/crib/bottle.ts';
import { type CheckVerdict, doubtFromMs, judgeCheck, type WrenchCheck } from '#core/crib/check-pull.ts';
import { isOut, outForJob } from '#core/crib/crib-tool.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { addMonths } from '#core/quantity/add-months.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { scopedKit } from '#core/visit/scoped-kit.ts';
import { calibrationDue, calibrationResult, readingsByPoint } from '#core/wrench/calibration.ts';
import { dayOf } from '#core/wrench/suitable-wrench.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import { AlreadyOut, type CribRepository, type JobWithKit, LabelTaken } from '../store/crib-repository.ts';
import type { PersonRepository } from '../store/person-repository.ts';
import type { Caller } from './caller.ts';

const DAY_MS = 86_400_000;
/** How long returned loans and readings of the thermometer are shown. */
const LOANS_SHOWN_MS = 14 * DAY_MS;
const TEMPERATURES_SHOWN_MS = 400 * DAY_MS;

export type CribError =
  | { code: 'unknownWrench' }
  | { code: 'unknownTool' }
  | { code: 'unknownBottle' }
  | { code: 'unknownLoan' }
  | { code: 'unknownPerson' }
  | { code: 'unknownJob' }
  | { code: 'labelTaken'; detail: string }
  | { code: 'alreadyOut'; detail: string }
  | { code: 'wrenchLentLocked'; detail: string }
  | { code: 'calibrationIncomplete'; detail: string }
  | { code: 'rangeReversed'; detail: string };

/** The tool and compound store: what is there, who has it, what it is worth. */
export class CribService {
  constructor(
    private readonly crib: CribRepository,
    private readonly catalog: CatalogRepository,
    private readonly people: PersonRepository,
    /** Told when a wrench changed, so that nobody goes on with the old one. */
    private readonly wrenchesChanged: (shopId: string) => void,
    /** A job's plan as its own events made it. */
    private readonly planOf: (shopId: string, jobId: string) => Promise<Plan | undefined>,
    /** Drawers of fasteners that are nearly empty. */
    private readonly lowDrawers: (shopId: string) => Promise<Array<{ name: string; left: number }>>,
    private readonly now: () => number = Date.now,
  ) {}

  /** Everything, after the beads put on since the last look have been counted off the bottles. */
  async read(shopId: string): Promise<Crib> {
    await this.countBeads(shopId);
    const nowMs = this.now();
    const [own, others, ownChecks, tools, loans, bottles, temperatures, people] = await Promise.all([
      this.catalog.wrenches(shopId),
      this.catalog.othersWrenches(shopId),
      this.crib.checks(shopId),
      this.crib.tools(shopId),
      this.crib.loans(shopId, nowMs - LOANS_SHOWN_MS),
      this.crib.bottles(shopId),
      this.crib.temperatures(shopId, nowMs - TEMPERATURES_SHOWN_MS),
      this.people.people(shopId),
    ]);
    const otherShops = [...new Set(others.map((other) => other.shopId))];
    const othersChecks = await Promise.all(otherShops.map((shop) => this.crib.checks(shop)));
    const checks = [...ownChecks, ...othersChecks.flat()];
    const wrenches = [...own, ...others.map(({ wrench, shop, pooled }) => ({ ...wrench, of: { shop, pooled } }))];
    const loanOf = (thing: 'wrench' | 'tool', id: string) =>
      loans.find((loan) => loan.thing === thing && loan.thingId === id && isOut(loan));
    return {
      wrenches: wrenches.map((wrench) => ({
        ...wrench,
        checks: checks.filter((check) => check.wrenchId === wrench.id),
        loan: loanOf('wrench', wrench.id),
      })),
      tools: tools.map((tool) => ({ ...tool, loan: loanOf('tool', tool.id) })),
      bottles,
      temperatures,
      rechecks: await this.rechecks(shopId, wrenches, checks),
      people: people.map(({ id, name, skills, leftAtMs }) => ({
        id,
        name,
        // Who has left does nothing here any more.
        ...(skills?.length && !leftAtMs ? { skills } : {}),
      })),
    };
  }

  /** Stations pulled by wrenches that are locked now, since each one's last good check. */
  private async rechecks(
    shopId: string,
    wrenches: readonly Wrench[],
    checks: readonly WrenchCheck[],
  ): Promise<Recheck[]> {
    // A wrench that was out and came back calibrated still pulled what it pulled while it was out.
    const failed = wrenches.flatMap((wrench) => {
      const own = checks.filter((check) => check.wrenchId === wrench.id);
      return own.filter((check) => !check.within).map((check) => ({ wrench, own, atMs: check.atMs }));
    });
    const found = (
      await Promise.all(
        failed.map(async ({ wrench, own, atMs }) =>
          (
            await this.crib.doubtfulPulls(wrench.id, doubtFromMs(own, atMs), atMs)
          ).map((pull) => ({ ...pull, wrenchId: wrench.id })),
        ),
      )
    ).flat();
    const jobs = new Map(
      (await this.crib.jobsWithKits(shopId, [...new Set(found.map((pull) => pull.jobId))])).map((job) => [job.id, job]),
    );
    const seen = new Set<string>();
    return found.flatMap((pull) => {
      const key = `${pull.wrenchId} ${pull.jobId} ${pull.station}`;
      const job = jobs.get(pull.jobId);
      if (!job || seen.has(key)) return [];
      seen.add(key);
      const station = partOf(job, pull.station, (kit) => kit.stations);
      return [
        {
          wrenchId: pull.wrenchId,
          jobId: job.id,
          jobNumber: job.number,
          vehicle: `${job.vehicle.model}, ${job.vehicle.plate}`,
          closed: job.closedAtMs !== undefined,
          stationId: pull.station,
          station: station ? `${station.label}, ${station.name}` : pull.station,
          pulledAtMs: pull.atMs,
          torqueNm: pull.torqueNm,
        },
      ];
    });
  }

  /** Counts beads off the bottles they came from, in the order they were put on. */
  private async countBeads(shopId: string): Promise<void> {
    const beads = await this.crib.uncountedBeads(shopId);
    if (beads.length === 0) return;
    const jobs = new Map(
      (await this.crib.jobsWithKits(shopId, [...new Set(beads.map((bead) => bead.jobId))])).map((job) => [job.id, job]),
    );
    const plans = new Map(
      await Promise.all([...jobs.keys()].map(async (id) => [id, await this.planOf(shopId, id)] as const)),
    );
    const shelf: Bottle[] = await this.crib.bottles(shopId);
    const uses = beads.flatMap((bead) => {
      const job = jobs.get(bead.jobId);
      const plan = plans.get(bead.jobId);
      const compound = job && partOf(job, bead.compound, (kit) => kit.compounds);
      if (!compound) return [];
      const station = plan && indexOf(plan).stations.get(bead.station);
      const ml = station ? stationBeadMl(station, indexOf(plan).items) : 0;
      // The one it was said to come from; beads of before that was asked come from the likeliest.
      const bottle = shelf.find(({ id }) => id === bead.bottle) ?? bottleFor(shelf, compound.kind);
      if (bottle) bottle.usedMl += ml;
      return [{ jobId: bead.jobId, seq: bead.seq, bottleId: bottle?.id, kind: compound.kind, ml }];
    });
    await this.crib.countBeads(uses);
  }

  async addWrench(caller: Caller, input: WrenchInput): Promise<Result<{ id: string }, CribError>> {
    const reversed = rangeFault(input);
    if (reversed) return fail(reversed);
    const id = randomUUID();
    try {
      await this.crib.addWrench(caller.shopId, { id, ...input });
    } catch (error) {
      if (error instanceof LabelTaken) return fail({ code: 'labelTaken', detail: input.label });
      throw error;
    }
    this.wrenchesChanged(caller.shopId);
    return ok({ id });
  }

  async changeWrench(caller: Caller, id: string, input: WrenchInput): Promise<Result<{ id: string }, CribError>> {
    const reversed = rangeFault(input);
    if (reversed) return fail(reversed);
    const known = (await this.catalog.wrenches(caller.shopId)).find((wrench) => wrench.id === id);
    if (!known) return fail({ code: 'unknownWrench' });
    try {
      const { lowestNm = null, divisionNm = null, lengthMm = null, serial = null, ...rest } = input;
      await this.crib.changeWrench(caller.shopId, id, { ...rest, lowestNm, divisionNm, lengthMm, serial });
    } catch (error) {
      if (error instanceof LabelTaken) return fail({ code: 'labelTaken', detail: input.label });
      throw error;
    }
    this.wrenchesChanged(caller.shopId);
    return ok({ id });
  }

  async retireWrench(caller: Caller, id: string): Promise<Result<{ id: string }, CribError>> {
    if (!(await this.crib.changeWrench(caller.shopId, id, { retiredAtMs: this.now() })))
      return fail({ code: 'unknownWrench' });
    this.wrenchesChanged(caller.shopId);
    return ok({ id });
  }

  /**
   * Records a check or a calibration. One out of limits locks the wrench; a good calibration unlocks it, and its next
   * one is due an interval later. A good check alone does not unlock: it says nothing of the rest of the scale.
   */
  async check(
    caller: Caller,
    wrenchId: string,
    input: CheckInput,
  ): Promise<Result<{ check: WrenchCheck; locked: boolean }, CribError>> {
    const wrench = (await this.catalog.wrenches(caller.shopId)).find((entry) => entry.id === wrenchId);
    if (!wrench) return fail({ code: 'unknownWrench' });
    const atMs = this.now();
    if (input.kind === 'calibration') {
      const result = calibrationResult(wrench, readingsByPoint(wrench, input.readings));
      if (!result.complete)
        return fail({ code: 'calibrationIncomplete', detail: say('Five readings at 20, 60 and 100 % of full scale.') });
    }
    const verdict = judgeCheck(wrench, input.readings);
    const check: WrenchCheck = {
      id: input.id,
      wrenchId,
      kind: input.kind,
      atMs,
      byName: caller.person.name,
      readings: input.readings,
      certificate: input.certificate,
      ...verdict,
    };
    const change: Parameters<CribRepository['addCheck']>[2] = verdict.within
      ? input.kind === 'calibration'
        ? {
            lockedAtMs: null,
            lockedBecause: null,
            calibrationDueOn: addMonths(dayOf(atMs), wrench.intervalMonths ?? 12),
          }
        : {}
      : {
          lockedAtMs: atMs,
          lockedBecause: lockReason(input.kind, verdict),
        };
    await this.crib.addCheck(caller.shopId, check, change);
    this.wrenchesChanged(caller.shopId);
    return ok({ check, locked: !verdict.within || (wrench.locked !== undefined && input.kind === 'check') });
  }

  async addTool(caller: Caller, input: ToolInput): Promise<Result<{ id: string }, CribError>> {
    const id = randomUUID();
    await this.crib.saveTool(caller.shopId, { id, ...input });
    return ok({ id });
  }

  async changeTool(caller: Caller, id: string, input: ToolInput): Promise<Result<{ id: string }, CribError>> {
    const tool = await this.crib.tool(caller.shopId, id);
    if (!tool) return fail({ code: 'unknownTool' });
    // Saying it again also says that a missing one hangs here: what is found is found.
    await this.crib.saveTool(caller.shopId, { id, ...input });
    return ok({ id });
  }

  async retireTool(caller: Caller, id: string): Promise<Result<{ id: string }, CribError>> {
    return (await this.crib.retireTool(caller.shopId, id, this.now())) ? ok({ id }) : fail({ code: 'unknownTool' });
  }

  async lend(caller: Caller, input: LoanInput): Promise<Result<{ id: string }, CribError>> {
    const known = await this.crib.loan(caller.shopId, input.id);
    if (known) return ok({ id: known.id });
    const person = (await this.people.people(caller.shopId)).find((entry) => entry.id === input.personId);
    if (!person) return fail({ code: 'unknownPerson' });
    if (input.jobId !== undefined && (await this.crib.jobsWithKits(caller.shopId, [input.jobId])).length === 0)
      return fail({ code: 'unknownJob' });
    const wrench =
      input.thing === 'wrench'
        ? (await this.catalog.wrenches(caller.shopId)).find((entry) => entry.id === input.thingId)
        : undefined;
    if (input.thing === 'wrench' && !wrench) return fail({ code: 'unknownWrench' });
    if (wrench?.locked) return fail({ code: 'wrenchLentLocked', detail: `${wrench.label}: ${wrench.locked.because}` });
    const tool = input.thing === 'tool' ? await this.crib.tool(caller.shopId, input.thingId) : undefined;
    if (input.thing === 'tool' && !tool) return fail({ code: 'unknownTool' });
    const thingName = wrench?.label ?? tool?.name ?? '';
    try {
      await this.crib.lend(caller.shopId, {
        id: input.id,
        thing: input.thing,
        thingId: input.thingId,
        thingName,
        personId: person.id,
        personName: person.name,
        jobId: input.jobId,
        outAtMs: this.now(),
      });
    } catch (error) {
      if (error instanceof AlreadyOut) return fail({ code: 'alreadyOut', detail: thingName });
      throw error;
    }
    return ok({ id: input.id });
  }

  /** Takes a thing back; or says that it is missing, in which case it stays out and keeps its job open. */
  async takeBack(caller: Caller, id: string, input: ReturnInput): Promise<Result<{ id: string }, CribError>> {
    const loan = await this.crib.loan(caller.shopId, id);
    if (!loan) return fail({ code: 'unknownLoan' });
    const tool = loan.thing === 'tool' ? await this.crib.tool(caller.shopId, loan.thingId) : undefined;
    if (input.missing !== undefined) {
      if (tool)
        await this.crib.saveTool(caller.shopId, {
          ...tool,
          missing: { atMs: this.now(), by: caller.person.name, note: input.missing },
        });
      return ok({ id });
    }
    await this.crib.takeBack(caller.shopId, id, this.now(), input.setToLow);
    if (tool?.missing) {
      const { missing: _, ...found } = tool;
      await this.crib.saveTool(caller.shopId, found);
    }
    return ok({ id });
  }

  /** Names of things lent for a job and not back. */
  async outFor(jobId: string): Promise<string[]> {
    return outForJob(await this.crib.loansOfJob(jobId), jobId);
  }

  async addBottle(caller: Caller, input: BottleInput): Promise<Result<{ id: string }, CribError>> {
    const id = randomUUID();
    await this.crib.addBottle(caller.shopId, id, input, this.now());
    return ok({ id });
  }

  async changeBottle(caller: Caller, id: string, change: BottleChange): Promise<Result<{ id: string }, CribError>> {
    const bottle = (await this.crib.bottles(caller.shopId)).find((entry) => entry.id === id);
    if (!bottle) return fail({ code: 'unknownBottle' });
    const what: Parameters<CribRepository['changeBottle']>[2] =
      change.type === 'opened'
        ? { openedOn: change.on }
        : change.type === 'emptied'
          ? { emptiedOn: change.on }
          : change.type === 'gelled'
            ? { emptiedOn: change.on, gelledOn: change.on }
            : { adjustedMl: bottle.adjustedMl + change.leftMl - leftMl(bottle) };
    await this.crib.changeBottle(caller.shopId, id, what, {
      id: randomUUID(),
      atMs: this.now(),
      byName: caller.person.name,
      change,
    });
    return ok({ id });
  }

  async addTemperature(caller: Caller, temperatureC: number): Promise<void> {
    await this.crib.addTemperature(caller.shopId, this.now(), temperatureC, caller.person.name);
  }

  /** Settles a station by name and reason; the job and the station are the shop's own, the wrench may be another's. */
  async settleRecheck(caller: Caller, input: SettleInput): Promise<Result<void, CribError>> {
    const [own, others] = await Promise.all([
      this.catalog.wrenches(caller.shopId),
      this.catalog.othersWrenches(caller.shopId),
    ]);
    const known = [...own, ...others.map(({ wrench }) => wrench)];
    if (!known.some((wrench) => wrench.id === input.wrench)) return fail({ code: 'unknownWrench' });
    const plan = await this.planOf(caller.shopId, input.job);
    if (!plan?.stations.some((station) => station.id === input.station)) return fail({ code: 'unknownJob' });
    await this.crib.settleRecheck(
      { wrenchId: input.wrench, jobId: input.job, stationId: input.station },
      this.now(),
      caller.person.name,
      input.how,
    );
    return ok(undefined);
  }

  async reorder(shopId: string): Promise<ReorderLine[]> {
    const crib = await this.read(shopId);
    const today = dayOf(this.now());
    // A wrench of another shop is calibrated there.
    const own = crib.wrenches.filter((wrench) => !wrench.of);
    const wrenches = own.map((wrench) => ({ label: wrench.label, ...calibrationDue(wrench, today) }));
    const drawers = await this.lowDrawers(shopId);
    return reorderList(crib.bottles, crib.temperatures, crib.tools, wrenches, today, drawers);
  }
}

/** A range that begins above its end. */
export const rangeFault = ({
  lowestNm,
  fullScaleNm,
}: Pick<WrenchInput, 'lowestNm' | 'fullScaleNm'>): Extract<CribError, { code: 'rangeReversed' }> | undefined =>
  lowestNm !== undefined && lowestNm >= fullScaleNm
    ? { code: 'rangeReversed', detail: say('From {lowestNm} to {fullScaleNm} N·m.', { lowestNm, fullScaleNm }) }
    : undefined;

/** A part of one of a job's kits, by the id it has in the job. */
function partOf<T extends { id: string }>(
  job: JobWithKit,
  id: string,
  list: (kit: KitDocument) => readonly T[],
): T | undefined {
  return job.kits.flatMap(({ document, prefix }) => list(scopedKit(document, prefix))).find((entry) => entry.id === id);
}

/** Why a wrench that a check found out of limits is locked. */
export const lockReason = (kind: WrenchCheck['kind'], { worst, permissible }: CheckVerdict): string =>
  say('A {which} was off by {worst} %, ±{permissible} % is allowed', {
    which: kind === 'check' ? 'check-pull' : 'calibration',
    worst: (worst * 100).toFixed(1),
    permissible: (permissible * 100).toFixed(0),
  });
