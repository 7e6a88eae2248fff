import type { StationId } from '../../kit/ids.ts';
import { indexOf, type Plan, type PlanGroup, type PlanStation } from '../../kit/plan.ts';

/** The station and its group; undefined where the plan has none: commands reach us from other devices and revisions. */
export function findStation(plan: Plan, id: StationId): { station: PlanStation; group: PlanGroup } | undefined {
  const { stations, groups } = indexOf(plan);
  const station = stations.get(id);
  const group = station && groups.get(station.groupId);
  return station && group && { station, group };
}
