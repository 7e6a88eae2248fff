import type { JobSlot, MoveJob } from '#contract/job.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';

/** Why a job cannot stand where and when it was put. */
export type SlotFault =
  | { code: 'bayUnknown'; bays: number }
  | { code: 'personUnknown'; detail: string }
  | { code: 'promisedTooEarly' };

export type MoveFault = SlotFault | { code: 'unknownJob' } | { code: 'jobClosed' };

/** The part of a slot that has no column of its own; nothing where nothing was said. */
export function slotOf({ place, fitters, promisedMs }: JobSlot): JobSlot | null {
  const slot = {
    ...(place === undefined ? {} : { place }),
    ...(fitters === undefined || fitters.length === 0 ? {} : { fitters }),
    ...(promisedMs === undefined ? {} : { promisedMs }),
  };
  return Object.keys(slot).length > 0 ? slot : null;
}

/** What is wrong with a slot in this shop; undefined where nothing is. */
export async function slotFault(
  catalog: CatalogRepository,
  shopId: string,
  { bay, plannedStartMs, fitters = [], promisedMs }: Pick<MoveJob, 'bay' | 'plannedStartMs' | 'fitters' | 'promisedMs'>,
): Promise<SlotFault | undefined> {
  const shop = await catalog.shop(shopId);
  if (bay > shop.bays) return { code: 'bayUnknown', bays: shop.bays };
  if (promisedMs !== undefined && promisedMs < plannedStartMs) return { code: 'promisedTooEarly' };
  const known = new Set(await catalog.peopleIds(shopId));
  const stranger = fitters.find((id) => !known.has(id));
  return stranger === undefined ? undefined : { code: 'personUnknown', detail: stranger };
}
