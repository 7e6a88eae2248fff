import type { PartMaterial } from './joint-stiffness.ts';

/** Pressure under a head that the part just bears, N/mm². @see VDI 2230-1:2015, table A9 (from memory; usual alloys) */
export const LIMITING_PRESSURE: Record<PartMaterial, number> = {
  steel: 490,
  stainless: 420,
  castIron: 850,
  aluminium: 290,
  magnesium: 180,
};

/**
 * Pressure under the head or nut: p = 4 F / (π · (dW² − dh²)), N/mm². Infinite where the hole leaves no face.
 * @see VDI 2230-1:2015, section 5.5.4
 */
export const bearingPressureMpa = (preloadN: number, outsideMm: number, holeMm: number): number =>
  outsideMm > holeMm ? (4 * preloadN) / (Math.PI * (outsideMm ** 2 - holeMm ** 2)) : Number.POSITIVE_INFINITY;
