import { pitchDiameterMm, type Thread } from '../fastener/thread.ts';

/** Friction in the thread and under the turned head or nut, dimensionless. */
export interface Friction {
  thread: number;
  bearing: number;
}

/** The annulus that turns on the part: outside diameter of the face and diameter of the hole under it, mm. */
export interface BearingFace {
  outsideMm: number;
  holeMm: number;
  /** Half of the cone angle; 90 for a flat face, 45 under a countersunk head, 30 for a 60° wheel nut seat. */
  halfAngleDeg?: number;
}

/**
 * How the pitch and the thread friction enter. `vdi` is the application's convention: 0.16 P + 0.58 d2 μG, which rounds
 * and adds pitch and friction apart. `exact` is the screw as an inclined plane: d2/2 · tan(φ + ρ′).
 */
export type TorqueForm = 'vdi' | 'exact';

/** Half of the flank angle of ISO 68-1 and ASME B1.1 threads, in the axial section. */
const FLANK_RAD = Math.PI / 6;

/** Lever arms of one newton of preload, mm: what climbs the pitch, and what rubs in the thread. */
function threadArms(
  { nominalMm, pitchMm }: Pick<Thread, 'nominalMm' | 'pitchMm'>,
  friction: number,
  form: TorqueForm,
): { pitchMm: number; threadMm: number } {
  const d2 = pitchDiameterMm(nominalMm, pitchMm);
  if (form === 'vdi') return { pitchMm: 0.16 * pitchMm, threadMm: 0.58 * d2 * friction };
  const lead = Math.atan(pitchMm / (Math.PI * d2));
  // Friction acts on the flank as it stands across the thread, a little steeper than in the axial section.
  const normalFlank = Math.atan(Math.tan(FLANK_RAD) * Math.cos(lead));
  const rub = Math.atan(friction / Math.cos(normalFlank));
  const climbs = pitchMm / (2 * Math.PI);
  return { pitchMm: climbs, threadMm: (d2 / 2) * Math.tan(lead + rub) - climbs };
}

/**
 * Mean diameter of head friction DKm = (dW + dh)/2, mm; on a cone divided by the sine of the half angle, because the
 * normal force on the seat is that much larger than the preload.
 * @see VDI 2230-1:2015, equation (R13) and table A13 for flat faces; the cone by resolution of forces
 */
export const frictionDiameterMm = ({ outsideMm, holeMm, halfAngleDeg = 90 }: BearingFace): number =>
  (outsideMm + holeMm) / 2 / Math.sin((halfAngleDeg * Math.PI) / 180);

/** Where a tightening torque goes, N·m. Only `pitchNm` makes preload. */
export interface TorqueShares {
  pitchNm: number;
  threadNm: number;
  bearingNm: number;
  prevailingNm: number;
  totalNm: number;
}

/**
 * Tightening torque, long form: M = F · (0.16 P + 0.58 d2 μG + DKm/2 · μK) + MP.
 *
 * @param preloadN - preload F, N, from 0
 * @param thread - diameter and pitch, mm
 * @param friction - μG in the thread, μK under the head, each from 0
 * @param face - bearing face of what is turned, mm
 * @param prevailingNm - torque of a locking nut or patch before the head seats, N·m
 * @see VDI 2230-1:2015, equation (R13); `exact`: the power screw of any text on machine elements, such as Shigley's
 */
export function torqueShares(
  preloadN: number,
  thread: Pick<Thread, 'nominalMm' | 'pitchMm'>,
  friction: Friction,
  face: BearingFace,
  prevailingNm = 0,
  form: TorqueForm = 'vdi',
): TorqueShares {
  const arms = threadArms(thread, friction.thread, form);
  const pitchNm = (preloadN * arms.pitchMm) / 1000;
  const threadNm = (preloadN * arms.threadMm) / 1000;
  const bearingNm = (preloadN * (frictionDiameterMm(face) / 2) * friction.bearing) / 1000;
  return { pitchNm, threadNm, bearingNm, prevailingNm, totalNm: pitchNm + threadNm + bearingNm + prevailingNm };
}

/** Torque for a preload, N·m; the sum of {@link torqueShares}. */
export function torqueForPreloadNm(
  preloadN: number,
  thread: Pick<Thread, 'nominalMm' | 'pitchMm'>,
  friction: Friction,
  face: BearingFace,
  prevailingNm = 0,
  form: TorqueForm = 'vdi',
): number {
  return preloadN * torquePerNewton(thread, friction, face, form) + prevailingNm;
}

/** Torque that one newton of preload needs, N·m/N. */
export function torquePerNewton(
  thread: Pick<Thread, 'nominalMm' | 'pitchMm'>,
  friction: Friction,
  face: BearingFace,
  form: TorqueForm = 'vdi',
): number {
  const arms = threadArms(thread, friction.thread, form);
  return (arms.pitchMm + arms.threadMm + (frictionDiameterMm(face) / 2) * friction.bearing) / 1000;
}

/**
 * The friction that a nut factor stands for, with the long form: the same in the thread and under the head, or under the
 * head alone where the thread's is known. K d = arm of the pitch + arm of the thread + DKm/2 · μK.
 *
 * @param factor - nut factor K, above 0
 * @param threadFriction - where it is known
 * @returns undefined where the factor is less than pitch and thread alone take
 */
export function frictionOfNutFactor(
  factor: number,
  thread: Pick<Thread, 'nominalMm' | 'pitchMm'>,
  face: BearingFace,
  threadFriction?: number,
): Friction | undefined {
  const wholeMm = factor * thread.nominalMm;
  const headMm = frictionDiameterMm(face) / 2;
  const [bare, one] = [threadArms(thread, 0, 'vdi'), threadArms(thread, 1, 'vdi')];
  if (threadFriction !== undefined) {
    const bearing = (wholeMm - bare.pitchMm - one.threadMm * threadFriction) / headMm;
    return bearing < 0 ? undefined : { thread: threadFriction, bearing };
  }
  const even = (wholeMm - bare.pitchMm) / (one.threadMm + headMm);
  return even < 0 ? undefined : { thread: even, bearing: even };
}

/** Preload a torque makes, N: the long form solved for F. A torque below the prevailing one makes none. */
export const preloadForTorqueN = (
  torqueNm: number,
  thread: Pick<Thread, 'nominalMm' | 'pitchMm'>,
  friction: Friction,
  face: BearingFace,
  prevailingNm = 0,
  form: TorqueForm = 'vdi',
): number => Math.max(0, torqueNm - prevailingNm) / torquePerNewton(thread, friction, face, form);

/**
 * Nut factor K of the short form T = K · F · d that gives the same torque as the long form.
 * @see Bickford, Introduction to the Design and Behavior of Bolted Joints, short-form torque equation
 */
export const nutFactor = (
  thread: Pick<Thread, 'nominalMm' | 'pitchMm'>,
  friction: Friction,
  face: BearingFace,
  form: TorqueForm = 'vdi',
): number => (torquePerNewton(thread, friction, face, form) * 1000) / thread.nominalMm;

/**
 * Preload by the short form F = T / (K · d), N.
 * @param torqueNm - N·m
 * @param diameterMm - nominal diameter, mm
 * @param factor - nut factor K, above 0
 */
export const preloadByNutFactorN = (torqueNm: number, diameterMm: number, factor: number): number =>
  (torqueNm * 1000) / (factor * diameterMm);

/** Torque by the short form T = K · F · d, N·m. */
export const torqueByNutFactorNm = (preloadN: number, diameterMm: number, factor: number): number =>
  (factor * preloadN * diameterMm) / 1000;
