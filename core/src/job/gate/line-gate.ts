import type { Plan, PlanStation } from '../../kit/plan.ts';
import { type LineAct, lineOf } from '../../line/line.ts';
import type { JobState } from '../job-state.ts';
import { applyStations, waitsOfAct } from '../line-progress.ts';
import type { Refusal } from '../refusal.ts';

/** The acts of the line that bring a station to a stage. */
function actsFor(plan: Plan, station: PlanStation, stage: Stage): readonly LineAct[] {
  const line = lineOf(plan);
  if (stage === 'apply')
    return line.steps.flatMap(({ acts }) =>
      acts.filter((act) => act.action.type === 'apply' && applyStations(plan, act).includes(station)),
    );
  const own = line.jointActs.get(`${station.groupId} ${stage}`) ?? [];
  // A verify pass that no step writes belongs to the torque.
  return own.length > 0 || stage !== 'verify' ? own : (line.jointActs.get(`${station.groupId} torque`) ?? []);
}

/** Whether the sheet puts the compound on before the bolt is started. */
export function beadComesFirst(plan: Plan, station: PlanStation): boolean {
  const { stepById } = lineOf(plan);
  const [apply] = actsFor(plan, station, 'apply');
  const [start] = actsFor(plan, station, 'start');
  if (!apply || !start) return false;
  const place = (act: LineAct): number => (stepById.get(act.step)?.number ?? 0) * 1000 + act.at;
  return place(apply) < place(start);
}

const STAGES = ['start', 'apply', 'snug', 'torque', 'verify'] as const;
type Stage = (typeof STAGES)[number];

/**
 * What the line wants done before a station is brought to a stage. Where a later stage of it is due already, the earlier
 * ones are too: a sheet that writes its snug behind its torque still has the bolt snugged first.
 */
export function lineGate(plan: Plan, job: JobState, station: PlanStation, stage: Stage): Refusal | undefined {
  // A bead that no step writes goes on a bolt that is started, whenever its own joint is worked.
  if (stage === 'apply' && actsFor(plan, station, 'apply').length === 0) return undefined;
  let first: Refusal | undefined;
  for (const due of STAGES.slice(STAGES.indexOf(stage)))
    for (const act of actsFor(plan, station, due)) {
      const refusal = waitsOfAct(plan, job, act, station.id);
      if (!refusal) return undefined;
      first ??= refusal;
    }
  return first;
}
