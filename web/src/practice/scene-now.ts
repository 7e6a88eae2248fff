import type { DrillRun } from '#core/drill/drill-run.ts';
import { faultsOpen } from '#core/drill/drill-run.ts';
import { FAULT_KINDS, FAULTS, type FaultKind } from '#core/drill/fault-kind.ts';
import { jointNext, nextOnLine } from '#core/job/line-next.ts';
import { indexOf } from '#core/kit/plan.ts';
import { lineKind } from '#core/line/line-kinds.ts';

/** Where the learner stands on the line: the station in hand, and whether a bolt goes in or is pulled. */
export interface SceneNow {
  station?: string;
  group?: string;
  stage?: 'start' | 'pull';
}

export function sceneNow(run: DrillRun, person: string, nowMs: number): SceneNow {
  const { plan, state } = run.log;
  const next = nextOnLine(plan, state, person, nowMs + run.aheadMs);
  if (!next || !lineKind(next.act.action).byStations) return {};
  const joint = jointNext(plan, state, next.act);
  const station = 'station' in joint ? joint.station : undefined;
  const group = station === undefined ? undefined : indexOf(plan).stations.get(station)?.groupId;
  const stage = joint.kind === 'start' || joint.kind === 'compound' ? 'start' : 'pull';
  return station === undefined ? {} : { station, ...(group === undefined ? {} : { group }), stage };
}

/** What may be named here, and of what: right ones and wrong ones alike. */
export function nameable(run: DrillRun, screen: string, now: SceneNow): Array<{ kind: FaultKind; target?: string }> {
  if (screen === 'check-in') return FAULT_KINDS.filter((kind) => FAULTS[kind].room === 'bag').map((kind) => ({ kind }));
  if (now.station === undefined) return [];
  return FAULT_KINDS.flatMap((kind) => {
    const { room, on } = FAULTS[kind];
    if (room === 'bag' || (room === 'hole' && now.stage !== 'start') || (room === 'pull' && now.stage !== 'pull'))
      return [];
    if (room === 'clock' && run.interruptions.length === 0) return [];
    const target = on === 'station' ? now.station : now.group;
    return target === undefined ? [] : [{ kind, target }];
  });
}

/** Kinds of a room that are still in the drill: for the words a guided learner is shown. */
export const openKindAt = (run: DrillRun, target: string | undefined): FaultKind | undefined =>
  faultsOpen(run).find((fault) => fault.target === target)?.kind;
