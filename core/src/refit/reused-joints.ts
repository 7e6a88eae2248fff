import type { Neighbour } from '../kit/kit-preparation.ts';
import type { Plan, PlanAction, PlanGroup, PlanRemoved, PlanStation, PlanStep } from '../kit/plan.ts';
import type { PrintedSpec } from '../kit/printed-spec.ts';
import { passIndexesOf } from '../kit/resolve.ts';
import { acceptBand } from '../tightening/kinds.ts';
import { loadImbalance } from '../tightening/load-imbalance.ts';
import { passPlan } from '../tightening/pass-plan.ts';
import { mostEvenPattern, tighteningOrder } from '../tightening/pattern.ts';
import { comesBack } from './with-refit.ts';

type Figure = Pick<PrintedSpec, 'spec' | 'printed'>;
/** Figures that people gave, by what they are for; without a figure it is done by feel, under their name. */
type Given = Readonly<Record<string, { figure?: Figure }>>;

/** Whether a removed thing is a bolt or nut: by its kind, else by a bolt's thread. */
export const isFastener = (thing: Pick<PlanRemoved, 'kind' | 'thread'>): boolean =>
  thing.kind === 'bolt' || thing.kind === 'nut' || (thing.kind === undefined && thing.thread !== undefined);

/** `front wheels`, and the nuts or bolts that hold them. */
const WHEELS = /\bwheels?$/i;
const WHEEL_FASTENERS = /\b(?:wheel|lug)\s+(?:nuts?|bolts?|studs?)\b/i;

/** What of the vehicle is tightened again, and where. */
interface Again {
  id: string;
  kit: string;
  name: string;
  count: number;
  side?: 'left' | 'right';
  place?: string;
  note?: string;
  figure: Figure;
}

/** A reused fastener as one act puts it back: its pieces in one bolt pattern. */
interface Set {
  title: string;
  side?: 'left' | 'right';
  pieces: number;
}

/** How far apart fasteners are drawn, and how large a ring of them, mm: a sketch, since no sheet says where they sit. */
const APART_MM = 60;
const RING_MM = 57;

/** The action's own pieces of a thing that goes back in. */
function putsBack(action: PlanAction): string | undefined {
  if (action.type === 'refit' || action.type === 'moveOver') return action.removed;
  return action.type === 'retighten' ? action.neighbour : undefined;
}

/** What a kit's own stations tighten already: its sheet has the joint, and the removed thing is the same bolt. */
function tightenedAnyway(plan: Plan, { kit, name, place }: Omit<Again, 'figure'>): boolean {
  const wheel = WHEEL_FASTENERS.test(name);
  return plan.stations.some(
    (station) =>
      (place !== undefined && station.place === place) ||
      (wheel && station.kit === kit && station.tags?.includes('wheel') === true),
  );
}

const figureOf = (own: Figure | undefined, given: { figure?: Figure } | undefined): Figure | undefined => {
  const figure = given ? given.figure : own;
  return figure && acceptBand(figure.spec) !== undefined ? figure : undefined;
};

function reusedOf(plan: Plan, given: Given): Map<string, Again> {
  const neighbour = (entry: Pick<Neighbour, 'id' | 'name' | 'count' | 'spec'> & { kit: string }) => ({
    ...entry,
    count: entry.count ?? 1,
    own: entry.spec,
  });
  const removed = plan.removed
    .filter((thing) => isFastener(thing) && comesBack(thing.fate))
    .map((thing) => ({ ...thing, own: thing.refitSpec }));
  const found = new Map<string, Again>();
  for (const { own, ...entry } of [...removed, ...plan.neighbours.map(neighbour)]) {
    const figure = figureOf(own, given[entry.id]);
    const { id, kit, name, count } = entry;
    const { side, place, note } = entry as Pick<Again, 'side' | 'place' | 'note'>;
    const again = { id, kit, name, count, side, place, note };
    if (figure && !tightenedAnyway(plan, again)) found.set(id, { ...again, figure });
  }
  return found;
}

/** A name that says its side; left and right are never lost. */
const withSide = (name: string, side: string | undefined): string =>
  side === undefined || name.toLowerCase().includes(side) ? name : `${name}, ${side}`;

/** One pattern; the nuts of two or four wheels are as many, each with its wheel's name. */
function setsOf(plan: Plan, again: Again, pieces: number): Set[] {
  const wheels = WHEEL_FASTENERS.test(again.name)
    ? plan.removed.find(({ kit, name, kind }) => kit === again.kit && kind !== 'nut' && WHEELS.test(name.trim()))?.count
    : undefined;
  const each = wheels === undefined ? pieces : pieces / wheels;
  if (wheels === undefined || wheels < 2 || !Number.isInteger(each) || each < 3)
    return [{ title: withSide(again.name, again.side), side: again.side, pieces }];
  const corners = wheels === 4 ? ['front left', 'front right', 'rear left', 'rear right'] : ['left', 'right'];
  return Array.from({ length: wheels }, (_, index): Set => {
    const corner = corners[index];
    const side = corner?.endsWith('left') ? 'left' : corner?.endsWith('right') ? 'right' : undefined;
    return { title: `${again.name}, ${corner ?? `wheel ${index + 1}`}`, side, pieces: each };
  });
}

const at = (index: number, of: number): { xMm: number; yMm: number } => {
  if (of < 3) return { xMm: (index + 0.5) * APART_MM, yMm: APART_MM / 2 };
  const turn = (2 * Math.PI * index) / of - Math.PI / 2;
  const round = (value: number) => Math.round(value * 10) / 10;
  return { xMm: round(RING_MM * Math.cos(turn) + 100), yMm: round(RING_MM * Math.sin(turn) + 100) };
};

