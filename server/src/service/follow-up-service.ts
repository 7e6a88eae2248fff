import { LRUCache } from 'lru-cache';
import { DUE_BACK_DAYS, type DueItem, SETTLED_SHOWN_DAYS, type SettleDue } from '#contract/due.ts';
import type { OwnerReport } from '#contract/owner-page.ts';
import { careText } from '#contract/wording/care-text.ts';
import { dailyDistance, type OdometerReading } from '#core/follow-up/daily-distance.ts';
import { expectedDue } from '#core/follow-up/expected-due.ts';
import { retorqueChoices } from '#core/hand-over/retorque-kit.ts';
import { type Care, careList } from '#core/job/care.ts';
import { type Due, dueAfter, dueFrom } from '#core/job/due.ts';
import type { JobLog } from '#core/job/job-log.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { ASSUMED_PULL_S } from '#core/tightening/pass-plan.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import type { DueSettledEntity, FollowUpRepository } from '../store/follow-up-repository.ts';
import type { OwnerReportEntity } from '../store/owner-entities.ts';
import type { Caller } from './caller.ts';
import type { JobService } from './job-service.ts';

const DAY_MS = 86_400_000;

/** What a signed job asks for: it never changes again, so it is worked out once. */
interface Asked {
  number: string;
  vehicleId: string;
  closedAtMs: number;
  due: Due[];
  /** How long pulling its joints again takes, by what is due. */
  minutes: ReadonlyMap<string, number>;
  /** The visit was a re-torque of something due. */
  again?: { job: string; care?: string; by: string; odometerKm?: number };
}

/** How something ended, by somebody's word or by a visit. */
type Settled = Omit<DueSettledEntity, 'id' | 'shopId'>;

/** Jobs whose dues are kept at hand; the longest unused make room. */
const KEPT = 20_000;

/** What owners are to come back for, when that is likely to be, and what became of it. */
export class FollowUpService {
  private readonly asked = new LRUCache<string, Asked>({ max: KEPT });

  constructor(
    private readonly store: FollowUpRepository,
    private readonly jobs: JobService,
    private readonly catalog: CatalogRepository,
    private readonly now: () => number = Date.now,
  ) {}

