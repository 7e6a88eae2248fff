import type { Baseline } from '../kit/kit-preparation.ts';
import { mirrored } from '../line/judge-check.ts';
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

/** A place whose result is not what the kit says, and how. */
export interface BaselineMiss {
  place: string;
  /** Against the claim, the absolute limits, or the other side of its end. */
  against: 'claim' | 'limits' | 'side';
  before?: number;
  after: number;
  /** After less before, or left less right. */
  off?: number;
  measured: Measurement;
}

/** Every result outside its claim, outside its limits, or too far from its mirror. */
export function baselineMisses(
  baseline: Pick<Baseline, 'places' | 'change' | 'after' | 'sides'>,
  measured: Readonly<Record<string, { before?: Measurement; after?: Measurement }>> = {},
): BaselineMiss[] {
  const single = baseline.places.flatMap((place): BaselineMiss[] => {
    const { before, after } = measured[place] ?? {};
    if (!after) return [];
    const verdict = baselineVerdict(baseline, measured[place]);
    const { min = -Infinity, max = Infinity } = baseline.after ?? {};
    const found: BaselineMiss = { place, against: 'claim', before: before?.value, after: after.value, measured: after };
    if (verdict.code === 'belowClaim' || verdict.code === 'aboveClaim') return [{ ...found, off: verdict.by }];
    return after.value < min || after.value > max ? [{ ...found, against: 'limits' }] : [];
  });
  const { sides } = baseline;
  const lean =
    sides === undefined
      ? []
      : mirrored(baseline.places).flatMap(([left, right]): BaselineMiss[] => {
          const [one, other] = [measured[left]?.after, measured[right]?.after];
          if (!one || !other) return [];
          const by = Number((one.value - other.value).toFixed(3));
          return Math.abs(by) > sides
            ? [{ place: left, against: 'side', after: one.value, before: other.value, off: by, measured: one }]
            : [];
        });
  return [...single, ...lean];
}
