import { MM_PER_INCH } from '../quantity/unit.ts';
import { DRILLS, type Drill, drillAtLeast, nearestDrill } from './drill-size.ts';
import { minorDiameterMm, type Thread } from './thread.ts';

/** Tap drills of unified threads by diameter in inches and threads per inch. Handbook tap drill table (from memory). */
const UNIFIED: ReadonlyArray<readonly [number, number, string]> = [
  [0.06, 80, '3/64 in'],
  [0.073, 64, '#53'],
  [0.073, 72, '#53'],
  [0.086, 56, '#50'],
  [0.086, 64, '#50'],
  [0.099, 48, '#47'],
  [0.099, 56, '#45'],
  [0.112, 40, '#43'],
  [0.112, 48, '#42'],
  [0.125, 40, '#38'],
  [0.125, 44, '#37'],
  [0.138, 32, '#36'],
  [0.138, 40, '#33'],
  [0.164, 32, '#29'],
  [0.164, 36, '#29'],
  [0.19, 24, '#25'],
  [0.19, 32, '#21'],
  [0.216, 24, '#16'],
  [0.216, 28, '#14'],
  [1 / 4, 20, '#7'],
  [1 / 4, 28, '#3'],
  [5 / 16, 18, 'F'],
  [5 / 16, 24, 'I'],
  [3 / 8, 16, '5/16 in'],
  [3 / 8, 24, 'Q'],
  [7 / 16, 14, 'U'],
  [7 / 16, 20, '25/64 in'],
  [1 / 2, 13, '27/64 in'],
  [1 / 2, 20, '29/64 in'],
  [9 / 16, 12, '31/64 in'],
  [9 / 16, 18, '33/64 in'],
  [5 / 8, 11, '17/32 in'],
  [5 / 8, 18, '37/64 in'],
  [3 / 4, 10, '21/32 in'],
  [3 / 4, 16, '11/16 in'],
  [7 / 8, 9, '49/64 in'],
  [7 / 8, 14, '13/16 in'],
  [1, 8, '7/8 in'],
  [1, 12, '59/64 in'],
  [9 / 8, 7, '63/64 in'],
  [9 / 8, 12, '1-3/64 in'],
  [5 / 4, 7, '1-7/64 in'],
  [5 / 4, 12, '1-11/64 in'],
];

/**
 * Drill before tapping. Metric: d − P, a halfway value to the even tenth, as ISO 2306 lists them (8.75 → 8.8, 10.25 →
 * 10.2, 5.25 → 5.2);
 * unified: the usual table of about 75 % of thread.
 * @see ISO 2306; for unified threads any machinist's handbook
 */
export function tapDrill(thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>): Drill {
  if (thread.system === 'unified') {
    const row = UNIFIED.find(
      ([size, perInch]) =>
        Math.abs(size * MM_PER_INCH - thread.nominalMm) < 1e-3 &&
        Math.abs(MM_PER_INCH / perInch - thread.pitchMm) < 1e-4,
    );
    const listed = row && DRILLS.find((drill) => drill.name === row[2]);
    if (listed) return listed;
    return nearestDrill(thread.nominalMm - thread.pitchMm, 'fraction').drill;
  }
  const hole = thread.nominalMm - thread.pitchMm;
  // The standard takes the halfway values of the quarter pitches (0.75, 1.25, 1.75) to the even tenth: 6.75 is drilled
  // 6.8, 5.25 with 5.2, 10.25 with 10.2. Those of the fine watchmaking pitches it keeps, and the larger is taken.
  const quarterPitch = Math.abs(thread.pitchMm * 4 - Math.round(thread.pitchMm * 4)) < 1e-6;
  const tenths = hole * 10;
  const half = quarterPitch && Math.abs(tenths - Math.floor(tenths) - 0.5) < 1e-6;
  const below = Math.floor(tenths);
  const even = below % 2 === 0 ? below : below + 1;
  if (half) return nearestDrill(even / 10, 'metric').drill;
  return nearestDrill(hole + 1e-6, 'metric').drill;
}

/**
 * Height of thread cut by a hole, as a share of the full external height: 0.7698 · (d − hole) / P.
 * @see Machinery's Handbook, "Formulas for percentage of full thread"
 */
export const threadHeightShare = (thread: Pick<Thread, 'nominalMm' | 'pitchMm'>, holeMm: number): number =>
  (0.7698 * (thread.nominalMm - holeMm)) / thread.pitchMm;

/** How far a drilled hole lies from the basic minor diameter, mm; + is larger, leaving less thread. */
export const overMinorMm = (thread: Pick<Thread, 'nominalMm' | 'pitchMm'>, holeMm: number): number =>
  holeMm - minorDiameterMm(thread.nominalMm, thread.pitchMm);

/**
 * First drill for a hole: about a third of the final one and 3 mm or more, so that the chisel edge clears (common
 * practice). None where that is no smaller than the hole itself: a small hole is drilled at once.
 */
export function pilotDrill(finalMm: number, series: 'metric' | 'fraction'): Drill | undefined {
  const pilot = drillAtLeast(Math.max(3, finalMm / 3), series) ?? nearestDrill(finalMm / 3, series).drill;
  return pilot.diameterMm < finalMm ? pilot : undefined;
}

/**
 * Wire thread insert: drill and tap for the larger thread it is wound into, major diameter d + 1.0825 P.
 * The hole is drilled close to d + 0.2 P. Common dimensions of wire inserts; read the insert's own sheet.
 */
export const insertDrill = (thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>): Drill =>
  nearestDrill(thread.nominalMm + 0.2 * thread.pitchMm, thread.system === 'metric' ? 'metric' : 'fraction').drill;
