import { setsOnTheThread } from '../compound/compound.ts';
import type { DriveSize } from '../fastener/drive.ts';
import { boltStrength } from '../fastener/property-class.ts';
import { parseThread } from '../fastener/thread.ts';
import { washerDimension, washerStandards } from '../fastener/washer.ts';
import { traceJointOf } from '../job/pull-curve.ts';
import { slopeOfStack, stackJoint } from '../job/stack-joint.ts';
import type { Station } from '../kit/kit-document.ts';
import { indexOf, type Plan, type PlanItem, type PlanStation } from '../kit/plan.ts';
import { randomFrom } from '../quantity/random.ts';
import { acceptBand, type TighteningSpec } from '../tightening/kinds.ts';
import { usualFace } from '../tightening/proposed-torque.ts';
import { faultKey, type PlacedFault } from './drill.ts';
import { FAULT_KINDS, FAULTS, type FaultKind } from './fault-kind.ts';

/** The next weaker class of the same family; undefined where there is none. */
export function weakerClass(item: Pick<PlanItem, 'propertyClass' | 'thread'>): string | undefined {
  const weaker: Record<string, string> = {
    '12.9': '10.9',
    '10.9': '8.8',
    '8.8': '5.8',
    'grade 8': 'grade 5',
    'grade 5': 'grade 2',
  };
  const next = weaker[item.propertyClass ?? ''];
  const thread = parseThread(item.thread ?? '');
  return next !== undefined && thread.ok && boltStrength(next, thread.value.thread).ok ? next : undefined;
}

/** How many pieces are missing where a bag is short: one more than are to spare. */
export const missingPieces = (item: Pick<PlanItem, 'expectedSpare'>): number => Math.max(0, item.expectedSpare) + 1;

/** The line whose piece may lie among those of another: of its kind, with another thread or length; the nearest in size. */
export function swappedWith(items: readonly PlanItem[], item: PlanItem): PlanItem | undefined {
  if (item.kind !== 'bolt' && item.kind !== 'nut') return undefined;
  const nominal = ({ thread }: PlanItem): number => Number(/(\d+(?:\.\d+)?)/.exec(thread ?? '')?.[1] ?? Number.NaN);
  return items
    .filter(
      (other) =>
        other.id !== item.id &&
        other.kind === item.kind &&
        other.source === 'kit' &&
        other.thread !== undefined &&
        (other.thread !== item.thread || (other.lengthMm ?? 0) !== (item.lengthMm ?? 0)),
    )
    .toSorted((a, b) => Math.abs(nominal(a) - nominal(item)) - Math.abs(nominal(b) - nominal(item)))[0];
}

/** Whether a packing line can carry a kind of fault. */
function itemTakes(items: readonly PlanItem[], item: PlanItem, kind: FaultKind): boolean {
  if (item.source !== 'kit' || item.needed === 0) return false;
  switch (kind) {
    case 'short':
      return item.quantity >= 2 && item.quantity > missingPieces(item);
    case 'damagedThread':
      return item.thread !== undefined;
    case 'wrongLength':
      return item.lengthMm !== undefined && item.lengthMm >= 16 && item.kind === 'bolt';
    case 'wrongSide':
      return item.side !== undefined;
    case 'swapped':
      return item.thread !== undefined && item.quantity > 1 && swappedWith(items, item) !== undefined;
    case 'usedBolt':
      return item.kind === 'bolt' && item.thread !== undefined;
    case 'usedNut':
      return item.kind === 'nut' && item.locking !== undefined;
    case 'wrongClass':
      return item.kind === 'bolt' && weakerClass(item) !== undefined;
    default:
      return false;
  }
}

/** The plain figure of a joint, a value or a window's middle, N·m; undefined where it is none. */
export function plainFigureNm(spec: TighteningSpec): number | undefined {
  if (spec.kind === 'torque') return spec.targetNm;
  return spec.kind === 'range' ? (spec.minNm + spec.maxNm) / 2 : undefined;
}

/** The one plain figure that all of a group's joints have: what a slip of the sheet changes; undefined where they differ. */
export function oneFigureOf(plan: Plan, group: string): number | undefined {
  const { stations } = indexOf(plan);
  const members = (indexOf(plan).groups.get(group)?.stations ?? []).map((id) => stations.get(id));
  const figures = new Set(members.map((station) => station && plainFigureNm(station.spec)));
  const [figure] = figures;
  return figures.size === 1 && members.every((station) => station?.specBecause.length === 0) ? figure : undefined;
}

