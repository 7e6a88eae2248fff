import { deviation, permissibleDeviation, type Reading } from '../wrench/calibration.ts';
import type { Wrench } from '../wrench/wrench.ts';

/** Pulls of one daily check. Chosen by us: two cannot tell a slip from a fault, five take too long. */
export const CHECK_PULLS = 3;
/** Where on the scale the daily check is made. Chosen by us: the middle point of a calibration. */
const CHECK_SHARE = 0.6;

/** A check or a calibration as it was made and judged. */
export interface WrenchCheck {
  id: string;
  wrenchId: string;
  kind: 'check' | 'calibration';
  atMs: number;
  byName: string;
  readings: Reading[];
  /** Limit it was judged by, as a fraction. */
  permissible: number;
  /** Mean and worst deviation, as fractions. */
  mean: number;
  worst: number;
  within: boolean;
  certificate?: string;
}

/** What a set of readings says of a wrench. */
export interface CheckVerdict {
  permissible: number;
  mean: number;
  worst: number;
  within: boolean;
}

/** Judges readings of a wrench: every one must lie within the permissible deviation of its kind and size. */
export function judgeCheck(wrench: Pick<Wrench, 'fullScaleNm' | 'kind'>, readings: readonly Reading[]): CheckVerdict {
  const permissible = permissibleDeviation(wrench.fullScaleNm, wrench.kind);
  const deviations = readings.map(deviation);
  const worst = deviations.reduce((most, value) => (Math.abs(value) > Math.abs(most) ? value : most), 0);
  const mean = deviations.reduce((sum, value) => sum + value, 0) / (deviations.length || 1);
  return {
    permissible,
    mean,
    worst,
    within: deviations.length > 0 && deviations.every((value) => Math.abs(value) <= permissible + 1e-12),
  };
}

/**
 * Since when a wrench's pulls are in doubt: its last check or calibration that was good before the failed one.
 * @returns Unix ms, or 0 when no good check is known, so that every pull it ever made is in doubt
 */
export function doubtFromMs(checks: readonly WrenchCheck[], failedAtMs: number): number {
  return checks
    .filter((check) => check.within && check.atMs < failedAtMs)
    .reduce((latest, check) => Math.max(latest, check.atMs), 0);
}

/** Torque the daily check is set to, N·m: 60 % of full scale, to whole marks of the scale where it has them. */
export function checkSettingNm(wrench: Pick<Wrench, 'fullScaleNm' | 'divisionNm'>): number {
  const aim = wrench.fullScaleNm * CHECK_SHARE;
  return wrench.divisionNm ? Math.max(1, Math.round(aim / wrench.divisionNm)) * wrench.divisionNm : aim;
}
