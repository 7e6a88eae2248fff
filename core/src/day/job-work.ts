import { setsOnTheThread } from '../compound/compound.ts';
import { cureTimes, type ProductTimes, usualTimesOf } from '../compound/cure-curve.ts';
import { shortages } from '../job/hardware-ledger.ts';
import { type JobState, lineState, stationState } from '../job/job-state.ts';
import { clockOfAct, compoundClocks, waitsForTheDriver } from '../job/line-clocks.ts';
import { applyStations, lineProgress, waitsOfStep } from '../job/line-progress.ts';
import { lockerCapacity, lockerClock, paceS } from '../job/locker-window.ts';
import { compoundSettled } from '../job/next-station.ts';
import { stationComplete } from '../job/station-progress.ts';
import { stepHolder } from '../job/step-holder.ts';
import { indexOf, type Plan, type PlanGroup } from '../kit/plan.ts';
import { type LineAct, type LineStep, lineOf } from '../line/line.ts';
import { lineKind } from '../line/line-kinds.ts';
import { skillsNeeded } from '../readiness/skill-need.ts';
import { acceptBand } from '../tightening/kinds.ts';
import { rankWrenches } from '../wrench/suitable-wrench.ts';
import type { Wrench } from '../wrench/wrench.ts';
import type { CannotBe, JobWork, Sets, StepWork, WorkLag } from './day-work.ts';
import type { Estimator } from './estimate.ts';

/** Hands on a step where its sheet says nothing: for each act, and for each bolt of a joint and round; minutes (chosen by us). */
const ASSUMED_ACT_MIN = 3;
const ASSUMED_BOLT_MIN = 1;
/** A wait with a fixed time still takes a press. */
const LEAST_MIN = 1;
const MINUTE_MS = 60_000;
/** Where nobody says how warm the bay is, °C. */
const REFERENCE_C = 22;

/** How long a plan's step takes where its sheet says nothing. */
function assumedMin(plan: Plan, { acts }: LineStep): number {
  const { groups } = indexOf(plan);
  return acts.reduce((sum, { action }) => {
    if (lineKind(action).clock) return sum + LEAST_MIN;
    const group = 'group' in action && action.group !== undefined ? groups.get(action.group) : undefined;
    if (!group) return sum + ASSUMED_ACT_MIN;
    const rounds = action.type === 'torque' ? Math.max(1, group.passes.length) : 1;
    return sum + group.stations.length * rounds * ASSUMED_BOLT_MIN;
  }, 0);
}

/** The minutes a clock of the step waits, which are no hands. */
const waitMin = ({ acts }: LineStep): number =>
  acts.reduce((sum, { action }) => sum + (lineKind(action).clock?.(action).minutes ?? 0), 0);

/** A step's minutes before anything was timed. */
export interface BaseMinutes {
  minutes: number;
  /** The sheet says so: of the step itself, or as its share of what it states in all. */
  stated: boolean;
}

const bases = new WeakMap<Plan, ReadonlyMap<string, BaseMinutes>>();

/** A step's name in its kit, whatever else is in the visit. */
export const stepName = (step: string): string => step.slice(step.lastIndexOf('/') + 1);

/**
 * What each step of a plan takes by its sheet, by the step's id: what is stated of it; else its share of what the kit
 * states in all, by what such acts commonly take; else what such acts commonly take.
 */
