import type { DataSource } from 'typeorm';
import { baseMinutes } from '#core/day/job-work.ts';
import { retorqueChoices, retorqueKit } from '#core/hand-over/retorque-kit.ts';
import { careList } from '#core/job/care.ts';
import { oneKit, openLog } from '#core/job/job-log.ts';
import type { AnswerValue } from '#core/kit/condition.ts';
import { OPENED_NOW } from '#core/kit/house-rules.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import { demoPastChecks } from '#demo/crib.ts';
import { FRONT_RECOVERY_POINTS, REAR_ANTI_ROLL_BAR, TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { DEMO_PEOPLE, DEMO_SHOP, DEMO_VEHICLES, type DemoPerson, type DemoVehicle, demoWrenches } from '#demo/shop.ts';
import type { RecordSeal } from '../seal/record-seal.ts';
import { CatalogRepository } from '../store/catalog-repository.ts';
import { CribRepository } from '../store/crib-repository.ts';
import { VehicleEntity } from '../store/entities.ts';
import { DEMO_RULES, keepWorked } from './seed.ts';

const DAY_MS = 86_400_000;
/** A year and a half of jobs, about one in nine days. */
const DAYS = 540;
/** Seconds between two presses of a hand in the history. */
const PACE_S = 20;
/** What a step took of what its sheet says, at least; one day more than the next, up to as much again. */
const LEAST_SHARE = 0.7;
const SHARES = 11;
const JOBS = 60;
const VEHICLES = 16;
/** How far a vehicle goes in a day, km, from the least to the most of them. */
const KM_A_DAY = [18, 95] as const;
/** One in so many is pulled again, and of those one in so many had a bolt that turned. */
const AGAIN_EVERY = 3;
const TURNED_EVERY = 4;
/** One in so many meets something on the way. */
const TROUBLE_EVERY = 5;

/** What is met on the way, and how it ended. */
const TROUBLES = [
  ['Slot of the left bracket 2 mm short', 'Filed and painted, the sheet told'],
  ['Paint in the thread of the case', 'Chased by hand, runs free'],
  ['Washer of the kit bent', 'Straight one from the shelf'],
] as const;

/** What was fitted to which, in turn. */
const FITTED: ReadonlyArray<{ kit: KitDocument; model: number; answers: Record<string, AnswerValue> }> = [
  { kit: TRANSFER_CASE_GUARD, model: 1, answers: {} },
  { kit: FRONT_RECOVERY_POINTS, model: 0, answers: { shield: true } },
  { kit: TRANSFER_CASE_GUARD, model: 1, answers: {} },
  { kit: REAR_ANTI_ROLL_BAR, model: 1, answers: { bush: 'rubber' } },
];

/** The vehicles of the survey's fleet beyond those of today: the same models under other plates. */
function fleet(): Array<{ card: DemoVehicle; kmADay: number; model: number }> {
  return Array.from({ length: VEHICLES }, (_, at) => {
    // As many of each model as its kits want.
    const model = at % 3 === 1 ? 0 : 1;
    const like = DEMO_VEHICLES[model] as DemoVehicle;
    const { vin: _vin, fitted: _fitted, ...card } = like;
    const kmADay = KM_A_DAY[0] + ((at * 7) % VEHICLES) * ((KM_A_DAY[1] - KM_A_DAY[0]) / (VEHICLES - 1));
    const odometerKm = 20_000 + at * 5_300;
    const contact = at % 4 === 3 ? undefined : `0711 20 ${String(11 + at * 3).padStart(2, '0')}`;
    return {
      card: {
        ...card,
        id: `v-fleet-${at + 1}`,
        plate: `14-${300 + at * 7}`,
        odometerKm,
        fitted: [],
        ...(contact ? { contact } : {}),
      },
      kmADay,
      model,
    };
  });
}

/** Fills the year and a half before the demo: jobs, some pulled again, odometers that rise. The same every time. */
export async function seedHistory(source: DataSource, nowMs: number, seal: RecordSeal): Promise<void> {
  const vehicles = fleet();
  for (const { card, kmADay } of vehicles) {
    // The card shows the odometer of today.
    const odometerKm = Math.round((card.odometerKm ?? 0) + kmADay * DAYS);
    await source
      .getRepository(VehicleEntity)
      .insert({ id: card.id, shopId: DEMO_SHOP.id, card: { ...card, odometerKm } } as never);
  }
  const catalog = new CatalogRepository(source);
  const crib = new CribRepository(source);
  const lead = DEMO_PEOPLE.find(({ role }) => role === 'lead')?.name ?? '';
  for (const check of demoPastChecks(demoWrenches(nowMs), nowMs, lead)) await crib.addCheck(DEMO_SHOP.id, check, {});
  const fitters = DEMO_PEOPLE.filter(({ role }) => role === 'fitter') as DemoPerson[];
  for (let at = 0; at < JOBS; at++) {
    const what = FITTED[at % FITTED.length] as (typeof FITTED)[number];
    const fits = vehicles.filter(({ model }) => model === what.model);
    const of = fits[Math.floor(at / FITTED.length + at) % fits.length] as (typeof fits)[number];
    const { id, name, role } = fitters[at % fitters.length] as DemoPerson;
    const by = { id, name, role };
    const startMs = morning(nowMs - DAYS * DAY_MS + Math.round((at * (DAYS - 12)) / JOBS) * DAY_MS);
    const kmThen = (ms: number) =>
      Math.round((of.card.odometerKm ?? 0) + (of.kmADay * (ms - (nowMs - DAYS * DAY_MS))) / DAY_MS);
    const vehicle = { ...of.card, odometerKm: kmThen(startMs) };
    const shop = { ...OPENED_NOW, ...DEMO_RULES };
    const opened = openLog({ ...oneKit(what.kit), vehicle, answers: what.answers, shop });
    if (!opened.ok) throw new Error(`Demo history does not resolve: ${JSON.stringify(opened.error)}`);
    const minutes = baseMinutes(opened.value.plan);
    const worker = new CarefulFitter(opened.value, demoWrenches(startMs), by, startMs, {
      idPrefix: `past-${at}`,
      paceS: PACE_S,
      readyS: (step) => 60 * (minutes.get(step)?.minutes ?? 0) * (LEAST_SHARE + ((at * 7) % SHARES) / SHARES),
    });
    worker.checkIn();
    if (at % TROUBLE_EVERY === 2) meetTrouble(worker, at);
    worker.startAll();
    worker.finishTorque();
    worker.closeOut();
    const visit = { kits: opened.value.setup.kits, answers: what.answers, vehicle, bay: 1 + (at % DEMO_SHOP.bays), by };
    const kept = await keepWorked(source, seal, {
      worker,
      opened: opened.value,
      startMs,
      openedAtMs: startMs,
      odometerKm: vehicle.odometerKm,
      ...visit,
    });
    if (at % AGAIN_EVERY !== 0) continue;
    const [care] = careList(worker.log.plan, worker.log.state);
    const groups = retorqueChoices(worker.log.plan, worker.log.state, care?.key)
      .filter(({ chosen }) => chosen)
      .map(({ group }) => group);
    const againMs = morning(startMs + 14 * DAY_MS);
    if (groups.length === 0 || againMs > nowMs - DAY_MS) continue;
    const kit = retorqueKit(worker.log.plan, worker.log.state, {
      id: `again-past-${at}`,
      job: kept.id,
      number: kept.number,
      title: `Re-torque of ${kept.number}`,
      care: care?.key,
      groups,
    });
    await catalog.addKit(DEMO_SHOP.id, kit, againMs);
    const again = openLog({ ...oneKit(kit), vehicle, answers: {}, shop });
    if (!again.ok) throw new Error(`Demo re-torque does not resolve: ${JSON.stringify(again.error)}`);
    const fitter = new CarefulFitter(again.value, demoWrenches(againMs), by, againMs, { idPrefix: `again-${at}` });
    if (at % (AGAIN_EVERY * TURNED_EVERY) === 0) turnFirst(fitter);
    fitter.finishTorque();
    fitter.closeOut();
    await keepWorked(source, seal, {
      worker: fitter,
      opened: again.value,
      ...visit,
      kits: again.value.setup.kits,
      answers: {},
      startMs: againMs,
      openedAtMs: againMs,
      odometerKm: kmThen(againMs),
    });
  }
}

/** Nine in the morning of the machine's day. */
const morning = (ms: number): number => new Date(ms).setHours(9, 0, 0, 0);

/** Something is not as the sheet says, and is put right. */
function meetTrouble(worker: CarefulFitter, at: number): void {
  const [text, how] = TROUBLES[at % TROUBLES.length] as (typeof TROUBLES)[number];
  const [station] = worker.log.plan.stations;
  worker.give({ type: 'raiseProblem', ...(station ? { station: station.id } : {}), text });
  const problem = Object.keys(worker.log.state.problems).at(-1);
  if (problem) worker.give({ type: 'clearProblem', problem, how });
}

/** The first joint of a re-torque turns before its click. */
function turnFirst(fitter: CarefulFitter): void {
  const group = fitter.log.plan.groups[0];
  const station = fitter.log.plan.stations.find(({ id }) => id === group?.torqueOrder[0]);
  const figure =
    station && 'targetNm' in station.spec
      ? station.spec.targetNm
      : station && 'minNm' in station.spec
        ? (station.spec.minNm + station.spec.maxNm) / 2
        : undefined;
  if (!station || figure === undefined) return;
  fitter.give({
    type: 'pull',
    station: station.id,
    torqueNm: Math.round(figure * 100) / 100,
    wrench: 'w-1',
    source: 'typed',
    moved: true,
  });
}