  /** All that is open, and what was settled of late; in the order it is expected, what has no date last. */
  async list(shopId: string): Promise<DueItem[]> {
    const nowMs = this.now();
    const [asked, settled, readings, vehicles, reports] = await Promise.all([
      this.askedSince(shopId, nowMs - DUE_BACK_DAYS * DAY_MS, nowMs + DAY_MS),
      this.store.settled(shopId),
      this.store.readings(shopId),
      this.catalog.vehicles(shopId),
      this.store.reports(shopId),
    ]);
    const said = new Map(reports.map((report) => [keyOf(report.jobId, report.care), report]));
    const cards = new Map(vehicles.map((vehicle) => [vehicle.id, vehicle]));
    const stands = standing(settled);
    doneByVisits(stands, asked);
    const read = new Map(readings);
    for (const entry of [...stands.values()].flat()) {
      const vehicle = asked.get(entry.jobId)?.vehicleId;
      if (vehicle === undefined || entry.odometerKm == null) continue;
      read.set(vehicle, [...(read.get(vehicle) ?? []), { atMs: entry.atMs, km: entry.odometerKm }]);
    }
    const rates = new Map(
      [...read].map(([vehicle, list]) => [vehicle, { rate: dailyDistance(list), last: newest(list) }]),
    );
    const items: DueItem[] = [];
    for (const [job, one] of asked) {
      const card = cards.get(one.vehicleId);
      if (!card) continue;
      const { rate, last: reading } = rates.get(one.vehicleId) ?? { rate: dailyDistance([]), last: undefined };
      for (const first of one.due) {
        const { care } = first;
        const ended = stands.get(keyOf(job, care.key))?.at(-1);
        const goesOn = ended !== undefined && ended.how !== 'notWanted' && repeats(care);
        if (ended && !goesOn && nowMs - ended.atMs > SETTLED_SHOWN_DAYS * DAY_MS) continue;
        const when = goesOn
          ? dueFrom(care, { closedAtMs: ended.atMs, ...kmThen(ended, reading, rate.kmPerDay) })
          : first;
        const { afterKm } = care.from === 'sheet' ? care.entry : care.raised;
        const { atKm, atMs } = when;
        const expected = ended && !goesOn ? undefined : expectedDue(when, reading, rate);
        const report = said.get(keyOf(job, care.key));
        const reported = report && report.atMs > (ended?.atMs ?? 0) ? reportOf(report) : undefined;
        items.push({
          job,
          number: one.number,
          care: care.key,
          text: careText(care),
          vehicle: {
            id: card.id,
            make: card.make,
            model: card.model,
            plate: card.plate,
            owner: card.owner,
            ...(card.contact ? { contact: card.contact } : {}),
            ...(card.odometerUnit ? { odometerUnit: card.odometerUnit } : {}),
          },
          closedAtMs: one.closedAtMs,
          ...(afterKm === undefined ? {} : { afterKm }),
          ...(atKm === undefined ? {} : { atKm }),
          ...(atMs === undefined ? {} : { atMs }),
          ...(care.from === 'sheet' && care.entry.event ? { event: true as const } : {}),
          ...(repeats(care) ? { repeats: true as const } : {}),
          about: care.from === 'sheet' ? (care.entry.about ?? 'joints') : care.raised.what,
          ...(one.minutes.get(care.key) === undefined ? {} : { minutes: one.minutes.get(care.key) }),
          ...(reading ? { lastKm: reading.km, lastReadMs: reading.atMs } : {}),
          ...(expected?.by === 'distance' ? { kmPerDay: rate.kmPerDay, rateFrom: rate.from } : {}),
          ...(expected ? { expected } : {}),
          ...(reported ? { reported } : {}),
          ...(ended && !goesOn ? { settled: settledOf(ended) } : {}),
        });
      }
    }
    return items.sort((a, b) => whenOf(a) - whenOf(b) || a.number.localeCompare(b.number));
  }

  /** Whether a signed job asks for something. */
  async isAsked(shopId: string, job: string, care: string): Promise<boolean> {
    const nowMs = this.now();
    const asked = await this.askedSince(shopId, nowMs - DUE_BACK_DAYS * DAY_MS, nowMs + DAY_MS);
    return asked.get(job)?.due.some((due) => due.care.key === care) ?? false;
  }

  /** Says what became of something due. */
  async settle(
    caller: Caller,
    { job, care, how, note, odometerKm }: SettleDue,
  ): Promise<Result<null, { code: 'unknownDue' }>> {
    const nowMs = this.now();
    if (!(await this.isAsked(caller.shopId, job, care))) return fail({ code: 'unknownDue' });
    await this.store.settle({
      shopId: caller.shopId,
      jobId: job,
      care,
      how,
      atMs: nowMs,
      byName: caller.person.name,
      note: note || null,
      odometerKm: odometerKm ?? null,
    });
    return ok(null);
  }

  private async askedSince(shopId: string, fromMs: number, toMs: number): Promise<Map<string, Asked>> {
    const found = new Map<string, Asked>();
    const missing: Array<{ id: string; closedAtMs: number }> = [];
    for (const { id, closedAtMs } of await this.jobs.signedHeads(shopId, fromMs, toMs)) {
      const known = this.asked.get(id);
      if (known && known.closedAtMs === closedAtMs) found.set(id, known);
      else missing.push({ id, closedAtMs });
    }
    for await (const { row, log, closedAtMs } of this.jobs.signed(shopId, missing)) {
      const odometer = row.odometerKm == null ? {} : { odometerKm: row.odometerKm };
      const one: Asked = {
        number: row.number,
        vehicleId: row.vehicleId,
        closedAtMs,
        due: dueAfter(log.plan, log.state, { closedAtMs, ...odometer }),
        minutes: minutesOf(log),
        ...againOf(log, odometer),
      };
      found.set(row.id, one);
      this.asked.set(row.id, one);
    }
    return found;
  }
}

