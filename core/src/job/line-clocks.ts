import { cureTimes, usualTimesOf } from '../compound/cure-curve.ts';
import { indexOf, type Plan, type PlanAction } from '../kit/plan.ts';
import type { ClockGate } from '../kit/step-action.ts';
import { type LineAct, lineOf } from '../line/line.ts';
import { lineKind } from '../line/line-kinds.ts';
import { type JobState, stationState } from './job-state.ts';
import { lastTry, lineProgress } from './line-progress.ts';

/** A clock of the line: what it waits for, since when, until when, and what it keeps shut meanwhile. */
export interface LineClock {
  id: string;
  kind: 'wait' | 'fixture' | 'cure';
  /** The act that waits, or the joint group whose compound sets. */
  act?: string;
  group?: string;
  sinceMs: number;
  endsAtMs: number;
  gates: ClockGate[];
}

const MINUTE_MS = 60_000;
const HOUR_MS = 3_600_000;

/** When the last thing was done that a wait comes after; undefined while any of it is open. */
function doneBefore(plan: Plan, job: JobState, act: LineAct): number | undefined {
  const { stepById, actById } = lineOf(plan);
  const step = stepById.get(act.step);
  const earlier = [
    ...(step?.step.after ?? []).flatMap((id) => stepById.get(id)?.acts ?? []),
    ...(step?.acts ?? []).filter((other) => other.at < act.at),
  ];
  const { acts: done } = lineProgress(plan, job);
  if (earlier.some(({ id }) => !done.has(id))) return undefined;
  const times = earlier.flatMap(({ id, step: of, action }): number[] => {
    const whole = job.visit.steps[of]?.atMs ?? job.visit.waived[of]?.atMs;
    const tried = lastTry(job, id)?.atMs;
    const stations =
      'group' in action && action.group !== undefined && actById.has(id)
        ? (indexOf(plan).groups.get(action.group)?.stations ?? []).flatMap((station) => {
            const { started, snugged, pulls, bead } = stationState(job, station);
            return [started?.atMs, snugged?.atMs, bead?.atMs, pulls.at(-1)?.atMs].filter((at) => at !== undefined);
          })
        : [];
    return [whole, tried, ...stations].filter((at) => at !== undefined);
  });
  return times.length > 0 ? Math.max(...times) : undefined;
}

/**
 * The clock of an act that waits: since it was begun, or, for a plain wait, since what comes before it was done.
 * @returns undefined for acts without a clock, and while it has not begun
 */
export function clockOfAct(plan: Plan, job: JobState, act: LineAct): LineClock | undefined {
  const minutes = lineKind(act.action).clock?.(act.action).minutes;
  if (minutes === undefined) return undefined;
  const begun = job.visit.acts[act.id]?.begun?.sinceMs;
  const sinceMs = begun ?? (act.action.type === 'wait' ? doneBefore(plan, job, act) : undefined);
  if (sinceMs === undefined) return undefined;
  const gates = act.action.type === 'wait' ? (act.action.gates ?? []) : [];
  return { id: act.id, kind: 'wait', act: act.id, sinceMs, endsAtMs: sinceMs + minutes * MINUTE_MS, gates };
}

/** Where no sheet and no person says how warm the bay is, the compounds' own reference holds, °C. */
const REFERENCE_C = 22;

/**
 * A wait that keeps nothing of the shop's work shut, only the vehicle from towing later. It need not run out on the floor:
 * it is begun, and signing tells the driver in writing until when it runs.
 */
export const waitsForTheDriver = (action: PlanAction): boolean =>
  action.type === 'wait' &&
  action.gates !== undefined &&
  action.gates.length > 0 &&
  action.gates.every((gate) => gate === 'tow');

/** Fixture and full cure of what was put on threads: from the last treated fastener of each group. */
export function compoundClocks(plan: Plan, job: JobState): LineClock[] {
  const { compounds } = indexOf(plan);
  return plan.groups.flatMap((group): LineClock[] => {
    let last: { atMs: number; compound: string } | undefined;
    for (const id of group.stations) {
      const { bead } = stationState(job, id);
      if (bead && (!last || bead.atMs > last.atMs)) last = { atMs: bead.atMs, compound: bead.compound };
    }
    const compound = last && compounds.get(last.compound);
    if (!last || !compound || (compound.fixtureMin === undefined && compound.fullCureH === undefined)) return [];
    const usual = usualTimesOf(compound.kind);
    const times = cureTimes(
      {
        workingWindowMin: compound.workingWindowMin ?? usual.workingWindowMin,
        fixtureMin: compound.fixtureMin ?? usual.fixtureMin,
        fullCureH: compound.fullCureH ?? usual.fullCureH,
      },
      { temperatureC: job.visit.bay?.tempC ?? REFERENCE_C, substrate: 'steel' },
      'productSheet',
    );
    if (!times.ok) return [];
    const { fixtureMin, fullCureH } = times.value;
    const clock = (what: 'fixture' | 'cure', endsAtMs: number, gates: ClockGate[]): LineClock => ({
      id: `${what}:${group.id}`,
      kind: what,
      group: group.id,
      sinceMs: last.atMs,
      endsAtMs: Math.round(endsAtMs),
      gates,
    });
    const strict = plan.rules.driveAfter === 'fullCure' && compound.fullCureH !== undefined;
    // No clock runs on a guess: only what the product's own sheet says.
    return [
      ...(compound.fixtureMin === undefined
        ? []
        : [clock('fixture', last.atMs + fixtureMin * MINUTE_MS, strict ? ['wheelsOn'] : ['wheelsOn', 'drive'])]),
      ...(compound.fullCureH === undefined
        ? []
        : [clock('cure', last.atMs + fullCureH * HOUR_MS, strict ? ['drive', 'tow'] : ['tow'])]),
    ];
  });
}

/** Every clock that has begun and is not over, the one that ends first in front. */
export function runningClocks(plan: Plan, job: JobState, nowMs: number): LineClock[] {
  const { acts } = lineProgress(plan, job);
  const waits = lineOf(plan).steps.flatMap((step) =>
    step.acts.flatMap((act) =>
      acts.has(act.id) && !waitsForTheDriver(act.action) ? [] : (clockOfAct(plan, job, act) ?? []),
    ),
  );
  return [...waits, ...compoundClocks(plan, job)]
    .filter(({ endsAtMs }) => endsAtMs > nowMs)
    .sort((a, b) => a.endsAtMs - b.endsAtMs);
}

/** The clock that keeps an act shut now: what was put on a thread has not set enough for the vehicle to stand on it. */
export function clockShuts(plan: Plan, job: JobState, act: LineAct, nowMs: number): LineClock | undefined {
  if (act.action.type !== 'lower') return undefined;
  return compoundClocks(plan, job).find(({ gates, endsAtMs }) => gates.includes('wheelsOn') && endsAtMs > nowMs);
}
