import type { BoltStrength } from '../fastener/property-class.ts';
import { stressAreaMm2 } from '../fastener/stress-area.ts';
import { minorDiameterMm, pitchDiameterMm, type Thread } from '../fastener/thread.ts';

/** Share of Rp0.2 that assembly may use. @see VDI 2230-1:2015, section 5.4.3 (ν = 0.9) */
const YIELD_SHARE = 0.9;
/** Share of proof load for inch grades. Common practice for reusable joints (Machinery's Handbook). */
const PROOF_SHARE = 0.75;

/** Diameter of the section the stress is taken in, mm: (d2 + d3)/2. @see VDI 2230-1:2015, section 5.5.3 */
function stressDiameterMm({ system, nominalMm, pitchMm }: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>): number {
  if (system === 'unified') return Math.sqrt((4 * stressAreaMm2({ system, nominalMm, pitchMm })) / Math.PI);
  const rootMm = minorDiameterMm(nominalMm, pitchMm) - ((Math.sqrt(3) / 2) * pitchMm) / 6;
  return (pitchDiameterMm(nominalMm, pitchMm) + rootMm) / 2;
}

/**
 * How much larger the equivalent stress is than the tensile stress alone, because the thread torque twists the shank:
 * √(1 + 3·[(3/2)·(d2/d0)·(P/(π d2) + 1.155 μG)]²). Only the friction of the thread twists it, not that of the head.
 * @see VDI 2230-1:2015, equation (139)
 */
export function torsionFactor(
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>,
  threadFriction: number,
): number {
  const d2 = pitchDiameterMm(thread.nominalMm, thread.pitchMm);
  const shear = 1.5 * (d2 / stressDiameterMm(thread)) * (thread.pitchMm / (Math.PI * d2) + 1.155 * threadFriction);
  return Math.sqrt(1 + 3 * shear * shear);
}

/**
 * Preload at which the equivalent stress is `share` of the yield strength, N.
 *
 * @param thread - diameter and pitch, mm
 * @param yieldMpa - Rp0.2, N/mm²
 * @param threadFriction - μG, from 0
 * @param share - ν, above 0, 0.9 by VDI 2230; 1 is the yield point
 * @see VDI 2230-1:2015, equation (139), table A1
 */
export const preloadAtYieldShareN = (
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>,
  yieldMpa: number,
  threadFriction: number,
  share = YIELD_SHARE,
): number => (share * yieldMpa * stressAreaMm2(thread)) / torsionFactor(thread, threadFriction);

/** Which rule sets the assembly preload. */
export type PreloadRule = { kind: 'yieldShare'; share: number } | { kind: 'proofShare'; share: number };

/** The rule of the standard a class belongs to: VDI 2230 for ISO classes and stainless, 75 % of proof for inch grades. */
export const usualRule = (strength: BoltStrength): PreloadRule =>
  strength.standard === 'SAE J429'
    ? { kind: 'proofShare', share: PROOF_SHARE }
    : { kind: 'yieldShare', share: YIELD_SHARE };

/** Assembly preload by a rule, N. */
export const assemblyPreloadN = (
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>,
  strength: BoltStrength,
  threadFriction: number,
  rule: PreloadRule = usualRule(strength),
): number =>
  rule.kind === 'proofShare'
    ? rule.share * strength.proofMpa * stressAreaMm2(thread)
    : preloadAtYieldShareN(thread, strength.yieldMpa, threadFriction, rule.share);

/** What a preload does to a bolt. */
export interface BoltStress {
  tensileMpa: number;
  /** Equivalent stress while the torque is on, N/mm². */
  equivalentMpa: number;
  /** Preload over proof load. */
  proofShare: number;
  /** Equivalent stress over yield strength. */
  yieldShare: number;
}

/** Stresses of a bolt under a preload while it is being tightened. @see VDI 2230-1:2015, section 5.4.3 */
export function boltStress(
  thread: Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>,
  strength: BoltStrength,
  preloadN: number,
  threadFriction: number,
): BoltStress {
  const tensileMpa = preloadN / stressAreaMm2(thread);
  const equivalentMpa = tensileMpa * torsionFactor(thread, threadFriction);
  return {
    tensileMpa,
    equivalentMpa,
    proofShare: tensileMpa / strength.proofMpa,
    yieldShare: equivalentMpa / strength.yieldMpa,
  };
}
