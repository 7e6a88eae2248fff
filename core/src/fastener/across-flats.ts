import { MM_PER_INCH } from '../quantity/unit.ts';
import type { Thread } from './thread.ts';

/** Head and nut standards whose drive size the application knows. */
export type HeadStandard =
  | 'ISO 4014/4017'
  | 'ISO 4032'
  | 'DIN 931/933'
  | 'ISO 4162'
  | 'ISO 4762'
  | 'ISO 7380'
  | 'ISO 10642'
  | 'ASME B18.2.1';

type WidthsMm = Record<number, number>;

const HEX: WidthsMm = {
  3: 5.5,
  4: 7,
  5: 8,
  6: 10,
  8: 13,
  10: 16,
  12: 18,
  14: 21,
  16: 24,
  18: 27,
  20: 30,
  22: 34,
  24: 36,
  27: 41,
  30: 46,
  33: 50,
  36: 55,
};

/**
 * Across flats (or across the key's flats for socket heads) in mm by nominal diameter in mm.
 * Sources: the product standard named by the key; entered from memory of the tables, nominal maximum widths.
 */
const WIDTHS: Record<Exclude<HeadStandard, 'ASME B18.2.1'>, WidthsMm> = {
  'ISO 4014/4017': HEX,
  'ISO 4032': HEX,
  // The older German standard differs from ISO only here.
  'DIN 931/933': { ...HEX, 10: 17, 12: 19, 14: 22, 22: 32 },
  'ISO 4162': { 5: 7, 6: 8, 8: 10, 10: 13, 12: 15, 14: 18, 16: 21 },
  'ISO 4762': { 3: 2.5, 4: 3, 5: 4, 6: 5, 8: 6, 10: 8, 12: 10, 14: 12, 16: 14, 20: 17, 24: 19, 30: 22, 36: 27 },
  'ISO 7380': { 3: 2, 4: 2.5, 5: 3, 6: 4, 8: 5, 10: 6, 12: 8, 16: 10 },
  'ISO 10642': { 3: 2, 4: 2.5, 5: 3, 6: 4, 8: 5, 10: 6, 12: 8, 16: 10, 20: 12 },
};

/** Hex cap screws: diameter and width across flats in inches. @see ASME B18.2.1, table 6 (entered from memory) */
const INCH_HEX: ReadonlyArray<readonly [diameterInch: number, acrossFlatsInch: number]> = [
  [1 / 4, 7 / 16],
  [5 / 16, 1 / 2],
  [3 / 8, 9 / 16],
  [7 / 16, 5 / 8],
  [1 / 2, 3 / 4],
  [9 / 16, 13 / 16],
  [5 / 8, 15 / 16],
  [3 / 4, 9 / 8],
  [7 / 8, 21 / 16],
  [1, 3 / 2],
];

/**
 * Width across flats of a head or nut, or of the key for a socket head.
 *
 * @returns mm, or undefined where the standard does not list the size. Never a guess from a neighbour.
 */
export function acrossFlatsMm(
  standard: HeadStandard,
  thread: Pick<Thread, 'system' | 'nominalMm'>,
): number | undefined {
  if (standard === 'ASME B18.2.1') {
    const row = INCH_HEX.find(([inch]) => Math.abs(inch * MM_PER_INCH - thread.nominalMm) < 1e-3);
    return row && row[1] * MM_PER_INCH;
  }
  return thread.system === 'metric' ? WIDTHS[standard][thread.nominalMm] : undefined;
}
