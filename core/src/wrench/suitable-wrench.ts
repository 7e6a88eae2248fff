import { PULLS_BETWEEN_CALIBRATIONS } from './calibration.ts';
import { usableBand } from './usable-band.ts';
import type { Wrench } from './wrench.ts';

export type WrenchFault =
  | { code: 'wrenchOutOfRange'; wrenchId: string; targetNm: number; minNm: number; maxNm: number }
  | { code: 'wrenchOutOfCalibration'; wrenchId: string; dueOn: string }
  /** Due by its pulls, whatever its date says. */
  | { code: 'wrenchPulledOut'; wrenchId: string; pulls: number }
  /** It measures no angle, and the joint is judged by it. */
  | { code: 'wrenchWithoutAngle'; wrenchId: string }
  | { code: 'wrenchLocked'; wrenchId: string; atMs: number; because: string };

/** The UTC calendar day of an instant, ISO date. */
export const dayOf = (atMs: number): string => new Date(atMs).toISOString().slice(0, 10);

/** What a pull wants of the wrench that makes it. */
export interface PullNeeds {
  /** Torque aimed at, N·m. */
  targetNm: number;
  /** The highest torque the wrench must show on the way there, N·m; left out: the target. */
  peakNm?: number;
  /** The pull is judged by its gradient, and nobody reads that off a scale. */
  gradient?: object;
}

/** Figures converted from another unit are printed to whole newton metres. */
const WHOLE_NM = 1;
/** How far such a figure may lie beyond the end of a scale at most, as a share. */
const ROUNDED = 0.0025;

/**
 * Everything that speaks against a wrench for a pull; empty when it may make it. What no lead may lift stands first.
 *
 * @param nowMs - when, Unix ms; the day decides on calibration
 */
export function wrenchFaults(wrench: Wrench, needs: PullNeeds, nowMs: number): WrenchFault[] {
  const { id, locked, calibrationDueOn, divisionNm, pullsSinceCalibration: pulls = 0 } = wrench;
  const { minNm, maxNm } = usableBand(wrench);
  const { targetNm, peakNm = targetNm, gradient } = needs;
  // 155 lbf·ft are 210.15 N·m, printed 210: pulled to the last mark of a scale that ends there.
  const slack = (nm: number) => Math.min(Math.max((divisionNm ?? 0) / 2, WHOLE_NM / 2), ROUNDED * nm);
  const below = targetNm < minNm - slack(minNm);
  const above = peakNm > maxNm + slack(maxNm);
  const faults: WrenchFault[] = [];
  if (below || above)
    faults.push({ code: 'wrenchOutOfRange', wrenchId: id, targetNm: below ? targetNm : peakNm, minNm, maxNm });
  if (gradient && !wrench.live) faults.push({ code: 'wrenchWithoutAngle', wrenchId: id });
  if (locked && nowMs >= locked.atMs)
    faults.push({ code: 'wrenchLocked', wrenchId: id, atMs: locked.atMs, because: locked.because });
  if (pulls >= PULLS_BETWEEN_CALIBRATIONS) faults.push({ code: 'wrenchPulledOut', wrenchId: id, pulls });
  if (dayOf(nowMs) >= calibrationDueOn)
    faults.push({ code: 'wrenchOutOfCalibration', wrenchId: id, dueOn: calibrationDueOn });
  return faults;
}

/** A wrench with all that speaks against it for one pull. */
export interface WrenchChoice {
  wrench: Wrench;
  faults: WrenchFault[];
}

/**
 * The shop's wrenches for one pull, best first: free of faults, then live, then with the target nearest the
 * middle of the band, where a spring wrench repeats best (common practice, no source).
 */
export function rankWrenches(wrenches: readonly Wrench[], needs: PullNeeds, nowMs: number): WrenchChoice[] {
  const fromMiddle = (wrench: Wrench) => {
    const { minNm, maxNm } = usableBand(wrench);
    return Math.abs(needs.targetNm - (minNm + maxNm) / 2) / (maxNm - minNm);
  };
  return wrenches
    .map((wrench) => ({ wrench, faults: wrenchFaults(wrench, needs, nowMs) }))
    .sort(
      (a, b) =>
        Math.sign(a.faults.length) - Math.sign(b.faults.length) ||
        Number(b.wrench.live) - Number(a.wrench.live) ||
        fromMiddle(a.wrench) - fromMiddle(b.wrench) ||
        a.wrench.label.localeCompare(b.wrench.label, 'en'),
    );
}
