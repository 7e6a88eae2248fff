import type { PastVisit } from '#contract/vehicle.ts';
import { debtsOf } from '#core/job/debt.ts';
import type { JobLog } from '#core/job/job-log.ts';
import { stationState } from '#core/job/job-state.ts';
import { finalPull, stationComplete } from '#core/job/station-progress.ts';
import { indexOf } from '#core/kit/plan.ts';
import { stationSpot } from '#core/vehicle/joint-spot.ts';
import type { JobEntity } from '../store/entities.ts';

/** A visit as a vehicle's history shows it; without what it consists of where the job cannot be read. */
export function pastVisit(row: JobEntity, log: JobLog | undefined): PastVisit {
  const visit = {
    id: row.id,
    number: row.number,
    startedMs: row.plannedStartMs,
    closedAtMs: row.closedAtMs ?? undefined,
    odometerKm: row.odometerKm ?? undefined,
  };
  if (!log) return { ...visit, kits: row.kits.map(({ id }) => id), joints: [], debts: [], unreadable: true };
  const { plan, state } = log;
  const { groups } = indexOf(plan);
  return {
    ...visit,
    kits: plan.kits.map((kit) => kit.title),
    joints: plan.stations.map((station) => {
      const group = groups.get(station.groupId);
      const pull = finalPull(plan, state, station.id);
      const spot = group?.spot && stationSpot(group, station);
      return {
        station: station.id,
        label: station.label,
        name: station.name,
        group: group?.title ?? '',
        printed: station.printed,
        done: stationComplete(station, stationState(state, station.id)),
        ...(spot ? { spot } : {}),
        ...(pull ? { torqueNm: pull.torqueNm, wrench: pull.wrench.label, by: pull.by.name, atMs: pull.atMs } : {}),
      };
    }),
    debts: debtsOf(plan, state)
      .filter((debt) => debt.opened)
      .map(({ name, count, ended, ends }) => ({
        name,
        count,
        ended,
        ends: [...new Set(ends.map(({ end }) => end))],
        opened: true,
      })),
  };
}
