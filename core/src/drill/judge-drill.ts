import type { JobEvent } from '../job/acts.ts';
import { appendEvents, type JobLog } from '../job/job-log.ts';
import { loadLeft } from '../job/load-left.ts';
import { indexOf, type Plan } from '../kit/plan.ts';
import { acceptBand } from '../tightening/kinds.ts';
import { loadImbalance } from '../tightening/load-imbalance.ts';
import { rankWrenches } from '../wrench/suitable-wrench.ts';
import type { Wrench } from '../wrench/wrench.ts';
import { bagOf } from './bag.ts';
import { type Consequence, consequenceOf } from './consequence.ts';
import { type PlacedFault, sameFault } from './drill.ts';
import { type DrillCall, type DrillRefusal, type DrillRun, type LaidOut, meantLog } from './drill-run.ts';
import { FAULTS } from './fault-kind.ts';

/** What became of a fault: found before it did harm, found after, or not at all. */
export const CATCHES = ['caught', 'late', 'missed'] as const;
export type Catch = (typeof CATCHES)[number];

export interface FaultVerdict {
  fault: PlacedFault;
  catch: Catch;
  /** By a word of the learner's, by what the learner recorded, or only because the product refused. */
  by?: 'call' | 'record' | 'product';
  /** Minutes from the drill's beginning until it was found. */
  afterMin?: number;
  consequence: Consequence;
}

/** The order a learner laid out against the kit's: how far the load runs to one side on the way, 0 for not at all. */
export interface OrderVerdict {
  group: string;
  own: number;
  kit: number;
  compound: 'right' | 'wrong';
  wrench: 'right' | 'wrong';
  /** Undefined where the joint has no figure, or none was asked for. */
  figure?: 'right' | 'wrong';
}

export interface DrillVerdict {
  faults: FaultVerdict[];
  /** Said to be wrong, and was not. */
  falseAlarms: DrillCall[];
  /** Closed and signed. */
  closed: boolean;
  minutes: number;
  orders: OrderVerdict[];
  /** What each bolt of a group holds at the end, as a share of what it was pulled to. */
  loads: Array<{ group: string; bolts: Array<{ station: string; share: number }>; spread: number }>;
  /** From 0 to 1: a fault found counts one, one found late a half, and each false alarm takes a quarter. Never time. */
  score: number;
}

/** An attempt as it is kept: all that a verdict is made of. */
export interface DrillAttempt extends Pick<DrillRun, 'drill' | 'events' | 'calls' | 'refusals' | 'laidOut'> {
  beganMs: number;
  endedMs: number;
}

/** Stations a fault can harm. */
function harmed(plan: Plan, { kind, target }: PlacedFault): ReadonlySet<string> {
  const { on } = FAULTS[kind];
  const list = plan.stations.filter(({ id, groupId, stack }) =>
    on === 'station'
      ? id === target
      : on === 'group'
        ? groupId === target
        : stack.some((piece) => piece.kind === 'hardware' && piece.item === target),
  );
  return new Set(list.map(({ id }) => id));
}

/** How many events stood when a fault began to do harm; Infinity while it has not. */
function harmAt(plan: Plan, fault: PlacedFault, events: readonly JobEvent[]): number {
  const stations = harmed(plan, fault);
  const types = FAULTS[fault.kind].harmFrom === 'start' ? ['stationStarted'] : ['pullRecorded', 'stageDone'];
  const at = events.findIndex(
    (event) => types.includes(event.type) && 'station' in event && stations.has(String(event.station)),
  );
  return at < 0 ? Number.POSITIVE_INFINITY : at + 1;
}

/**
 * The event with which a learner recorded a fault: a count that leaves out what is missing or unfit, a joint that was
 * taken out because its locker had set; −1 without one.
 */
function recordedAt(plan: Plan, fault: PlacedFault, events: readonly JobEvent[]): number {
  if (fault.kind === 'lockerSet') {
    const stations = harmed(plan, fault);
    const beaded = events.findIndex((event) => event.type === 'compoundApplied' && stations.has(event.station));
    return events.findIndex(
      (event, at) => at > beaded && beaded >= 0 && event.type === 'stationLoosened' && stations.has(event.station),
    );
  }
  const item = FAULTS[fault.kind].room === 'bag' ? indexOf(plan).items.get(fault.target) : undefined;
  if (!item) return -1;
  const there = bagOf(item, [fault]).reduce((sum, { count }) => sum + count, 0);
  return events.findIndex(
    (event) =>
      event.type === 'lineCounted' &&
      event.item === item.id &&
      (fault.kind === 'short' ? event.found === there : event.damaged > 0),
  );
}

