import { MM_PER_INCH } from '../quantity/unit.ts';

export type ThreadSystem = 'metric' | 'unified';
export type ThreadSeries = 'coarse' | 'fine' | 'other';

/** Coarse and fine pitches in mm by nominal diameter. @see ISO 261 (general plan) and ISO 262 (selected sizes) */
const METRIC_PITCHES: Record<number, { coarse: number; fine: readonly number[] }> = {
  2: { coarse: 0.4, fine: [] },
  2.5: { coarse: 0.45, fine: [0.35] },
  3: { coarse: 0.5, fine: [0.35] },
  3.5: { coarse: 0.6, fine: [0.35] },
  4: { coarse: 0.7, fine: [0.5] },
  5: { coarse: 0.8, fine: [0.5] },
  6: { coarse: 1, fine: [0.75] },
  7: { coarse: 1, fine: [0.75] },
  8: { coarse: 1.25, fine: [1, 0.75] },
  10: { coarse: 1.5, fine: [1.25, 1, 0.75] },
  12: { coarse: 1.75, fine: [1.5, 1.25, 1] },
  14: { coarse: 2, fine: [1.5, 1.25, 1] },
  16: { coarse: 2, fine: [1.5, 1] },
  18: { coarse: 2.5, fine: [2, 1.5, 1] },
  20: { coarse: 2.5, fine: [2, 1.5, 1] },
  22: { coarse: 2.5, fine: [2, 1.5, 1] },
  24: { coarse: 3, fine: [2, 1.5, 1] },
  27: { coarse: 3, fine: [2, 1.5, 1] },
  30: { coarse: 3.5, fine: [3, 2, 1.5, 1] },
  33: { coarse: 3.5, fine: [3, 2, 1.5] },
  36: { coarse: 4, fine: [3, 2, 1.5] },
  39: { coarse: 4, fine: [3, 2, 1.5] },
};

/** Diameter in inches of the number sizes: 0.060 + 0.013 × number. @see ASME B1.1, table 1 */
export const NUMBER_SIZE_INCH: Record<string, number> = {
  '#0': 0.06,
  '#1': 0.073,
  '#2': 0.086,
  '#3': 0.099,
  '#4': 0.112,
  '#5': 0.125,
  '#6': 0.138,
  '#8': 0.164,
  '#10': 0.19,
  '#12': 0.216,
};

/** Threads per inch, coarse (UNC) and fine (UNF), by diameter in inches. @see ASME B1.1, table 1 */
const UNIFIED_THREADS_PER_INCH: ReadonlyArray<readonly [diameterInch: number, unc: number | undefined, unf: number]> = [
  [0.06, undefined, 80],
  [0.073, 64, 72],
  [0.086, 56, 64],
  [0.099, 48, 56],
  [0.112, 40, 48],
  [0.125, 40, 44],
  [0.138, 32, 40],
  [0.164, 32, 36],
  [0.19, 24, 32],
  [0.216, 24, 28],
  [1 / 4, 20, 28],
  [5 / 16, 18, 24],
  [3 / 8, 16, 24],
  [7 / 16, 14, 20],
  [1 / 2, 13, 20],
  [9 / 16, 12, 18],
  [5 / 8, 11, 18],
  [3 / 4, 10, 16],
  [7 / 8, 9, 14],
  [1, 8, 12],
  [9 / 8, 7, 12],
  [5 / 4, 7, 12],
];

const near = (a: number, b: number): boolean => Math.abs(a - b) < 1e-3;

function standardPitchesMm(
  system: ThreadSystem,
  nominalMm: number,
): { coarse?: number; fine: readonly number[] } | undefined {
  if (system === 'metric') return METRIC_PITCHES[nominalMm];
  const row = UNIFIED_THREADS_PER_INCH.find(([inch]) => near(inch * MM_PER_INCH, nominalMm));
  return row && { coarse: row[1] && MM_PER_INCH / row[1], fine: [MM_PER_INCH / row[2]] };
}

/** The coarse or (coarsest) fine pitch in mm of a standard diameter; undefined for a diameter that has none. */
export function standardPitchMm(
  system: ThreadSystem,
  nominalMm: number,
  series: 'coarse' | 'fine',
): number | undefined {
  const pitches = standardPitchesMm(system, nominalMm);
  return series === 'coarse' ? pitches?.coarse : pitches?.fine[0];
}

/** Whether a pitch is the coarse one of its diameter, a listed fine one, or neither. */
export function seriesOfPitch(system: ThreadSystem, nominalMm: number, pitchMm: number): ThreadSeries {
  const pitches = standardPitchesMm(system, nominalMm);
  if (!pitches) return 'other';
  if (pitches.coarse !== undefined && near(pitches.coarse, pitchMm)) return 'coarse';
  return pitches.fine.some((fine) => near(fine, pitchMm)) ? 'fine' : 'other';
}

/** A listed thread: a diameter with one of its standard pitches, mm. */
export interface StandardThread {
  system: ThreadSystem;
  nominalMm: number;
  pitchMm: number;
  /** `#10`, for number sizes. */
  numberSize?: string;
}

/** Every diameter and pitch the tables list, metric first, coarse before fine. */
export function standardThreads(): StandardThread[] {
  const metric = Object.entries(METRIC_PITCHES).flatMap(([nominal, { coarse, fine }]) =>
    [coarse, ...fine].map((pitchMm) => ({ system: 'metric' as const, nominalMm: Number(nominal), pitchMm })),
  );
  const numberOf = (inch: number) => Object.entries(NUMBER_SIZE_INCH).find(([, size]) => near(size, inch))?.[0];
  const unified = UNIFIED_THREADS_PER_INCH.flatMap(([inch, unc, unf]) =>
    [...(unc === undefined ? [] : [unc]), unf].map((perInch) => ({
      system: 'unified' as const,
      nominalMm: inch * MM_PER_INCH,
      pitchMm: MM_PER_INCH / perInch,
      numberSize: inch < 0.2499 ? numberOf(inch) : undefined,
    })),
  );
  return [...metric, ...unified];
}
