import { MM_PER_INCH } from '../quantity/unit.ts';
import type { Thread } from './thread.ts';

export type ClearanceFit = 'fine' | 'medium' | 'coarse';

/** mm: fine, medium, coarse. @see ISO 273:1979, table (entered from memory) */
const METRIC: Record<number, [number, number, number]> = {
  2: [2.2, 2.4, 2.6],
  2.5: [2.7, 2.9, 3.1],
  3: [3.2, 3.4, 3.6],
  3.5: [3.7, 3.9, 4.2],
  4: [4.3, 4.5, 4.8],
  5: [5.3, 5.5, 5.8],
  6: [6.4, 6.6, 7],
  7: [7.4, 7.6, 8],
  8: [8.4, 9, 10],
  10: [10.5, 11, 12],
  12: [13, 13.5, 14.5],
  14: [15, 15.5, 16.5],
  16: [17, 17.5, 18.5],
  18: [19, 20, 21],
  20: [21, 22, 24],
  22: [23, 24, 26],
  24: [25, 26, 28],
  27: [28, 30, 32],
  30: [31, 33, 35],
  33: [34, 36, 38],
  36: [37, 39, 42],
  39: [40, 42, 45],
};

/**
 * Inches: close, normal, loose. The rows of #12 and 9/16 are not in the standard; they continue their neighbours
 * (chosen by us).
 * @see ASME B18.2.8, table 1 (entered from memory)
 */
const INCH: ReadonlyArray<readonly [number, number, number, number]> = [
  [0.06, 0.067, 0.076, 3 / 32],
  [0.073, 0.081, 0.089, 0.104],
  [0.086, 3 / 32, 0.1015, 0.116],
  [0.099, 0.1065, 0.116, 0.1285],
  [0.112, 0.12, 0.1285, 0.144],
  [0.125, 9 / 64, 5 / 32, 11 / 64],
  [0.138, 0.154, 0.1695, 0.185],
  [0.164, 0.18, 0.196, 0.213],
  [0.19, 0.2055, 0.221, 0.238],
  [0.216, 0.234, 0.246, 17 / 64],
  [1 / 4, 17 / 64, 9 / 32, 19 / 64],
  [5 / 16, 21 / 64, 11 / 32, 23 / 64],
  [3 / 8, 25 / 64, 13 / 32, 27 / 64],
  [7 / 16, 29 / 64, 15 / 32, 31 / 64],
  [1 / 2, 17 / 32, 9 / 16, 39 / 64],
  [9 / 16, 19 / 32, 5 / 8, 43 / 64],
  [5 / 8, 21 / 32, 11 / 16, 47 / 64],
  [3 / 4, 25 / 32, 13 / 16, 29 / 32],
  [7 / 8, 29 / 32, 15 / 16, 33 / 32],
  [1, 33 / 32, 35 / 32, 37 / 32],
  [9 / 8, 37 / 32, 39 / 32, 21 / 16],
  [5 / 4, 41 / 32, 43 / 32, 23 / 16],
];

/** Diameter of the hole a bolt passes through, mm; undefined where the standard does not list the size. */
export function clearanceHoleMm(
  thread: Pick<Thread, 'system' | 'nominalMm'>,
  fit: ClearanceFit = 'medium',
): number | undefined {
  const column = { fine: 0, medium: 1, coarse: 2 }[fit];
  if (thread.system === 'metric') return METRIC[thread.nominalMm]?.[column];
  const row = INCH.find(([size]) => Math.abs(size * MM_PER_INCH - thread.nominalMm) < 1e-3);
  const hole = row?.[column + 1];
  return hole === undefined ? undefined : hole * MM_PER_INCH;
}
