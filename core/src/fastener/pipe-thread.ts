import { MM_PER_INCH } from '../quantity/unit.ts';

/** A thread of pipes and fittings. It seals, or a washer beside it does; it is no bolt's. */
export interface PipeThread {
  /** `G 1/8`, `R 1/8`, `1/8 NPT`. */
  designation: string;
  pitchMm: number;
  /** What a caliper finds over the crests: from the small end of a taper to its large one, or the parallel one's limits. */
  crests: { minMm: number; maxMm: number };
  taper: boolean;
}

/**
 * Whitworth pipe threads: size, major diameter, threads per inch, gauge length of the tapered one in mm (none where ISO
 * 7-1 has no such size).
 * @see ISO 228-1:2000 and ISO 7-1:1994, tables 1 (entered from memory; d1 = d − 1.280654 P holds for every row)
 */
const WHITWORTH: ReadonlyArray<readonly [size: string, majorMm: number, perInch: number, gaugeMm?: number]> = [
  ['1/16', 7.723, 28, 4],
  ['1/8', 9.728, 28, 4],
  ['1/4', 13.157, 19, 6],
  ['3/8', 16.662, 19, 6.4],
  ['1/2', 20.955, 14, 8.2],
  ['5/8', 22.911, 14],
  ['3/4', 26.441, 14, 9.5],
  ['1', 33.249, 11, 10.4],
  ['1-1/4', 41.91, 11, 12.7],
];
/** Tolerance of the parallel one's major diameter, mm, by threads per inch. @see ISO 228-1:2000, table 1 (from memory) */
const PARALLEL_TOLERANCE_MM: Record<number, number> = { 28: 0.214, 19: 0.25, 14: 0.284, 11: 0.36 };

/** Outside diameter of the pipe in inches and threads per inch. @see ASME B1.20.1-2013, table 2 (from memory) */
const NPT: ReadonlyArray<readonly [size: string, pipeInch: number, perInch: number]> = [
  ['1/16', 0.3125, 27],
  ['1/8', 0.405, 27],
  ['1/4', 0.54, 18],
  ['3/8', 0.675, 18],
  ['1/2', 0.84, 14],
  ['3/4', 1.05, 14],
  ['1', 1.315, 11.5],
  ['1-1/4', 1.66, 11.5],
];

/** Every pipe thread has a taper of one in sixteen. */
const TAPER = 1 / 16;

/** Pitch diameter at the small end of an American taper pipe thread, inches: D − (0.05 D + 1.1)/n. @see ASME B1.20.1 */
export const nptSmallEndInch = (pipeInch: number, perInch: number): number =>
  pipeInch - (0.05 * pipeInch + 1.1) / perInch;

/** The pipe threads that may be met on a vehicle, smallest first. */
export const PIPE_THREADS: readonly PipeThread[] = [
  ...WHITWORTH.flatMap(([size, majorMm, perInch, gaugeMm]): PipeThread[] => {
    const pitchMm = MM_PER_INCH / perInch;
    const parallel = {
      designation: `G ${size}`,
      pitchMm,
      crests: { minMm: majorMm - (PARALLEL_TOLERANCE_MM[perInch] ?? 0), maxMm: majorMm },
      taper: false,
    };
    if (gaugeMm === undefined) return [parallel];
    // Two pitches past the gauge plane the thread runs out.
    const crests = { minMm: majorMm - gaugeMm * TAPER, maxMm: majorMm + 2 * pitchMm * TAPER };
    return [parallel, { designation: `R ${size}`, pitchMm, crests, taper: true }];
  }),
  ...NPT.map(([size, pipeInch, perInch]): PipeThread => {
    const crestInch = nptSmallEndInch(pipeInch, perInch) + 0.8 / perInch;
    return {
      designation: `${size} NPT`,
      pitchMm: MM_PER_INCH / perInch,
      crests: { minMm: crestInch * MM_PER_INCH, maxMm: pipeInch * MM_PER_INCH },
      taper: true,
    };
  }),
].sort((a, b) => a.crests.maxMm - b.crests.maxMm);