export function baseMinutes(plan: Plan): ReadonlyMap<string, BaseMinutes> {
  const known = bases.get(plan);
  if (known) return known;
  const found = new Map<string, BaseMinutes>();
  for (const kit of plan.kits) {
    const steps = lineOf(plan).steps.filter(({ step }) => step.kit === kit.id);
    const statedOf = ({ step }: LineStep): number | undefined =>
      step.minutes !== undefined && step.minutes > 0 ? step.minutes : undefined;
    const own = steps.reduce((sum, step) => sum + (statedOf(step) ?? 0), 0);
    const assumed = steps.reduce((sum, step) => sum + (statedOf(step) === undefined ? assumedMin(plan, step) : 0), 0);
    const rest = kit.statedMinutes === undefined ? undefined : kit.statedMinutes - own;
    const share = rest !== undefined && rest > 0 && assumed > 0 ? rest / assumed : undefined;
    for (const step of steps) {
      const stated = statedOf(step);
      const minutes = stated === undefined ? assumedMin(plan, step) * (share ?? 1) : stated - waitMin(step);
      found.set(step.id, {
        minutes: Math.max(LEAST_MIN, minutes),
        stated: stated !== undefined || share !== undefined,
      });
    }
  }
  bases.set(plan, found);
  return found;
}

/** What share of a step's acts is open, bolt by bolt where it is bolts. */
function openShare(plan: Plan, job: JobState, { acts }: LineStep): number {
  const { acts: done } = lineProgress(plan, job);
  let [of, open] = [0, 0];
  for (const act of acts) {
    const { action } = act;
    const group = 'group' in action && action.group !== undefined ? indexOf(plan).groups.get(action.group) : undefined;
    const joint = group !== undefined && lineKind(action).byStations === true;
    const size = joint ? group.stations.length : 1;
    of += size;
    if (done.has(act.id)) continue;
    open += joint ? openStations(plan, job, act, group) : 1;
  }
  return of === 0 ? 0 : open / of;
}

function openStations(plan: Plan, job: JobState, { action }: LineAct, group: PlanGroup): number {
  const { stations } = indexOf(plan);
  return group.stations.filter((id) => {
    const state = stationState(job, id);
    const station = stations.get(id);
    if (action.type === 'start') return state.stage === 'empty';
    if (action.type === 'snug') return state.stage !== 'snug';
    return !station || !stationComplete(station, state);
  }).length;
}

/** What sets in a group and how fast, at the bay's temperature. */
function setting(plan: Plan, group: PlanGroup): { sets: ProductTimes; window?: number } | undefined {
  const { compounds, stations } = indexOf(plan);
  const treated = group.stations.flatMap((id) => stations.get(id) ?? []).filter((one) => one.compound !== undefined);
  const compound = treated
    .map((one) => compounds.get(one.compound ?? ''))
    .find((one) => one && setsOnTheThread(one.kind));
  if (!compound) return undefined;
  const usual = usualTimesOf(compound.kind);
  return {
    sets: {
      workingWindowMin: compound.workingWindowMin ?? usual.workingWindowMin,
      fixtureMin: compound.fixtureMin ?? usual.fixtureMin,
      fullCureH: compound.fullCureH ?? usual.fullCureH,
    },
    // No clock runs on a guess: only what the product's own sheet says.
    ...(compound.workingWindowMin === undefined ? {} : { window: compound.workingWindowMin }),
  };
}

/** Minutes of a time that sets, at a temperature. */
export function settingMin({ times, part }: Sets, temperatureC: number): number {
  const read = cureTimes(times, { temperatureC, substrate: 'steel' }, 'productSheet');
  if (!read.ok) return part === 'fixture' ? times.fixtureMin : times.workingWindowMin;
  return part === 'fixture' ? read.value.fixtureMin : read.value.workingWindowMin;
}

/** Tools of which there is one, of the kit a step is of: where its words name them, else at its joints. */
function specialsOf(plan: Plan, step: LineStep): string[] {
  const own = plan.tools.filter(({ special, kit }) => special === true && kit === step.step.kit);
  return own.flatMap(({ name }) => {
    const named = plan.steps.some(({ text }) => text.toLowerCase().includes(name.toLowerCase()));
    const here = named
      ? step.step.text.toLowerCase().includes(name.toLowerCase())
      : step.step.phase === 'torque' && step.acts.some(({ action }) => lineKind(action).byStations);
    return here ? [name] : [];
  });
}

/** The step an act of a group is in. */
const stepOfAct = (plan: Plan, group: string, types: readonly string[]): string | undefined =>
  types.flatMap((type) => lineOf(plan).jointActs.get(`${group} ${type}`) ?? [])[0]?.step;

