import type { PlanStation } from '../kit/plan.ts';
import { type AcceptBand, around } from '../tightening/band.ts';
import type { ProcedureStage } from '../tightening/kind/procedure.ts';
import type { StationState } from './job-state.ts';

/**
 * The stage of a procedure that is due, from 0; undefined where only its last tightening is left, and for a joint that is no
 * procedure. A stage pulled too far begins it anew, and one pulled short is pulled again.
 */
export function dueStage({ spec }: PlanStation, { stages = [] }: StationState): number | undefined {
  if (spec.kind !== 'procedure') return undefined;
  let due = 0;
  for (const { stage, verdict, voided } of stages) {
    if (voided) due = 0;
    else if (verdict === 'over') due = 0;
    else if (stage === due && (verdict === undefined || verdict === 'accepted')) due += 1;
  }
  return due < spec.stages.length - 1 ? due : undefined;
}

/** A stage by its place from 0; undefined for a joint that is no procedure. */
export const stageOf = (station: PlanStation | undefined, stage: number): ProcedureStage | undefined =>
  station?.spec.kind === 'procedure' ? station.spec.stages[stage] : undefined;

/** The window of a stage that is a tightening. */
export function stageBand(station: PlanStation, stage: number): AcceptBand | undefined {
  const what = stageOf(station, stage);
  return what?.do === 'tighten' ? around(what.torqueNm, what.toleranceFraction) : undefined;
}
