import { PULLS_BETWEEN_CALIBRATIONS } from './calibration.ts';
import { usableBand } from './usable-band.ts';
import type { Wrench } from './wrench.ts';

export type WrenchFault =
  | { code: 'wrenchOutOfRange'; wrenchId: string; targetNm: number; minNm: number; maxNm: number }
  | { code: 'wrenchOutOfCalibration'; wrenchId: string; dueOn: string }
  /** Due by its pulls, whatever its date says. */
  | { code: 'wrenchPulledOut'; wrenchId: string; pulls: number }
  | { code: 'wrenchLocked'; wrenchId: string; atMs: number; because: string };

/** The UTC calendar day of an instant, ISO date. */
export const dayOf = (atMs: number): string => new Date(atMs).toISOString().slice(0, 10);

/**
 * Why a wrench may not make a pull, or undefined when it may.
 *
 * @param targetNm - torque aimed at in this pull, N·m
 * @param nowMs - when, Unix ms; the day decides on calibration
 */
export function wrenchFault(wrench: Wrench, targetNm: number, nowMs: number): WrenchFault | undefined {
  const { minNm, maxNm } = usableBand(wrench);
  // A converted target may differ from the end of the scale in its last bit.
  if (targetNm < minNm * (1 - 1e-9) || targetNm > maxNm * (1 + 1e-9)) {
    return { code: 'wrenchOutOfRange', wrenchId: wrench.id, targetNm, minNm, maxNm };
  }
  if (wrench.locked && nowMs >= wrench.locked.atMs)
    return { code: 'wrenchLocked', wrenchId: wrench.id, atMs: wrench.locked.atMs, because: wrench.locked.because };
  const pulls = wrench.pullsSinceCalibration ?? 0;
  if (pulls >= PULLS_BETWEEN_CALIBRATIONS) return { code: 'wrenchPulledOut', wrenchId: wrench.id, pulls };
  if (dayOf(nowMs) >= wrench.calibrationDueOn) {
    return { code: 'wrenchOutOfCalibration', wrenchId: wrench.id, dueOn: wrench.calibrationDueOn };
  }
  return undefined;
}

/** A wrench with what speaks against it for one pull. */
export interface WrenchChoice {
  wrench: Wrench;
  fault?: WrenchFault;
}

/**
 * The shop's wrenches for one pull, best first: free of faults, then live, then with the target nearest the
 * middle of the band, where a spring wrench repeats best (common practice, no source).
 */
export function rankWrenches(wrenches: readonly Wrench[], targetNm: number, nowMs: number): WrenchChoice[] {
  const fromMiddle = (wrench: Wrench) => {
    const { minNm, maxNm } = usableBand(wrench);
    return Math.abs(targetNm - (minNm + maxNm) / 2) / (maxNm - minNm);
  };
  return wrenches
    .map((wrench) => ({ wrench, fault: wrenchFault(wrench, targetNm, nowMs) }))
    .sort(
      (a, b) =>
        Number(a.fault !== undefined) - Number(b.fault !== undefined) ||
        Number(b.wrench.live) - Number(a.wrench.live) ||
        fromMiddle(a.wrench) - fromMiddle(b.wrench) ||
        a.wrench.label.localeCompare(b.wrench.label, 'en'),
    );
}