/** Refusals by which the product itself shows that a locker has set. */
const SET: ReadonlySet<DrillRefusal['code']> = new Set<DrillRefusal['code']>(['lockerWindowClosed', 'threadHasSet']);

function judgeFault(plan: Plan, attempt: DrillAttempt, fault: PlacedFault): FaultVerdict {
  const { events, calls, refusals, beganMs } = attempt;
  const harm = harmAt(plan, fault, events);
  const call = calls.find((said) => said.right && sameFault(said, fault));
  const record = recordedAt(plan, fault, events);
  const stopped =
    fault.kind === 'lockerSet'
      ? refusals.find(({ code, station }) => SET.has(code) && harmed(plan, fault).has(station ?? ''))
      : undefined;
  const found = [
    ...(call ? [{ by: 'call' as const, at: call.afterEvents, atMs: call.atMs }] : []),
    ...(record >= 0 ? [{ by: 'record' as const, at: record, atMs: events[record]?.atMs ?? beganMs }] : []),
    ...(stopped ? [{ by: 'product' as const, at: stopped.afterEvents, atMs: stopped.atMs }] : []),
  ].sort((a, b) => a.at - b.at || Number(a.by === 'product') - Number(b.by === 'product'))[0];
  const consequence = consequenceOf(plan, fault);
  if (!found) return { fault, catch: 'missed', consequence };
  const inTime = found.by !== 'product' && found.at < harm;
  return {
    fault,
    catch: inTime ? 'caught' : 'late',
    by: found.by,
    afterMin: Math.max(0, (found.atMs - beganMs) / 60_000),
    consequence,
  };
}

/** What a learner laid out for a group against what the kit has. */
function judgeOrder(plan: Plan, laid: LaidOut, wrenches: readonly Wrench[], nowMs: number): OrderVerdict | undefined {
  const { groups, stations } = indexOf(plan);
  const group = groups.get(laid.group);
  const first = group && stations.get(group.stations[0] ?? '');
  if (!group || !first) return undefined;
  const points = (ids: readonly string[]) => ids.flatMap((id) => stations.get(id) ?? []);
  const band = acceptBand(first.spec);
  const fits =
    band === undefined ||
    rankWrenches(wrenches, band, nowMs).some(({ wrench, faults }) => wrench.id === laid.wrench && faults.length === 0);
  return {
    group: group.id,
    own: loadImbalance(points(laid.order)),
    kit: loadImbalance(points(group.torqueOrder)),
    compound: (laid.compound ?? '') === (first.compound ?? '') ? 'right' : 'wrong',
    wrench: fits ? 'right' : 'wrong',
    ...(band === undefined || laid.figureNm === undefined
      ? {}
      : {
          figure: laid.figureNm >= band.minNm && laid.figureNm <= band.maxNm ? ('right' as const) : ('wrong' as const),
        }),
  };
}

function loadsOf(log: JobLog): DrillVerdict['loads'] {
  return log.plan.groups.flatMap((group) => {
    const left = loadLeft(log.plan, log.state, group);
    if (!left) return [];
    const shares = left.bolts.map(({ share }) => share);
    return [
      {
        group: group.id,
        bolts: left.bolts.map(({ station, share }) => ({ station, share })),
        spread: Math.max(...shares) - Math.min(...shares),
      },
    ];
  });
}

const FALSE_ALARM_COSTS = 0.25;

/**
 * What a learner found, in time or not, and what the joints hold.
 *
 * @throws where the drill's kit has no plan
 */
export function judgeDrill(attempt: DrillAttempt, wrenches: readonly Wrench[] = []): DrillVerdict {
  const meant = meantLog(attempt.drill);
  if (!meant.ok) throw new Error(`The drill's kit has no plan: ${meant.error.code}`);
  const { plan } = meant.value;
  const faults = attempt.drill.faults.map((fault) => judgeFault(plan, attempt, fault));
  const falseAlarms = attempt.calls.filter(({ right }) => !right);
  const worth = faults.reduce((sum, { catch: caught }) => sum + { caught: 1, late: 0.5, missed: 0 }[caught], 0);
  const closed = attempt.events.some(({ type }) => type === 'jobClosed');
  return {
    faults,
    falseAlarms,
    closed,
    minutes: Math.max(0, (attempt.endedMs - attempt.beganMs) / 60_000),
    orders: attempt.laidOut.flatMap((laid) => judgeOrder(plan, laid, wrenches, attempt.beganMs) ?? []),
    loads: loadsOf(appendEvents(meant.value, attempt.events)),
    score: Math.max(0, (faults.length === 0 ? 1 : worth / faults.length) - FALSE_ALARM_COSTS * falseAlarms.length),
  };
}
