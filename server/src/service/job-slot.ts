import type { MoveJob } from '#contract/job.ts';
import type { JobProgress } from '#core/job/job-progress.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';

/** Why a job cannot stand where and when it was put. */
export type SlotFault =
  | { code: 'bayUnknown'; bays: number }
  | { code: 'personUnknown'; detail: string }
  | { code: 'promisedTooEarly' };

export type MoveFault = SlotFault | CallOffFault;

/** Why a job cannot be called off or put back. */
export type CallOffFault = { code: 'unknownJob' } | { code: 'jobClosed' } | { code: 'workBegun' };

/** Whether anything but counting was done: a vehicle somebody worked on has come. */
export const workBegun = ({ phases, owed = 0 }: Pick<JobProgress, 'phases' | 'owed'>): boolean =>
  owed > 0 || phases.some(({ phase, done }) => phase !== 'checkIn' && done > 0);

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
