import type { CompoundKind } from '../compound/compound.ts';
import type { StoreReading } from '../compound/shelf-life.ts';
import { stationBeadMl } from '../crib/bead-use.ts';
import { type Bottle, bottleVerdict, leftMl } from '../crib/bottle.ts';
import type { CribTool } from '../crib/crib-tool.ts';
import { shortages } from '../job/hardware-ledger.ts';
import type { JobState } from '../job/job-state.ts';
import { stationState } from '../job/job-state.ts';
import { lineProgress } from '../job/line-progress.ts';
import { pullBand } from '../job/next-station.ts';
import { shoppingList, type ToBuy } from '../job/shopping-list.ts';
import type { Skill } from '../job/skill.ts';
import { stationComplete } from '../job/station-progress.ts';
import { HELD_UP_BY, isHeldUpBy, wheelsFree } from '../kit/held-up-by.ts';
import type { StepNeed } from '../kit/kit-step.ts';
import { indexOf, type Plan } from '../kit/plan.ts';
import { sameWord } from '../kit/vehicle-facts.ts';
import { takesWheelsOff } from '../line/wheels-off.ts';
import { weakFor } from '../shop/lifting-gear.ts';
import { isByHand } from '../tightening/kinds.ts';
import { ASSUMED_PULL_S } from '../tightening/pass-plan.ts';
import { kitCalled } from '../visit/cross-reference.ts';
import { dayOf } from '../wrench/suitable-wrench.ts';
import type { Wrench } from '../wrench/wrench.ts';
import { type PlannedPull, smallestWrenchSet, type WrenchSet } from '../wrench/wrench-set.ts';
import { type Skilled, skillsMissing } from './skill-need.ts';
import { type ToolList, toolsNeeded } from './tool-need.ts';

/** What of a compound the day takes and the shelf holds. */
export interface CompoundNeed {
  kind: CompoundKind;
  names: string[];
  needMl: number;
  /** Good bottles: in date, kept cool enough. */
  haveMl: number;
  /** First day on which the last good bottle is off, ISO day. */
  goodUntil?: string;
  /** Stations that take it. */
  stations: number;
}

/** Hands and places the steps ask for. */
export interface PlaceNeed {
  need: StepNeed;
  steps: number;
  minutes: number;
}

export interface TimeNeed {
  /** Stated by the sheets, minutes; kits that state none are named. */
  statedMin?: number;
  unstated: string[];
  /** From the steps' own minutes, the stations and the pulls, minutes. */
  typicalMin: number;
  /** Middle of the shop's own closed jobs with just this kit, by kit. */
  ownMin: Array<{ kit: string; minutes: number; jobs: number }>;
}

/** Something that keeps the day from beginning, or stops it on the way. */
export type Obstacle =
  | { code: 'conflictOpen'; conflict: string; place: string }
  | { code: 'prerequisiteOpen'; prerequisite: string; text: string; daysBefore?: number }
  | { code: 'baselineMissing'; baseline: string; name: string }
  | { code: 'choiceOpen'; choice: string; text: string }
  | { code: 'noWrench'; targetNm: number; printed: string; stations: string[]; group: string }
  | { code: 'noTool'; name: string; group?: string }
  /** Another job of the same hours takes it. */
  | { code: 'toolElsewhere'; name: string; number: string; group: string }
  | { code: 'compoundShort'; kind: CompoundKind; needMl: number; haveMl: number; group: string }
  | { code: 'hardwareShort'; item: string; name: string; short: number; group: string }
  | { code: 'noFigure'; station: string; label: string; group: string }
  /** A step goes on in another kit's sheet, and that kit is not in the visit. */
  | { code: 'otherSheet'; kit: string; step: string }
  /** What is to hold the vehicle up is rated for less. */
  | { code: 'liftTooWeak'; name: string; ratedKg: number; needKg: number }
  /** Nobody who is to do it, or nobody of the shop, can do what it asks for. */
  | { code: 'noSkill'; skill: Skill; named: string[]; has: string[]; group: string }
  | { code: 'kitWithdrawn'; kit: string; because: string }
  /** No box brings it, and nobody has got it yet. */
  | { code: 'notBought'; name: string; quantity: string; group: string };