/** The step in which a group's threads get what is put on them: one of its own, else where they are snugged or pulled. */
function beadStep(plan: Plan, group: PlanGroup): string | undefined {
  for (const { acts } of lineOf(plan).steps)
    for (const act of acts)
      if (act.action.type === 'apply' && applyStations(plan, act).some(({ groupId }) => groupId === group.id))
        return act.step;
  return stepOfAct(plan, group.id, ['snug', 'torque']);
}

/** What a job's windows and cures lay between its steps. */
function settingLags(
  plan: Plan,
  job: JobState,
  left: ReadonlyMap<string, StepWork>,
  tempC: number,
): { lags: WorkLag[]; cannot: CannotBe[]; drive?: Sets } {
  const lags: WorkLag[] = [];
  const cannot: CannotBe[] = [];
  let drive: Sets | undefined;
  const { stations } = indexOf(plan);
  const lowers = lineOf(plan).steps.filter(
    (step) => left.has(step.id) && step.acts.some(({ action }) => action.type === 'lower'),
  );
  for (const group of plan.groups) {
    const set = setting(plan, group);
    const torque = stepOfAct(plan, group.id, ['torque', 'verify']);
    if (!set || torque === undefined || !left.has(torque)) continue;
    const bead = beadStep(plan, group);
    const beaded = group.stations.some((id) => stationState(job, id).bead !== undefined);
    const dry = group.stations
      .flatMap((id) => stations.get(id) ?? [])
      .filter((one) => one.compound !== undefined && !compoundSettled(one, job));
    if (set.window !== undefined && !beaded && bead !== undefined && left.has(bead) && dry.length > 0) {
      const windowMin = settingMin({ times: set.sets, part: 'window' }, tempC);
      const capacity = lockerCapacity(plan, job, group.id);
      const pulls = left.get(torque)?.leftMin ?? 0;
      const between = bead === torque ? pulls : (left.get(bead)?.leftMin ?? 0) + pulls;
      const needsMin = capacity ? (dry.length * capacity.secondsEach) / 60 : between;
      if (capacity && capacity.stations < dry.length)
        cannot.push({
          kind: 'windowShort',
          group: group.title,
          windowMin,
          needsMin,
          stations: dry.length,
          possible: capacity.stations,
        });
      else if (bead !== torque)
        lags.push({
          from: bead,
          to: torque,
          // From the first bead to the last pull: what is left for waiting between them.
          maxMinutes: Math.max(0, Math.floor(windowMin - needsMin)),
          why: 'window',
          about: group.title,
          sets: { times: set.sets, part: 'window' },
        });
    }
    const fixture = plan.compounds.find(({ id }) => dry.some((one) => one.compound === id))?.fixtureMin;
    if (fixture === undefined) continue;
    const sets: Sets = { times: set.sets, part: 'fixture' };
    const minMinutes = Math.ceil(settingMin(sets, tempC));
    for (const lower of lowers)
      if (lower.number > (lineOf(plan).stepById.get(torque)?.number ?? 0))
        lags.push({ from: torque, to: lower.id, minMinutes, why: 'fixture', about: group.title, sets });
    drive = sets;
  }
  return { lags, cannot, ...(drive ? { drive } : {}) };
}

