import type { WrenchKind } from './wrench.ts';

/** One comparison with a reference: what the wrench said or was set to, and what the tester read, N·m. */
export interface Reading {
  setNm: number;
  referenceNm: number;
}

/** Points of a calibration as shares of full scale. @see ISO 6789-2:2017, section 6 (20, 60 and 100 %) */
export const CALIBRATION_POINTS = [0.2, 0.6, 1] as const;
/** Readings at each point. @see ISO 6789-1:2017, conformance test: five for setting tools */
export const PULLS_PER_POINT = 5;

/** Deviation of a reading: (set − reference) / reference. @see ISO 6789-1:2017, relative deviation */
export const deviation = ({ setNm, referenceNm }: Reading): number => (setNm - referenceNm) / referenceNm;

/**
 * Permissible deviation: ±6 % for tools up to 10 N·m and for beam and dial types of the lowest class, else ±4 %.
 * By the maximum of the tool, not by the torque pulled.
 * @see ISO 6789-1:2017, table 2 (entered from memory)
 */
export const permissibleDeviation = (fullScaleNm: number, kind: WrenchKind = 'click'): number =>
  fullScaleNm <= 10 || kind === 'beam' ? 0.06 : 0.04;

export interface PointResult {
  share: number;
  deviations: number[];
  mean: number;
  worst: number;
  within: boolean;
}

/** Rounding of a share of full scale. */
const SHARE_SLACK = 1e-9;

/**
 * Readings of one point against the permissible deviation; every single reading must be within. What lies above full
 * scale is outside what the tool is rated for, and never within.
 */
export function pointResult(share: number, readings: readonly Reading[], permissible: number): PointResult {
  const deviations = readings.map(deviation);
  const worst = deviations.reduce((most, value) => (Math.abs(value) > Math.abs(most) ? value : most), 0);
  return {
    share,
    deviations,
    mean: deviations.reduce((sum, value) => sum + value, 0) / (deviations.length || 1),
    worst,
    within:
      share <= 1 + SHARE_SLACK &&
      deviations.length > 0 &&
      deviations.every((value) => Math.abs(value) <= permissible + 1e-12),
  };
}

export interface CalibrationResult {
  permissible: number;
  points: PointResult[];
  /** All points present with all their readings. */
  complete: boolean;
  /** Shares of full scale that lack readings. */
  missing: number[];
  /** Complete, and every reading of every point within. */
  within: boolean;
}

/**
 * A calibration: five readings at 20, 60 and 100 % of full scale, each reading within the permissible deviation.
 * @param points - readings by share of full scale
 */
export function calibrationResult(
  wrench: { fullScaleNm: number; kind?: WrenchKind },
  points: ReadonlyArray<{ share: number; readings: readonly Reading[] }>,
): CalibrationResult {
  const permissible = permissibleDeviation(wrench.fullScaleNm, wrench.kind);
  const results = points.map(({ share, readings }) => pointResult(share, readings, permissible));
  const missing = CALIBRATION_POINTS.filter(
    (share) =>
      !results.some((point) => Math.abs(point.share - share) < 0.01 && point.deviations.length >= PULLS_PER_POINT),
  );
  const complete = missing.length === 0;
  return {
    permissible,
    points: results,
    complete,
    missing,
    within: complete && results.every((point) => point.within),
  };
}

/** Readings sorted to the points of a calibration by what the wrench was set to. */
export function readingsByPoint(
  { fullScaleNm }: { fullScaleNm: number },
  readings: readonly Reading[],
): Array<{ share: number; readings: Reading[] }> {
  const points = new Map<number, Reading[]>();
  for (const reading of readings) {
    const share = reading.setNm / fullScaleNm;
    // Within 1 % of a point it is that point; anything else is a point of its own.
    const at = CALIBRATION_POINTS.find((point) => Math.abs(point - share) < 0.01) ?? share;
    points.set(at, [...(points.get(at) ?? []), reading]);
  }
  return [...points].map(([share, list]) => ({ share, readings: list }));
}

/** Pulls after which a wrench is due whatever its date. @see ISO 6789-1:2017: 12 months or 5 000 cycles */
export const PULLS_BETWEEN_CALIBRATIONS = 5000;

/** Whether a wrench is due by its pulls or its date, and what is left. `today` and `dueOn` are ISO dates. */
export function calibrationDue(
  wrench: { calibrationDueOn: string; pullsSinceCalibration?: number },
  today: string,
): { due: boolean; because?: 'date' | 'pulls'; daysLeft: number; pullsLeft: number } {
  const daysLeft = Math.round((Date.parse(wrench.calibrationDueOn) - Date.parse(today)) / 86_400_000);
  const pullsLeft = PULLS_BETWEEN_CALIBRATIONS - (wrench.pullsSinceCalibration ?? 0);
  if (daysLeft <= 0) return { due: true, because: 'date', daysLeft, pullsLeft };
  return pullsLeft <= 0 ? { due: true, because: 'pulls', daysLeft, pullsLeft } : { due: false, daysLeft, pullsLeft };
}