export interface Readiness {
  verdict: 'ready' | 'stops' | 'cannot';
  /** What keeps it from beginning. */
  before: Obstacle[];
  /** What stops it on the way, in the order it is met. */
  onTheWay: Obstacle[];
  tools: ToolList;
  wrenches: WrenchSet;
  compounds: CompoundNeed[];
  shopping: ToBuy[];
  people: number;
  helperMinutes: number;
  places: PlaceNeed[];
  time: TimeNeed;
}

/** What the shop has, as far as readiness asks. */
export interface ShopStock {
  wrenches: readonly Wrench[];
  tools: readonly CribTool[];
  bottles: readonly Bottle[];
  temperatures: readonly StoreReading[];
  /** Minutes of the shop's own jobs, by kit id. */
  ownMinutes: Readonly<Record<string, readonly number[]>>;
  withdrawn: ReadonlyArray<{ kit: string; because: string }>;
  /** Who works here, and who of them is to do this job. */
  people?: readonly Skilled[];
  fitters?: readonly string[];
  /** Jobs that stand in the same hours, with the specials their sheets list. */
  alongside?: ReadonlyArray<{ number: string; specials: readonly string[] }>;
}

/** The way this vehicle is to be held up, where nothing of the shop bears it so; where nobody said, only if no way does. */
function heldTooWeak(plan: Plan, job: JobState) {
  if (!plan.steps.some(({ actions }) => actions.some(({ type }) => type === 'lift'))) return [];
  const said = job.visit.heldUpBy ?? plan.rules.heldUpBy;
  const ways = isHeldUpBy(said) ? [said] : HELD_UP_BY.filter((by) => wheelsFree(by) || !takesWheelsOff(plan));
  const weak = ways.map((by) => weakFor(by, plan.tooWeak));
  const [first] = weak;
  return first && weak.every(Boolean)
    ? [{ code: 'liftTooWeak' as const, name: first.name, ratedKg: first.ratedKg, needKg: first.needKg }]
    : [];
}

/** Whether two stretches of time have a moment in common. */
export const overlap = (a: { startMs: number; minutes: number }, b: { startMs: number; minutes: number }): boolean =>
  a.startMs < b.startMs + b.minutes * 60_000 && b.startMs < a.startMs + a.minutes * 60_000;

/** Specials of the crib that another job of the same hours takes too; what was borrowed or rented is this job's own. */
function takenElsewhere(tools: ToolList, alongside: NonNullable<ShopStock['alongside']>) {
  return tools.needs.flatMap(({ special, arranged, have, name }) => {
    const other =
      special && have && !arranged && alongside.find((job) => job.specials.some((one) => sameWord(one, name)));
    return other ? [{ code: 'toolElsewhere' as const, name, number: other.number, group: '' }] : [];
  });
}

/** Minutes for a station beyond its pulls: find it, stack it, start it, snug it (chosen by us until history says better). */
const STATION_MIN = 3;

/** Every pull the plan still has, group by group in its order, pass by pass. */
function plannedPulls(plan: Plan, job: JobState): PlannedPull[] {
  const { orders } = indexOf(plan);
  return plan.groups.flatMap((group) =>
    group.passes.flatMap((_, pass) =>
      (orders.get(group.id)?.torque ?? []).flatMap((station) => {
        if (!station.passIndexes.includes(pass) || isByHand(station.spec)) return [];
        if (stationComplete(station, stationState(job, station.id))) return [];
        const band = pullBand(plan, station, pass);
        const { targetNm, peakNm, gradient } = band ?? {};
        return targetNm === undefined ? [] : [{ targetNm, peakNm, gradient, station: station.id }];
      }),
    ),
  );
}