/** A station's compound, where it is one that holds only a clean thread. */
function lockerOf(plan: Plan, station: Pick<PlanStation, 'compound'>) {
  const compound = indexOf(plan).compounds.get(station.compound ?? '');
  return compound && setsOnTheThread(compound.kind) ? compound : undefined;
}

/** Fewest joints of a group that a sheet can count wrongly and nobody sees it at a glance (chosen by us). */
const COUNTABLE = 4;

/** The width of the heads of a group's bolts, where it is not their size: what a bolt is wrongly called by. */
export function calledByHeadMm(
  stations: ReadonlyArray<{ drive: DriveSize; stack: Station['stack'] }>,
  threadOf: (item: string) => string | undefined,
): { headMm: number; nominalMm: number } | undefined {
  const [station] = stations;
  const drive = station?.drive;
  if (drive?.kind !== 'hex' || drive.inch || !Number.isInteger(drive.acrossFlatsMm)) return undefined;
  const names = station?.stack.flatMap((piece) => (piece.kind === 'hardware' ? (threadOf(piece.item) ?? []) : []));
  const thread = parseThread(names?.[0] ?? '');
  if (!thread.ok || thread.value.thread.system !== 'metric') return undefined;
  const { nominalMm } = thread.value.thread;
  return nominalMm === drive.acrossFlatsMm ? undefined : { headMm: drive.acrossFlatsMm, nominalMm };
}

/** Whether a step of the sheet itself tightens a group, none that the plan made: what the sheet says of it beside stands there. */
const hasTorqueStep = (plan: Plan, group: string): boolean =>
  plan.steps.some(
    ({ made, actions }) =>
      made === undefined && actions.some((action) => action.type === 'torque' && action.group === group),
  );

/** Whether the sheet's words of a group can carry a kind of fault; undefined for those that are in its figure. */
function wordsTake(plan: Plan, group: string, kind: FaultKind): boolean | undefined {
  const { stations, groups, items } = indexOf(plan);
  const members = (groups.get(group)?.stations ?? []).flatMap((id) => stations.get(id) ?? []);
  const pieces = (station: PlanStation) =>
    station.stack.flatMap((piece) => (piece.kind === 'hardware' ? (items.get(piece.item) ?? []) : []));
  switch (kind) {
    case 'lockerOnLockNut':
      return (
        hasTorqueStep(plan, group) &&
        members.length > 0 &&
        members.every(
          (station) => station.compound === undefined && pieces(station).some(({ locking }) => locking !== undefined),
        )
      );
    case 'contradiction':
      return hasTorqueStep(plan, group) && oneFigureOf(plan, group) !== undefined;
    case 'wrongCount':
      return hasTorqueStep(plan, group) && members.length >= COUNTABLE;
    case 'calledByHead':
      return hasTorqueStep(plan, group) && calledByHeadMm(members, (id) => items.get(id)?.thread) !== undefined;
    default:
      return undefined;
  }
}

function groupTakes(plan: Plan, group: string, kind: FaultKind): boolean {
  const inWords = wordsTake(plan, group, kind);
  if (inWords !== undefined) return inWords;
  if (kind === 'lockerSet') {
    const { stations, groups } = indexOf(plan);
    return (groups.get(group)?.stations ?? []).some((id) => {
      const locker = lockerOf(plan, { compound: stations.get(id)?.compound });
      return locker?.workingWindowMin !== undefined && locker.gradeUnknown !== true;
    });
  }
  return oneFigureOf(plan, group) !== undefined;
}

/** Wrenches that begin above a figure, as they hang in a shop: their scales, N·m. */
const COARSE_WRENCHES = [
  { fromNm: 40, toNm: 340 },
  { fromNm: 150, toNm: 1_000 },
] as const;
/** The wrench that lies ready and does not reach down to a figure; undefined where every one would. */
export const coarseWrench = (targetNm: number) => COARSE_WRENCHES.find(({ fromNm }) => targetNm < 0.9 * fromNm);

