import { type TorqueUnit, UNITS } from '../quantity/unit.ts';

/** A number that fits the target once it is read in another unit. */
export interface UnitSlip {
  /** The unit the number was taken to be in. */
  readAs: TorqueUnit;
  /** The unit in which the same number would be right. */
  meant: TorqueUnit;
}

const CANDIDATES: readonly TorqueUnit[] = ['N·m', 'lbf·ft', 'lbf·in', 'kgf·m'];

/**
 * Finds the likely unit mistake behind a reading that missed its band: the same number in another unit would
 * have landed in it. In-lb for ft-lb is 12 times, N·m for ft-lb 1.36, N·m for in-lb 8.85, kgf·m for N·m 9.8.
 *
 * @param value - the number entered
 * @param unit - the unit it was entered in
 * @param minNm - accepted band, N·m
 * @param maxNm - accepted band, N·m
 * @returns the slip, or undefined when no other unit explains the number
 */
export function unitSlip(value: number, unit: TorqueUnit, minNm: number, maxNm: number): UnitSlip | undefined {
  const meant = CANDIDATES.find((other) => {
    if (other === unit) return false;
    const torqueNm = value * UNITS[other].factor;
    return torqueNm >= minNm && torqueNm <= maxNm;
  });
  return meant && { readAs: unit, meant };
}