function compoundNeeds(plan: Plan, stock: ShopStock, today: string): CompoundNeed[] {
  const { items, compounds } = indexOf(plan);
  const found = new Map<CompoundKind, CompoundNeed>();
  for (const station of plan.stations) {
    const compound = compounds.get(station.compound ?? '');
    if (!compound) continue;
    const need = found.get(compound.kind) ?? { kind: compound.kind, names: [], needMl: 0, haveMl: 0, stations: 0 };
    need.needMl += stationBeadMl(station, items);
    need.stations += 1;
    if (!need.names.includes(compound.name)) need.names.push(compound.name);
    found.set(compound.kind, need);
  }
  return [...found.values()].map((need) => {
    const good = stock.bottles.filter(
      (bottle) =>
        bottle.kind === need.kind &&
        bottle.emptiedOn === undefined &&
        bottleVerdict(bottle, stock.temperatures, today).usable,
    );
    const until = good
      .map((bottle) => bottle.expiresOn)
      .sort()
      .at(-1);
    return {
      ...need,
      haveMl: good.reduce((sum, bottle) => sum + leftMl(bottle), 0),
      ...(until === undefined ? {} : { goodUntil: until }),
    };
  });
}

const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

function timeNeeds(plan: Plan, stock: ShopStock, pulls: readonly PlannedPull[]): TimeNeed {
  const stated = plan.kits.flatMap((kit) => kit.statedMinutes ?? []);
  const steps = plan.steps.reduce((sum, step) => sum + (step.minutes ?? 0), 0);
  const waits = plan.steps
    .flatMap((step) => step.actions)
    .reduce((sum, action) => sum + (action.type === 'wait' ? action.minutes : 0), 0);
  return {
    ...(stated.length > 0 ? { statedMin: stated.reduce((sum, minutes) => sum + minutes, 0) } : {}),
    unstated: plan.kits.filter((kit) => kit.statedMinutes === undefined).map((kit) => kit.title),
    typicalMin: Math.round(steps + waits + plan.stations.length * STATION_MIN + (pulls.length * ASSUMED_PULL_S) / 60),
    ownMin: plan.kits.flatMap((kit) => {
      const own = stock.ownMinutes[kit.id] ?? [];
      return own.length > 0 ? [{ kit: kit.title, minutes: Math.round(middle(own)), jobs: own.length }] : [];
    }),
  };
}

/**
 * Whether the work can begin: what is missing of answers, tools, wrenches, compounds, hardware and hands, and where on
 * the way it would stop.
 */