/** Steps that want pieces which are not here. */
function wanting(plan: Plan, job: JobState): Map<string, { lines: string[]; promisedMs?: number }> {
  const found = new Map<string, { lines: string[]; promisedMs?: number }>();
  const { stations } = indexOf(plan);
  const { actById } = lineOf(plan);
  for (const { item, stations: waiting, acts } of shortages(plan, job)) {
    const { ordered = [], arrived = [] } = lineState(job, item.id);
    const open = ordered.filter(
      ({ order, quantity }) =>
        arrived.filter((entry) => entry.order === order).reduce((sum, entry) => sum + entry.quantity, 0) < quantity,
    );
    const promisedMs = open.length > 0 ? Math.max(...open.map((order) => order.promisedMs)) : undefined;
    const groups = new Set(waiting.flatMap((id) => stations.get(id)?.groupId ?? []));
    const steps = new Set([
      ...[...groups].flatMap((group) => stepOfAct(plan, group, ['start', 'snug', 'torque']) ?? []),
      ...acts.flatMap((id) => actById.get(id)?.step ?? []),
    ]);
    for (const step of steps) {
      const known = found.get(step);
      const latest = [known?.promisedMs, promisedMs].filter((ms) => ms !== undefined);
      found.set(step, {
        lines: [...(known?.lines ?? []), item.line],
        // One line nobody promised leaves the step without a time.
        ...(promisedMs === undefined || (known && known.promisedMs === undefined)
          ? {}
          : { promisedMs: Math.max(...latest) }),
      });
    }
  }
  return found;
}

/** Who and what a job is estimated for. */
export interface EstimateFor {
  estimator: Estimator;
  fitter?: string;
  vehicle?: string;
  /** The shop's wrenches: a joint that only one of them tightens waits for it. */
  wrenches?: readonly Wrench[];
}

/** The one wrench a step's joints can be pulled with, where there is but one: it is shared like any special tool. */
function onlyWrench(plan: Plan, { acts }: LineStep, wrenches: readonly Wrench[], nowMs: number): string[] {
  const { groups, stations } = indexOf(plan);
  const found = new Set<string>();
  for (const { action } of acts) {
    if (action.type !== 'torque' && action.type !== 'verify') continue;
    for (const id of groups.get(action.group)?.stations ?? []) {
      const spec = stations.get(id)?.spec;
      const band = spec && acceptBand(spec);
      if (!band) continue;
      const can = rankWrenches(wrenches, { targetNm: band.targetNm }, nowMs).filter(
        ({ faults }) => faults.length === 0,
      );
      if (can.length === 1 && can[0]) found.add(can[0].wrench.label);
    }
  }
  return [...found];
}

/**
 * What is left of a job, step by step, with what must lie between: the line's own order, waits, what sets and how long it
 * can be worked. Steps that only wait take a press and a lag.
 *
 * @param nowMs - what is done is done by then; clocks that run are looked at then
 */