/** How many times as hard a head presses without its washer, by the two bearing areas; undefined where none is meant. */
export function bareHeadPressure(plan: Plan, station: PlanStation): number | undefined {
  const { items } = indexOf(plan);
  const washers = station.stack.some((piece) => piece.kind === 'hardware' && items.get(piece.item)?.kind === 'washer');
  const thread = stackJoint(plan, station)?.thread;
  const face = thread && usualFace(thread);
  const washer = thread && washerDimension(washerStandards(thread.system)[0] ?? 'ISO 7089', thread);
  if (!washers || !face || !washer) return undefined;
  // Under the washer the part is pressed over the washer's whole face.
  const area = (outsideMm: number) => outsideMm ** 2 - face.holeMm ** 2;
  return area(washer.outsideMm) / area(face.outsideMm);
}

/** Degrees a joint turns from contact to its figure, from which on a click without moving is told (chosen by us). */
const TELLABLE_DEG = 16;

function stationTakes(plan: Plan, station: PlanStation, kind: FaultKind): boolean {
  if (indexOf(plan).groups.get(station.groupId)?.recheck) return false;
  const band = acceptBand(station.spec);
  if (kind === 'greasyThread') return lockerOf(plan, station) !== undefined;
  const several = (indexOf(plan).groups.get(station.groupId)?.stations.length ?? 0) > 1;
  // Somebody left off in the middle of a group: one bolt alone has no middle.
  if (kind === 'halfDone' || kind === 'neighbourLoose' || kind === 'gapUneven') return several;
  if (kind === 'greasyFace') return station.compound === undefined;
  if (kind === 'washerMissing') return bareHeadPressure(plan, station) !== undefined;
  if (kind === 'wrongWrench') return band !== undefined && coarseWrench(band.targetNm) !== undefined;
  if (FAULTS[kind].room === 'hole') return true;
  if (band === undefined || traceJointOf(plan, station, band) === undefined) return false;
  // On a short stiff bolt a handle that winds up feels like the joint itself: nobody can tell.
  const slope = slopeOfStack(plan, station);
  return kind !== 'alreadyTight' || (slope !== undefined && band.targetNm / slope > TELLABLE_DEG);
}

/** Every place of a plan where a kind of fault can be put. */
export function placesOf(plan: Plan, kind: FaultKind): PlacedFault[] {
  const at = (target: string): PlacedFault => ({ kind, target });
  switch (FAULTS[kind].on) {
    case 'item':
      return plan.items.filter((item) => itemTakes(plan.items, item, kind)).map(({ id }) => at(id));
    case 'group':
      return plan.groups.filter(({ id, recheck }) => !recheck && groupTakes(plan, id, kind)).map(({ id }) => at(id));
    case 'station':
      return plan.stations.filter((station) => stationTakes(plan, station, kind)).map(({ id }) => at(id));
  }
}

/** The kinds a kit can be drilled on. */
export const kindsFor = (plan: Plan): FaultKind[] => FAULT_KINDS.filter((kind) => placesOf(plan, kind).length > 0);

/** What a fault touches, so that two do not stand at one joint. */
function touched(plan: Plan, { kind, target }: PlacedFault): string[] {
  switch (FAULTS[kind].on) {
    case 'item':
      return [target];
    case 'group':
      return [`group ${target}`];
    case 'station':
      return [`station ${target}`, ...(indexOf(plan).stations.has(target) ? [target] : [])];
  }
}

/**
 * Faults for a drill, the same for a seed.
 *
 * @param wanted - the kinds to draw from, those to practise most first; others are not used
 * @param count - how many at most
 */
export function drawFaults(plan: Plan, seed: number, wanted: readonly FaultKind[], count: number): PlacedFault[] {
  const random = randomFrom(seed * 7919 + 11);
  for (let warm = 0; warm < 5; warm++) random();
  const taken = new Set<string>();
  const drawn: PlacedFault[] = [];
  for (const kind of wanted) {
    if (drawn.length >= count) break;
    const free = placesOf(plan, kind).filter((place) => !touched(plan, place).some((key) => taken.has(key)));
    const place = free[Math.floor(random() * free.length)];
    if (!place) continue;
    for (const key of touched(plan, place)) taken.add(key);
    drawn.push(place);
  }
  return drawn.sort((a, b) => (faultKey(a) < faultKey(b) ? -1 : 1));
}

/** Faults of a drill that its kit has no place for. */
export const placelessFaults = (plan: Plan, faults: readonly PlacedFault[]): PlacedFault[] =>
  faults.filter(({ kind, target }) => !placesOf(plan, kind).some((place) => place.target === target));