export function readiness(plan: Plan, job: JobState, stock: ShopStock, nowMs: number): Readiness {
  const { groups, stations } = indexOf(plan);
  const pulls = plannedPulls(plan, job);
  const wrenches = smallestWrenchSet(stock.wrenches, pulls, nowMs);
  const tools = toolsNeeded(plan, stock.tools, job.visit.tools, stock.wrenches);
  const compounds = compoundNeeds(plan, stock, dayOf(nowMs));
  const shopping = shoppingList(plan, job, dayOf(nowMs));
  const titleOf = (station: string | undefined) => groups.get(stations.get(station ?? '')?.groupId ?? '')?.title ?? '';
  const { steps: finished } = lineProgress(plan, job);
  const strips = plan.steps.some(({ id, phase }) => (phase === 'prepare' || phase === 'strip') && !finished.has(id));

  const before: Obstacle[] = [
    ...heldTooWeak(plan, job),
    ...stock.withdrawn.map(({ kit, because }) => ({ code: 'kitWithdrawn' as const, kit, because })),
    ...plan.conflicts
      .filter(({ settled, kind }) => settled === undefined && kind !== 'order')
      .map(({ id, place }) => ({ code: 'conflictOpen' as const, conflict: id, place })),
    ...plan.steps.flatMap((step) =>
      step.actions.flatMap((action) =>
        action.type === 'followKit' && !kitCalled(plan, action.kit)
          ? [{ code: 'otherSheet' as const, kit: action.kit, step: step.text }]
          : [],
      ),
    ),
    ...plan.prerequisites
      .filter(({ id }) => job.visit.prerequisites[id]?.met !== true)
      .map(({ id, text, daysBefore }) => ({ code: 'prerequisiteOpen' as const, prerequisite: id, text, daysBefore })),
    ...(strips
      ? plan.baselines
          .filter(({ id, places }) => places.some((place) => job.visit.measurements[id]?.[place]?.before === undefined))
          .map(({ id, name }) => ({ code: 'baselineMissing' as const, baseline: id, name }))
      : []),
    ...plan.choices
      .filter(({ id }) => job.visit.choices[id] === undefined)
      .map(({ id, text }) => ({ code: 'choiceOpen' as const, choice: id, text })),
  ];
  const place = new Map(plan.groups.map((group, index) => [group.title, index]));
  const onTheWay: Obstacle[] = [
    ...skillsMissing(plan, stock.people ?? [], stock.fitters).map((missing) => ({
      code: 'noSkill' as const,
      group: '',
      ...missing,
    })),
    ...wrenches.uncovered.map(({ targetNm, stations: ids }) => ({
      code: 'noWrench' as const,
      targetNm,
      printed: stations.get(ids[0] ?? '')?.printed ?? '',
      stations: [...new Set(ids)],
      group: titleOf(ids[0]),
    })),
    ...tools.needs
      .filter((need) => need.have === undefined && need.arranged === undefined)
      .map((need) => ({ code: 'noTool' as const, name: need.name, group: titleOf(need.turns[0] ?? need.holds[0]) })),
    ...takenElsewhere(tools, stock.alongside ?? []),
    ...compounds
      .filter((need) => need.haveMl < need.needMl)
      .map((need) => ({
        code: 'compoundShort' as const,
        kind: need.kind,
        needMl: need.needMl,
        haveMl: need.haveMl,
        group: titleOf(
          plan.stations.find((station) => indexOf(plan).compounds.get(station.compound ?? '')?.kind === need.kind)?.id,
        ),
      })),
    ...shortages(plan, job).map(({ item, short, stations: ids }) => ({
      code: 'hardwareShort' as const,
      item: item.id,
      name: `${item.line} ${item.name}`,
      short,
      group: titleOf(ids[0]),
    })),
    ...shopping
      .filter(({ there }) => !there)
      .map(({ name, quantity, unit, detail }) => ({
        code: 'notBought' as const,
        name: detail ? `${name}, ${detail}` : name,
        quantity: quantity > 0 ? `${quantity}${unit ? ` ${unit}` : ''}` : '',
        group: '',
      })),
    ...plan.stations
      .filter((station) => station.spec.kind === 'missing' && job.visit.figures[station.id] === undefined)
      .map((station) => ({
        code: 'noFigure' as const,
        station: station.id,
        label: station.label,
        group: titleOf(station.id),
      })),
  ].sort((a, b) => (place.get(a.group ?? '') ?? 0) - (place.get(b.group ?? '') ?? 0));
  const needsOf = new Map<StepNeed, PlaceNeed>();
  for (const step of plan.steps)
    for (const need of step.needs) {
      const known = needsOf.get(need) ?? { need, steps: 0, minutes: 0 };
      needsOf.set(need, { need, steps: known.steps + 1, minutes: known.minutes + (step.minutes ?? 0) });
    }
  const helped = plan.steps.filter((step) => (step.people ?? 1) > 1 || step.needs.includes('helper'));
  return {
    verdict: before.length > 0 ? 'cannot' : onTheWay.length > 0 ? 'stops' : 'ready',
    before,
    onTheWay,
    tools,
    wrenches,
    compounds,
    shopping,
    people: Math.max(1, ...plan.steps.map((step) => step.people ?? (step.needs.includes('helper') ? 2 : 1))),
    helperMinutes: helped.reduce((sum, step) => sum + (step.minutes ?? 0), 0),
    places: [...needsOf.values()],
    time: timeNeeds(plan, stock, pulls),
  };
}
