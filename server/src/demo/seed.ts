import { randomUUID } from 'node:crypto';
import type { DataSource } from 'typeorm';
import type { JobSlot } from '#contract/job.ts';
import type { Drill } from '#core/drill/drill.ts';
import { playDrill } from '#core/drill/scripted-learner.ts';
import type { JobEvent } from '#core/job/acts.ts';
import { appendEvents, type JobLog, openLog } from '#core/job/job-log.ts';
import { jobProgress } from '#core/job/job-progress.ts';
import type { Person } from '#core/job/role.ts';
import type { AnswerValue } from '#core/kit/condition.ts';
import { OPENED_NOW } from '#core/kit/house-rules.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import { kitPrefix, spreadAnswers, type VisitKit } from '#core/visit/visit.ts';
import type { Wrench } from '#core/wrench/wrench.ts';
import { demoBottles, demoChecks, demoShelf, demoTemperatures, demoTools } from '#demo/crib.ts';
import { DONE_DAYS_AGO, demoDrills, HALF_WAY } from '#demo/drills.ts';
import {
  BRAKE_HOSE_SHIELDS,
  DEMO_KITS,
  FRONT_BALL_JOINTS,
  FRONT_BRAKE_HOSES,
  FRONT_RECOVERY_POINTS,
  REAR_AIR_SPRINGS,
  REAR_ANTI_ROLL_BAR,
  ROCK_SLIDERS,
  TRACK_BAR_BRACE,
  TRANSFER_CASE_GUARD,
} from '#demo/kits.ts';
import { DEMO_PEOPLE, DEMO_SHOP, DEMO_VEHICLES, type DemoPerson, type DemoVehicle, demoWrenches } from '#demo/shop.ts';
import type { RecordSeal } from '../seal/record-seal.ts';
import { hashSecret } from '../service/session-service.ts';
import type { EventRow } from '../store/append-queue.ts';
import { CatalogRepository } from '../store/catalog-repository.ts';
import { BottleEntity, ShelfEntity, StoreReadingEntity, ToolEntity } from '../store/crib-entities.ts';
import { CribRepository } from '../store/crib-repository.ts';
import { DrillRepository } from '../store/drill-repository.ts';
import { ShopEntity, UserEntity, VehicleEntity, WrenchEntity } from '../store/entities.ts';
import { chainHash } from '../store/hash-chain.ts';
import { JobRepository } from '../store/job-repository.ts';
import { KitDraftRepository } from '../store/kit-draft-repository.ts';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** The local day's start of an instant, ms. */
const dayStart = (atMs: number): number => new Date(atMs).setHours(0, 0, 0, 0);

interface DemoJob {
  vehicle: DemoVehicle;
  /** In the order they came into the visit. */
  kits: KitDocument[];
  answers: Record<string, AnswerValue>;
  bay: number;
  startMs: number;
  /** Who is to work on it, and when its owner was told it is ready. */
  slot?: JobSlot;
  /** Works the job as far as the demo wants it. */
  work(worker: CarefulFitter): void;
}

/** One job mid-way, one closed, one waiting with a short line. Times count from the moment of seeding. */
const demoJobs = (nowMs: number): DemoJob[] => {
  const [tussock, carrick, gorse] = DEMO_VEHICLES as [DemoVehicle, DemoVehicle, DemoVehicle];
  const halfHourMs = HOUR_MS / 2;
  const halfHourIn = (hours: number) => Math.floor((nowMs + hours * HOUR_MS) / halfHourMs) * halfHourMs;
  // Around now and on today's page, whatever the time of day the demo is first seen.
  const lastMs = dayStart(nowMs) + 24 * HOUR_MS - halfHourMs;
  const at = (hours: number) => Math.min(lastMs, Math.max(dayStart(nowMs), halfHourIn(hours)));
  return [
    {
      vehicle: tussock,
      kits: [FRONT_RECOVERY_POINTS],
      answers: { shield: true },
      bay: 2,
      startMs: at(-1),
      slot: { fitters: ['u-vane'], promisedMs: halfHourIn(2) },
      work: (worker) => {
        worker.checkIn();
        worker.startAll();
      },
    },
    {
      vehicle: carrick,
      kits: [TRANSFER_CASE_GUARD],
      answers: {},
      bay: 1,
      startMs: at(-2.5),
      work: (worker) => {
        worker.checkIn();
        worker.startAll();
        worker.finishTorque();
        worker.closeOut();
      },
    },
    {
      vehicle: carrick,
      kits: [REAR_ANTI_ROLL_BAR],
      answers: { bush: 'polyurethane' },
      bay: 3,
      startMs: at(1),
      work: (worker) => {
        worker.give({ type: 'countLine', item: 'r1', found: 4, damaged: 0 });
        worker.give({ type: 'countLine', item: 'r7', found: 1, damaged: 0 });
      },
    },
    {
      // Three kits in one visit: two of them want one bolt at different torques, and a third wants more than any wrench gives.
      vehicle: gorse,
      kits: [REAR_AIR_SPRINGS, TRACK_BAR_BRACE, ROCK_SLIDERS],
      answers: {},
      bay: 4,
      startMs: at(0.5),
      // Promised before anybody reckoned what the visit takes.
      slot: { promisedMs: halfHourIn(3.5) },
      work: (worker) => {
        worker.give({ type: 'answerPrerequisite', prerequisite: 'q1', met: true, value: 11 });
        const heights = { 'front left': 512, 'front right': 514, 'rear left': 531, 'rear right': 529 };
        for (const [place, value] of Object.entries(heights))
          worker.give({ type: 'measure', baseline: 'h1', place, when: 'before', value });
      },
    },
    {
      // Three for one axle: a caliper that two take off, an order they contradict each other in, a figure that one sheet
      // has for another, and of the hoses only the left one.
      vehicle: tussock,
      kits: [FRONT_BRAKE_HOSES, FRONT_BALL_JOINTS, BRAKE_HOSE_SHIELDS],
      answers: { bought: 'left' },
      bay: 2,
      startMs: halfHourIn(25),
      work: () => undefined,
    },
  ];
};

