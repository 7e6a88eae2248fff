import { roundTo } from '../quantity/rounding.ts';
import { MM_PER_INCH } from '../quantity/unit.ts';
import { minorDiameterMm, pitchDiameterMm, type Thread } from './thread.ts';

/** Smallest and largest diameter a class allows, mm. */
export interface Limits {
  minMm: number;
  maxMm: number;
}

/** Limits of size of a mating pair: 6g on 6H for metric threads, 2A on 2B for unified ones. */
export interface ThreadLimits {
  externalClass: '6g' | '2A';
  internalClass: '6H' | '2B';
  external: { major: Limits; pitch: Limits };
  internal: { pitch: Limits; minor: Limits };
}

/**
 * Fundamental deviation es of position g, and tolerances of grade 6 that depend on the pitch alone, in µm:
 * Td of the external major diameter, TD1 of the internal minor diameter.
 * @see ISO 965-1:2013, tables 1, 2 and 3 (entered from memory)
 */
const BY_PITCH: Record<number, { es: number; td: number; tD1: number }> = {
  0.35: { es: -19, td: 85, tD1: 100 },
  0.4: { es: -19, td: 95, tD1: 112 },
  0.45: { es: -20, td: 100, tD1: 125 },
  0.5: { es: -20, td: 106, tD1: 140 },
  0.6: { es: -21, td: 125, tD1: 160 },
  0.7: { es: -22, td: 140, tD1: 180 },
  0.75: { es: -22, td: 140, tD1: 190 },
  0.8: { es: -24, td: 150, tD1: 200 },
  1: { es: -26, td: 180, tD1: 236 },
  1.25: { es: -28, td: 212, tD1: 265 },
  1.5: { es: -32, td: 236, tD1: 300 },
  1.75: { es: -34, td: 265, tD1: 335 },
  2: { es: -38, td: 280, tD1: 375 },
  2.5: { es: -42, td: 335, tD1: 450 },
  3: { es: -48, td: 375, tD1: 500 },
  3.5: { es: -53, td: 425, tD1: 560 },
  4: { es: -60, td: 475, tD1: 600 },
};

/**
 * Pitch diameter tolerances of grade 6 in µm, external Td2 and internal TD2, by the range of the nominal diameter.
 * @see ISO 965-1:2013, tables 4 and 5 (entered from memory)
 */
const PITCH_DIAMETER: ReadonlyArray<{ overMm: number; toMm: number; byPitch: Record<number, [number, number]> }> = [
  { overMm: 1.4, toMm: 2.8, byPitch: { 0.35: [63, 85], 0.4: [67, 90], 0.45: [71, 95] } },
  {
    overMm: 2.8,
    toMm: 5.6,
    byPitch: { 0.35: [67, 90], 0.5: [75, 100], 0.6: [85, 112], 0.7: [90, 118], 0.75: [90, 118], 0.8: [95, 125] },
  },
  { overMm: 5.6, toMm: 11.2, byPitch: { 0.75: [100, 132], 1: [112, 150], 1.25: [118, 160], 1.5: [132, 180] } },
  {
    overMm: 11.2,
    toMm: 22.4,
    byPitch: { 1: [118, 160], 1.25: [132, 180], 1.5: [140, 190], 1.75: [150, 200], 2: [160, 212], 2.5: [170, 224] },
  },
  {
    overMm: 22.4,
    toMm: 45,
    byPitch: { 1: [125, 170], 1.5: [150, 200], 2: [170, 224], 3: [200, 265], 3.5: [212, 280], 4: [224, 300] },
  },
];

const band = (maxMm: number, toleranceMm: number): Limits => ({ minMm: maxMm - toleranceMm, maxMm });
const up = (minMm: number, toleranceMm: number): Limits => ({ minMm, maxMm: minMm + toleranceMm });

function metricLimits({ nominalMm: d, pitchMm: p }: Pick<Thread, 'nominalMm' | 'pitchMm'>): ThreadLimits | undefined {
  const row = BY_PITCH[p];
  const pitchRow = PITCH_DIAMETER.find(({ overMm, toMm }) => d > overMm && d <= toMm)?.byPitch[p];
  if (!row || !pitchRow) return undefined;
  const um = 1e-3;
  const d2 = pitchDiameterMm(d, p);
  return {
    externalClass: '6g',
    internalClass: '6H',
    external: { major: band(d + row.es * um, row.td * um), pitch: band(d2 + row.es * um, pitchRow[0] * um) },
    internal: { pitch: up(d2, pitchRow[1] * um), minor: up(minorDiameterMm(d, p), row.tD1 * um) },
  };
}

/** The standard rounds tolerances to six places and each term to four before adding; so do we, to meet its tables. */
const places4 = (inch: number): number => roundTo(inch, 4);

/**
 * Class 2A and 2B by the formulas, in inches: pitch diameter tolerance 0.0015·∛D + 0.0015·√Le + 0.015·∛P², the
 * engagement Le taken as D (coarse and fine series); allowance 0.3 of it; 2B is 1.3 times 2A; external major
 * 0.060·∛P²; internal minor 0.25 P − 0.4 P², below 1/4 in 0.05·∛P² + 0.03 P/D − 0.002 between 0.25 P − 0.4 P² and 0.394 P.
 * @see ASME B1.1-2003, section 5 (formulas entered from memory, checked against rows of table 3)
 */
function unifiedLimits({ nominalMm, pitchMm }: Pick<Thread, 'nominalMm' | 'pitchMm'>): ThreadLimits {
  const [d, p] = [nominalMm / MM_PER_INCH, pitchMm / MM_PER_INCH];
  const p23 = Math.cbrt(p * p);
  const td2 = roundTo(0.0015 * Math.cbrt(d) + 0.0015 * Math.sqrt(d) + 0.015 * p23, 6);
  const allowance = 0.3 * td2;
  const usual = 0.25 * p - 0.4 * p * p;
  const minorTolerance = d < 0.2499 ? Math.min(0.394 * p, Math.max(usual, 0.05 * p23 + (0.03 * p) / d - 0.002)) : usual;
  const d2 = places4(pitchDiameterMm(nominalMm, pitchMm) / MM_PER_INCH);
  const mm = (limits: { minMm: number; maxMm: number }): Limits => ({
    minMm: limits.minMm * MM_PER_INCH,
    maxMm: limits.maxMm * MM_PER_INCH,
  });
  return {
    externalClass: '2A',
    internalClass: '2B',
    external: {
      major: mm(band(d - places4(allowance), places4(0.06 * p23))),
      pitch: mm(band(d2 - places4(allowance), places4(td2))),
    },
    internal: {
      pitch: mm(up(d2, places4(1.3 * td2))),
      minor: mm(up(minorDiameterMm(nominalMm, pitchMm) / MM_PER_INCH, places4(minorTolerance))),
    },
  };
}

/**
 * Limits of size of a thread, mm.
 *
 * @param thread - a standard thread
 * @returns undefined for a metric pitch and diameter that ISO 965-1 does not list together; never a guess
 */
export const threadLimits = (thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>): ThreadLimits | undefined =>
  thread.system === 'metric' ? metricLimits(thread) : unifiedLimits(thread);
