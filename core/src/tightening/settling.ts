import type { Stiffness } from './joint-stiffness.ts';

/** Roughness of the surfaces, by the mean height Rz in µm: below 10, 10 to 40, 40 to 160. */
export type Roughness = 'fine' | 'medium' | 'coarse';

/** µm in the thread, per face under head or nut, per interface between parts. @see VDI 2230-1:2015, table 5 (tension) */
const SETTLING_UM: Record<Roughness, { thread: number; face: number; interface: number }> = {
  fine: { thread: 3, face: 2.5, interface: 1.5 },
  medium: { thread: 3, face: 3, interface: 2 },
  coarse: { thread: 3, face: 4, interface: 3 },
};

/**
 * Preload lost when the surfaces settle: FZ = fZ / (δS + δP). Short grips and soft layers lose most; paint, gaskets
 * and rubber lose more than any table says and need a re-torque.
 *
 * @param interfaces - faces between clamped parts, from 0
 * @param faces - turning or resting faces under head and nut: 1 for a tapped hole, 2 with a nut
 * @returns settling in µm and lost preload in N
 */
export function settlingLoss(
  stiffness: Stiffness,
  roughness: Roughness,
  interfaces: number,
  faces: 1 | 2 = 2,
): { settlingUm: number; lossN: number } {
  const row = SETTLING_UM[roughness];
  const settlingUm = row.thread + faces * row.face + interfaces * row.interface;
  return { settlingUm, lossN: settlingUm / 1000 / (stiffness.boltMmPerN + stiffness.partsMmPerN) };
}
