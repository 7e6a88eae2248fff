import type { PartMaterial } from './joint-stiffness.ts';

/** Pressure under a head that the part just bears, N/mm². @see VDI 2230-1:2015, table A9 (from memory; usual alloys) */
export const LIMITING_PRESSURE: Record<PartMaterial, number> = {
  steel: 490,
  stainless: 420,
  castIron: 850,
  aluminium: 290,
  magnesium: 180,
};

/** What lies between the head and the part, and how wide the part is, mm. */
export interface Pressed {
  /** Hole in the part. */
  holeMm: number;
  /** A washer spreads the load; the head then turns on the washer. */
  washer?: { outsideMm: number; thicknessMm: number };
  /** Outside diameter of the part round the bolt: a narrow one bears no further than its edge. */
  partDiameterMm?: number;
}

/**
 * The ring of the part that is pressed: under a washer of thickness h the face grows to dW + 1.6 h, no further than the
 * washer's and the part's edge.
 *
 * @param faceMm - outside diameter of the face that turns, dW
 * @see VDI 2230-1:2015, section 5.5.4, d_Wa = d_W + 1.6 h_S
 */
export function pressedRing(faceMm: number, pressed: Pressed): { outsideMm: number; holeMm: number } {
  const { washer, holeMm, partDiameterMm = Number.POSITIVE_INFINITY } = pressed;
  const spreadMm = washer ? Math.min(faceMm + 1.6 * washer.thicknessMm, washer.outsideMm) : faceMm;
  return { outsideMm: Math.min(spreadMm, partDiameterMm), holeMm };
}

/**
 * Pressure under the head or nut: p = 4 F / (π · (dW² − dh²)), N/mm². Infinite where the hole leaves no face.
 * @see VDI 2230-1:2015, section 5.5.4
 */
export const bearingPressureMpa = (preloadN: number, outsideMm: number, holeMm: number): number =>
  outsideMm > holeMm ? (4 * preloadN) / (Math.PI * (outsideMm ** 2 - holeMm ** 2)) : Number.POSITIVE_INFINITY;
