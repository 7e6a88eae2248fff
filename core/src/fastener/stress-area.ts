import { minorDiameterMm, pitchDiameterMm, type Thread } from './thread.ts';

/**
 * Tensile stress area of an external thread, mm².
 *
 * Metric: As = (π/4) · ((d2 + d3)/2)² with d3 = d1 − H/6, which is (π/4) · (d − 0.9382 P)².
 * Unified: As = (π/4) · (D − 0.9743/n)². The two standards do not use the same root, so the system decides.
 *
 * @param thread - nominal diameter and pitch in mm, the pitch below the diameter
 * @see ISO 898-1:2013, clause 9.1.6.1; ASME B1.1-2003, appendix B, formula for tensile stress area
 */
export function stressAreaMm2({
  system,
  nominalMm,
  pitchMm,
}: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>): number {
  if (system === 'unified') return (Math.PI / 4) * (nominalMm - 0.9743 * pitchMm) ** 2;
  const rootMm = minorDiameterMm(nominalMm, pitchMm) - ((Math.sqrt(3) / 2) * pitchMm) / 6;
  return (Math.PI / 4) * ((pitchDiameterMm(nominalMm, pitchMm) + rootMm) / 2) ** 2;
}
