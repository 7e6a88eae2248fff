import type { Wrench } from './wrench.ts';

/**
 * Share of full scale below which a wrench is not trusted unless its own data say otherwise.
 * ISO 6789-1:2017 rates torque tools from 20 % of their maximum upward.
 */
const LOWEST_SHARE = 0.2;

/** The torques a wrench may be used for, N·m. */
export function usableBand(wrench: Pick<Wrench, 'fullScaleNm' | 'lowestNm'>): { minNm: number; maxNm: number } {
  return { minNm: wrench.lowestNm ?? wrench.fullScaleNm * LOWEST_SHARE, maxNm: wrench.fullScaleNm };
}
