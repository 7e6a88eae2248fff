import { MM_PER_INCH } from '../quantity/unit.ts';
import type { Thread } from './thread.ts';

export type WasherStandard = 'ISO 7089' | 'ISO 7093' | 'USS' | 'SAE';

export interface WasherDimension {
  insideMm: number;
  outsideMm: number;
  thicknessMm: number;
}

type Row = [inside: number, outside: number, thickness: number];

/** Plain washers, normal and large series, mm. @see ISO 7089, ISO 7093-1 (entered from memory) */
const METRIC: Record<'ISO 7089' | 'ISO 7093', Record<number, Row>> = {
  'ISO 7089': {
    2: [2.2, 5, 0.3],
    2.5: [2.7, 6, 0.5],
    3: [3.2, 7, 0.5],
    3.5: [3.7, 8, 0.5],
    4: [4.3, 9, 0.8],
    5: [5.3, 10, 1],
    6: [6.4, 12, 1.6],
    8: [8.4, 16, 1.6],
    10: [10.5, 20, 2],
    12: [13, 24, 2.5],
    14: [15, 28, 2.5],
    16: [17, 30, 3],
    18: [19, 34, 3],
    20: [21, 37, 3],
    22: [23, 39, 3],
    24: [25, 44, 4],
    27: [28, 50, 4],
    30: [31, 56, 4],
    33: [34, 60, 5],
    36: [37, 66, 5],
    39: [42, 72, 6],
  },
  'ISO 7093': {
    3: [3.2, 9, 0.8],
    4: [4.3, 12, 1],
    5: [5.3, 15, 1],
    6: [6.4, 18, 1.6],
    8: [8.4, 24, 2],
    10: [10.5, 30, 2.5],
    12: [13, 37, 3],
    14: [15, 44, 3],
    16: [17, 50, 3],
    20: [22, 60, 4],
    24: [26, 72, 5],
    30: [33, 92, 6],
    36: [39, 110, 8],
  },
};

/** Inches: nominal size, then USS and SAE. @see ASME B18.22.1, type A (entered from memory) */
const INCH: ReadonlyArray<readonly [number, Row, Row]> = [
  [1 / 4, [0.312, 0.734, 0.065], [0.281, 0.625, 0.065]],
  [5 / 16, [0.375, 0.875, 0.083], [0.344, 0.688, 0.065]],
  [3 / 8, [0.438, 1, 0.083], [0.406, 0.812, 0.065]],
  [7 / 16, [0.5, 1.25, 0.083], [0.469, 0.922, 0.065]],
  [1 / 2, [0.562, 1.375, 0.109], [0.531, 1.062, 0.095]],
  [9 / 16, [0.625, 1.469, 0.109], [0.594, 1.156, 0.095]],
  [5 / 8, [0.688, 1.75, 0.134], [0.656, 1.312, 0.095]],
  [3 / 4, [0.812, 2, 0.148], [0.812, 1.469, 0.134]],
  [7 / 8, [0.938, 2.25, 0.165], [0.938, 1.75, 0.134]],
  [1, [1.062, 2.5, 0.165], [1.062, 2, 0.134]],
  [9 / 8, [1.25, 2.75, 0.165], [1.25, 2.25, 0.134]],
  [5 / 4, [1.375, 3, 0.165], [1.375, 2.5, 0.165]],
];

/** A washer's dimensions in mm, or undefined where the standard does not list the size. */
export function washerDimension(
  standard: WasherStandard,
  thread: Pick<Thread, 'system' | 'nominalMm'>,
): WasherDimension | undefined {
  if (standard === 'ISO 7089' || standard === 'ISO 7093') {
    const row = thread.system === 'metric' ? METRIC[standard][thread.nominalMm] : undefined;
    return row && { insideMm: row[0], outsideMm: row[1], thicknessMm: row[2] };
  }
  if (thread.system !== 'unified') return undefined;
  const found = INCH.find(([size]) => Math.abs(size * MM_PER_INCH - thread.nominalMm) < 1e-3);
  const row = found?.[standard === 'USS' ? 1 : 2];
  return row && { insideMm: row[0] * MM_PER_INCH, outsideMm: row[1] * MM_PER_INCH, thicknessMm: row[2] * MM_PER_INCH };
}

/** Washers made for a thread of this system, usual first. */
export const washerStandards = (system: Thread['system']): readonly WasherStandard[] =>
  system === 'metric' ? ['ISO 7089', 'ISO 7093'] : ['SAE', 'USS'];
