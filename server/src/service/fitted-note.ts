import { boltUsesAfter } from '#core/job/bolt-uses.ts';
import type { JobLog } from '#core/job/job-log.ts';
import { sameWord } from '#core/kit/vehicle-facts.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import type { JobEntity } from '../store/entities.ts';

/** Numbers of a kit's parts that went on the vehicle. */
function serialsOf({ plan, state }: JobLog, kit: string): { serials?: string[] } {
  const serials = plan.items
    .filter((item) => item.kit === kit)
    .flatMap(({ id }) => (state.lines[id]?.serials ?? []).map(({ serial }) => serial));
  return serials.length > 0 ? { serials } : {};
}

/**
 * What a finished job put on the vehicle goes into the list of what it carries, and how often its bolts were tightened. Doing it again changes nothing.
 *
 * @throws whatever the store throws; the note is then still owed
 */
export async function noteFitted(catalog: CatalogRepository, row: JobEntity, log: JobLog): Promise<void> {
  const stored = await catalog.vehicle(row.shopId, row.vehicleId);
  if (!stored || !log.state.closed) return;
  const since = new Date(log.state.closed.atMs).toISOString().slice(0, 10);
  const carried = stored.vehicle.fitted ?? [];
  const words = log.plan.kits.flatMap((kit) => [
    { word: kit.title, note: kit.maker, ...serialsOf(log, kit.id), ...(kit.loads ? { loads: kit.loads } : {}) },
    ...kit.adds.map((word) => ({ word, note: kit.title })),
  ]);
  const fresh = words
    .filter(({ word }) => !carried.some((entry) => sameWord(entry.word, word)))
    .map((entry) => ({ ...entry, since, jobNumber: row.number }));
  const uses = boltUsesAfter(log.plan, log.state);
  const known = stored.vehicle.boltUses ?? [];
  const counted = uses.every(({ bolt, uses: times }) =>
    known.some((entry) => sameWord(entry.bolt, bolt) && entry.uses === times),
  );
  if (fresh.length === 0 && counted) return;
  const others = known.filter(({ bolt }) => !uses.some((entry) => sameWord(entry.bolt, bolt)));
  const vehicle = {
    ...stored.vehicle,
    ...(fresh.length > 0 ? { fitted: [...carried, ...fresh] } : {}),
    ...(uses.length > 0 ? { boltUses: [...others, ...uses] } : {}),
  };
  const saved = await catalog.saveVehicle(row.shopId, vehicle, stored.version);
  // Somebody saved the vehicle in this instant: their version is read and added to.
  if (!saved) await noteFitted(catalog, row, log);
}
