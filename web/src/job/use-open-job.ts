import { useMemo } from 'react';
import type { JobDocument } from '#contract/job.ts';
import type { JobCommand } from '#core/job/acts.ts';
import type { JobState } from '#core/job/job-state.ts';
import { type StationMark, stationMark } from '#core/job/station-progress.ts';
import { indexOf, type Plan, type PlanIndex, type PlanStation } from '#core/kit/plan.ts';
import { useJobStore } from './job-store.ts';

export interface OpenJob {
  document: JobDocument;
  plan: Plan;
  index: PlanIndex;
  state: JobState;
  give: (command: JobCommand) => boolean;
}

/** The job on screen. Throws outside of JobShell, which shows its children only when a job is open. */
export function useOpenJob(): OpenJob {
  const document = useJobStore((store) => store.document);
  const log = useJobStore((store) => store.log);
  const give = useJobStore((store) => store.give);
  if (!document || !log) throw new Error('useOpenJob needs an open job: use it below JobShell');
  return { document, plan: log.plan, index: indexOf(log.plan), state: log.state, give };
}

/** Marks of some stations, for the map that shows them. */
export function useStationMarks(
  plan: Plan,
  state: JobState,
  stations: readonly PlanStation[],
): ReadonlyMap<string, StationMark> {
  return useMemo(
    () => new Map(stations.map((station) => [station.id, stationMark(plan, station, state)])),
    [plan, state, stations],
  );
}
