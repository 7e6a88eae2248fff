import type { CalledOff, JobCard, JobSlot } from '#contract/job.ts';

/** A slot as it is kept, with whether the vehicle does not come. */
export interface StoredSlot extends JobSlot {
  calledOff?: CalledOff;
}

/** The part of a slot that has no column of its own; nothing where nothing was said. */
export function slotOf({ place, fitters, promisedMs }: JobSlot): JobSlot | null {
  const slot = {
    ...(place === undefined ? {} : { place }),
    ...(fitters === undefined || fitters.length === 0 ? {} : { fitters }),
    ...(promisedMs === undefined ? {} : { promisedMs }),
  };
  return Object.keys(slot).length > 0 ? slot : null;
}

/** A stored slot, in its parts: where and by whom, and whether it was called off. */
export function slotParts(stored: StoredSlot | null | undefined): Pick<JobCard, 'slot' | 'calledOff'> {
  const { calledOff, ...slot } = stored ?? {};
  return {
    ...(Object.keys(slot).length > 0 ? { slot } : {}),
    ...(calledOff ? { calledOff } : {}),
  };
}