/** The joint a reused fastener is tightened as: group and stations, with the rounds the shop makes over as many. */
function jointOf(
  plan: Plan,
  again: Again,
  set: Set,
  id: string,
  step: PlanStep,
  label: number,
): [PlanGroup, PlanStation[]] {
  const { kit, figure } = again;
  const wheel = WHEEL_FASTENERS.test(again.name);
  const passes = passPlan(set.pieces, {}, plan.rules, acceptBand(figure.spec)?.targetNm);
  const stations = Array.from({ length: set.pieces }, (_, index): PlanStation => {
    const station: PlanStation = {
      id: `${id}.${index + 1}`,
      label: String(label + index),
      name: set.pieces > 1 ? `${set.title}, ${index + 1} of ${set.pieces}` : set.title,
      side: set.side,
      ...at(index, set.pieces),
      stack: [],
      ...(wheel ? { tags: ['wheel'] } : {}),
      drive: { kind: 'unknown' },
      ...(again.note === undefined ? {} : { note: again.note }),
      kit,
      groupId: id,
      spec: figure.spec,
      printed: figure.printed,
      specBecause: [],
      passIndexes: [],
    };
    return { ...station, passIndexes: passIndexesOf(station, passes) };
  });
  const listed = stations.map((station) => station.id);
  const pattern = mostEvenPattern(stations, (station) => station);
  const ordered = pattern === 'asListed' ? stations : tighteningOrder(stations, pattern, (station) => station);
  const ring = set.pieces >= 3;
  const group: PlanGroup = {
    id,
    kit,
    title: set.title,
    map: {
      title: set.title,
      note: 'A sketch: no sheet says where they sit.',
      widthMm: ring ? 200 : set.pieces * APART_MM,
      heightMm: ring ? 200 : APART_MM,
      shapes: ring ? [{ kind: 'circle', xMm: 100, yMm: 100, radiusMm: 80, tone: 'vehicle' }] : [],
    },
    stations: listed,
    startOrder: listed,
    // A wheel is drawn on evenly from the first turn of the nuts.
    snugOrder: wheel ? ordered.map((station) => station.id) : listed,
    torqueOrder: ordered.map((station) => station.id),
    torquePattern: pattern,
    loadImbalance: loadImbalance(ordered),
    passes,
    after: [],
    looseWith: [],
    ...(step.needs.includes('rideHeight') ? { atRideHeight: true } : {}),
    again: { thing: again.id, step: step.id },
  };
  return [group, stations];
}

/**
 * The plan with every fastener of the vehicle that goes back in, and every one that was loosened for access, tightened as
 * a joint: with wrench, reading and order, so that the record states no torque which nobody pulled. Those without a
 * figure are left as they are until somebody gives one, or does them by feel under their own name. The nuts of wheels are
 * drawn up in the air and brought to torque once the wheels stand on the ground, where the line lowers the vehicle later.
 */
export function withReusedJoints(plan: Plan, given: Given): Plan {
  if (plan.rules.proof !== 'measured') return plan;
  const reused = reusedOf(plan, given);
  if (reused.size === 0) return plan;
  const groups: PlanGroup[] = [];
  const stations: PlanStation[] = [];
  const acts = new Map<string, number>();
  let label = Math.max(0, ...plan.stations.map((station) => Number.parseInt(station.label, 10) || 0)) + 1;
  /** Joints that wait for their wheels to stand on the ground. */
  let later: Array<{ thing: Again; action: PlanAction }> = [];
  const steps = plan.steps.map((step): PlanStep => {
    const actions = step.actions.flatMap((action): PlanAction[] => {
      if (action.type === 'lower' && later.length > 0) {
        const down = later.filter(({ thing }) => lowers(action, thing));
        later = later.filter((entry) => !down.includes(entry));
        return [action, ...down.map((entry) => entry.action)];
      }
      const thing = reused.get(putsBack(action) ?? '');
      if (!thing) return [action];
      const made: PlanAction[] = [action];
      const pieces = action.type === 'refit' ? (action.count ?? thing.count) : thing.count;
      for (const set of setsOf(plan, thing, pieces)) {
        const time = (acts.get(thing.id) ?? 0) + 1;
        acts.set(thing.id, time);
        const id = `${thing.id}~joint${time === 1 ? '' : time}`;
        const [group, own] = jointOf(plan, thing, set, id, step, label);
        label += own.length;
        groups.push(group);
        stations.push(...own);
        made.push({ type: 'snug', group: id });
        const torque: PlanAction = { type: 'torque', group: id };
        if (WHEEL_FASTENERS.test(thing.name) && lowersAfter(plan, step, thing)) later.push({ thing, action: torque });
        else made.push(torque);
      }
      return made;
    });
    return actions.length === step.actions.length ? step : { ...step, actions };
  });
  if (groups.length === 0) return plan;
  return { ...plan, steps, groups: [...plan.groups, ...groups], stations: [...plan.stations, ...stations] };
}

/** Whether an action lets the wheels of a fastener down: the other end stays up. */
const lowers = (action: PlanAction, { name }: Again): boolean =>
  action.type === 'lower' &&
  (action.end === undefined ||
    action.end === 'whole' ||
    !/\b(?:front|rear)\b/i.test(name) ||
    new RegExp(`\\b${action.end}\\b`, 'i').test(name));

/** Whether its wheels are let down after a step. */
const lowersAfter = (plan: Plan, step: PlanStep, thing: Again): boolean =>
  plan.steps.slice(plan.steps.indexOf(step) + 1).some(({ actions }) => actions.some((action) => lowers(action, thing)));
