import { indexOf, type Plan, type PlanStation } from '../kit/plan.ts';
import { lineOf } from '../line/line.ts';
import { debtsOf, isOwed } from './debt.ts';
import { type JobState, stationState } from './job-state.ts';

/** What a station is to whoever tightened it: what stands in it, what is on it, how tight. */
const asWorked = (plan: Plan, station: PlanStation, fills: boolean): string =>
  JSON.stringify([
    // A hole in the sheet may be filled while the joint is in hand, and another figure aimed at for its thread.
    fills ? null : [station.printed, station.spec],
    station.compound ?? null,
    station.stack.flatMap((piece) => (piece.kind === 'hardware' ? [piece.item] : [])),
    indexOf(plan).groups.get(station.groupId)?.atRideHeight ?? false,
  ]);

/**
 * Steps with something done in them that a new plan would not have: what was found or chosen is said anew, and the record
 * would tell of them no more.
 */
export function stepsLost(before: Plan, after: Plan, job: JobState): string[] {
  const there = lineOf(after).actById;
  return lineOf(before).steps.flatMap(({ step, acts }) =>
    acts.some(({ id }) => !there.has(id) && (job.visit.acts[id]?.tries.length ?? 0) > 0) ? [step.text] : [],
  );
}

/**
 * Work done already that a new plan would not have, or would have otherwise: stations that were started, and things off
 * the vehicle that no step would put back.
 */
export function contradictions(before: Plan, after: Plan, job: JobState): { stations: string[]; things: string[] } {
  const now = indexOf(before).stations;
  const then = indexOf(after).stations;
  const stations = [...job.stations.keys()].filter((id) => {
    const was = now.get(id);
    if (!was || stationState(job, id).stage === 'empty') return false;
    const will = then.get(id);
    if (!will) return true;
    const fills = was.spec.kind === 'missing' || (was.aimed === undefined && will.aimed !== undefined);
    return asWorked(before, was, fills) !== asWorked(after, will, fills);
  });
  const known = new Set(debtsOf(after, job).flatMap((debt) => debt.ids));
  const lost = debtsOf(before, job).filter((debt) => isOwed(debt) && !debt.ids.some((id) => known.has(id)));
  return { stations, things: lost.map((debt) => debt.name) };
}
