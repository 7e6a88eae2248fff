import { indexOf } from '../../kit/plan.ts';
import { type TorqueUnit, toBase } from '../../quantity/unit.ts';
import { COMPARISON_SLACK } from '../../tightening/judge-pull.ts';
import { wrenchFaults } from '../../wrench/suitable-wrench.ts';
import { findDebt } from '../debt.ts';
import { firstStanding } from '../gate/overridden.ts';
import { stationState } from '../job-state.ts';
import { type Look, type LookTarget, type LookWay, lookKey } from '../look.ts';
import { CONVERSION_SHARE, PLAUSIBLE_NM } from '../plausible.ts';
import type { Refusal } from '../refusal.ts';
import { ANSWERABLE } from '../role.ts';
import { BREAK_MS, lookable, lookBand, touchedMs, workOf } from '../second-look.ts';
import { type Ask, act, done, refuse, stampOf } from './act.ts';
import type { ProblemRaised } from './raise-problem.ts';

/** Looks again at a joint or connection that somebody else finished. */
export interface LookAgain {
  type: 'lookAgain';
  target: LookTarget;
  way: LookWay;
  holds: boolean;
  torqueNm?: number;
  /** What was typed, before conversion. */
  entered?: { value: number; unit: TorqueUnit };
  /** By its id. */
  wrench?: string;
  note?: string;
}

export interface LookedAgain extends Look {
  type: 'lookedAgain';
}

/** Said by mistake. */
export interface LookTakenBack {
  type: 'lookTakenBack';
  target: LookTarget;
}

/** Whose work is looked at, and when it was last touched. */
function workAt({ plan, job }: Ask, target: LookTarget): { by: string[]; lastMs: number } {
  if ('station' in target) {
    const state = stationState(job, target.station);
    return { by: workOf(state).map(({ by }) => by.id), lastMs: touchedMs(state) };
  }
  const ends = findDebt(plan, job, target.debt)?.ends ?? [];
  return { by: ends.map(({ by }) => by.id), lastMs: Math.max(0, ...ends.map(({ atMs }) => atMs)) };
}

/** What is wrong with a second pull, before it says anything of the joint. */
function pullFault(ask: Ask, { target, torqueNm, entered, wrench: id }: LookAgain): Refusal | undefined {
  const { plan, job, wrenches, atMs } = ask;
  if (!('station' in target)) return { code: 'lookWay', way: 'pull' };
  const station = indexOf(plan).stations.get(target.station);
  const band = station && lookBand(plan, job, station, atMs);
  if (!band) return { code: 'pullDoesHarm', station: target.station };
  const wrench = wrenches.find((entry) => entry.id === id);
  if (!wrench) return { code: 'unknownWrench', wrench: id ?? '' };
  if (torqueNm === undefined || !(torqueNm > 0 && torqueNm <= PLAUSIBLE_NM))
    return { code: 'implausibleTorque', torqueNm: torqueNm ?? 0, limitNm: PLAUSIBLE_NM };
  if (entered && Math.abs(toBase(entered.value, entered.unit) - torqueNm) > CONVERSION_SHARE * torqueNm)
    return { code: 'enteredDisagrees', entered: `${entered.value} ${entered.unit}`, torqueNm };
  const fault = firstStanding(job, target.station, wrenchFaults(wrench, band, atMs));
  if (fault) return fault;
  // Below its band a bolt that does not move says only that it holds less.
  return torqueNm < band.minNm - COMPARISON_SLACK
    ? { code: 'lookTooLow', station: target.station, torqueNm, minNm: band.minNm }
    : undefined;
}

/** How a look that disagrees stands in its finding. */
function findingText(way: LookWay, torqueNm: number | undefined, over: boolean, note: string | undefined): string {
  const figure = `${torqueNm?.toFixed(1)} N·m`;
  const said = {
    pull: over ? `pulled to ${figure}, over its band` : `it moved at ${figure}`,
    stripe: 'the stripe is broken',
    seen: 'not as it should be',
  }[way];
  return `Second look: ${said}${note?.trim() ? `. ${note.trim()}` : ''}`;
}

export const lookAgain = act<LookAgain, LookedAgain | LookTakenBack, ProblemRaised>({
  may: ANSWERABLE,
  decide(ask, command) {
    const { plan, job, by, atMs, wrenches, commandId } = ask;
    const { target, way, holds, torqueNm, entered, note } = command;
    if (!lookable(plan, job).some((one) => lookKey(one) === lookKey(target)))
      return refuse({ code: 'lookNotDue', ...target });
    const work = workAt(ask, target);
    const own = work.by.includes(by.id);
    if (own && plan.rules.secondLookBy !== 'afterBreak') return refuse({ code: 'lookOwnWork', ...target });
    if (own && atMs - work.lastMs < BREAK_MS)
      return refuse({ code: 'lookTooSoon', ...target, leftMin: Math.ceil((BREAK_MS - atMs + work.lastMs) / 60_000) });
    if (way === 'stripe' && !('station' in target)) return refuse({ code: 'lookWay', way });
    const fault = way === 'pull' ? pullFault(ask, command) : undefined;
    if (fault) return refuse(fault);
    const station = 'station' in target ? indexOf(plan).stations.get(target.station) : undefined;
    const band = way === 'pull' && station ? lookBand(plan, job, station, atMs) : undefined;
    const over = band !== undefined && torqueNm !== undefined && torqueNm > band.maxNm + COMPARISON_SLACK;
    const wrench = way === 'pull' ? wrenches.find(({ id }) => id === command.wrench) : undefined;
    const look: LookedAgain = {
      type: 'lookedAgain',
      target,
      way,
      holds: holds && !over,
      ...(wrench ? { torqueNm, entered, wrench: { id: wrench.id, label: wrench.label } } : {}),
      ...(note?.trim() ? { note: note.trim() } : {}),
      ...(own ? { own: true } : {}),
    };
    if (look.holds) return done(look);
    return done<LookedAgain | ProblemRaised>(look, {
      type: 'problemRaised',
      problem: commandId,
      ...(station ? { station: station.id } : {}),
      text: findingText(way, torqueNm, over, note),
    });
  },
  undo({ job }, last) {
    if (last.act !== 'lookAgain') return refuse({ code: 'nothingToUndo' });
    // What disagreed stands as a finding, and is cleared with how.
    return job.visit.looks?.[lookKey(last.target)]?.at(-1)?.holds
      ? done({ type: 'lookTakenBack', target: last.target })
      : refuse({ code: 'nothingToUndo' });
  },
  fold: {
    lookedAgain(draft, fact) {
      const { target, way, holds, torqueNm, entered, wrench, note, own } = fact;
      const key = lookKey(target);
      const look = { target, way, holds, torqueNm, entered, wrench, note, own, ...stampOf(fact) };
      const looks = { ...draft.visit.looks, [key]: [...(draft.visit.looks?.[key] ?? []), look] };
      draft.visit = { ...draft.visit, looks };
      draft.undoable[fact.by.id] = { act: 'lookAgain', target };
    },
    lookTakenBack(draft, fact) {
      const key = lookKey(fact.target);
      const looks = { ...draft.visit.looks, [key]: draft.visit.looks?.[key]?.slice(0, -1) ?? [] };
      draft.visit = { ...draft.visit, looks };
      draft.undoable[fact.by.id] = undefined;
    },
  },
});