export function jobWork(id: string, plan: Plan, job: JobState, nowMs: number, by: EstimateFor): JobWork {
  const line = lineOf(plan);
  const { steps: done, acts } = lineProgress(plan, job);
  const tempC = job.visit.bay?.tempC ?? REFERENCE_C;
  const pieces = wanting(plan, job);
  const base = baseMinutes(plan);
  const clocks = compoundClocks(plan, job).filter(({ endsAtMs }) => endsAtMs > nowMs);
  const shutWheels = clocks.filter(({ gates }) => gates.includes('wheelsOn')).map(({ endsAtMs }) => endsAtMs);
  const shutDrive = clocks.filter(({ gates }) => gates.includes('drive')).map(({ endsAtMs }) => endsAtMs);
  const open = line.steps.filter((step) => !done.has(step.id) && step.acts.length > 0);
  const waits = new Map(open.map((step) => [step.id, waitsOfStep(plan, job, step.id)]));
  const left = new Map<string, StepWork>();
  for (const step of open) {
    const { people = 1, needs, kit, phase, text } = step.step;
    const { minutes: baseMin, stated } = base.get(step.id) ?? { minutes: assumedMin(plan, step), stated: false };
    const name = stepName(step.id);
    const estimate = by.estimator.estimate({
      kit,
      step: name,
      baseMin,
      stated,
      ...(by.fitter === undefined ? {} : { fitter: by.fitter }),
      ...(by.vehicle === undefined ? {} : { vehicle: by.vehicle }),
    });
    const share = openShare(plan, job, step);
    const begun = step.acts.some((act) => acts.has(act.id)) || (share > 0 && share < 1);
    const holder = begun || job.visit.taken[step.id] ? stepHolder(plan, job, step)?.id : undefined;
    // Its own clock runs: it is done when that is over.
    const own = step.acts.flatMap((act) =>
      acts.has(act.id) || waitsForTheDriver(act.action) ? [] : (clockOfAct(plan, job, act) ?? []),
    );
    const lowers = step.acts.some(({ action }) => action.type === 'lower');
    const shut = [...own.map(({ endsAtMs }) => endsAtMs), ...(lowers ? shutWheels : [])].filter((ms) => ms > nowMs);
    const wants = pieces.get(step.id);
    left.set(step.id, {
      step: step.id,
      number: step.number,
      text,
      phase,
      estimate,
      leftMin: Math.max(LEAST_MIN, estimate.minutes * share),
      leftLowMin: estimate.lowMin * share,
      leftHighMin: Math.max(LEAST_MIN, estimate.highMin * share),
      people,
      needs,
      tools: [...specialsOf(plan, step), ...onlyWrench(plan, step, by.wrenches ?? [], nowMs)],
      ...(begun ? { begun: holder === undefined ? {} : { by: holder } } : {}),
      free: (waits.get(step.id) ?? []).length === 0 && shut.length === 0 && !(wants && wants.lines.length > 0),
      ...(wants ? { parts: wants } : {}),
      ...(shut.length > 0 ? { shutUntilMs: Math.max(...shut) } : {}),
    });
  }
  const lags: WorkLag[] = [];
  for (const step of open)
    for (const from of waits.get(step.id) ?? []) {
      const before = line.stepById.get(from);
      if (!before || !left.has(from)) continue;
      // A clock that has begun ends at its own instant; one that has not is waited out behind its press.
      const minutes = before.acts
        .filter((act) => !acts.has(act.id) && clockOfAct(plan, job, act) === undefined)
        .reduce((most, { action }) => Math.max(most, lineKind(action).clock?.(action).minutes ?? 0), 0);
      lags.push(
        minutes > 0
          ? { from, to: step.id, minMinutes: Math.ceil(minutes), why: 'wait', about: before.step.text }
          : { from, to: step.id, minMinutes: 0, why: 'order' },
      );
    }
  const set = settingLags(plan, job, left, tempC);
  const conflicts = plan.conflicts.filter(({ settled }) => settled === undefined).length;
  const unpromised = [...pieces.values()]
    .filter(({ promisedMs }) => promisedMs === undefined)
    .flatMap(({ lines }) => lines);
  const lockers = plan.groups.flatMap((group) => {
    const clock = lockerClock(plan, job, group.id);
    const step = stepOfAct(plan, group.id, ['torque', 'verify']);
    return clock && step !== undefined && left.has(step)
      ? [
          {
            group: group.title,
            step,
            closesAtMs: clock.closesAtMs,
            needsMin: (clock.pullsLeft * paceS(job, group.stations)) / 60,
          },
        ]
      : [];
  });
  return {
    job: id,
    steps: [...left.values()],
    skills: skillsNeeded(plan),
    lags: [...lags, ...set.lags],
    cannot: [
      ...set.cannot,
      ...(unpromised.length > 0 ? [{ kind: 'notPromised' as const, lines: [...new Set(unpromised)] }] : []),
      ...(conflicts > 0 ? [{ kind: 'conflict' as const, count: conflicts }] : []),
    ],
    driveAfterMin: set.drive ? Math.ceil(settingMin(set.drive, tempC)) : 0,
    ...(set.drive ? { driveSets: set.drive } : {}),
    ...(shutDrive.length > 0 ? { driveShutUntilMs: Math.max(...shutDrive) } : {}),
    lockers,
    claims: plan.kits.flatMap(({ id: kit, title }) => {
      const claim = by.estimator.claim(kit);
      return claim ? [{ kit, title, claim }] : [];
    }),
  };
}

/** Unix ms of a number of minutes. */
export const minutesMs = (minutes: number): number => minutes * MINUTE_MS;