/** The next revision of a kit as someone left it: one value was typed in the wrong unit, which the lint finds. */
function nextRevision(kit: KitDocument): KitDocument {
  const [first, ...rest] = kit.stations;
  if (!first) return kit;
  const slipped = { ...first, specs: [{ spec: { kind: 'torque' as const, targetNm: 5.88 }, printed: '52 lbf·in' }] };
  return { ...kit, revision: kit.revision + 1, statedMinutes: 140, stations: [slipped, ...rest] };
}

/** The invented shop stands where this machine does: its clock shows what the machine's shows. */
export const DEMO_RULES = { timeZone: new Intl.DateTimeFormat().resolvedOptions().timeZone };

/** Fills an empty database with the invented shop. Does nothing where a shop is already set up. */
export async function seedDemo(source: DataSource, nowMs: number, seal: RecordSeal): Promise<boolean> {
  if ((await source.getRepository(ShopEntity).count()) > 0) return false;
  await source.getRepository(ShopEntity).insert({ ...DEMO_SHOP, houseRules: DEMO_RULES });
  const shopId = DEMO_SHOP.id;
  for (const { pin, ...person } of DEMO_PEOPLE) {
    await source.getRepository(UserEntity).insert({ ...person, shopId, secretHash: await hashSecret(pin) });
  }
  for (const card of DEMO_VEHICLES) await source.getRepository(VehicleEntity).insert({ id: card.id, shopId, card });
  const wrenches = demoWrenches(nowMs);
  await source.getRepository(WrenchEntity).insert(wrenches.map((wrench) => ({ ...wrench, shopId })));
  const [, lead] = DEMO_PEOPLE as [DemoPerson, DemoPerson];
  await seedCrib(source, shopId, wrenches, nowMs, lead.name);
  await seedDrills(source, shopId, nowMs);
  const catalog = new CatalogRepository(source);
  for (const kit of DEMO_KITS) await catalog.addKit(shopId, kit, nowMs);
  await new KitDraftRepository(source).add(shopId, {
    document: nextRevision(REAR_ANTI_ROLL_BAR),
    version: 1,
    changedAtMs: nowMs - HOUR_MS,
    changedBy: lead.name,
  });

  const [mira] = DEMO_PEOPLE as [(typeof DEMO_PEOPLE)[number]];
  const by = { id: mira.id, name: mira.name, role: mira.role };
  for (const { vehicle, kits: documents, answers: given, bay, startMs, slot, work } of demoJobs(nowMs)) {
    const kits: VisitKit[] = [];
    for (const document of documents) kits.push({ document, prefix: kitPrefix(kits, document.id) });
    const answers = spreadAnswers(kits, given);
    const opened = openLog({
      kits,
      openedWith: kits.map(({ prefix }) => prefix),
      vehicle,
      answers,
      shop: { ...OPENED_NOW, ...DEMO_RULES },
    });
    if (!opened.ok) throw new Error(`Demo job does not resolve: ${JSON.stringify(opened.error)}`);
    // What was done was done before now: a job still to come was counted a little while ago.
    const workedFromMs = Math.max(dayStart(nowMs), Math.min(startMs, nowMs - HOUR_MS / 4));
    const worker = new CarefulFitter(opened.value, wrenches, by, workedFromMs, {
      idPrefix: `demo-${bay}-${documents[0]?.id}`,
    });
    work(worker);
    await keepWorked(source, seal, {
      worker,
      opened: opened.value,
      kits,
      answers,
      vehicle,
      bay,
      startMs,
      slot,
      openedAtMs: nowMs,
      odometerKm: vehicle.odometerKm,
      by,
    });
  }
  return true;
}

/** A job that was worked in the demo's own time. */
export interface WorkedJob {
  worker: CarefulFitter;
  /** As it was opened, before anything was done. */
  opened: JobLog;
  kits: readonly VisitKit[];
  answers: Record<string, AnswerValue>;
  vehicle: DemoVehicle;
  bay: number;
  startMs: number;
  slot?: JobSlot;
  openedAtMs: number;
  odometerKm?: number;
  by: Person;
}

