import type { BoltStrength } from '../fastener/property-class.ts';
import { stressAreaMm2 } from '../fastener/stress-area.ts';
import { minorDiameterMm, pitchDiameterMm, type Thread } from '../fastener/thread.ts';

type ThreadSize = Pick<Thread, 'system' | 'nominalMm' | 'pitchMm'>;

/** Share of Rp0.2 that assembly may use. @see VDI 2230-1:2015, section 5.4.3 (ν = 0.9) */
const YIELD_SHARE = 0.9;
/** Share of proof load for inch grades. Common practice for reusable joints (Machinery's Handbook). */
const PROOF_SHARE = 0.75;

/** Diameter of the section the stress is taken in, mm: (d2 + d3)/2. @see VDI 2230-1:2015, section 5.5.3 */
function stressDiameterMm({ system, nominalMm, pitchMm }: ThreadSize): number {
  if (system === 'unified') return Math.sqrt((4 * stressAreaMm2({ system, nominalMm, pitchMm })) / Math.PI);
  const rootMm = minorDiameterMm(nominalMm, pitchMm) - ((Math.sqrt(3) / 2) * pitchMm) / 6;
  return (pitchDiameterMm(nominalMm, pitchMm) + rootMm) / 2;
}

/** Shear stress by the thread's torque over tensile stress: (3/2)·(d2/d0)·(P/(π d2) + 1.155 μG). */
function shearShare(thread: ThreadSize, threadFriction: number): number {
  const d2 = pitchDiameterMm(thread.nominalMm, thread.pitchMm);
  return 1.5 * (d2 / stressDiameterMm(thread)) * (thread.pitchMm / (Math.PI * d2) + 1.155 * threadFriction);
}

/**
 * Shear stress by a prevailing torque, N/mm²: τ = MP / (π d0³ / 12). A locking nut drags in the thread, so the shank
 * carries all of it.
 * @see VDI 2230-1:2015, section 5.5.3 (polar resistance of a shank that begins to yield)
 */
const prevailingShearMpa = (thread: ThreadSize, prevailingNm: number): number =>
  (12 * prevailingNm * 1000) / (Math.PI * stressDiameterMm(thread) ** 3);

/**
 * How much larger the equivalent stress is than the tensile stress alone, because the thread torque twists the shank:
 * √(1 + 3·[(3/2)·(d2/d0)·(P/(π d2) + 1.155 μG)]²). Only the friction of the thread twists it, not that of the head.
 * @see VDI 2230-1:2015, equation (139)
 */
export const torsionFactor = (thread: ThreadSize, threadFriction: number): number =>
  Math.sqrt(1 + 3 * shearShare(thread, threadFriction) ** 2);

/**
 * Preload at which the equivalent stress is `share` of the yield strength, N.
 *
 * @param thread - diameter and pitch, mm
 * @param yieldMpa - Rp0.2, N/mm²
 * @param threadFriction - μG, from 0
 * @param share - ν, above 0, 0.9 by VDI 2230; 1 is the yield point
 * @param prevailingNm - torque of a locking nut, N·m: it twists the shank too and leaves less for the preload
 * @returns 0 where the prevailing torque alone uses the whole share
 * @see VDI 2230-1:2015, equation (139), table A1; with a prevailing torque the same equation solved for F
 */
export function preloadAtYieldShareN(
  thread: ThreadSize,
  yieldMpa: number,
  threadFriction: number,
  share = YIELD_SHARE,
  prevailingNm = 0,
): number {
  const k = shearShare(thread, threadFriction);
  const drag = prevailingShearMpa(thread, prevailingNm);
  const allowed = share * yieldMpa;
  // σ² + 3 (k σ + τP)² = allowed², solved for σ.
  const [a, halfB] = [1 + 3 * k * k, 3 * k * drag];
  const rest = halfB * halfB - a * (3 * drag * drag - allowed * allowed);
  const tensileMpa = rest <= 0 ? 0 : (Math.sqrt(rest) - halfB) / a;
  return Math.max(0, tensileMpa) * stressAreaMm2(thread);
}

/** Which rule sets the assembly preload. */
export type PreloadRule = { kind: 'yieldShare'; share: number } | { kind: 'proofShare'; share: number };

/** The rule of the standard a class belongs to: VDI 2230 for ISO classes and stainless, 75 % of proof for inch grades. */
export const usualRule = (strength: BoltStrength): PreloadRule =>
  strength.standard === 'SAE J429' || strength.standard === 'ASTM F593'
    ? { kind: 'proofShare', share: PROOF_SHARE }
    : { kind: 'yieldShare', share: YIELD_SHARE };

/** Assembly preload by a rule, N; `prevailingNm` twists the shank while it is made. */
export const assemblyPreloadN = (
  thread: ThreadSize,
  strength: BoltStrength,
  threadFriction: number,
  rule: PreloadRule = usualRule(strength),
  prevailingNm = 0,
): number =>
  rule.kind === 'proofShare'
    ? rule.share * strength.proofMpa * stressAreaMm2(thread)
    : preloadAtYieldShareN(thread, strength.yieldMpa, threadFriction, rule.share, prevailingNm);

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

/**
 * Stresses of a bolt under a preload while it is being tightened; a prevailing torque, N·m, twists it too.
 * @see VDI 2230-1:2015, section 5.4.3
 */
export function boltStress(
  thread: ThreadSize,
  strength: BoltStrength,
  preloadN: number,
  threadFriction: number,
  prevailingNm = 0,
): BoltStress {
  const tensileMpa = preloadN / stressAreaMm2(thread);
  const shearMpa = tensileMpa * shearShare(thread, threadFriction) + prevailingShearMpa(thread, prevailingNm);
  const equivalentMpa = Math.sqrt(tensileMpa ** 2 + 3 * shearMpa ** 2);
  return {
    tensileMpa,
    equivalentMpa,
    proofShare: tensileMpa / strength.proofMpa,
    yieldShare: equivalentMpa / strength.yieldMpa,
  };
}
