import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { type LoadCheck, loadCheck } from './load-check.ts';
import { MOST_KG } from './tongue.ts';

/** Where a vehicle stands. */
export interface Stance {
  wheelbaseMm: number;
  /** Ball behind the rear axle. */
  hitchBehindMm: number;
}

/** What two axles carry, kg. */
export interface AxleLoads {
  frontKg: number;
  rearKg: number;
}

export const stanceFault = ({ wheelbaseMm, hitchBehindMm }: Stance): InputFault | undefined =>
  firstFault(outOfRange('wheelbaseMm', wheelbaseMm, 1000, 10_000), outOfRange('hitchBehindMm', hitchBehindMm, 0, 5000));

/**
 * What a mass does to the axles, by the lever: about the front axle for the rear one, and the rest in front.
 *
 * @param aheadOfRearMm - where it lies: ahead of the rear axle above 0, behind it below 0
 */
export function addedTo(
  { frontKg, rearKg }: AxleLoads,
  kg: number,
  aheadOfRearMm: number,
  wheelbaseMm: number,
): AxleLoads {
  const front = (kg * aheadOfRearMm) / wheelbaseMm;
  return { frontKg: frontKg + front, rearKg: rearKg + kg - front };
}

export interface AxleAsk extends Stance, AxleLoads {
  tongueKg: number;
  ratings: { frontAxleKg?: number; rearAxleKg?: number; grossKg?: number };
}

/** Both axles with a load on the ball: the rear takes more than the load, the front gives up the rest. */
export function axlesWithTongue(ask: AxleAsk): Result<AxleLoads & { checks: LoadCheck[] }, InputFault> {
  const { frontKg, rearKg, tongueKg, wheelbaseMm, hitchBehindMm, ratings } = ask;
  const fault =
    firstFault(
      outOfRange('frontKg', frontKg, 1, MOST_KG),
      outOfRange('rearKg', rearKg, 1, MOST_KG),
      outOfRange('tongueKg', tongueKg, -MOST_KG, MOST_KG),
      ...Object.entries(ratings).map(([name, kg]) => outOfRange(`ratings.${name}`, kg, 1, MOST_KG)),
    ) ?? stanceFault(ask);
  if (fault) return fail(fault);
  const after = addedTo({ frontKg, rearKg }, tongueKg, -hitchBehindMm, wheelbaseMm);
  const { frontAxleKg, rearAxleKg, grossKg } = ratings;
  return ok({
    ...after,
    checks: [
      ...(frontAxleKg === undefined ? [] : [loadCheck('frontAxle', after.frontKg, frontAxleKg)]),
      ...(rearAxleKg === undefined ? [] : [loadCheck('rearAxle', after.rearKg, rearAxleKg)]),
      ...(grossKg === undefined ? [] : [loadCheck('gross', after.frontKg + after.rearKg, grossKg)]),
    ],
  });
}
