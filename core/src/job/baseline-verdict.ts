import type { Baseline } from '../kit/kit-preparation.ts';
import type { Measurement } from './visit-state.ts';

export type BaselineVerdict =
  | { code: 'open' }
  /** Measured on both sides of the work, with no claim to judge it by. */
  | { code: 'changed'; by: number }
  /** As the kit says, or not: a named lift is not the height the vehicle stands at. */
  | { code: 'asClaimed' | 'belowClaim' | 'aboveClaim'; by: number };

/** The result at one place against its baseline and against what the kit says it changes. */
export function baselineVerdict(
  baseline: Pick<Baseline, 'change'>,
  measured: { before?: Measurement; after?: Measurement } | undefined,
): BaselineVerdict {
  if (!measured?.before || !measured.after) return { code: 'open' };
  const by = Number((measured.after.value - measured.before.value).toFixed(3));
  const { change } = baseline;
  if (!change) return { code: 'changed', by };
  return { code: by < change.min ? 'belowClaim' : by > change.max ? 'aboveClaim' : 'asClaimed', by };
}

/** Difference between the left and the right of an axle's places, after the work: what a lean is made of. */
export function sideDifference(
  places: ReadonlyArray<{ place: string; measured?: { after?: Measurement } }>,
): Array<{ axle: string; difference: number }> {
  const of = (axle: string, side: string) =>
    places.find(({ place }) => place.toLowerCase().includes(axle) && place.toLowerCase().includes(side))?.measured
      ?.after?.value;
  return ['front', 'rear'].flatMap((axle) => {
    const [left, right] = [of(axle, 'left'), of(axle, 'right')];
    return left === undefined || right === undefined ? [] : [{ axle, difference: Number((left - right).toFixed(3)) }];
  });
}