/** Stores a worked job as the server stores one: sealed, chained, with what lists show of it. @returns its id and number */
export async function keepWorked(
  source: DataSource,
  seal: RecordSeal,
  { worker, opened, kits, answers, vehicle, bay, startMs, slot, openedAtMs, odometerKm, by }: WorkedJob,
): Promise<{ id: string; number: string }> {
  const jobs = new JobRepository(source);
  const row = await jobs.insert(
    {
      id: randomUUID(),
      shopId: DEMO_SHOP.id,
      bay,
      plannedStartMs: startMs,
      ...(slot ? { slot } : {}),
      odometerKm,
      vehicleId: vehicle.id,
      vehicle,
      kits: kits.map(({ prefix, document }) => ({ prefix, id: document.id, revision: document.revision })),
      answers,
      passRule: { ...OPENED_NOW, ...DEMO_RULES },
      // The demo's vehicles are as their cards say.
      fittedNoted: true,
      openedAtMs,
      seq: 0,
      hash: '',
      progress: jobProgress(opened.plan, opened.state),
    },
    new Date(startMs).toISOString().slice(2, 10).replaceAll('-', ''),
    (numbered) => {
      const pinned = kits.map((kit) => {
        const { id, revision } = kit.document;
        return { ...kit, stored: kit.document, id, revision };
      });
      return seal.open(numbered, DEMO_SHOP.name, pinned, { person: by, deviceId: 'demo' });
    },
  );
  const log = appendEvents(opened, worker.events);
  await jobs.append({
    jobId: row.id,
    fromSeq: 0,
    rows: chained(row.hash, worker.events),
    received: { atMs: openedAtMs },
    progress: jobProgress(log.plan, log.state, worker.nowMs),
    closedAtMs: log.state.closed?.atMs,
  });
  return { id: row.id, number: row.number };
}

/** Four drills, and what an apprentice made of them so far. */
async function seedDrills(source: DataSource, shopId: string, nowMs: number): Promise<void> {
  const drills = demoDrills();
  const [, lead, , apprentice] = DEMO_PEOPLE as [DemoPerson, DemoPerson, DemoPerson, DemoPerson];
  const rows = new DrillRepository(source);
  for (const [at, drill] of drills.entries())
    await rows.add({
      id: drill.id,
      shopId,
      title: drill.title,
      body: drill,
      madeBy: lead.name,
      madeAtMs: nowMs - 30 * DAY_MS + at * HOUR_MS,
    });
  for (const [at, daysAgo, seed] of DONE_DAYS_AGO) {
    const drill = drills[at] as Drill;
    const { attempt, verdict } = playDrill(drill, HALF_WAY, seed, nowMs - daysAgo * DAY_MS);
    await rows.keep({
      id: randomUUID(),
      shopId,
      userId: apprentice.id,
      drillId: drill.id,
      endedAtMs: attempt.endedMs,
      body: attempt,
      verdict,
    });
  }
  const [, , third, fourth] = drills as [Drill, Drill, Drill, Drill];
  for (const [drill, comment, daysAgo] of [
    [third, 'Read every figure twice, Hob.', 10],
    [fourth, 'When the third one is clean.', 1],
  ] as const)
    await rows.assign({
      id: randomUUID(),
      shopId,
      userId: apprentice.id,
      drillId: drill.id,
      byName: lead.name,
      atMs: nowMs - daysAgo * DAY_MS,
      comment,
    });
}

/** Tools, bottles, the thermometer and past check-pulls. */
async function seedCrib(
  source: DataSource,
  shopId: string,
  wrenches: readonly Wrench[],
  nowMs: number,
  byName: string,
): Promise<void> {
  const tools = demoTools().map((card) => ({ id: card.id, shopId, card }));
  await source.getRepository(ToolEntity).insert(tools);
  const bottles = demoBottles(nowMs).map(({ usedMl: _, ...bottle }) => ({ ...bottle, shopId }));
  await source.getRepository(BottleEntity).insert(bottles);
  await source.getRepository(ShelfEntity).insert(
    demoShelf().map(({ id, counted, lowAt, ...card }) => ({
      id,
      shopId,
      card,
      counted,
      lowAt,
      countedAtMs: nowMs - 3_600_000,
    })) as never,
  );
  const readings = demoTemperatures(nowMs).map((reading) => ({ ...reading, shopId, byName }));
  await source.getRepository(StoreReadingEntity).insert(readings);
  const crib = new CribRepository(source);
  for (const check of demoChecks(wrenches, nowMs, byName)) await crib.addCheck(shopId, check, {});
}

/** Numbers and chains events as the server does. */
function chained(first: string, events: readonly JobEvent[]): EventRow[] {
  let hash = first;
  return events.map((event, index) => {
    hash = chainHash(hash, index + 1, event);
    return { seq: index + 1, hash, event, commandIndex: 0 };
  });
}
