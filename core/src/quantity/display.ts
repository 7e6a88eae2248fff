import { roundDown, roundTo, roundUp, roundWithin, threeFigureDecimals } from './rounding.ts';
import { fromBase, type TorqueUnit, type UnitName } from './unit.ts';

/** A number ready to be shown, apart from its unit, because the two never stand in the same weight. */
export interface Shown {
  number: string;
  unit: UnitName;
}

/** One torque in both systems: the shop's first, the other beneath. */
export interface TorqueShown {
  first: Shown;
  second: Shown;
}

export type UnitSystem = 'metric' | 'inch';

let decimalSign = (): string => '.';

/** Which sign stands between a whole and its parts from now on. @param sign - asked at each number: requests differ */
export function writeDecimalsWith(sign: () => string): void {
  decimalSign = sign;
}

/** A number as the language that is spoken writes it. @param decimals - as many places; left out, as many as it has */
export const written = (value: number, decimals?: number): string =>
  (decimals === undefined ? String(value) : value.toFixed(decimals)).replace('.', decimalSign());

/**
 * The inch unit a torque is spoken of in: lbf·in below 20 N·m (about 15 lbf·ft), lbf·ft above.
 * Common practice, no source: small clamps and pan bolts are printed in inch-pounds, wheels in foot-pounds.
 */
const inchTorqueUnit = (torqueNm: number): TorqueUnit => (torqueNm < 20 ? 'lbf·in' : 'lbf·ft');

const torqueUnitIn = (system: UnitSystem, torqueNm: number): TorqueUnit =>
  system === 'metric' ? 'N·m' : inchTorqueUnit(torqueNm);

/**
 * A torque in `unit`, rounded to three figures or finer where three would leave the accepted band.
 *
 * @param torqueNm - in N·m
 * @param unit - unit to show
 * @param band - accepted band in N·m that the shown figure must stay in, if there is one
 */
export function showTorqueIn(torqueNm: number, unit: TorqueUnit, band?: { minNm: number; maxNm: number }): Shown {
  const value = fromBase(torqueNm, unit);
  const min = band ? fromBase(band.minNm - BAND_SLACK_NM, unit) : Number.NEGATIVE_INFINITY;
  const max = band ? fromBase(band.maxNm + BAND_SLACK_NM, unit) : Number.POSITIVE_INFINITY;
  // A whole number if it is exact or close enough to be read off a wrench scale (half a division in 200).
  const whole = roundTo(value, 0);
  const coarse = Math.abs(whole - value) <= 0.0025 * Math.abs(value) ? 0 : threeFigureDecimals(value);
  return { number: written(roundWithin(value, min, max, coarse)), unit };
}

/** A torque in the shop's system first and the other second. */
export function showTorque(torqueNm: number, system: UnitSystem, band?: { minNm: number; maxNm: number }): TorqueShown {
  const other: UnitSystem = system === 'metric' ? 'inch' : 'metric';
  return {
    first: showTorqueIn(torqueNm, torqueUnitIn(system, torqueNm), band),
    second: showTorqueIn(torqueNm, torqueUnitIn(other, torqueNm), band),
  };
}

/** Ends of a band are shown to this much, N·m: the slack with which pulls are compared to it. */
const BAND_SLACK_NM = 1e-3;

/** The two ends of an accepted band, each rounded inward so that every figure shown is acceptable. */
export function showBand(minNm: number, maxNm: number, unit: TorqueUnit): { min: string; max: string } {
  const [low, high] = [fromBase(minNm - BAND_SLACK_NM, unit), fromBase(maxNm + BAND_SLACK_NM, unit)];
  for (let decimals = low >= 20 ? 0 : 1; decimals <= 4; decimals++) {
    const [min, max] = [roundUp(low, decimals), roundDown(high, decimals)];
    // Two figures apart, or the band is a single exact figure.
    if (min < max || (min === max && high - low < 10 ** -decimals)) return { min: written(min), max: written(max) };
  }
  return { min: written(low), max: written(high) };
}

/** Nearest fraction of an inch with a denominator up to 64: 9.525 mm → `3/8`, 38.1 mm → `1-1/2`. */
export function showInchFraction(lengthMm: number, denominator = 64): string {
  const parts = Math.round(Math.abs(fromBase(lengthMm, 'in')) * denominator);
  const whole = Math.floor(parts / denominator);
  let [numerator, below] = [parts % denominator, denominator];
  while (numerator !== 0 && numerator % 2 === 0) [numerator, below] = [numerator / 2, below / 2];
  const sign = lengthMm < 0 && parts !== 0 ? '-' : '';
  if (numerator === 0) return `${sign}${whole}`;
  return `${sign}${whole === 0 ? '' : `${whole}-`}${numerator}/${below}`;
}