const keyOf = (job: string, care: string): string => `${job} ${care}`;
/** What was said and not taken back, by what it was said of: each `open` takes the saying before it back. */
function standing(said: readonly Settled[]): Map<string, Settled[]> {
  const stands = new Map<string, Settled[]>();
  for (const entry of said) {
    const key = keyOf(entry.jobId, entry.care);
    const list = stands.get(key) ?? [];
    if (entry.how === 'open') list.pop();
    else list.push(entry);
    stands.set(key, list);
  }
  return stands;
}
/** Bringing a vehicle in and out, minutes (chosen by us). */
const IN_AND_OUT_MIN = 10;

/** How long pulling again takes, by what is due: its joints at the pace of a pull, in steps of five minutes. */
const minutesOf = ({ plan, state }: JobLog): Map<string, number> =>
  new Map(
    careList(plan, state).flatMap(({ key }) => {
      const joints = retorqueChoices(plan, state, key)
        .filter(({ chosen }) => chosen)
        .reduce((sum, { stations }) => sum + stations.length, 0);
      const minutes = IN_AND_OUT_MIN + (joints * ASSUMED_PULL_S) / 60;
      return joints > 0 ? [[key, Math.ceil(minutes / 5) * 5] as const] : [];
    }),
  );

/** What a signed re-torque was of. */
function againOf({ setup, state }: JobLog, odometer: { odometerKm?: number }): Pick<Asked, 'again'> {
  const again = setup.kits[0]?.document.again;
  return again ? { again: { job: again.job, care: again.care, by: state.closed?.by.name ?? '', ...odometer } } : {};
}

/** A signed re-torque settles what it was of, unless somebody has said otherwise since. */
function doneByVisits(stands: Map<string, Settled[]>, asked: ReadonlyMap<string, Asked>): void {
  for (const { again, closedAtMs } of asked.values()) {
    if (again?.care === undefined) continue;
    const key = keyOf(again.job, again.care);
    const said = stands.get(key) ?? [];
    const visit: Settled = {
      jobId: again.job,
      care: again.care,
      how: 'here',
      atMs: closedAtMs,
      byName: again.by,
      note: null,
      odometerKm: again.odometerKm ?? null,
    };
    stands.set(
      key,
      [...said, visit].sort((a, b) => a.atMs - b.atMs),
    );
  }
}

const repeats = (care: Care): boolean => care.from === 'sheet' && care.entry.repeats === true;
const newest = (list: readonly OdometerReading[]): OdometerReading | undefined =>
  list.reduce<OdometerReading | undefined>((last, one) => (last && last.atMs >= one.atMs ? last : one), undefined);

/** The odometer when it was done: as it was written down, or what it is likely to have shown. */
function kmThen(
  { odometerKm, atMs }: Settled,
  last: OdometerReading | undefined,
  kmPerDay: number,
): { odometerKm?: number } {
  if (odometerKm != null) return { odometerKm };
  return last ? { odometerKm: Math.round(last.km + (kmPerDay * Math.max(0, atMs - last.atMs)) / DAY_MS) } : {};
}

const reportOf = ({ atMs, doneOn, odometerKm, note, photoId }: OwnerReportEntity): OwnerReport => ({
  atMs,
  doneOn,
  ...(odometerKm == null ? {} : { odometerKm }),
  ...(note ? { note } : {}),
  ...(photoId ? { photo: photoId } : {}),
});

const settledOf = ({ how, atMs, byName, note, odometerKm }: Settled): NonNullable<DueItem['settled']> => ({
  how,
  atMs,
  by: byName,
  ...(note ? { note } : {}),
  ...(odometerKm == null ? {} : { odometerKm }),
});

/** What is settled stands last, what has no date before it. */
const whenOf = ({ expected, settled }: DueItem): number =>
  settled ? Number.MAX_SAFE_INTEGER : (expected?.expectedMs ?? Number.MAX_SAFE_INTEGER - 1);
